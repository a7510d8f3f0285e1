"""Compress answers to other devices, and serve the files of the front end as they were compressed by the build."""

from __future__ import annotations

import mimetypes
import os
from http import HTTPStatus
from pathlib import Path
from typing import Final

from starlette.datastructures import Headers
from starlette.middleware.gzip import GZipMiddleware
from starlette.responses import Response
from starlette.staticfiles import StaticFiles
from starlette.types import ASGIApp, Receive, Scope, Send

from oenomel.api.pairing import is_loopback

__all__ = ["CompressForDevices", "PrecompressedFiles"]

SMALLEST: Final = 1024
"""Size from which an answer is compressed, [bytes]; below it the packet is sent whole anyway."""

LEVEL: Final = 5
"""Level of gzip: a forecast shrinks to a fifth in a third of a millisecond; a higher level takes longer and saves a percent."""

ENCODINGS: Final = (("br", ".br"), ("gzip", ".gz"))
"""Encodings that the build writes beside each file, with the ending of their files; the smaller first."""


class CompressForDevices:
    """Compresses answers over 1 KB for other devices. This machine gets them as they are: compressing takes longer than sending."""

    def __init__(self, app: ASGIApp) -> None:
        self.plain = app
        self.compressed = GZipMiddleware(app, minimum_size=SMALLEST, compresslevel=LEVEL)

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        client = scope.get("client")
        is_here = scope["type"] != "http" or client is None or is_loopback(client[0])
        await (self.plain if is_here else self.compressed)(scope, receive, send)


class PrecompressedFiles(StaticFiles):
    """Static files; where a file lies beside it compressed in a way that the request accepts, that one is sent."""

    def file_response(
        self, full_path: str | os.PathLike[str], stat_result: os.stat_result, scope: Scope, status_code: int = HTTPStatus.OK
    ) -> Response:
        """Answer with a file, or with its compressed form."""
        accepted = {part.partition(";")[0].strip() for part in Headers(scope=scope).get("accept-encoding", "").split(",")}
        for encoding, ending in ENCODINGS:
            compressed = Path(f"{os.fspath(full_path)}{ending}")
            if encoding in accepted and compressed.is_file():
                response = super().file_response(compressed, compressed.stat(), scope, status_code)
                if response.status_code == HTTPStatus.OK:
                    response.headers["content-type"] = _content_type(full_path)
                    response.headers["content-encoding"] = encoding
                break
        else:
            response = super().file_response(full_path, stat_result, scope, status_code)
        # A cache between must not give one browser what another one accepts.
        response.headers.add_vary_header("accept-encoding")
        return response


def _content_type(path: str | os.PathLike[str]) -> str:
    media_type = mimetypes.guess_type(os.fspath(path))[0] or "application/octet-stream"
    return f"{media_type}; charset=utf-8" if media_type.startswith("text/") else media_type
