"""Original drinks: what nobody has mixed yet and balances at the first pour (docs/model.md, "Originals")."""

from oenomel.core.originals.getting import to_get
from oenomel.core.originals.ground import BookDrink, Ground
from oenomel.core.originals.kinship import KinshipTable, Liking, groups, groups_of
from oenomel.core.originals.made import Original
from oenomel.core.originals.measures import seasons
from oenomel.core.originals.menu import Menu, menu_of
from oenomel.core.originals.search import WISH_WORK, Handful, left_of, originals
from oenomel.core.originals.wish import COARSEST_GRID_ML, WITHOUT, Wish

__all__ = [
    "COARSEST_GRID_ML", "WISH_WORK", "WITHOUT", "BookDrink", "Ground", "Handful", "KinshipTable", "Liking", "Menu", "Original", "Wish",
    "groups", "groups_of", "left_of", "menu_of", "originals", "seasons", "to_get",
]  # fmt: skip
