"""Print a batch of a spec file, in measurable amounts."""

from __future__ import annotations

import argparse
from pathlib import Path

from oenomel.cli.shared import larder_of, number, read_file, whole_number
from oenomel.core.batch import batch_of
from oenomel.core.batch.batchable import SERVICES
from oenomel.core.event import ForTheEvening, shopping
from oenomel.schemas.reports.batch_reports import batch_report
from oenomel.schemas.requests.batch_requests import BatchEntry, wish_of
from oenomel.schemas.spec_file import parse_spec
from oenomel.schemas.spec_to_drink import drink_from_spec


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Add the options of the command."""
    parser.add_argument("spec", type=Path, help="a spec file (JSON)")
    parser.add_argument("--serves", help="number of serves")
    parser.add_argument("--container", help="container in ml; without --serves as many as fit")
    parser.add_argument("--service", choices=SERVICES, required=True, help="over ice, chilled (from the fridge) or shaken (to order)")
    parser.add_argument("--grid", default="5", help="round amounts to this, in ml (default: 5)")
    parser.add_argument("--stand-in", action="store_true", help="use acids in water instead of citrus juice")
    parser.add_argument("--data", type=Path, help="data file with your ingredients (default: yours)")


def run(chosen: argparse.Namespace) -> int:
    """Print a batch of a spec file, in measurable amounts."""
    entry = BatchEntry(
        spec=parse_spec(read_file(chosen.spec)),
        service=chosen.service,
        serves=None if chosen.serves is None else whole_number(chosen.serves, "--serves"),
        container_ml=None if chosen.container is None else number(chosen.container, "--container"),
        grid=number(chosen.grid, "--grid"),
        stand_in=chosen.stand_in,
    )
    batch = batch_of(drink_from_spec(entry.spec, larder_of(chosen.data)), wish_of(entry))
    serves = max(1, round(batch.scale))
    bought = shopping([ForTheEvening(batch.drink, serves, serves, batch.wish.service)], {}, {}, batch.single.conditions)
    print(batch_report(batch, bought).model_dump_json(indent=2))
    return 0
