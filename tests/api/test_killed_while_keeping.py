"""The server killed while trials, sheets and readings are being kept: what was answered is there, what wasn't is whole or not at all."""

import json
import threading
from http.client import HTTPException
from urllib.error import URLError
from urllib.request import Request, urlopen

import pytest
from support.app_server import AppServer

MEDLAR = 7


def ask(server, method, path, body=None):
    data = None if body is None else json.dumps(body).encode()
    request = Request(f"{server.url}/api{path}", data, {"content-type": "application/json"}, method=method)
    with urlopen(request, timeout=10) as answer:
        return json.load(answer)


@pytest.mark.slow
def test_what_was_answered_is_there_and_nothing_is_half_there(tmp_path):
    server = AppServer(tmp_path / "demo.db")
    server.start()
    try:
        notebook = ask(server, "GET", f"/drinks/{MEDLAR}/notebook")
        spec, parent = notebook["trials"][-1]["spec"], notebook["trials"][-1]["id"]
        before = len(notebook["trials"])
        for _ in range(3):
            answered: list[str] = []
            under_way = threading.Event()
            keeper = threading.Thread(target=keep_on, args=(server, spec, parent, answered, under_way))
            keeper.start()
            assert under_way.wait(timeout=30)
            server.kill()
            keeper.join()
            server.start()
            trials = ask(server, "GET", f"/drinks/{MEDLAR}/notebook")["trials"]
            names = [trial["name"] for trial in trials]
            assert set(answered) <= set(names), "an answer was given for what is gone"
            assert [trial["number"] for trial in trials] == list(range(1, len(trials) + 1))
            assert len(trials) <= before + len(answered) + 1
            before = len(trials)
            for trial in trials[4:]:
                # A trial and its two parents, or neither; a flight's two sheets, or none.
                assert len(trial["parents"]) == 2
                assert len(trial["sheets"]) in (0, 2)
            found = ask(server, "GET", f"/drinks?q={names[-1]}")
            assert [drink["id"] for drink in found] == [MEDLAR], "a kept trial can't be found"
    finally:
        server.kill()


def keep_on(server, spec, parent, answered, under_way):
    """Keeps trials with a second parent and a flight of two sheets, until the server is gone; tells when a few were answered."""
    try:
        while True:
            name = f"Made{threading.get_ident()}x{len(answered)}"
            body = {"name": name, "parent_trial_id": parent, "parents": [1], "spec": spec, "revision": 0, "beside": True}
            kept = ask(server, "POST", f"/drinks/{MEDLAR}/trials", body)
            answered.append(name)
            if len(answered) >= 4:
                under_way.set()
            sheets = [{"trial_id": kept["trials"][-1]["id"], "taster": taster, "acid": 1} for taster in ("Ada", "Bo")]
            ask(server, "POST", "/tastings", {"sheets": sheets})
    except (URLError, HTTPException, ConnectionError, TimeoutError, json.JSONDecodeError):
        return
