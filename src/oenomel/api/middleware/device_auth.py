"""Let paired devices in from the network, and show all others only the page to pair them."""

from __future__ import annotations

import html
import sqlite3
from http import HTTPStatus
from importlib import resources
from pathlib import Path
from string import Template
from typing import Final
from urllib.parse import parse_qs

from starlette.concurrency import run_in_threadpool
from starlette.datastructures import Headers
from starlette.requests import ClientDisconnect, Request
from starlette.responses import FileResponse, RedirectResponse, Response
from starlette.types import ASGIApp, Receive, Scope, Send

from oenomel.api.errors import problem
from oenomel.api.pairing import KEPT, NOT_ENCRYPTED, Sharing, is_loopback
from oenomel.errors import StoreError
from oenomel.store.database import fault_of

__all__ = ["DEVICE", "DeviceAuth"]

COOKIE: Final = "oenomel-device"
DEVICE: Final = "oenomel.device"
"""Name of the device cookie, and the key of its device in a request's scope; this machine itself has none."""

LONGEST_FORM: Final = 2000
LONGEST_NAME: Final = 100

_PAGE: Final = Template((resources.files("oenomel.api") / "pair.html").read_text(encoding="utf-8"))
_STYLE: Final = (resources.files("oenomel.api") / "pair.css").read_text(encoding="utf-8")
_FILES: Final = {
    "/mark.svg": "mark.svg",
    "/pair-names.woff2": "assets/bricolage-grotesque-latin-wght*.woff2",
    "/pair-text.woff2": "assets/atkinson-hyperlegible-next-latin-wght*.woff2",
}
"""Files of the built front end that the pairing page uses."""

_KINDS: Final = {"iPhone": "iPhone", "iPad": "iPad", "Android": "Android phone", "Macintosh": "Mac", "Windows": "Windows computer"}
"""Default names of a device, by a word in its browser's user agent."""


class DeviceAuth:
    """Middleware that lets this machine and paired devices through, and pairs new ones."""

    def __init__(self, app: ASGIApp, sharing: Sharing, built: Path) -> None:
        self.app, self.sharing, self.built = app, sharing, built

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http" or is_loopback((scope.get("client") or ("",))[0]):
            await self.app(scope, receive, send)
            return
        try:
            await self._from_the_network(scope, receive, send)
        except ClientDisconnect:
            # A client that disconnects in the middle of its request needs no answer.
            return
        except (StoreError, sqlite3.DatabaseError) as error:
            # Devices are in the data file: while that can't be read, none is let in.
            fault = error if isinstance(error, StoreError) else fault_of(error, self.sharing.data)
            await problem(HTTPStatus.SERVICE_UNAVAILABLE, str(fault), fault.code)(scope, receive, send)

    async def _from_the_network(self, scope: Scope, receive: Receive, send: Send) -> None:
        request = Request(scope, receive)
        if scope["path"] == "/pair":
            answer = await self._pair(request) if scope["method"] == "POST" else self._page(request.query_params.get("code", ""), scope)
            await answer(scope, receive, send)
            return
        cookie = request.cookies.get(COOKIE, "")
        device = await run_in_threadpool(self.sharing.device_showing, cookie) if cookie else None
        if device is not None:
            await self.app({**scope, DEVICE: device}, receive, send)
            return
        await self._nothing_but_the_page(scope)(scope, receive, send)

    def _nothing_but_the_page(self, scope: Scope) -> Response:
        path = scope["path"]
        if path == "/api" or path.startswith("/api/"):
            return problem(HTTPStatus.UNAUTHORIZED, "this device isn't connected: open the start page and enter the code", "not-paired")
        if path == "/pair.css":
            return Response(_STYLE, media_type="text/css")
        if path in _FILES:
            files = sorted(self.built.glob(_FILES[path]))
            return FileResponse(files[0]) if files else Response(status_code=HTTPStatus.NOT_FOUND)
        return self._page("", scope, HTTPStatus.UNAUTHORIZED)

    async def _pair(self, request: Request) -> Response:
        who = request.client.host if request.client else ""
        body = b""
        async for part in request.stream():
            body += part
            if len(body) > LONGEST_FORM:
                return Response(status_code=HTTPStatus.REQUEST_ENTITY_TOO_LARGE)
        form = parse_qs(body.decode("utf-8", "replace"))
        code = form.get("code", [""])[0]
        wait = self.sharing.tries.seconds_to_wait(who)
        if wait > 0:
            message = f"Too many wrong codes. Wait {wait:.0f} seconds, then try again." if wait >= 1.5 else "Wait a second, then try again."
            # The typed text stays for another try.
            answer = self._page(code, request.scope, HTTPStatus.TOO_MANY_REQUESTS, message)
            answer.headers["retry-after"] = f"{wait + 1:.0f}"
            return answer
        name = "".join(char for char in form.get("name", [""])[0] if char.isprintable()).strip()[:LONGEST_NAME]
        self.sharing.tries.begun(who)
        cookie = await run_in_threadpool(self.sharing.let_in, code, name or _kind(request.headers))
        if cookie is None:
            message = "Wrong code. Look for it in Settings on the machine that runs Oenomel."
            return self._page("", request.scope, HTTPStatus.FORBIDDEN, message)
        self.sharing.tries.succeeded(who)
        answer = RedirectResponse("/", HTTPStatus.SEE_OTHER)
        answer.set_cookie(COOKIE, cookie, max_age=int(KEPT.total_seconds()), httponly=True, samesite="strict")
        return answer

    def _page(self, code: str, scope: Scope, status: HTTPStatus = HTTPStatus.OK, message: str = "") -> Response:
        code = "".join(char for char in code if char.isdigit())[:20]
        lead = "Press once to connect this device." if code else "Enter the eight digits shown where Oenomel runs."
        page = _PAGE.substitute(
            code=code,
            focus_code="" if code else "autofocus",
            focus_button="autofocus" if code else "",
            name=html.escape(_kind(Headers(scope=scope))),
            lead=lead,
            told=f'<p role="alert">{html.escape(message)}</p>' if message else "",
            not_encrypted=NOT_ENCRYPTED,
        )
        return Response(page, status, media_type="text/html")


def _kind(headers: Headers) -> str:
    agent = headers.get("user-agent", "")
    return next((name for mark, name in _KINDS.items() if mark in agent), "Another device")
