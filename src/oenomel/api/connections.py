"""Limits on open connections: how many there may be, and how long each may take to send its request.

A client that opens many idle connections can't shut others out: the oldest idle one of the client with the most is closed. A request
that arrives a letter at a time is refused after a while.
"""

from __future__ import annotations

import asyncio
from collections import OrderedDict
from contextlib import suppress
from http import HTTPStatus
from typing import ClassVar, Final

from uvicorn.protocols.http.httptools_impl import HttpToolsProtocol

from oenomel.api.middleware.body_limit import LARGEST_HEADERS

__all__ = ["PatientProtocol", "raise_open_files"]

MOST_OPEN: Final = 400
"""Most connections open at once: a bar with thirty phones opens some two hundred."""

HEAD_SECONDS: Final = 10.0
PAUSE_SECONDS: Final = 20.0
BODY_SECONDS: Final = 300.0
"""Seconds for the headers of a request, for a pause within its body, and for the whole body: 30 MB over a slow network take two minutes."""

MOST_FILES: Final = 4096


def raise_open_files() -> None:
    """Raise this process's limit of open files to what the server could need, as far as the system allows."""
    with suppress(ImportError, OSError, ValueError):
        import resource  # not on Windows

        low, high = resource.getrlimit(resource.RLIMIT_NOFILE)
        wanted = MOST_FILES if high == resource.RLIM_INFINITY else min(MOST_FILES, high)
        if low < wanted:
            resource.setrlimit(resource.RLIMIT_NOFILE, (wanted, high))


class PatientProtocol(HttpToolsProtocol):
    """Uvicorn's protocol with limits on the size and time of headers, the time of a body, and the number of connections."""

    waiting: ClassVar[dict[str, OrderedDict[PatientProtocol, None]]] = {}
    """Idle connections, the oldest first, by client address."""

    open_now: ClassVar[int] = 0

    host = ""
    head = 0
    in_head = True
    timer: asyncio.TimerHandle | None = None
    ends: float = 0.0

    def connection_made(self, transport: asyncio.Transport) -> None:  # type: ignore[override]  # as uvicorn has it
        super().connection_made(transport)
        PatientProtocol.open_now += 1
        self.host = self.client[0] if self.client else ""
        self._waits()
        self._within(HEAD_SECONDS)
        if PatientProtocol.open_now > MOST_OPEN:
            # The client with the most connections makes room, so that one that floods shuts out only itself.
            crowd = max(self.waiting.values(), key=len)
            oldest, _ = crowd.popitem(last=False)
            oldest.transport.abort()

    def connection_lost(self, exc: Exception | None) -> None:
        PatientProtocol.open_now -= 1
        self._waits_no_more()
        self._stop_timer()
        super().connection_lost(exc)

    def data_received(self, data: bytes) -> None:
        if self.in_head:
            self.head += len(data)
        elif self.timer is not None:
            self._within(min(PAUSE_SECONDS, max(0.0, self.ends - self.loop.time())))
        super().data_received(data)
        if self.in_head and self.head > LARGEST_HEADERS:
            self._send_away(HTTPStatus.REQUEST_HEADER_FIELDS_TOO_LARGE)

    def on_message_begin(self) -> None:
        super().on_message_begin()
        self._within(HEAD_SECONDS)

    def on_headers_complete(self) -> None:
        self.in_head = False
        self._waits_no_more()
        self.ends = self.loop.time() + BODY_SECONDS
        self._within(PAUSE_SECONDS)
        super().on_headers_complete()

    def on_message_complete(self) -> None:
        self.in_head, self.head = True, 0
        self._stop_timer()
        super().on_message_complete()

    def on_response_complete(self) -> None:
        super().on_response_complete()
        if not self.transport.is_closing():
            self._waits()

    def _waits(self) -> None:
        self.waiting.setdefault(self.host, OrderedDict())[self] = None

    def _waits_no_more(self) -> None:
        of_host = self.waiting.get(self.host)
        if of_host is not None:
            of_host.pop(self, None)
            if not of_host:
                del self.waiting[self.host]

    def _within(self, seconds: float) -> None:
        self._stop_timer()
        self.timer = self.loop.call_later(seconds, self._too_slow)

    def _stop_timer(self) -> None:
        if self.timer is not None:
            self.timer.cancel()
            self.timer = None

    def _too_slow(self) -> None:
        self.timer = None
        if self.transport.is_closing():
            return
        if self.in_head and self.head == 0:
            # Browsers open connections in advance: one that was never used is closed without a response.
            self.transport.close()
        else:
            self._send_away(HTTPStatus.REQUEST_TIMEOUT)

    def _send_away(self, status: HTTPStatus) -> None:
        self.transport.write(f"HTTP/1.1 {status.value} {status.phrase}\r\nconnection: close\r\ncontent-length: 0\r\n\r\n".encode())
        self.transport.close()
