"""Turn errors into RFC 9457 problem documents; the only module that knows their HTTP status."""

from __future__ import annotations

import sqlite3
from http import HTTPStatus
from typing import Any, Final

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from starlette.exceptions import HTTPException

from oenomel.api.middleware.body_limit import too_large
from oenomel.errors import DomainError, NoReading, OenomelError, OnlyLooking, RecordConflict, RecordNotFound, SpecError, StoreError
from oenomel.schemas.base import Report
from oenomel.schemas.spec_file import spec_error
from oenomel.store.database import fault_of

__all__ = ["PROBLEMS", "Problem", "add_error_handlers", "problem"]

_STATUS: Final[tuple[tuple[type[OenomelError], HTTPStatus], ...]] = (
    (DomainError, HTTPStatus.UNPROCESSABLE_ENTITY),
    (RecordNotFound, HTTPStatus.NOT_FOUND),
    (OnlyLooking, HTTPStatus.FORBIDDEN),
    (RecordConflict, HTTPStatus.CONFLICT),
    (NoReading, HTTPStatus.SERVICE_UNAVAILABLE),
    (StoreError, HTTPStatus.SERVICE_UNAVAILABLE),
)


class Problem(Report):
    """A problem document; ``path`` is the part of the request that is wrong, empty where there is none."""

    type: str
    title: str
    status: int
    detail: str
    code: str
    path: str


def _responses(*statuses: HTTPStatus) -> dict[int | str, dict[str, Any]]:
    content = {"application/problem+json": {"schema": {"$ref": "#/components/schemas/Problem"}}}
    return {int(s): {"model": Problem, "content": content, "description": s.phrase} for s in statuses}


PROBLEMS: Final = {
    "bad": _responses(HTTPStatus.BAD_REQUEST, HTTPStatus.UNPROCESSABLE_ENTITY),
    "missing": _responses(HTTPStatus.NOT_FOUND, HTTPStatus.UNPROCESSABLE_ENTITY),
    "silent": _responses(HTTPStatus.SERVICE_UNAVAILABLE),
    "write": _responses(HTTPStatus.BAD_REQUEST, HTTPStatus.NOT_FOUND, HTTPStatus.CONFLICT, HTTPStatus.UNPROCESSABLE_ENTITY),
}
"""The errors that a route declares, by what it does."""


def add_error_handlers(app: FastAPI) -> None:
    """Answer every error, our own and the framework's, with a problem document."""
    app.add_exception_handler(OenomelError, _ours)
    app.add_exception_handler(RequestValidationError, _invalid)
    app.add_exception_handler(HTTPException, _http)
    app.add_exception_handler(sqlite3.DatabaseError, _of_the_file)


def _ours(_: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, OenomelError)
    status = next((status for kind, status in _STATUS if isinstance(error, kind)), HTTPStatus.INTERNAL_SERVER_ERROR)
    return problem(status, str(error), error.code, error.path if isinstance(error, SpecError) else "")


def _invalid(_: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, RequestValidationError)
    first = error.errors()[0]
    if first["type"] == "json_invalid":
        return problem(HTTPStatus.BAD_REQUEST, f"the request isn't JSON: {first['ctx']['error']}", "not-json", "")
    refusal = spec_error(first)
    return problem(HTTPStatus.UNPROCESSABLE_ENTITY, str(refusal), refusal.code, refusal.path)


def _of_the_file(request: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, sqlite3.DatabaseError)
    # A broken constraint or an invalid statement is our fault and not the file's.
    if isinstance(error, (sqlite3.IntegrityError, sqlite3.ProgrammingError, sqlite3.DataError)):
        raise error
    return _ours(request, fault_of(error, request.app.state.data))


def _http(request: Request, error: Exception) -> JSONResponse:
    assert isinstance(error, HTTPException)
    is_too_large = error.status_code == HTTPStatus.REQUEST_ENTITY_TOO_LARGE
    detail_and_code = (too_large(request.url.path), "too-large") if is_too_large else (str(error.detail), "http")
    response = problem(HTTPStatus(error.status_code), *detail_and_code)
    response.headers.update(error.headers or {})
    return response


def problem(status: HTTPStatus, detail: str, code: str, path: str = "") -> JSONResponse:
    """Return an error as a problem document."""
    # The message may quote the request, not all of which can be encoded.
    detail, path = (text.encode("utf-8", "replace").decode() for text in (detail, path))
    body = Problem(type=f"urn:oenomel:problem:{code}", title=status.phrase, status=status, detail=detail, code=code, path=path)
    return JSONResponse(body.model_dump(), status_code=status, media_type="application/problem+json")
