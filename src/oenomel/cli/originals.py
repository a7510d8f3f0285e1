"""Print original drinks that meet criteria, best first."""

from __future__ import annotations

import argparse
import json
import re
from contextlib import closing
from pathlib import Path

from oenomel.cli.shared import larder_of, whole_number
from oenomel.core.larder import Findable, Index, known_by
from oenomel.core.originals import KinshipTable, SearchContext, originals
from oenomel.core.originals.search_context import BookDrink
from oenomel.errors import SpecError
from oenomel.schemas.reports.originals_reports import original_report
from oenomel.schemas.requests.originals_requests import wish_entry, wish_from
from oenomel.services.originals_inputs import book_of, kinship_of
from oenomel.store import database
from oenomel.store.stock import in_stock


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Add the options of the command."""
    parser.add_argument("--family", choices=("sour", "daisy", "fizz"), required=True, help="sour, daisy or fizz")
    parser.add_argument("--form", default="", help='a form of the family, such as "with foam"')
    parser.add_argument("--count", default="20", help="number of drinks (default: 20)")
    parser.add_argument("--seed", default="1", help="random seed, for the same drinks again (default: 1)")
    parser.add_argument("--must", default="", help="ingredients that each must contain, separated by commas")
    parser.add_argument("--may", default="", help="ingredients to prefer, separated by commas")
    parser.add_argument("--without", default="", help="what to avoid, such as egg,milk,alcohol or vegan")
    parser.add_argument("--abv", default="", help="strength as served, such as 12-18")
    parser.add_argument("--aroma", default="", help="aroma, such as floral,smoke")
    parser.add_argument("--colour", default="", help="colour")
    parser.add_argument("--season", default="", choices=("", "spring", "summer", "autumn", "winter"), help="preferred season")
    parser.add_argument("--at-hand", action="store_true", help="only what is in stock in the data file")
    parser.add_argument("--data", type=Path, help="data file with your ingredients and recipes (default: yours)")


def run(chosen: argparse.Namespace) -> int:
    """Print original drinks that meet criteria, best first."""

    def listed(text: str) -> list[str]:
        return [word.strip() for word in text.split(",") if word.strip()]

    data = chosen.data or database.default_path()
    larder, book, table, pool = larder_of(chosen.data), list[BookDrink](), KinshipTable(), frozenset[str]()
    if chosen.data is not None or data.exists():
        with closing(database.open_read_only(data)) as conn:
            book, table, pool = book_of(conn), kinship_of(conn), in_stock(conn)
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
            "count": whole_number(chosen.count, "--count"),
            "seed": whole_number(chosen.seed, "--seed"),
        }
    )
    index = Index(Findable.of(ingredient) for ingredient in larder.values())
    wish = wish_from(entry, known_by(index, larder), pool=pool if chosen.at_hand else None)
    *_, selection = originals(SearchContext(larder, book, table), wish)
    reports = [original_report(original) for original in selection.originals]
    keys = {"spec", "distance_steps", "kinship", "novelty", "nearest", "reasons"}
    print(
        json.dumps([report.model_dump(mode="json", include=keys, exclude_none=False) for report in reports], indent=2, ensure_ascii=False)
    )
    return 0


def _band(text: str) -> list[float] | None:
    """Parse a strength as low and high; a single number is both."""
    if not text.strip():
        return None
    match = re.fullmatch(r"(\d+(?:\.\d+)?) ?%? ?(?:(?:-|–|to) ?(\d+(?:\.\d+)?) ?%?)?", " ".join(text.split()))
    if match is None:
        raise SpecError("--abv", f'"{text}" isn\'t a strength: enter one like 12-18')
    return [float(match[1]), float(match[2] or match[1])]
