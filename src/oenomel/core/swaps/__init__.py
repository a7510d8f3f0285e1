"""Swaps: which ingredients can take a pour's place."""

from oenomel.core.swaps.board import RANKINGS, Board, Ranking, RowOutcome, swap_board
from oenomel.core.swaps.candidates import Filters

__all__ = ["RANKINGS", "Board", "Filters", "Ranking", "RowOutcome", "swap_board"]
