"""What stands around the API: security headers, who may call, and the built front end."""

from __future__ import annotations

from pathlib import Path
from typing import Final
from urllib.parse import urlsplit

from starlette.datastructures import Headers, MutableHeaders
from starlette.exceptions import HTTPException
from starlette.responses import PlainTextResponse
from starlette.staticfiles import StaticFiles
from starlette.types import ASGIApp, Message, Receive, Scope, Send

__all__ = ["FrontEnd", "Guard"]

_HEADERS: Final = {
    "content-security-policy": (
        "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self' data:; connect-src 'self'; "
        "base-uri 'none'; form-action 'none'; frame-ancestors 'none'"
    ),
    "x-content-type-options": "nosniff",
    "referrer-policy": "no-referrer",
    "cross-origin-opener-policy": "same-origin",
    "cross-origin-resource-policy": "same-origin",
}
_SAFE_METHODS: Final = frozenset({"GET", "HEAD", "OPTIONS"})


class Guard:
    """Adds the security headers, and refuses strange host names (rebinding) and writes that another site's page sends."""

    def __init__(self, app: ASGIApp, hosts: frozenset[str] | None) -> None:
        self.app, self.hosts = app, hosts

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return

        async def send_with_headers(message: Message) -> None:
            if message["type"] == "http.response.start":
                MutableHeaders(scope=message).update(_HEADERS)
            await send(message)

        refusal = self._refusal(scope)
        answer = PlainTextResponse(refusal, status_code=403) if refusal else self.app
        await answer(scope, receive, send_with_headers)

    def _refusal(self, scope: Scope) -> str | None:
        headers = Headers(scope=scope)
        host = headers.get("host", "")
        if self.hosts is not None and _without_port(host) not in self.hosts:
            return "This server answers only to its own name."
        origin = headers.get("origin")
        if scope["method"] not in _SAFE_METHODS and origin is not None and urlsplit(origin).netloc != host:
            return "Another site's page can't write here."
        return None


class FrontEnd:
    """Sends /api to the API; everything else is a file of the built front end, or its index page for deep links."""

    def __init__(self, api: ASGIApp, built: Path) -> None:
        self.api, self.built = api, built
        self.files = StaticFiles(directory=built, check_dir=False)

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
            # A deep link is a page of the app; a missing asset is missing.
            if error.status_code != 404 or path.startswith("assets/"):
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
