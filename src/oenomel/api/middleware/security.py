"""Middleware around the API: security headers, allowed hosts, and the built front end."""

from __future__ import annotations

from http import HTTPStatus
from pathlib import Path
from typing import Final
from urllib.parse import urlsplit

from starlette.datastructures import Headers, MutableHeaders
from starlette.exceptions import HTTPException
from starlette.responses import PlainTextResponse
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from oenomel.api.errors import problem
from oenomel.api.middleware.body_limit import LARGEST_HEADERS, largest_body, too_large
from oenomel.api.middleware.compression import PrecompressedFiles

__all__ = ["FrontEnd", "Guard"]

_HEADERS: Final = {
    "content-security-policy": (
        "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self' data:; connect-src 'self'; "
        "base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
    ),
    "x-content-type-options": "nosniff",
    "referrer-policy": "same-origin",
    "cross-origin-opener-policy": "same-origin",
    "cross-origin-resource-policy": "same-origin",
}
_SAFE_METHODS: Final = frozenset({"GET", "HEAD", "OPTIONS"})


class Guard:
    """Adds the security headers; refuses unknown host names (rebinding), writes sent by another site's page, and bodies declared too
    large; a body without a declared size is left to the API.

    ``names`` are the accepted host names; with ``own_addresses`` the address that the client connected to is accepted as well.
    """

    def __init__(self, app: ASGIApp, names: frozenset[str], *, own_addresses: bool = False) -> None:
        self.app, self.names, self.own_addresses = app, names, own_addresses

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        of_api = scope["path"] == "/api" or scope["path"].startswith("/api/")

        async def send_with_headers(message: Message) -> None:
            if message["type"] == "http.response.start":
                headers = MutableHeaders(scope=message)
                headers.update(_HEADERS)
                if of_api:
                    headers["cache-control"] = "no-store"
            await send(message)

        refusal = self._refusal(scope)
        if refusal is not None:
            await refusal(scope, receive, send_with_headers)
            return
        await self.app(scope, receive, send_with_headers)

    def _refusal(self, scope: Scope) -> ASGIApp | None:
        headers = Headers(scope=scope)
        host = headers.get("host", "")
        if not self._is_own(_without_port(host), scope):
            return PlainTextResponse("Open Oenomel by its own address. This server answers to no other name.", HTTPStatus.FORBIDDEN)
        origin = headers.get("origin")
        if scope["method"] not in _SAFE_METHODS and origin is not None and urlsplit(origin).netloc != host:
            return PlainTextResponse("A page of another site can't change anything here.", HTTPStatus.FORBIDDEN)
        if sum(len(name) + len(value) for name, value in scope["headers"]) > LARGEST_HEADERS:
            over = f"the headers are over {LARGEST_HEADERS // 1024} KB"
            return problem(HTTPStatus.REQUEST_HEADER_FIELDS_TOO_LARGE, over, "too-large")
        length_header = headers.get("content-length", "")
        if length_header.isdecimal() and int(length_header) > largest_body(scope["path"]):
            return problem(HTTPStatus.REQUEST_ENTITY_TOO_LARGE, too_large(scope["path"]), "too-large")
        return None

    def _is_own(self, host: str, scope: Scope) -> bool:
        # On a dual-stack socket an IPv4 address arrives as ::ffff:192.168.1.4.
        came_to = str((scope.get("server") or ("",))[0]).removeprefix("::ffff:")
        return host.casefold() in self.names or (self.own_addresses and host.strip("[]").partition("%")[0] == came_to.partition("%")[0])


class FrontEnd:
    """Passes /api to the API, and answers everything else with a file of the front end, or with its index page."""

    def __init__(self, api: ASGIApp, built: Path) -> None:
        self.api, self.built = api, built
        self.files = PrecompressedFiles(directory=built, check_dir=False)

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http" or scope["path"] == "/api" or scope["path"].startswith("/api/"):
            await self.api(scope, receive, send)
            return
        await self._file(scope, receive, send)

    async def _file(self, scope: Scope, receive: Receive, send: Send) -> None:
        path = scope["path"].lstrip("/")
        if not (self.built / "index.html").is_file():
            await PlainTextResponse("The front end isn't built; run make demo.", status_code=503)(scope, receive, send)
            return
        try:
            response = await self.files.get_response(path or "index.html", scope)
        except HTTPException as error:
            # A deep link gets the app's page; a missing file is 404, and so is any path that begins with a dot.
            is_file = any(part.startswith(".") for part in path.split("/")) or "." in path.rpartition("/")[2] or path.startswith("assets/")
            if error.status_code != HTTPStatus.NOT_FOUND or is_file:
                await PlainTextResponse(str(error.detail), status_code=error.status_code)(scope, receive, send)
                return
            response = await self.files.get_response("index.html", scope)
        # Assets carry a hash of their content in their name.
        response.headers["cache-control"] = "public, max-age=31536000, immutable" if path.startswith("assets/") else "no-cache"
        await response(scope, receive, send)


def _without_port(host: str) -> str:
    if host.startswith("["):
        return host.partition("]")[0] + "]"
    return host.partition(":")[0]
