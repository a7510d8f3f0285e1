"""The `oenomel` command."""

from __future__ import annotations

import argparse
import json
import re
import sys
from contextlib import closing
from datetime import datetime
from pathlib import Path

from oenomel import __version__
from oenomel.carrying.compare import look_at
from oenomel.carrying.folder import export_house, read_files
from oenomel.carrying.items import CHOICES
from oenomel.carrying.originals import at_hand, book_of, kinship_of
from oenomel.carrying.take_in import take_in
from oenomel.core.families import standard_homes
from oenomel.core.forecast import forecast_of
from oenomel.core.ice import SCHOOLS_OF_DILUTION, Conditions
from oenomel.core.larder import Findable, Index, Larder, catalogue, known_by
from oenomel.core.originals import BookDrink, Ground, KinshipTable, originals
from oenomel.core.service import SERVICES, ForTheEvening, batch_of, shopping
from oenomel.core.stillroom import prepared
from oenomel.core.swaps import COARSEST_GRID_ML, FINEST_GRID_ML, Aim, correctors_for, rebalance, ways_of
from oenomel.errors import OenomelError, OutOfRange, SpecError
from oenomel.interchange.card.content import day_words
from oenomel.interchange.card.writing import card_file
from oenomel.interchange.formats.reading import LARGEST_PAGE, read_text
from oenomel.interchange.formats.writing import FORMATS, write_as
from oenomel.interchange.house.reading import house_of
from oenomel.interchange.preparation import parse_preparation, preparation_of, preparation_report
from oenomel.interchange.reports.forecast import forecast_report
from oenomel.interchange.reports.originals import original_report
from oenomel.interchange.reports.service import batch_report
from oenomel.interchange.reports.swaps import rebalance_report
from oenomel.interchange.requests.aim import parse_target, pours_named, target_from
from oenomel.interchange.requests.originals import wish_entry, wish_from
from oenomel.interchange.requests.service import BatchEntry, wish_of
from oenomel.interchange.spec.drink import drink_from_spec
from oenomel.interchange.spec.file import SpecFile, parse_spec
from oenomel.store import copies, database, ingredients

__all__ = ["main"]

BAD_INPUT = 2
LARGEST_SPEC_BYTES = 1_000_000
MOST_TOLD = 1e6
_NO_TEXTS = (b"\x89PNG", b"\xff\xd8\xff", b"GIF8", b"%PDF", b"PK\x03\x04", b"RIFF", b"SQLite format 3")
"""How files begin that are no texts."""


