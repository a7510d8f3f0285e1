"""What is deleted, gathered or crossed never shuts a page."""

import json
import sqlite3
from contextlib import closing
from http import HTTPStatus

import pytest
from support.notebook_spec import ORCHARD

TEA = {
    "name": "Hedge tea " + "of the long border " * 9,
    "kind": "other",
    "composition": {"acids": {"malic": 0.2}, "spread": {"acids": {"malic": 0.1}}},
}


def spec(*pours, **changes):
    return {**ORCHARD, "pours": list(pours), **changes}


def of_tea(amount=30, slot="base", **composition):
    return {"ingredient": {**TEA, "composition": {**TEA["composition"], **composition}}, "amount": amount, "unit": "ml", "slot": slot}


GIN, LEMON, SYRUP = ORCHARD["pours"]
KEPT = {"name": "Next", "parent_trial_id": 1, "spec": ORCHARD, "revision": 0}


@pytest.fixture
def drink(client):
    made = client.post("/api/drinks", json={"name": "Orchard Sour", "spec": ORCHARD, "trial_name": "First"}).json()
    return made["id"], made["trials"][0]["id"]


@pytest.fixture
def bottle(client):
    return client.post("/api/bottles", json={"name": "Hedge gin", "kind": "spirit", "abv": 40}).json()["slug"]


def gather(client, drink_id, of, name="A book"):
    return client.post(f"/api/drinks/{drink_id}/spec-cloud", json={"name": name, "spec": of})


@pytest.mark.parametrize("named", ["gathered", "poured", "draft", "trial"])
def test_a_bottle_that_anything_names_stays(client, drink, bottle, named):
    drink_id, trial = drink
    with_it = spec({**GIN, "ingredient": bottle}, LEMON, SYRUP)
    keep = {"name": "Next", "parent_trial_id": trial, "spec": ORCHARD, "revision": 0, "beside": True}
    if named == "gathered":
        assert gather(client, drink_id, with_it).status_code == HTTPStatus.CREATED
    elif named == "draft":
        client.put(f"/api/drinks/{drink_id}/draft", json={"parent_trial_id": trial, "spec": with_it, "revision": 0})
    else:
        made = {"made": {"poured": with_it["pours"]}} if named == "poured" else {"spec": with_it}
        assert client.post(f"/api/drinks/{drink_id}/trials", json={**keep, **made}).status_code == HTTPStatus.CREATED
    refused = client.delete(f"/api/bottles/{bottle}")
    assert refused.status_code == HTTPStatus.CONFLICT
    assert "Orchard Sour uses it" in refused.json()["detail"]
    for page in ("", "/notebook", "/spec-cloud"):
        assert client.get(f"/api/drinks/{drink_id}{page}").status_code == HTTPStatus.OK


@pytest.mark.parametrize(
    "of",
    [
        spec({**GIN, "amount": 0}),
        spec({**LEMON, "stage": "garnish"}),
        spec(GIN, {"ingredient": "no-such-thing", "amount": 1, "unit": "ml"}),
    ],
)
def test_somebody_s_spec_that_can_t_be_poured_is_refused_and_not_stored(client, drink, of, golden):
    refused = gather(client, drink[0], of)
    assert refused.status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    golden(refused.json()["detail"])
    assert client.get(f"/api/drinks/{drink[0]}/spec-cloud").json()["points"] == []


def test_specs_without_a_slot_in_common_have_no_middle_and_the_third_is_refused(client, drink, golden):
    for each in (GIN, LEMON):
        assert gather(client, drink[0], spec(each)).status_code == HTTPStatus.CREATED
    refused = gather(client, drink[0], spec(SYRUP))
    golden(refused.json()["detail"])
    assert len(client.get(f"/api/drinks/{drink[0]}/spec-cloud").json()["points"]) == 2


