"""First opening of the bench on a phone: a slow processor and a slow network, by the browser's own throttling."""

from __future__ import annotations

import statistics
import time
from dataclasses import dataclass

from playwright.sync_api import Browser

OPENINGS = 5


@dataclass(frozen=True)
class Phone:
    """How many times slower its processor is, its network, [Mbit/s] and [ms], and the longest it may take, [ms]."""

    cpu: int
    mbit: float
    latency_ms: float
    longest_ms: float

    def __str__(self) -> str:
        return f"{self.cpu} x slower, {self.mbit:g} Mbit/s, {self.latency_ms:g} ms"


PHONES = (Phone(4, 10, 20, 1500), Phone(6, 4, 20, 2500))


def first_opening(browser: Browser, url: str, phone: Phone) -> float:
    """Return the median time from the address to the first figures with nothing cached, [ms]."""
    return statistics.median(_opening(browser, url, phone) for _ in range(OPENINGS))


def _opening(browser: Browser, url: str, phone: Phone) -> float:
    context = browser.new_context(viewport={"width": 390, "height": 844})
    page = context.new_page()
    session = context.new_cdp_session(page)
    session.send("Network.enable")
    per_second = phone.mbit * 1e6 / 8
    conditions = {"offline": False, "latency": phone.latency_ms, "downloadThroughput": per_second, "uploadThroughput": per_second}
    session.send("Network.emulateNetworkConditions", conditions)
    session.send("Emulation.setCPUThrottlingRate", {"rate": phone.cpu})
    start = time.perf_counter()
    page.goto(url, wait_until="commit")
    page.get_by_test_id("sugar-now").wait_for()
    took = 1000 * (time.perf_counter() - start)
    context.close()
    return took
