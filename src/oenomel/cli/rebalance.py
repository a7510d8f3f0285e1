"""Print the pourable amounts that bring a spec to its target."""

from __future__ import annotations

import argparse
from pathlib import Path

from oenomel.cli.shared import larder_of, read_file
from oenomel.core.dilution import Conditions
from oenomel.core.families import standard_typical_ranges
from oenomel.core.rebalance import Objective, correctors_for, rebalance
from oenomel.core.rebalance.alternatives import alternatives_of
from oenomel.core.rebalance.target import COARSEST_GRID_ML, FINEST_GRID_ML
from oenomel.errors import OutOfRange
from oenomel.schemas.reports.swap_reports import rebalance_report
from oenomel.schemas.requests.rebalance_requests import parse_target, pours_named, target_from
from oenomel.schemas.spec_file import SpecFile, parse_spec
from oenomel.schemas.spec_to_drink import drink_from_spec


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Add the options of the command."""
    parser.add_argument("spec", type=Path, help="a spec file (JSON)")
    parser.add_argument("--target", type=Path, required=True, help='a spec file, or a file with figures like {"sugar": 8.0, "acid": 0.85}')
    parser.add_argument("--free", help="ingredients that can change, separated by commas (default: base, sour, sweet, liqueur)")
    parser.add_argument("--grid", type=float, default=2.5, help="smallest jigger mark in ml (default: 2.5)")
    parser.add_argument("--without-character", action="store_true", help="change the base and liqueur as freely as the rest")
    parser.add_argument("--data", type=Path, help="data file with your ingredients (default: yours)")


def run(chosen: argparse.Namespace) -> int:
    """Print the pourable amounts that bring a spec to its target."""
    larder = larder_of(chosen.data)
    spec, wished = parse_spec(read_file(chosen.spec)), parse_target(read_file(chosen.target))
    if not FINEST_GRID_ML <= chosen.grid <= COARSEST_GRID_ML:
        raise OutOfRange("--grid", chosen.grid, FINEST_GRID_ML, COARSEST_GRID_ML)
    drink = drink_from_spec(spec, larder)
    described = drink_from_spec(wished, larder) if isinstance(wished, SpecFile) else None
    target = target_from(wished, drink, described, standard_typical_ranges(), equivalents=False, conditions=Conditions())
    free = None if chosen.free is None else pours_named(drink, [name.strip() for name in chosen.free.split(",") if name.strip()], "--free")
    aim = Objective(target, grid_ml=chosen.grid, character=not chosen.without_character)
    answer = rebalance(drink, aim, free)
    ways = alternatives_of(drink, aim, answer, free, correctors_for(drink, larder))
    print(rebalance_report(spec, drink, answer, ways).model_dump_json(indent=2))
    return 0