def main(arguments: list[str] | None = None) -> int:
    """Runs the command; returns its exit code: 0, or 2 with one sentence on standard error for bad input."""
    parser = _parser()
    chosen = parser.parse_args(arguments)
    try:
        return int(chosen.run(chosen))
    except OenomelError as error:
        print(f"oenomel: {error}", file=sys.stderr)
        return BAD_INPUT


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="oenomel", description="Foresee what a swap does to the balance of a sour, daisy or fizz.")
    parser.add_argument("--version", action="version", version=__version__)
    commands = parser.add_subparsers(required=True, metavar="COMMAND")

    predicting = commands.add_parser("predict", help="print the forecast of a spec file as JSON")
    predicting.add_argument("spec", type=Path, help="a spec file (JSON)")
    predicting.add_argument("--data", type=Path, help="data file whose larder is used (default: the user's)")
    predicting.add_argument("--dilution", choices=SCHOOLS_OF_DILUTION, default="curve", help="school of dilution (default: curve)")
    predicting.set_defaults(run=_predict)

    balancing = commands.add_parser("rebalance", help="print the pourable amounts that bring a spec to a target, as JSON")
    balancing.add_argument("spec", type=Path, help="a spec file (JSON)")
    balancing.add_argument("--target", type=Path, required=True, help='a spec, or figures like {"sugar": 8.0, "acid": 0.85}')
    balancing.add_argument("--free", help="pours that may move, by slug or name, with commas (default: base, sour, sweet, liqueur)")
    balancing.add_argument("--grid", type=float, default=2.5, help="smallest step of the jigger in ml (default: 2.5)")
    balancing.add_argument("--without-character", action="store_true", help="let what the drink is known by move at no price of its own")
    balancing.add_argument("--data", type=Path, help="data file whose larder is used (default: the user's)")
    balancing.set_defaults(run=_rebalance)

    finding = commands.add_parser("find", help="print the ingredients that words of the trade mean, best first, as JSON")
    finding.add_argument("words", nargs="+", help='what it is called, such as "triple sec"')
    finding.add_argument("--data", type=Path, help="data file whose larder is used (default: the user's)")
    finding.set_defaults(run=_find)

    reading = commands.add_parser("read", help="print the recipe in a text, a table, linked data or a spec file as JSON")
    reading.add_argument("file", type=Path, help="the file; - for standard input")
    reading.add_argument("--data", type=Path, help="data file whose larder is used (default: the user's)")
    reading.set_defaults(run=_read)

    writing = commands.add_parser("write", help="print a spec file in an open format")
    writing.add_argument("spec", type=Path, help="a spec file (JSON)")
    writing.add_argument("--as", dest="wanted", choices=(*FORMATS, "html"), required=True, help="the format")
    writing.add_argument("--data", type=Path, help="data file whose larder is used (default: the user's)")
    writing.set_defaults(run=_write)

    preparing = commands.add_parser("prepare", help="print what a preparation comes to, as JSON")
    preparing.add_argument("file", type=Path, help="a preparation file (JSON); - for standard input")
    preparing.add_argument("--data", type=Path, help="data file whose larder is used (default: the user's)")
    preparing.set_defaults(run=_prepare)

    _add_batch(commands)
    _add_originals(commands)
    _add_carrying(commands)

    serving = commands.add_parser("serve", help="serve the app")
    serving.add_argument("--demo", action="store_true", help="show the demo, in a data file of its own")
    serving.add_argument("--reset", action="store_true", help="put the demo back to how it was at first")
    serving.add_argument("--host", default="127.0.0.1", help="address to listen on (default: loopback only)")
    serving.add_argument("--share", action="store_true", help="let devices of the network in by a code; for a --host other than loopback")
    serving.add_argument("--name", action="append", default=[], help="a name by which the network calls this machine; may be repeated")
    serving.add_argument("--port", type=_port, default=8000)
    serving.add_argument("--data", type=Path, help="data file (default: by the platform's convention)")
    serving.set_defaults(run=_serve)
    return parser


