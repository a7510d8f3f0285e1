"""Rebalancing: which changes of the pours bring a drink back to its target."""

from oenomel.core.rebalance.budget import Budget
from oenomel.core.rebalance.solver import MOST_FREE, Move, correctors_for, rebalance, that_can_move, usually_free
from oenomel.core.rebalance.target import Objective, Target

__all__ = ["MOST_FREE", "Budget", "Move", "Objective", "Target", "correctors_for", "rebalance", "that_can_move", "usually_free"]
