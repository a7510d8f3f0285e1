"""Print the forecast of a spec file."""

from __future__ import annotations

import argparse
from pathlib import Path

from oenomel.cli.shared import larder_of, read_file
from oenomel.core.dilution import Conditions
from oenomel.core.dilution.ice_conditions import SCHOOLS_OF_DILUTION
from oenomel.core.forecast import forecast_of
from oenomel.schemas.reports.forecast_reports import forecast_report
from oenomel.schemas.spec_file import parse_spec
from oenomel.schemas.spec_to_drink import drink_from_spec


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Add the options of the command."""
    parser.add_argument("spec", type=Path, help="a spec file (JSON)")
    parser.add_argument("--data", type=Path, help="data file with your ingredients (default: yours)")
    parser.add_argument("--dilution", choices=SCHOOLS_OF_DILUTION, default="curve", help="dilution model (default: curve)")


def run(chosen: argparse.Namespace) -> int:
    """Print the forecast of a spec file."""
    drink = drink_from_spec(parse_spec(read_file(chosen.spec)), larder_of(chosen.data))
    print(forecast_report(forecast_of(drink, Conditions(dilution=chosen.dilution))).model_dump_json(indent=2))
    return 0
