"""Today with forty drinks and thirty lots, over HTTP: the first answer, and the one after a changed reading."""

from __future__ import annotations

import json
import statistics
import tempfile
import time
from pathlib import Path
from typing import Any
from urllib.request import Request, urlopen

from support.app_server import AppServer

DRINKS, LOTS, READINGS = 31, 18, 9
SWEETS = ("simple-syrup-1-1", "bay-syrup", "quince-syrup")
SOURS = ("lime-juice", "lemon-juice", "verjus")


def evening_times() -> dict[str, float]:
    """Return the first answer and, the median of several, the one after a changed reading; a bare answer beside; [ms]."""
    with tempfile.TemporaryDirectory() as folder:
        server = AppServer(Path(folder) / "demo.db")
        server.start()
        try:
            for number in range(DRINKS):
                made = _asked(server, "POST", "/api/drinks", {"name": f"Sour {number}", "spec": _sour(number), "trial_name": "First"})
                _asked(server, "PUT", f"/api/drinks/{made['id']}/trials/{made['trials'][0]['id']}/mark", {"mark": "finished"})
            for number in range(LOTS):
                last = _asked(server, "POST", "/api/lots", {"ingredient": SOURS[number % 3], "name": f"crate {number}"})
            bare = statistics.median(_ms(server, "/api/health") for _ in range(30))
            first, changed = _ms(server, "/api/today"), []
            for number in range(READINGS):
                reading = {"what": "acid", "value": 4.4 + 0.1 * number if last["ingredient"]["slug"] != "verjus" else 2.0 + 0.1 * number}
                _asked(server, "POST", f"/api/lots/{last['id']}/readings", reading)
                changed.append(_ms(server, "/api/today"))
            return {"first": first, "changed": statistics.median(changed), "bare": bare}
        finally:
            server.kill()


def _sour(number: int) -> dict[str, Any]:
    parts = (("london-dry-gin", 60, "base"), (SOURS[number % 3], 20 + number % 5 * 2.5, "sour"), (SWEETS[number % 2], 20, "sweet"))
    pours = [{"ingredient": slug, "amount": ml, "unit": "ml", "slot": slot} for slug, ml, slot in parts]
    return {"format": "oenomel/spec", "version": 1, "name": f"Sour {number}", "family": "sour", "pours": pours}


def _ms(server: AppServer, path: str) -> float:
    start = time.perf_counter()
    _asked(server, "GET", path)
    return 1000 * (time.perf_counter() - start)


def _asked(server: AppServer, method: str, path: str, body: object = None) -> Any:
    sent = None if body is None else json.dumps(body).encode()
    with urlopen(Request(server.url + path, sent, {"content-type": "application/json"}, method=method)) as answer:
        text = answer.read()
    return json.loads(text) if text else None
