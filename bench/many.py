"""Eight devices at once, which is what a bar has: compares and swaps, beside one device alone."""

from __future__ import annotations

import http.client
import json
import tempfile
import time
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from pathlib import Path

from support.app_server import AppServer
from support.notebook_spec import ORCHARD

DEVICES = 8
COMPARES = 40


@dataclass(frozen=True)
class Many:
    """Compares of one device and of eight at once, 95th percentile, [ms]; swap boards of the eight, slowest, [ms]; how many answers
    there were, and how many of them were none.
    """

    alone: float
    together: float
    slowest_board: float
    answers: int
    errors: int


def many_devices() -> Many:
    """Measures them over HTTP, each device with a connection of its own."""
    with tempfile.TemporaryDirectory() as folder:
        server = AppServer(Path(folder) / "demo.db")
        server.start()
        try:
            _compares(server, 0, 50)
            alone = sorted(ms for ms, _ in _compares(server, 0, 300))
            with ThreadPoolExecutor(DEVICES) as pool:
                every = list(pool.map(lambda number: _visit(server, number), range(DEVICES)))
        finally:
            server.kill()
    compares = sorted(ms for told, _ in every for ms, _ in told)
    boards = [board for _, board in every]
    errors = sum(status != 200 for told, board in every for _, status in [*told, board])
    return Many(
        alone[int(0.95 * len(alone))], compares[int(0.95 * len(compares))], max(ms for ms, _ in boards), len(compares) + len(boards), errors
    )


def _visit(server: AppServer, number: int) -> tuple[list[tuple[float, int]], tuple[float, int]]:
    """Return one device: compares, then a board, then compares again."""
    first = _compares(server, number, COMPARES // 2)
    conn = http.client.HTTPConnection("127.0.0.1", server.port, timeout=120)
    board = _ask(conn, "/api/swaps", {"spec": ORCHARD, "pour_index": number % 3})
    conn.close()
    return [*first, *_compares(server, number, COMPARES // 2)], board


def _compares(server: AppServer, number: int, times: int) -> list[tuple[float, int]]:
    conn = http.client.HTTPConnection("127.0.0.1", server.port, timeout=120)
    found = []
    for step in range(times):
        pours = [{**ORCHARD["pours"][0], "amount": 40 + number % 7 + step / 4}, *ORCHARD["pours"][1:]]
        found.append(_ask(conn, "/api/compare", {"spec": {**ORCHARD, "pours": pours}, "parent": ORCHARD}))
    conn.close()
    return found


def _ask(conn: http.client.HTTPConnection, path: str, body: object) -> tuple[float, int]:
    start = time.perf_counter()
    conn.request("POST", path, json.dumps(body), {"content-type": "application/json"})
    answer = conn.getresponse()
    answer.read()
    return 1000 * (time.perf_counter() - start), answer.status
