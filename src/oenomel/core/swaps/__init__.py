"""Swaps: what else could go into a slot."""

from oenomel.core.swaps.board import RANKINGS, Board, Ranking, RowOutcome, swap_board
from oenomel.core.swaps.candidates import Filters

__all__ = ["RANKINGS", "Board", "Filters", "Ranking", "RowOutcome", "swap_board"]
