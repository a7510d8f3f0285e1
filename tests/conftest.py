"""Shared by all tests."""

import importlib
import pkgutil
import sys
from pathlib import Path

from hypothesis import settings

import oenomel

# Tests share a few modules (drinks, a server), which are no package of the product.
sys.path.insert(0, str(Path(__file__).parent))

# A law holds or it doesn't; how long an example takes on a busy machine says nothing of it.
settings.register_profile("house", deadline=None)
settings.load_profile("house")

# Each module once, by its own name: collecting doctests would otherwise put a module over the function of that name which a room's
# face hands out.
for module in pkgutil.walk_packages(oenomel.__path__, "oenomel."):
    if not module.name.endswith("__main__"):
        importlib.import_module(module.name)
