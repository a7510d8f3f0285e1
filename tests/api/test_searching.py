"""Long searches: within a budget, one at a time, the newest first, and no longer than anybody waits."""

import asyncio
import http.client
import json
import math
import resource
import socket
import threading
import time
from contextlib import closing
from http import HTTPStatus
from types import SimpleNamespace

import pytest
from support.app_server import AppServer
from support.notebook_spec import ORCHARD

from oenomel.api import search_queue
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.rebalance.budget import Budget
from oenomel.core.rebalance.solver import CORRECTORS

# A machine that runs the other tests beside it may be three times as slow as the one that is promised something.
PATIENCE = 3.0
MEGABYTES = 200


def pour(slug, amount, slot):
    return {"ingredient": slug, "amount": amount, "unit": "ml", "slot": slot}


SEVEN = {
    **ORCHARD,
    "pours": [
        pour("london-dry-gin", 45, "base"),
        pour("apple-brandy", 15, "base"),
        pour("lime-juice", 22.5, "sour"),
        pour("verjus", 10, "sour"),
        pour("honey-syrup", 15, "sweet"),
        pour("ginger-liqueur", 15, "liqueur"),
        pour("elderflower-liqueur", 10, "liqueur"),
    ],
}
TARGET = {"sugar": 8, "acid": 0.85, "abv": 15, "volume_ml": 150}
MOST = [slug for slug, each in catalogue().items() if each.slots][:12]
WORST = {
    "seven pours and six correctors": {"correctors": list(CORRECTORS)},
    "every corrector on the finest grid": {"correctors": MOST, "grid": 0.25},
    "bounds as wide as they may be": {
        "correctors": MOST,
        "grid": 0.5,
        "bounds": {each["ingredient"]: [0, 1000] for each in SEVEN["pours"]},
    },
}


@pytest.mark.parametrize("path", ["/api/rebalance", "/api/swaps"])
@pytest.mark.parametrize("asked", WORST.values(), ids=WORST)
def test_the_worst_that_may_be_asked_ends_within_its_budget_and_its_memory(client, path, asked, golden, monkeypatch):
    body = {"spec": SEVEN, "target": TARGET, **asked, **({"pour_index": 0} if path == "/api/swaps" else {})}
    before = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss
    budgets = []
    monkeypatch.setattr(search_queue, "Budget", lambda *told: budgets.append(Budget(*told)) or budgets[-1])
    monkeypatch.setattr(search_queue, "SECONDS", math.inf)
    answer = client.post(path, json=body)
    assert answer.status_code == HTTPStatus.OK, answer.text
    # What one search overdraws it by is the last lot of drinks that it weighs.
    assert all(budget.left > -0.5 * search_queue.WORK for budget in budgets)
    assert (resource.getrusage(resource.RUSAGE_SELF).ru_maxrss - before) / 1024 < MEGABYTES
    if path == "/api/rebalance":
        assert answer.json()["proved"] is False
        golden(answer.json()["notes"])


@pytest.mark.parametrize(
    "asked",
    [
        {"grid": 0.2},
        {"bounds": {"verjus": [0, 1500]}},
        {"bounds": {"london-dry-gin": [0, 2000]}, "grid": 0.25},
    ],
)
def test_grids_and_bounds_that_make_no_sense_are_refused_before_anything_is_laid_out(client, asked, golden):
    answer = client.post("/api/rebalance", json={"spec": SEVEN, "target": TARGET, **asked})
    assert answer.status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    golden(answer.json()["detail"])


class Request:
    """What a search asks of a request."""

    def __init__(self, turns):
        self.app = SimpleNamespace(state=SimpleNamespace(searches=turns))
        self.gone = False

    async def is_disconnected(self):
        return self.gone


def searches(number):
    turns = search_queue.SearchQueue()
    return [search_queue._QueuedSearch(Request(turns)) for _ in range(number)]


def until_spent(search):
    """Whether the search had to end before it had spent its budget; it gives up after a while that no answer takes."""
    search.budget.until = math.inf
    for _ in range(4_000):
        if search.budget.spent:
            return search.budget.left > 0
        time.sleep(0.005)
    return False


