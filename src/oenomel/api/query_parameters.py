"""Refuse unknown query parameters, as unknown keys of a body are refused."""

from __future__ import annotations

from fastapi import Request
from fastapi.dependencies.utils import get_flat_params

from oenomel.errors import SpecError

__all__ = ["only_known_parameters"]


async def only_known_parameters(request: Request) -> None:
    """Refuse a query parameter that the route doesn't know; raises SpecError that names it."""
    if not request.query_params:
        return
    known = {field.alias for field in get_flat_params(request.scope["route"].dependant)} - set(request.path_params)
    for name in request.query_params:
        if name not in known:
            knows = f"use {', '.join(sorted(known))}" if known else "no parameter is used here"
            raise SpecError(name[:60], f"unknown query parameter; {knows}")
