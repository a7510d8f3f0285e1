"""Queue for long searches: one at a time, the newest first, each with a time limit.

A search keeps a processor busy; two at once would only slow down each other and every key press. So they take turns. While another
waits, the running one ends soon with the best found so far; it ends at once if its client has left.
"""

from __future__ import annotations

import asyncio
import time
from collections.abc import AsyncIterator, Callable, Iterator
from contextlib import suppress
from typing import Annotated, Final, TypeVar

from anyio import to_thread
from fastapi import Depends, Request
from fastapi.responses import StreamingResponse

from oenomel.core.rebalance import Budget

__all__ = ["NDJSON", "Search", "SearchQueue"]

NDJSON: Final = "application/x-ndjson"

WORK: Final = 4_000_000
"""Budget of a search: about a second on a small machine of 2024; the same everywhere, so that a request has the same answer everywhere."""

SECONDS: Final = 1.2
FAIR_SECONDS: Final = 0.3
"""Longest time of a search, and of one while another waits, [s]."""

LOOK_SECONDS: Final = 0.1
"""Interval at which a search checks whether its client still waits, [s]."""


T = TypeVar("T")


class SearchQueue:
    """Queue that runs one search at a time; it belongs to one event loop."""

    def __init__(self) -> None:
        self.busy = False
        self.waiting: list[asyncio.Future[None]] = []

    async def take(self) -> None:
        """Wait for a turn."""
        if not self.busy:
            self.busy = True
            return
        turn = asyncio.get_running_loop().create_future()
        self.waiting.append(turn)
        try:
            await turn
        except asyncio.CancelledError:
            # A client that leaves passes on a turn it was just given, or leaves the queue.
            if turn.done() and not turn.cancelled():
                self.give_back()
            else:
                # Another search may have passed it over in the meantime.
                with suppress(ValueError):
                    self.waiting.remove(turn)
            raise

    def give_back(self) -> None:
        """Pass the turn to the search that came last."""
        while self.waiting:
            turn = self.waiting.pop()
            if not turn.done():
                turn.set_result(None)
                return
        self.busy = False


class _QueuedSearch:
    """The search of one request, step by step: each step waits for its turn; it ends when the budget is spent or the client leaves."""

    def __init__(self, request: Request) -> None:
        self.request = request
        self.turns: SearchQueue = request.app.state.searches
        self.gone = False
        self.since = time.monotonic()
        self.budget = Budget(WORK, SECONDS, self._stopped)

    def _stopped(self) -> bool:
        return self.gone or (bool(self.turns.waiting) and time.monotonic() - self.since > FAIR_SECONDS)

    def budget_of(self, work: int) -> Budget:
        """Return a budget that is cut short only once the client has left, so that answers don't depend on other searches."""
        return Budget(work, stopped=lambda: self.gone)

    async def step(self, work: Callable[[], T]) -> T:
        """Run one step of the search in a thread, and return its result."""
        asked = time.monotonic()
        await self.turns.take()
        self.since = time.monotonic()
        # The time of other searches' turns doesn't count.
        self.budget.until += self.since - asked
        looking = asyncio.create_task(self._look())
        try:
            return await to_thread.run_sync(work)
        finally:
            looking.cancel()
            with suppress(asyncio.CancelledError):
                await looking
            self.turns.give_back()

    async def streamed(self, lines: Iterator[str]) -> StreamingResponse:
        """Yield lines as they are found, each in a step of its own; an error in the first is raised."""
        first = await self.step(lambda: next(lines))

        async def remaining_lines() -> AsyncIterator[str]:
            line: str | None = first
            try:
                while line is not None and not self.gone:
                    yield line
                    line = await self.step(lambda: next(lines, None))
            finally:
                # A client that leaves in between leaves no work running.
                self.gone = True

        return StreamingResponse(remaining_lines(), media_type=NDJSON)

    async def _look(self) -> None:
        while not self.gone:
            self.gone = await self.request.is_disconnected()
            await asyncio.sleep(LOOK_SECONDS)


async def _search(request: Request) -> _QueuedSearch:
    return _QueuedSearch(request)


Search = Annotated[_QueuedSearch, Depends(_search)]
"""The search of a request."""
