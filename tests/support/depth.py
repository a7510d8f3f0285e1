"""How deep a run of the tests goes: quick (`make quick`), usual (`make test`) or deep (`make deep`, for a night)."""

import os
from collections.abc import Sequence
from typing import TypeVar

from hypothesis import settings

T = TypeVar("T")

DEPTH = os.environ.get("OENOMEL_DEPTH", "usual")
QUICK_EXAMPLES = 10
KILLS = 50 if DEPTH == "deep" else 12
"""How often something is killed in the middle of what it does."""


def load_profile() -> None:
    """Sets how Hypothesis draws: the same examples in every quick and usual run, so that none is red by luck; new ones in a deep run.

    A law holds or it doesn't: how long an example takes on a busy machine says nothing of it, so there is no deadline.
    """
    settings.register_profile("quick", deadline=None, derandomize=True, database=None, max_examples=QUICK_EXAMPLES)
    settings.register_profile("usual", deadline=None, derandomize=True, database=None, max_examples=40)
    settings.register_profile("deep", deadline=None, max_examples=500)
    settings.load_profile(DEPTH)


def examples(usual: int) -> settings:
    """Settings for a law whose examples take long: so many in a usual run, at most `QUICK_EXAMPLES` in a quick one, ten times in a
    deep one.
    """
    return settings(max_examples={"quick": min(usual, QUICK_EXAMPLES), "usual": usual, "deep": 10 * usual}[DEPTH])


def spread(items: Sequence[T], usual: int) -> list[T]:
    """So many of some items, evenly spread with the first and the last among them; all of them in a deep run."""
    if DEPTH == "deep" or len(items) <= usual:
        return list(items)
    return [items[round(at * (len(items) - 1) / max(1, usual - 1))] for at in range(usual)]
