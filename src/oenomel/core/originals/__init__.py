"""Original drinks: what nobody has mixed yet and balances at the first pour (docs/model/originals.md)."""

from oenomel.core.originals.aroma_pairings import KinshipTable
from oenomel.core.originals.criteria import Criteria
from oenomel.core.originals.search import originals
from oenomel.core.originals.search_context import SearchContext

__all__ = ["Criteria", "KinshipTable", "SearchContext", "originals"]
