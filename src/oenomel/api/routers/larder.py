"""The larder looked after: what is known of each ingredient, set right, retired, carried as a table."""

from __future__ import annotations

import sqlite3
from collections import Counter
from dataclasses import asdict
from typing import Annotated

from fastapi import Response
from pydantic import Field

from oenomel.api.deps import Connection
from oenomel.api.errors import PROBLEMS
from oenomel.api.idempotent_router import room
from oenomel.api.routers.ingredients import IngredientDetail, ValueReport, ingredient_detail
from oenomel.core.larder import Ingredient, Shelved, SourcedValue
from oenomel.core.larder.gaps import gaps_of, set_right
from oenomel.core.larder.label import Label, bottle_from
from oenomel.core.wording import listed
from oenomel.errors import DomainError, OenomelError, SpecError
from oenomel.formats.larder_table import LarderRow, read_larder_table, write_larder_table
from oenomel.schemas.base import Entry, Level, Plain, Report
from oenomel.store import ingredients, lots, menu_entries, shelf
from oenomel.store.database import transaction

router = room("larder")

SAME_WITHIN = 1e-9


class LarderLine(Report):
    """An ingredient at a glance: what it holds, what is only guessed of it, whether the house made or changed it."""

    slug: str
    name: str
    kind: str
    origin: str
    abv: float
    sugar: float
    acid: float
    gaps: list[str]
    changed: list[str]
    retired: bool
    state: str
    price_per_litre: float | None
    keeps_days: float | None
    par_ml: float | None
    lots: int


class UsedIn(Report):
    """A drink of which a trial pours it."""

    drink_id: int
    drink: str


class LarderDetail(Report):
    """An ingredient with all that is known of it: each value with its source, what the house has set over it, where it is used."""

    ingredient: IngredientDetail
    line: LarderLine
    house_values: list[ValueReport]
    used_in: list[UsedIn]


class SetRightEntry(Entry):
    """What the house knows better, and from where: strength in %, all sugar and all acid in g per 100 ml, density, days that it keeps."""

    abv: Level | None = None
    sugar: Level | None = None
    acid: Level | None = None
    density: Level | None = None
    keeps_days: Level | None = None
    source: Annotated[Plain, Field(min_length=1, max_length=200)] = "set right by the house"


class HouseValueEntry(Entry):
    """A value of the house with where it comes from."""

    name: Annotated[Plain, Field(min_length=1, max_length=60)]
    value: Level
    relative_sd: Annotated[float, Field(ge=0, le=2, allow_inf_nan=False)]
    source: Annotated[Plain, Field(min_length=1, max_length=2000)]
    source_kind: Annotated[Plain, Field(max_length=60)]
    why: Annotated[Plain, Field(max_length=2000)] = ""


class HouseValues(Entry):
    """All that the house sets over an ingredient's own values; none gives every value back."""

    values: Annotated[list[HouseValueEntry], Field(max_length=40)]


class RetiredEntry(Entry):
    """Whether an ingredient is no longer offered."""

    retired: bool


class TableEntry(Entry):
    """A larder as a table."""

    text: Annotated[str, Field(max_length=5_000_000)]


class TableReport(Report):
    """What a table changed: a line each, and the sums of it."""

    added: list[str]
    changed: list[str]
    same: int
    words: str


@router.get("/larder")
def list_larder(conn: Connection) -> list[LarderLine]:
    """Every ingredient at a glance, by name."""
    house, gone, shelved = ingredients.house_values(conn), ingredients.retired(conn), shelf.all_shelved(conn)
    pars, counted = menu_entries.pars(conn), _lots(conn)
    return [_line(each, house, gone, shelved, pars, counted) for each in ingredients.larder(conn).values()]


@router.get("/larder/table", responses={200: {"content": {"text/csv": {"schema": {"type": "string"}}}}})
def write_table(conn: Connection) -> Response:
    """The larder as a table (CSV)."""
    text = write_larder_table(
        ingredients.larder(conn).values(), shelf.all_shelved(conn), menu_entries.pars(conn), ingredients.retired(conn)
    )
    head = {"content-disposition": 'attachment; filename="larder.csv"'}
    return Response(text, media_type="text/csv; charset=utf-8", headers=head)


@router.post("/larder/table", responses=PROBLEMS["write"])
def read_table(body: TableEntry, conn: Connection) -> TableReport:
    """Takes a table in, all of it or nothing, and tells what that changed."""
    rows = read_larder_table(body.text)
    with transaction(conn):
        return _taken_in(conn, rows)


@router.get("/larder/{slug}", responses=PROBLEMS["missing"])
def get_larder_detail(slug: str, conn: Connection) -> LarderDetail:
    """One ingredient with all that is known of it."""
    return _detail(conn, slug)


@router.patch("/larder/{slug}", responses=PROBLEMS["write"])
def set_values_right(slug: str, body: SetRightEntry, conn: Connection) -> LarderDetail:
    """Puts what the house knows better over an ingredient's own values."""
    told = body.model_dump(exclude_none=True, exclude={"source"})
    if not told:
        raise DomainError("nothing is told: give at least one figure")
    with transaction(conn):
        values = set_right(ingredients.get(conn, slug), told, body.source)
        ingredients.set_right(conn, slug, values.values())
        return _detail(conn, slug)


@router.put("/larder/{slug}/values", responses=PROBLEMS["write"])
def put_house_values(slug: str, body: HouseValues, conn: Connection) -> LarderDetail:
    """Puts exactly these values over an ingredient's own: so a change is undone."""
    with transaction(conn):
        before = ingredients.house_values(conn).get(slug, {})
        ingredients.set_right(conn, slug, [SourcedValue(**each.model_dump()) for each in body.values], back=before)
        return _detail(conn, slug)


