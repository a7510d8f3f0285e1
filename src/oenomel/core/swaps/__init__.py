"""What brings a drink to where it should be with amounts that can be poured, and what else could go in."""

from oenomel.core.swaps.aim import COARSEST_GRID_ML, FINEST_GRID_ML, Aim, Target, Weights, figures_of
from oenomel.core.swaps.board import RANKINGS, Board, Mode, Ranking, Standing, SwapRow, joined, swap_board
from oenomel.core.swaps.budget import Budget
from oenomel.core.swaps.candidates import Filters, LeftOut, candidates_for
from oenomel.core.swaps.grid_search import Problems, cost_of, guess, minimise
from oenomel.core.swaps.ranges import Span, Stop, span_of
from oenomel.core.swaps.rebalancing import (
    CORRECTORS,
    MOST_FREE,
    Costs,
    Move,
    Rebalanced,
    Residual,
    correctors_for,
    rebalance,
    residuals_of,
    that_can_move,
    usually_free,
)
from oenomel.core.swaps.variants import Variant, problems_of
from oenomel.core.swaps.ways import Way, ways_of

__all__ = [
    "COARSEST_GRID_ML", "CORRECTORS", "FINEST_GRID_ML", "MOST_FREE", "RANKINGS", "Aim", "Board", "Budget", "Costs", "Filters",
    "LeftOut", "Mode", "Move", "Problems", "Ranking", "Rebalanced", "Residual", "Span", "Standing", "Stop", "SwapRow", "Target",
    "Variant", "Way", "Weights", "candidates_for", "correctors_for", "cost_of", "figures_of", "guess", "joined", "minimise", "problems_of",
    "rebalance", "residuals_of", "span_of", "swap_board", "that_can_move", "usually_free", "ways_of",
]  # fmt: skip
