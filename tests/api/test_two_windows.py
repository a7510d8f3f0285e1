"""Two windows over one thing: nothing that one wrote is overwritten by the other in silence."""

import sqlite3
from datetime import UTC, datetime, timedelta
from http import HTTPStatus

import pytest
from support.notebook_spec import ORCHARD

SYRUP = {
    "format": "oenomel/preparation", "version": 1, "name": "Hedge syrup", "kind": "syrup",
    "lines": [{"what": "white-sugar", "amount": 500, "unit": "g"}, {"what": "water", "amount": 500, "unit": "g"}], "steps": [],
}  # fmt: skip


@pytest.fixture
def drink(client):
    return client.post("/api/drinks", json={"name": "Orchard Sour", "spec": ORCHARD, "trial_name": "First"}).json()["id"]


def hour(days):
    return (datetime.now(UTC) + timedelta(days=days)).isoformat(timespec="seconds")


def overtaken(answer, saying):
    assert (answer.status_code, answer.json()["code"]) == (HTTPStatus.CONFLICT, "changed-elsewhere"), answer.text
    assert saying in answer.json()["detail"]
    return True


def test_a_field_of_a_lot_or_a_batch_is_not_overwritten_and_another_field_is_free(client, drink):
    lot = client.post("/api/lots", json={"ingredient": "lime-juice", "name": "noon", "volume_ml": 700}).json()
    batch = {"spec": ORCHARD, "service": "chilled", "serves": 6}
    kept = client.post("/api/batches", json={"batch": batch, "drink_id": drink, "name": "For the terrace"}).json()
    for path, shown in ((f"/api/lots/{lot['id']}", lot["left_ml"]), (f"/api/batches/{kept['id']}", kept["left_ml"])):
        assert client.patch(path, json={"left_ml": 300, "was": {"left_ml": shown}}).status_code == HTTPStatus.OK
        assert overtaken(client.patch(path, json={"left_ml": 200, "was": {"left_ml": shown}}), "300")
        assert client.patch(path, json={"name": "Another", "was": {"name": "noon" if "lots" in path else kept["name"]}}).is_success
        # The same twice is no quarrel, and who insists, or has read nothing, writes.
        assert client.patch(path, json={"left_ml": 300, "was": {"left_ml": shown}}).is_success
        assert client.patch(path, json={"left_ml": 200}).json()["left_ml"] == 200


def test_what_is_written_whole_is_not_overwritten(client, drink):
    made = client.post("/api/preparations", json=SYRUP).json()
    path = f"/api/preparations/{made['makes']['slug']}"
    first = client.put(path, json={**SYRUP, "steps": [{"do": "simmer", "minutes": 5}]}, headers={"If-Match": made["revision"]})
    assert first.status_code == HTTPStatus.OK
    assert overtaken(client.put(path, json={**SYRUP, "steps": [{"do": "boil"}]}, headers={"If-Match": made["revision"]}), "Hedge syrup")
    assert client.get(path).json()["file"]["steps"][0]["do"] == "simmer"
    assert client.put(path, json=SYRUP, headers={"If-Match": f'"{first.json()["revision"]}"'}).is_success

    brief = f"/api/drinks/{drink}/brief"
    read = client.get(f"/api/drinks/{drink}/notebook").json()["brief_revision"]
    assert client.put(brief, json={"occasion": "autumn"}, headers={"If-Match": read}).is_success
    assert overtaken(client.put(brief, json={"occasion": "winter"}, headers={"If-Match": read}), "brief")
    assert client.put(brief, json={"occasion": "winter"}).json()["brief"]["occasion"] == "winter"

    notes = f"/api/drinks/{drink}/notes"
    assert client.put(notes, json={"notes": "from a friend", "was": ""}).is_success
    assert overtaken(client.put(notes, json={"notes": "from nobody", "was": ""}), "from a friend")


def test_an_evening_is_told_one_thing_at_a_time(client, drink):
    other = client.post("/api/drinks", json={"name": "Hedge Sour", "spec": ORCHARD, "trial_name": "First"}).json()["id"]

    def tell(what, to, **more):
        return client.patch("/api/evening", json={"what": what, "to": to, **more})

    begun = tell("pours", 10, drink_id=drink).json()["evening"]
    assert (begun["name"], begun["drinks"][0]["serves"]) == ("Tonight", 10)
    assert tell("pours", 20, drink_id=other).is_success
    # What each of two windows tells of its own thing stays, whatever they had read.
    at = hour(3)
    assert tell("at", at, was=begun["at"]).is_success
    assert tell("hands", 3, was=1).is_success
    assert tell("serves", 11, drink_id=drink, was=10).is_success
    assert tell("service", "ice", drink_id=other, was="").is_success
    told = client.get("/api/evening").json()["evening"]
    assert (told["at"], told["hands"], [(each["serves"], each["service"]) for each in told["drinks"]]) == (at, 3, [(11, ""), (20, "ice")])
    assert overtaken(tell("hands", 2, was=1), "3")
    assert overtaken(tell("serves", 12, drink_id=drink, was=10), "11")
    assert tell("pours", 0, drink_id=other).is_success
    assert overtaken(tell("serves", 5, drink_id=other, was=20), "without that drink")
    for what, to in (("hands", 0), ("hands", "many"), ("at", "soon"), ("at", hour(-1)), ("serves", 0), ("batch_id", 77)):
        assert tell(what, to, drink_id=drink).status_code in (HTTPStatus.UNPROCESSABLE_ENTITY, HTTPStatus.NOT_FOUND), (what, to)
    assert client.get("/api/evening").json()["evening"]["hands"] == 3


def test_an_evening_whose_hour_has_passed_can_still_be_told_otherwise(client, drink, tmp_path):
    assert client.patch("/api/evening", json={"what": "pours", "to": 10, "drink_id": drink}).is_success
    with sqlite3.connect(tmp_path / "bar.db") as conn:
        conn.execute("UPDATE evening SET content = json_set(content, '$.at', ?)", (hour(-1),))
    assert client.patch("/api/evening", json={"what": "serves", "to": 9, "drink_id": drink}).json()["state"] == "past"
