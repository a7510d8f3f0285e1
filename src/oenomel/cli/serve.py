"""Start the server."""

from __future__ import annotations

import argparse
from pathlib import Path

from oenomel.api import server
from oenomel.demo import scenario
from oenomel.errors import SpecError
from oenomel.store import database


def add_arguments(parser: argparse.ArgumentParser) -> None:
    """Add the options of the command."""
    parser.add_argument("--demo", action="store_true", help="open the demo, in its own data file")
    parser.add_argument("--reset", action="store_true", help="reset the demo")
    parser.add_argument("--host", default="127.0.0.1", help="address to listen on (default: loopback only)")
    parser.add_argument("--share", action="store_true", help="connect devices of the network by a code; needs another --host than loopback")
    parser.add_argument("--name", action="append", default=[], help="a network name of this machine; can be repeated")
    parser.add_argument("--port", type=_port, default=8000)
    parser.add_argument("--data", type=Path, help="data file (default: by the platform's convention)")


def run(chosen: argparse.Namespace) -> int:
    """Start the server."""
    server.check_invited(chosen.host, chosen.share)
    if chosen.demo:
        data = chosen.data or database.demo_path()
        scenario.prepare(data, reset=chosen.reset)
    elif chosen.reset:
        raise SpecError("--reset", "only the demo can be reset; add --demo")
    else:
        data = chosen.data or database.default_path()
    return server.serve(data, chosen.host, chosen.port, demo=chosen.demo, share=chosen.share, names=frozenset(chosen.name))


def _port(text: str) -> int:
    if text.isdecimal() and 0 < int(text) < 65536:
        return int(text)
    raise argparse.ArgumentTypeError(f'"{text}" isn\'t a port: use 1 to 65535')
