"""Original drinks: new combinations that balance at the first try (docs/model/originals.md)."""

from oenomel.core.originals.aroma_pairings import KinshipTable
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.search import originals
from oenomel.core.originals.search_context import SearchContext

__all__ = ["Criteria", "KinshipTable", "SearchContext", "originals"]
