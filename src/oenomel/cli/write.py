"""Print a spec file in an open format."""

from __future__ import annotations

import argparse
from datetime import datetime
from pathlib import Path

from oenomel.cli.shared import larder_of, read_file
from oenomel.core.forecast import forecast_of
from oenomel.formats.card.content import day_words
from oenomel.formats.card.html import card_file
from oenomel.formats.recipe_writer import FORMATS, write_as
from oenomel.schemas.spec_file import parse_spec
from oenomel.schemas.spec_to_drink import drink_from_spec


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Add the options of the command."""
    parser.add_argument("spec", type=Path, help="a spec file (JSON)")
    parser.add_argument("--as", dest="wanted", choices=(*FORMATS, "html"), required=True, help="the format")
    parser.add_argument("--data", type=Path, help="data file with your ingredients (default: yours)")


def run(chosen: argparse.Namespace) -> int:
    """Print a spec file in an open format."""
    larder = larder_of(chosen.data)
    spec = parse_spec(read_file(chosen.spec))
    # Readers of the file need to know its ingredients: an unknown slug is refused here.
    forecast = forecast_of(drink_from_spec(spec, larder))
    names = {slug: ingredient.name for slug, ingredient in larder.items()}
    if chosen.wanted == "html":
        print(card_file(spec, forecast, day_words(datetime.now().astimezone().date())), end="")
    else:
        print(write_as(spec, chosen.wanted, names), end="")
    return 0
