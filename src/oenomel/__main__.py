"""Run the ``oenomel`` command by ``python -m oenomel``."""

import sys

from oenomel.cli import main

if __name__ == "__main__":
    sys.exit(main())
