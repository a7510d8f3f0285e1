"""The `oenomel` command. Each subcommand is a module, imported only when it is used, so that the command starts fast."""

from __future__ import annotations

import argparse
import os
import sys
from collections.abc import Sequence
from importlib import import_module
from typing import Final

from oenomel import __version__
from oenomel.errors import OenomelError

__all__ = ["main"]

BAD_INPUT: Final = 2

COMMANDS: Final = {
    "predict": "forecast a drink from a spec, as JSON",
    "rebalance": "rebalance a spec to a target, in amounts a jigger can pour, as JSON",
    "find": "find ingredients by any word for them, best first, as JSON",
    "read": "read a recipe from a text, table, web page or spec file, as JSON",
    "write": "write a spec as Markdown, a web recipe, a table or a card",
    "prepare": "work out a syrup, infusion or cordial, as JSON",
    "batch": "plan a batch of a spec, as JSON",
    "originals": "find new balanced drinks that meet your wishes, best first, as JSON",
    "backup": "copy the data file, even while it is in use",
    "restore": "restore a copy; the current data file is saved beside it",
    "export": "export everything as open files",
    "import": "import files, all or none, and list what is new, the same or different",
    "serve": "start the app",
}
"""Each command with what it does."""


def main(arguments: Sequence[str] | None = None) -> int:
    """Run the command; returns its exit code: 0, or 2 with one sentence on standard error for bad input.

    A reader that stops early, such as ``head``, ends the command without a word.
    """
    given = sys.argv[1:] if arguments is None else list(arguments)
    chosen = _parser(next((word for word in given if not word.startswith("-")), "")).parse_args(given)
    try:
        code = int(chosen.run(chosen))
        sys.stdout.flush()
        return code
    except BrokenPipeError:
        # Python flushes once more at exit; there is nobody to read it.
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
        return 0
    except OenomelError as error:
        print(f"oenomel: {error}", file=sys.stderr)
        return BAD_INPUT


def _parser(wanted: str) -> argparse.ArgumentParser:
    """Return the parser with the options of the ``wanted`` command; the others are only listed."""
    parser = argparse.ArgumentParser(prog="oenomel", description="Predict what a swap does to the balance of a sour, daisy or fizz.")
    parser.add_argument("--version", action="version", version=__version__)
    commands = parser.add_subparsers(required=True, metavar="COMMAND")
    for name, summary in COMMANDS.items():
        command = commands.add_parser(name, help=summary)
        if name == wanted:
            module = import_module(f"oenomel.cli.{'import_files' if name == 'import' else name}")
            module.add_arguments(command)
            command.set_defaults(run=module.run)
    return parser
