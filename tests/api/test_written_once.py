"""A write whose answer was lost is sent again: it is answered as the first time, and made once."""

import re
from concurrent.futures import ThreadPoolExecutor
from http import HTTPStatus
from pathlib import Path

import pytest
from support.notebook_spec import ORCHARD

NEW = {"name": "Orchard Sour", "spec": ORCHARD, "trial_name": "First"}


@pytest.fixture
def drink(client):
    made = client.post("/api/drinks", json=NEW).json()
    return made["id"], made["trials"][0]["id"]


def draft(trial, amount, revision):
    spec = {**ORCHARD, "pours": [{**ORCHARD["pours"][0], "amount": amount}, *ORCHARD["pours"][1:]]}
    return {"parent_trial_id": trial, "spec": spec, "revision": revision}


def test_a_draft_whose_answer_was_lost_is_no_conflict(client, drink):
    drink_id, trial = drink
    send = {"url": f"/api/drinks/{drink_id}/draft", "json": draft(trial, 50, 0), "headers": {"idempotency-key": "first-save"}}
    first, again = client.put(**send), client.put(**send)
    assert (first.status_code, first.json()) == (again.status_code, again.json())
    after = client.put(
        f"/api/drinks/{drink_id}/draft", json=draft(trial, 55, first.json()["revision"]), headers={"idempotency-key": "second-save"}
    )
    assert after.json()["revision"] == first.json()["revision"] + 1
    # Without its key it is what it looks like: another window's.
    assert client.put(f"/api/drinks/{drink_id}/draft", json=draft(trial, 50, 0)).status_code == HTTPStatus.CONFLICT


def test_keeping_twice_makes_one_trial(client, drink):
    drink_id, trial = drink
    body = {"name": "Drier", "parent_trial_id": trial, "spec": ORCHARD, "revision": 0, "beside": True}
    send = {"url": f"/api/drinks/{drink_id}/trials", "json": body, "headers": {"idempotency-key": "keep-it-once"}}
    first, again = client.post(**send), client.post(**send)
    assert first.json() == again.json()
    assert first.status_code == again.status_code == HTTPStatus.CREATED
    assert [each["name"] for each in client.get(f"/api/drinks/{drink_id}").json()["trials"]] == ["First", "Drier"]


def test_the_same_write_sent_many_times_at_once_is_made_once(client):
    with ThreadPoolExecutor(8) as pool:
        answers = list(pool.map(lambda _: client.post("/api/drinks", json=NEW, headers={"idempotency-key": "at-once-eight"}), range(16)))
    assert {answer.status_code for answer in answers} == {HTTPStatus.CREATED}
    assert len({answer.text for answer in answers}) == 1
    assert len(client.get("/api/drinks").json()) == 1


def test_what_was_refused_is_not_remembered_and_may_be_sent_anew(client, drink):
    drink_id, trial = drink
    send = {"url": f"/api/drinks/{drink_id}/draft", "headers": {"idempotency-key": "refused-first"}}
    assert client.put(**send, json=draft(trial, 50, 7)).status_code == HTTPStatus.CONFLICT
    assert client.put(**send, json=draft(trial, 50, 0)).status_code == HTTPStatus.OK


def test_a_key_is_for_one_write(client):
    key = {"idempotency-key": "one-for-one-write"}
    client.post("/api/drinks", json=NEW, headers=key)
    other = client.post("/api/drinks", json={**NEW, "name": "Another"}, headers=key)
    assert (other.status_code, other.json()["code"]) == (HTTPStatus.UNPROCESSABLE_ENTITY, "key-used-before")
    short = client.post("/api/drinks", json=NEW, headers={"idempotency-key": "short"})
    assert short.json()["path"] == "idempotency-key"


def test_taking_out_twice_is_answered_as_the_first_time(client):
    bottle = client.post("/api/bottles", json={"name": "Hedge gin", "kind": "spirit", "abv": 40})
    assert bottle.status_code == HTTPStatus.CREATED, bottle.text
    gone = {"url": f"/api/bottles/{bottle.json()['slug']}", "headers": {"idempotency-key": "take-it-out"}}
    assert [client.delete(**gone).status_code for _ in range(2)] == [HTTPStatus.NO_CONTENT] * 2


def test_what_the_browser_keeps_for_later_are_routes_that_write(application):
    """Each POST that a closed window leaves behind is a route that writes, and no such route is forgotten but those that only ask."""
    kept = set(re.findall(r"'(/api/[^']+)'", Path("web/src/api/outbox.ts").read_text(encoding="utf-8")))
    paths = application.app.api.openapi()["paths"]
    writes = {path for path, methods in paths.items() if "409" in methods.get("post", {}).get("responses", {})}
    assert kept <= writes
    # Those ask, or need somebody in front of them: a file that is chosen, a tongue that waits for the next glass, a device that is read.
    assert writes - kept == {
        "/api/mend", "/api/cross", "/api/cards", "/api/list-sheet", "/api/export", "/api/import", "/api/import/look", "/api/larder/table",
        "/api/originals/flight", "/api/drinks/{drink_id}/side-by-side", "/api/drinks/{drink_id}/trials/{trial_id}/next",
        "/api/sittings/{sitting_id}/triangles", "/api/exercises", "/api/devices/{device}/read", "/api/lots/{lot_id}/read/{device}",
        "/api/sharing/tries/forget", "/api/opened",
    }  # fmt: skip