@router.put("/larder/{slug}/retired", responses=PROBLEMS["write"])
def retire_ingredient(slug: str, body: RetiredEntry, conn: Connection) -> LarderDetail:
    """Takes an ingredient out of what is offered, or back in; trials keep it."""
    with transaction(conn):
        ingredients.retire(conn, slug, body.retired)
        return _detail(conn, slug)


def _lots(conn: sqlite3.Connection) -> Counter[str]:
    return Counter(each.slug for each in lots.open_lots(conn))


def _line(
    each: Ingredient,
    house: dict[str, dict[str, SourcedValue]],
    gone: frozenset[str],
    shelved: dict[str, Shelved],
    pars: dict[str, float],
    counted: dict[str, int],
) -> LarderLine:
    stands = shelved.get(each.slug)
    return LarderLine(
        **{name: getattr(each, name) for name in ("slug", "name", "kind", "origin")},
        **{name: getattr(each.composition, name) for name in ("abv", "sugar", "acid")},
        gaps=gaps_of(each),
        changed=sorted(house.get(each.slug, {})),
        retired=each.slug in gone,
        state=stands.state if stands else "",
        price_per_litre=each.label("price_per_litre"),
        keeps_days=each.label("keeps_days"),
        par_ml=pars.get(each.slug),
        lots=counted.get(each.slug, 0),
    )


def _detail(conn: sqlite3.Connection, slug: str) -> LarderDetail:
    ingredient = ingredients.get(conn, slug)
    house = ingredients.house_values(conn)
    line = _line(ingredient, house, ingredients.retired(conn), shelf.all_shelved(conn), menu_entries.pars(conn), _lots(conn))
    return LarderDetail(
        ingredient=ingredient_detail(ingredient),
        line=line,
        house_values=[ValueReport.model_validate(asdict(each)) for each in house.get(slug, {}).values()],
        used_in=[UsedIn(drink_id=drink_id, drink=name) for drink_id, name in ingredients.poured_in(conn, slug)],
    )


def _taken_in(conn: sqlite3.Connection, rows: list[LarderRow]) -> TableReport:
    added, changed, same = [], [], 0
    for row in rows:
        try:
            what = _take_row(conn, row)
        except SpecError:
            raise
        except OenomelError as error:
            raise SpecError(f"line {row.line}", str(error)) from error
        if what == "added":
            added.append(row.name)
        elif what:
            changed.append(f"{row.name}: {what}")
        else:
            same += 1
    parts = [f"{len(added)} added" * bool(added), f"{len(changed)} changed" * bool(changed), f"{same} the same" * bool(same)]
    told = listed([part for part in parts if part]) or "nothing in it"
    return TableReport(added=added, changed=changed, same=same, words=f"{told}.")


def _take_row(conn: sqlite3.Connection, row: LarderRow) -> str:
    """What a row changed, in words; "added" where it is new, nothing where all was so."""
    known = ingredients.some(conn, [row.slug]).get(row.slug) if row.slug else None
    if known is None:
        _add_row(conn, row)
        return "added"
    composition, told = known.composition, []
    now = {"abv": composition.abv, "sugar": composition.sugar, "acid": composition.acid, "density": composition.density_g_per_ml}
    figures = {
        name: row.figures[name]
        for name in now
        if name in row.figures and abs(row.figures[name] - now[name]) > SAME_WITHIN * max(now[name], 1)
    }
    keeps = row.figures.get("keeps_days")
    if keeps is not None and keeps != known.label("keeps_days"):
        figures["keeps_days"] = keeps
    if figures:
        ingredients.set_right(conn, known.slug, set_right(known, figures, "a table of the house").values())
        told += [name.replace("_", " ") for name in figures]
    told += _take_stand(conn, row, known)
    return listed(told)


def _add_row(conn: sqlite3.Connection, row: LarderRow) -> None:
    if not row.kind:
        raise SpecError(f"line {row.line}", f'"{row.name}" isn\'t in the larder: tell its kind, and it is added')
    figures = row.figures
    label = Label(row.name, row.kind, figures.get("abv"), figures.get("sugar"), figures.get("acid"))  # type: ignore[arg-type]  # checked in reading
    bottle = ingredients.add(conn, bottle_from(label, ingredients.larder(conn).values()))
    _take_stand(conn, row, bottle)


def _take_stand(conn: sqlite3.Connection, row: LarderRow, known: Ingredient) -> list[str]:
    """How it stands: shelf, price, par, retired."""
    told, stands = [], shelf.all_shelved(conn).get(known.slug)
    price = row.figures.get("price_per_litre")
    if price == 0:
        raise DomainError("a price of nothing is no price: leave the cell empty where it isn't known")
    was = stands.price_per_litre if stands else known.label("price_per_litre")
    state = row.state or (stands.state if stands else "at hand" if price is not None and price != was else "")
    if state and (stands is None or state != stands.state or (price is not None and price != was)):
        shelf.put(conn, Shelved(known.slug, state, price if price is not None else was))  # type: ignore[arg-type]  # checked in reading
        told.append("how it stands")
    par = row.figures.get("par_ml")
    if par is not None and par != menu_entries.pars(conn).get(known.slug):
        menu_entries.put_par(conn, known.slug, par)
        told.append("what should stand there")
    if row.retired is not None and row.retired != (known.slug in ingredients.retired(conn)):
        ingredients.retire(conn, known.slug, row.retired)
        told.append("retired" if row.retired else "offered again")
    return told
