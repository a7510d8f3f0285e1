"""Budget of work shared by all searches of one request."""

from __future__ import annotations

import math
import time
from collections.abc import Callable
from typing import Final

USUAL_WORK: Final = 120_000_000
"""Work of a search outside the screens: a minute or so."""

BOX_WORK: Final = 25
"""Work of bounding a box, in drinks evaluated."""


class Budget:
    """Work, time, and whether the client still waits; shared by all searches of one request.

    Work is what a search spends the same on every machine, so that it ends at the same drink everywhere; the time is a net under it.

    Parameters
    ----------
    work : int                    drinks evaluated, boxes counted as `BOX_WORK` of them
    seconds : float               from now
    stopped : callable, optional  true once nobody waits any more, or somebody else waits longer
    """

    def __init__(self, work: int = USUAL_WORK, seconds: float = math.inf, stopped: Callable[[], bool] | None = None) -> None:
        self.left = work
        self.until = time.monotonic() + seconds
        self.stopped = stopped

    @property
    def spent(self) -> bool:
        """True if a search must end with what it has."""
        return self.left <= 0 or self.stopped_by_others

    @property
    def stopped_by_others(self) -> bool:
        """True if it must end although work is left: time is up, the client is gone, or another search has waited longer."""
        return time.monotonic() > self.until or (self.stopped is not None and self.stopped())

    def spend(self, work: int) -> None:
        """Subtract work."""
        self.left -= work

    def share(self, of: float) -> Budget:
        """Return a budget with a part of what is left, for one search of several; its work is subtracted here too."""
        return _Share(self, int(self.left * of), (self.until - time.monotonic()) * of)


class _Share(Budget):
    def __init__(self, whole: Budget, work: int, seconds: float) -> None:
        super().__init__(work, seconds, whole.stopped)
        self.whole = whole

    def spend(self, work: int) -> None:
        super().spend(work)
        self.whole.spend(work)
