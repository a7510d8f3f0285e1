"""Query parameters that nobody knows are refused, as unknown keys of a body are."""

from __future__ import annotations

from functools import lru_cache
from typing import Any

from fastapi import FastAPI, Request

from oenomel.errors import SpecError

__all__ = ["only_known_parameters"]


async def only_known_parameters(request: Request) -> None:
    """Refuses a query parameter that the route doesn't describe; raises SpecError naming it."""
    if not request.query_params:
        return
    known = _described(request.app)[request.scope["route"].operation_id or request.scope["route"].name]
    for name in request.query_params:
        if name not in known:
            knows = f"this question knows {', '.join(sorted(known))}" if known else "this question has none"
            raise SpecError(name[:60], f"unknown query parameter; {knows}")


@lru_cache(maxsize=4)
def _described(api: FastAPI) -> dict[str, frozenset[str]]:
    """The query parameters of each operation, as the API's own description tells them."""
    operations: list[dict[str, Any]] = [each for path in api.openapi()["paths"].values() for each in path.values()]
    return {
        each["operationId"]: frozenset(parameter["name"] for parameter in each.get("parameters", ()) if parameter["in"] == "query")
        for each in operations
    }
