"""Lets ``python -m oenomel`` stand for the ``oenomel`` command."""

import sys

from oenomel.cli import main

if __name__ == "__main__":
    sys.exit(main())
