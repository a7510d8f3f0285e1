"""Lets ``python -m oenomel`` stand for the ``oenomel`` command."""

import sys

from oenomel.cli import main

sys.exit(main())
