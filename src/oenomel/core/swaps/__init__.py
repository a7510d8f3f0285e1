"""What brings a drink to where it should be with amounts that can be poured, and what else could go in."""

from oenomel.core.swaps.board import RANKINGS, Board, Ranking, RowOutcome, swap_board
from oenomel.core.swaps.candidates import Filters

__all__ = ["RANKINGS", "Board", "Filters", "Ranking", "RowOutcome", "swap_board"]
