"""A router whose writes happen once: a request repeated with the same idempotency key gets the first answer again.

The answer is saved in the transaction of the write itself, so that one never exists without the other.
"""

from __future__ import annotations

import hashlib
from collections.abc import Callable, Coroutine
from http import HTTPStatus
from typing import Any, Final

from fastapi import APIRouter, Request, Response
from fastapi.routing import APIRoute
from starlette.concurrency import run_in_threadpool

from oenomel.errors import AnsweredBefore, SpecError
from oenomel.store import idempotency
from oenomel.store.database import Connection
from oenomel.store.idempotency import WriteKey

__all__ = ["idempotent_router"]

HEADER: Final = "idempotency-key"
AGAIN: Final = "answered-before"
"""Request header with the key of a write, and the header of an answer that is given again."""

SHORTEST, LONGEST = 8, 200


class _WrittenOnce(APIRoute):
    def get_route_handler(self) -> Callable[[Request], Coroutine[Any, Any, Response]]:
        answer = super().get_route_handler()

        async def once(request: Request) -> Response:
            key = request.headers.get(HEADER)
            request.state.write_key = None if key is None or request.method == "GET" else await _write_key(request, key)
            try:
                response = await answer(request)
            except AnsweredBefore as before:
                headers = {"content-type": "application/json"} if before.answer else {}
                return Response(before.answer, before.status, {**headers, AGAIN: "true"})
            conn: Connection | None = getattr(request.state, "connection", None)
            if conn is not None and conn.in_transaction:
                await run_in_threadpool(_finish, conn, response)
            return response

        return once


def _finish(conn: Connection, response: Response) -> None:
    """Commit a write together with its answer."""
    assert conn.write_key is not None  # only then a transaction is left open
    try:
        if response.status_code < HTTPStatus.BAD_REQUEST:
            idempotency.keep(conn, conn.write_key, response.status_code, bytes(response.body).decode())
        conn.execute("COMMIT")
    except BaseException:
        if conn.in_transaction:
            conn.execute("ROLLBACK")
        raise


async def _write_key(request: Request, key: str) -> WriteKey:
    if not (SHORTEST <= len(key) <= LONGEST and key.isascii() and key.isprintable()):
        raise SpecError(HEADER, f"use {SHORTEST} to {LONGEST} plain letters")
    asked = f"{request.method} {request.url.path}?{request.url.query}\n".encode() + await request.body()
    return WriteKey(key, hashlib.sha256(asked).hexdigest())


def idempotent_router(tag: str) -> APIRouter:
    """Create a router whose writes happen once for each idempotency key."""
    return APIRouter(tags=[tag], route_class=_WrittenOnce)