def test_what_an_earlier_version_gathered_is_shown_as_broken_and_can_be_taken_out(client, drink, tmp_path):
    with closing(sqlite3.connect(tmp_path / "bar.db")) as conn:
        broken = {"Gone": {**GIN, "ingredient": "sold-out"}, "Empty": {**GIN, "amount": 0}, "Dust": {**GIN, "amount": 1e-9}}
        for name, each in {**broken, "One": GIN, "Two": LEMON, "Three": SYRUP}.items():
            conn.execute("INSERT INTO cloud_spec (drink_id, name, spec, added_at) VALUES (1, ?, ?, '2026')", (name, json.dumps(spec(each))))
        conn.commit()
    shown = client.get("/api/drinks/1/spec-cloud").json()
    assert [each["name"] for each in shown["broken"]] == ["Gone", "Empty", "Dust"]
    assert len(shown["points"]) == 3
    assert shown["middle"] is None
    assert shown["sentence"] == "These specs have no role in common, so there is no average."
    for each in shown["broken"]:
        assert client.delete(f"/api/drinks/1/spec-cloud/{each['id']}").status_code == HTTPStatus.OK
    assert client.get("/api/drinks/1/spec-cloud").json()["broken"] == []


def test_the_middle_and_a_cross_carry_what_a_file_describes_as_it_is(client, drink):
    for name in ("One", "Two", "Three"):
        answer = gather(client, drink[0], spec(of_tea(), LEMON, SYRUP), name)
    (first, *_) = answer.json()["middle"]["pours"]
    assert first["ingredient"]["name"] == TEA["name"]
    assert first["ingredient"]["composition"]["acids"]["malic"] == 0.2
    assert client.post("/api/predict", json=answer.json()["middle"]).status_code == HTTPStatus.OK
    kept = [
        client.post("/api/drinks", json={"name": name, "spec": of, "trial_name": "First"}).json()["trials"][0]["id"]
        for name, of in (("Tea", spec(GIN, of_tea(15, "sweet", sugars={"sucrose": 30}), LEMON)), ("Plain", spec(GIN, LEMON, SYRUP)))
    ]
    for parents in (kept, kept[::-1]):
        crossed = client.post("/api/cross", json={"parents": parents})
        assert crossed.status_code == HTTPStatus.OK, crossed.text
        assert client.post("/api/predict", json=crossed.json()).status_code == HTTPStatus.OK
    described = [each["ingredient"] for each in crossed.json()["pours"] if isinstance(each["ingredient"], dict)]
    assert [each["composition"]["sugars"]["sucrose"] for each in described] == [30]


def test_a_notebook_whose_stored_forecast_is_empty_opens_all_the_same(client, drink, tmp_path):
    with closing(sqlite3.connect(tmp_path / "bar.db")) as conn:
        conn.execute("DROP TRIGGER trial_is_never_rewritten")
        conn.execute("UPDATE trial SET forecast = '{}'")
        conn.commit()
    told = client.get(f"/api/drinks/{drink[0]}/notebook").json()["trials"][0]
    assert told["figures"]["abv"] > 10
    assert told["low"]["abv"] < told["figures"]["abv"] < told["high"]["abv"]


@pytest.mark.parametrize(
    ("path", "body"),
    [
        ("/api/predict", {**ORCHARD, "pours": [{**GIN, "amount": "\ud800"}]}),
        ("/api/predict", {**ORCHARD, "name": "\x00"}),
        ("/api/predict", {**ORCHARD, "part_ml": 1e-300, "pours": [{**GIN, "unit": "part"}]}),
        ("/api/drinks", {"name": "\x00", "spec": ORCHARD, "trial_name": "First"}),
        ("/api/bottles", {"name": "A\x00B", "kind": "spirit"}),
        ("/api/drinks/1/trials", {**KEPT, "made": {"poured": []}}),
        ("/api/drinks/1/trials", {**KEPT, "made": {"poured": [{**GIN, "relative": {"to": 9, "times": 1}}]}}),
        ("/api/swaps", {"spec": ORCHARD, "pour_index": 0, "target": {"sugar": 8}, "weights": {"sugar": 0}}),
    ],
)
def test_single_requests_that_broke_the_server_are_refused_with_a_sentence(client, drink, path, body):
    answer = client.post(path, content=json.dumps(body), headers={"content-type": "application/json"})
    assert answer.status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    assert answer.json()["detail"]
