"""Shared by all tests."""

import sys
from pathlib import Path

from hypothesis import settings

# Tests share a few modules (drinks, a server), which are no package of the product.
sys.path.insert(0, str(Path(__file__).parent))

# A law holds or it doesn't; how long an example takes on a busy machine says nothing of it.
settings.register_profile("house", deadline=None)
settings.load_profile("house")