def test_one_searches_at_a_time_and_whoever_came_last_is_next():
    async def ask():
        order, going = [], threading.Event()
        first, *others = searches(4)
        running = asyncio.create_task(first.step(lambda: going.wait(10)))
        await asyncio.sleep(0.05)
        waiting = []
        for number, search in enumerate(others):
            waiting.append(asyncio.create_task(search.step(lambda number=number: order.append(number))))
            await asyncio.sleep(0.01)
        assert order == []
        going.set()
        await asyncio.gather(running, *waiting)
        return order

    assert asyncio.run(ask()) == [2, 1, 0]


def test_a_search_ends_soon_once_another_waits():
    async def ask():
        long, other = searches(2)
        running = asyncio.create_task(long.step(lambda: until_spent(long)))
        await asyncio.sleep(0.05)
        await other.step(lambda: None)
        return await running

    assert asyncio.run(ask()) is True


def test_a_search_ends_when_nobody_waits_for_it():
    async def ask():
        (search,) = searches(1)
        search.request.gone = True
        return await search.step(lambda: until_spent(search))

    assert asyncio.run(ask()) is True


def test_who_leaves_while_he_waits_holds_nobody_up():
    async def ask():
        first, leaver, last = searches(3)
        going = threading.Event()
        running = asyncio.create_task(first.step(lambda: going.wait(10)))
        await asyncio.sleep(0.02)
        left = asyncio.create_task(leaver.step(lambda: None))
        await asyncio.sleep(0.02)
        left.cancel()
        going.set()
        await running
        return await last.step(lambda: "found")

    assert asyncio.run(ask()) == "found"


def ask(server, path, body):
    """Seconds until the answer."""
    with closing(http.client.HTTPConnection("127.0.0.1", server.port, timeout=30)) as conn:
        start = time.perf_counter()
        conn.request("POST", path, json.dumps(body), {"content-type": "application/json"})
        answer = conn.getresponse()
        answer.read()
        assert answer.status == HTTPStatus.OK
        return time.perf_counter() - start


def test_others_stay_quick_while_one_searches(tmp_path):
    server = AppServer(tmp_path / "demo.db")
    server.start()
    try:
        compare = {"spec": ORCHARD, "parent": ORCHARD}
        long = {"spec": SEVEN, "target": TARGET, "correctors": list(CORRECTORS)}
        ask(server, "/api/compare", compare)
        other = threading.Thread(target=lambda: [ask(server, "/api/rebalance", long) for _ in range(2)])
        other.start()
        spent = sorted(ask(server, "/api/compare", compare) for _ in range(15))
        other.join()
        assert spent[7] < 0.05 * PATIENCE
    finally:
        server.kill()


def test_headers_that_do_not_end_and_searches_that_nobody_waits_for_end_at_the_server(tmp_path):
    server = AppServer(tmp_path / "demo.db")
    server.start()
    try:
        with socket.create_connection(("127.0.0.1", server.port), timeout=10) as endless:
            endless.sendall(b"GET /api/health HTTP/1.1\r\nX-A: " + b"a" * 80_000)
            assert b" 431 " in endless.recv(200)
        body = json.dumps({"spec": SEVEN, "target": TARGET, "correctors": list(CORRECTORS)}).encode()
        head = f"POST /api/rebalance HTTP/1.1\r\nHost: 127.0.0.1:{server.port}\r\nContent-Type: application/json\r\n"
        for _ in range(6):
            with socket.create_connection(("127.0.0.1", server.port)) as leaver:
                leaver.sendall(f"{head}Content-Length: {len(body)}\r\n\r\n".encode() + body)
        # Six whole searches would take five seconds; what is left of them is looked at and let go.
        spent = ask(server, "/api/rebalance", {"spec": ORCHARD, "target": TARGET})
        assert spent < 1.0 * PATIENCE
    finally:
        server.kill()


def test_who_leaves_the_queue_just_as_the_turn_is_given_back_is_passed_over():
    async def ask():
        turns = search_queue.SearchQueue()
        await turns.take()
        leaving, staying = (asyncio.create_task(turns.take()) for _ in range(2))
        await asyncio.sleep(0)
        # The last in the queue goes; before it notices, the turn is given back and passes it over.
        staying_first = turns.waiting[-1]
        staying_first.cancel()
        turns.give_back()
        gone = await asyncio.gather(leaving, staying, return_exceptions=True)
        return [type(each) for each in gone]

    assert sorted(kind.__name__ for kind in asyncio.run(ask())) == ["CancelledError", "NoneType"]
