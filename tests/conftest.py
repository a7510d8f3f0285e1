"""Shared by all tests."""

import sys
from pathlib import Path

# Tests share a few modules (drinks, a server), which are no package of the product.
sys.path.insert(0, str(Path(__file__).parent))