def _add_batch(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """The command that works a batch out."""
    batching = commands.add_parser("batch", help="print a batch of a spec file as it can be measured, as JSON")
    batching.add_argument("spec", type=Path, help="a spec file (JSON)")
    batching.add_argument("--serves", help="so many of it; with --container: into that one")
    batching.add_argument("--container", help="as many as fit in a container of so many ml")
    batching.add_argument("--service", choices=SERVICES, required=True, help="how it is served; shaken is shaken to order")
    batching.add_argument("--grid", default="5", help="what can be measured, in ml (default: 5)")
    batching.add_argument("--stand-in", action="store_true", help="acids in water for the sharp juice of the day")
    batching.add_argument("--data", type=Path, help="data file whose larder is used (default: the user's)")
    batching.set_defaults(run=_batch)


def _add_originals(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """The command that looks for drinks nobody has mixed yet."""
    wishing = commands.add_parser("originals", help="print original drinks that meet a wish, as JSON, best first")
    wishing.add_argument("--family", choices=("sour", "daisy", "fizz"), required=True, help="which family they stand in")
    wishing.add_argument("--form", default="", help='one of its forms, such as "with foam"')
    wishing.add_argument("--count", default="20", help="how many (default: 20)")
    wishing.add_argument("--seed", default="1", help="a whole number; the same one gives the same drinks (default: 1)")
    wishing.add_argument("--must", default="", help="what each of them must hold, by slug or name, with commas")
    wishing.add_argument("--may", default="", help="what they may gladly hold, with commas")
    wishing.add_argument("--without", default="", help="what none may hold: egg, milk, alcohol, vegan, an allergen, a kind, an ingredient")
    wishing.add_argument("--abv", default="", help="strength as served, such as 12-18")
    wishing.add_argument("--aroma", default="", help="what is to be smelt, such as floral,smoke")
    wishing.add_argument("--colour", default="", help="the colour that it should have")
    wishing.add_argument("--season", default="", choices=("", "spring", "summer", "autumn", "winter"), help="gladly of a season")
    wishing.add_argument("--at-hand", action="store_true", help="only of what stands on the shelf of the data file")
    wishing.add_argument("--data", type=Path, help="data file whose larder and book are used (default: the user's)")
    wishing.set_defaults(run=_originals)


def _add_carrying(commands: argparse._SubParsersAction[argparse.ArgumentParser]) -> None:
    """The commands that copy a data file, and carry a house out and in."""
    copying = commands.add_parser("backup", help="copy a data file, in use or not, to a file of its own")
    copying.add_argument("file", type=Path, help="the copy to write")
    copying.set_defaults(run=_backup)

    restoring = commands.add_parser("restore", help="put a copy in the place of the data file; the old one is kept beside it")
    restoring.add_argument("file", type=Path, help="the copy to put there")
    restoring.set_defaults(run=_restore)

    exporting = commands.add_parser("export", help="write everything that a house has as open files")
    exporting.add_argument("folder", type=Path, help="the folder to write")
    exporting.set_defaults(run=_export)

    importing = commands.add_parser(
        "import", help="take files into the house, all of them or none, and say what was new, the same, or differs"
    )
    importing.add_argument("files", type=Path, nargs="+", help="house files, specs, tables, Markdown, recipes; or folders of them")
    importing.add_argument(
        "--differs", choices=CHOICES, default="leave", help="what becomes of what differs (default: leave it; no trial is ever changed)"
    )
    importing.add_argument("--look", action="store_true", help="only say what is new, the same, or differs")
    importing.set_defaults(run=_import)
    for each in (copying, restoring, exporting, importing):
        each.add_argument("--data", type=Path, help="data file (default: the user's)")


def _backup(chosen: argparse.Namespace) -> int:
    data = chosen.data or database.default_path()
    copies.back_up(data, chosen.file)
    print(f"{data} is copied to {chosen.file}.")
    return 0


def _restore(chosen: argparse.Namespace) -> int:
    data = chosen.data or database.default_path()
    kept = copies.restore(data, chosen.file)
    print(f"{chosen.file} is in the place of {data}." + (f" The old file is kept as {kept}." if kept else ""))
    return 0


def _export(chosen: argparse.Namespace) -> int:
    with closing(database.open_read_only(chosen.data or database.default_path())) as conn:
        many = export_house(conn, chosen.folder)
    print(f"{many} {'drink' if many == 1 else 'drinks'} written to {chosen.folder}, and everything to {chosen.folder / 'house.json'}.")
    return 0


def _import(chosen: argparse.Namespace) -> int:
    files, data = read_files(chosen.files), chosen.data or database.default_path()
    database.prepare(data)
    with closing(database.connect(data)) as conn:
        house = house_of(files, ingredients.names(conn), ingredients.larder(conn).__getitem__)
        if chosen.look:
            items = look_at(conn, house)
        else:
            with database.transaction(conn):
                items = take_in(conn, house, {}, chosen.differs)
    for item in items:
        print(f"{item.state:8}{item.kind:8}{item.name}: {item.words}")
        for side in item.sides:
            print(f"{'':16}{side.what}: here {side.here}; comes {side.comes}")
    counted = [f"{sum(item.state == state for item in items)} {state}" for state in ("new", "same", "differs")]
    print(f"{', '.join(counted)}.{' Nothing was written.' if chosen.look else ''}")
    return 0


def _predict(chosen: argparse.Namespace) -> int:
    drink = drink_from_spec(parse_spec(_text(chosen.spec)), _larder(chosen.data))
    print(forecast_report(forecast_of(drink, Conditions(dilution=chosen.dilution))).model_dump_json(indent=2))
    return 0


def _rebalance(chosen: argparse.Namespace) -> int:
    larder = _larder(chosen.data)
    spec, wished = parse_spec(_text(chosen.spec)), parse_target(_text(chosen.target))
    if not FINEST_GRID_ML <= chosen.grid <= COARSEST_GRID_ML:
        raise OutOfRange("--grid", chosen.grid, FINEST_GRID_ML, COARSEST_GRID_ML)
    drink = drink_from_spec(spec, larder)
    described = drink_from_spec(wished, larder) if isinstance(wished, SpecFile) else None
    target = target_from(wished, drink, described, standard_homes(), equivalents=False, conditions=Conditions())
    free = None if chosen.free is None else pours_named(drink, [name.strip() for name in chosen.free.split(",") if name.strip()], "--free")
    aim = Aim(target, grid_ml=chosen.grid, character=not chosen.without_character)
    answer = rebalance(drink, aim, free)
    ways = ways_of(drink, aim, answer, free, correctors_for(drink, larder))
    print(rebalance_report(spec, drink, answer, ways).model_dump_json(indent=2))
    return 0


def _find(chosen: argparse.Namespace) -> int:
    names = Index(Findable.of(each) for each in _larder(chosen.data).values())
    found = [{"slug": each.slug, "name": each.name} for each in names.find(" ".join(chosen.words))]
    print(json.dumps(found, indent=2, ensure_ascii=False))
    return 0


def _prepare(chosen: argparse.Namespace) -> int:
    larder = _larder(chosen.data)
    index = Index(Findable.of(each) for each in larder.values())
    preparation = preparation_of(parse_preparation(_text(chosen.file, what="preparation file")), known_by(index, larder))
    print(preparation_report(prepared(preparation)).model_dump_json(indent=2))
    return 0


def _batch(chosen: argparse.Namespace) -> int:
    entry = BatchEntry(
        spec=parse_spec(_text(chosen.spec)),
        service=chosen.service,
        serves=None if chosen.serves is None else _whole(chosen.serves, "--serves"),
        container_ml=None if chosen.container is None else _number(chosen.container, "--container"),
        grid=_number(chosen.grid, "--grid"),
        stand_in=chosen.stand_in,
    )
    batch = batch_of(drink_from_spec(entry.spec, _larder(chosen.data)), wish_of(entry))
    serves = max(1, round(batch.scale))
    bought = shopping([ForTheEvening(batch.drink, serves, serves, batch.wish.service)], {}, {}, batch.single.conditions)
    print(batch_report(batch, bought).model_dump_json(indent=2))
    return 0


def _originals(chosen: argparse.Namespace) -> int:
    def listed(text: str) -> list[str]:
        return [word.strip() for word in text.split(",") if word.strip()]

    data = chosen.data or database.default_path()
    larder, book, table, pool = _larder(chosen.data), list[BookDrink](), KinshipTable(), frozenset[str]()
    if chosen.data is not None or data.exists():
        with closing(database.open_read_only(data)) as conn:
            book, table, pool = book_of(conn), kinship_of(conn), at_hand(conn)
    entry = wish_entry(
        {
            "family": chosen.family,
            "form": chosen.form,
            "must": listed(chosen.must),
            "may": listed(chosen.may),
            "without": listed(chosen.without),
            "abv": _band(chosen.abv),
            "aroma": listed(chosen.aroma),
            "colour": chosen.colour,
            "season": chosen.season,
            "count": _whole(chosen.count, "--count"),
            "seed": _whole(chosen.seed, "--seed"),
        }
    )
    index = Index(Findable.of(each) for each in larder.values())
    wish = wish_from(entry, known_by(index, larder), pool=pool if chosen.at_hand else None)
    *_, found = originals(Ground(larder, book, table), wish)
    told = [original_report(each) for each in found.originals]
    keys = {"spec", "distance_steps", "kinship", "novelty", "nearest", "reasons"}
    print(json.dumps([each.model_dump(mode="json", include=keys, exclude_none=False) for each in told], indent=2, ensure_ascii=False))
    return 0


def _whole(text: str, name: str) -> int:
    if not text.strip().isdecimal() or not text.isascii():
        raise SpecError(name, f'"{text}" is not a whole number; write one such as 7')
    return int(text[:15])


def _number(text: str, name: str) -> float:
    try:
        number = float(text)
    except ValueError as error:
        raise SpecError(name, f'"{text}" is not a number of ml; write one such as 750') from error
    if not -MOST_TOLD <= number <= MOST_TOLD:
        raise SpecError(name, f"{text} is no number of ml that could be poured")
    return number


def _band(text: str) -> list[float] | None:
    """A strength from low to high; one number alone is both."""
    if not text.strip():
        return None
    found = re.fullmatch(r"\s*(\d+(?:\.\d+)?)\s*%?\s*(?:(?:-|–|to)\s*(\d+(?:\.\d+)?)\s*%?\s*)?", text)
    if found is None:
        raise SpecError("--abv", f'"{text}" is no strength; write it as 12-18')
    return [float(found[1]), float(found[2] or found[1])]


def _read(chosen: argparse.Namespace) -> int:
    larder = _larder(chosen.data)
    index = Index(Findable.of(each) for each in larder.values())
    report = read_text(_text(chosen.file, LARGEST_PAGE, "recipe"), index, larder.__getitem__)
    print(report.model_dump_json(indent=2, exclude_none=False))
    return 0


def _write(chosen: argparse.Namespace) -> int:
    larder = _larder(chosen.data)
    spec = parse_spec(_text(chosen.spec))
    # Whoever reads the file needs to know what is in it: an unknown slug is refused here.
    forecast = forecast_of(drink_from_spec(spec, larder))
    names = {slug: each.name for slug, each in larder.items()}
    if chosen.wanted == "html":
        print(card_file(spec, forecast, day_words(datetime.now().astimezone().date())), end="")
    else:
        print(write_as(spec, chosen.wanted, names), end="")
    return 0


def _text(path: Path, largest: int = LARGEST_SPEC_BYTES, what: str = "spec file") -> str:
    try:
        if str(path) == "-":
            content = sys.stdin.buffer.read(largest + 1)
        else:
            with path.open("rb") as file:
                # Not by what the file says of its size: some never end.
                content = file.read(largest + 1)
    except OSError as error:
        raise SpecError(str(path), f"can't be read: {error.strerror}") from error
    if len(content) > largest:
        raise SpecError(str(path), f"is too large for a {what}")
    if content.startswith(_NO_TEXTS):
        raise SpecError(str(path), "is a picture or another file that holds no text: copy the text of the recipe")
    try:
        return content.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise SpecError(str(path), f"is not UTF-8: byte {error.start} can't be read") from error


def _larder(data: Path | None) -> Larder:
    """The larder of a data file; without one, what ships. Predicting never makes a data file."""
    path = data or database.default_path()
    if data is None and not path.exists():
        return catalogue()
    with closing(database.open_read_only(path)) as conn:
        return Larder({**catalogue(), **ingredients.larder(conn)})


def _serve(chosen: argparse.Namespace) -> int:
    # The web framework takes a second to import, and only this command needs it.
    from oenomel.api import listening
    from oenomel.demo import scenario

    listening.check_invited(chosen.host, chosen.share)
    if chosen.demo:
        data = chosen.data or database.demo_path()
        scenario.prepare(data, reset=chosen.reset)
    elif chosen.reset:
        raise SpecError("--reset", "only the demo can be reset; add --demo")
    else:
        data = chosen.data or database.default_path()
    return listening.serve(data, chosen.host, chosen.port, demo=chosen.demo, share=chosen.share, names=frozenset(chosen.name))


def _port(text: str) -> int:
    if text.isdecimal() and 0 < int(text) < 65536:
        return int(text)
    raise argparse.ArgumentTypeError(f'"{text}" is not a port; use 1 to 65535')
