"""What the notebook refuses, each with a sentence that names the place: bad words, strange records, what can't be."""

from http import HTTPStatus

import pytest
from fastapi.testclient import TestClient
from support.notebook_spec import ORCHARD as SPEC

from oenomel.api.app import create_api

TRIAL = {"name": "Next", "parent_trial_id": 1, "spec": SPEC, "revision": 0}
SHEET = {"trial_id": 1, "taster": "Ada", "acid": 1}
MISSING, BAD = HTTPStatus.NOT_FOUND, HTTPStatus.UNPROCESSABLE_ENTITY


@pytest.fixture(scope="module")
def client(tmp_path_factory):
    data = tmp_path_factory.mktemp("refusals") / "bar.db"
    with TestClient(create_api(data), base_url="http://127.0.0.1") as open_client:
        for name in ("Orchard Sour", "Other"):
            open_client.post("/api/drinks", json={"name": name, "spec": SPEC, "trial_name": "First"})
        yield open_client


REFUSALS = [
    # The notebook and the brief.
    ("GET", "/api/drinks/9/notebook", None, MISSING),
    ("GET", "/api/drinks/0/notebook", None, BAD),
    ("PUT", "/api/drinks/9/brief", {"guest": "dry"}, MISSING),
    ("PUT", "/api/drinks/1/brief", {"guests": "dry"}, BAD),
    ("PUT", "/api/drinks/1/brief", {"sweetness": "cloying"}, BAD),
    ("PUT", "/api/drinks/1/brief", {"least_abv": 30, "most_abv": 20}, BAD),
    ("PUT", "/api/drinks/1/brief", {"avoid": ["x" * 61]}, BAD),
    # Marks and parents.
    ("PUT", "/api/drinks/1/trials/1/mark", {"mark": "burnt"}, BAD),
    ("PUT", "/api/drinks/1/trials/2/mark", {"mark": "shelved"}, MISSING),
    ("POST", "/api/drinks/1/trials", {**TRIAL, "parents": [1, 2, 3]}, BAD),
    ("POST", "/api/drinks/1/trials", {**TRIAL, "parents": [77]}, MISSING),
    ("POST", "/api/drinks/1/trials", {**TRIAL, "made": {"poured": [{"ingredient": "moon-dust", "amount": 1, "unit": "ml"}]}}, BAD),
    ("POST", "/api/drinks/1/trials", {**TRIAL, "made": {"maker": "x" * 201}}, BAD),
    ("POST", "/api/drinks/1/trials", {**TRIAL, "made": {"shaker": "tin"}}, BAD),
    ("POST", "/api/drinks", {"name": "X", "spec": SPEC, "trial_name": "X", "parents": [1, 1]}, BAD),
    ("POST", "/api/drinks", {"name": "X", "spec": SPEC, "trial_name": "X", "parents": [88]}, MISSING),
    # Side by side and other people's specs.
    ("POST", "/api/drinks/1/side-by-side", {"trials": [1]}, BAD),
    ("POST", "/api/drinks/1/side-by-side", {"trials": [1, 1, 1, 1, 1]}, BAD),
    ("POST", "/api/drinks/1/side-by-side", {"trials": []}, BAD),
    ("POST", "/api/drinks/1/side-by-side", {"trials": [1, 2]}, MISSING),
    ("GET", "/api/drinks/9/spec-cloud", None, MISSING),
    ("POST", "/api/drinks/1/spec-cloud", {"name": " ", "spec": SPEC}, BAD),
    ("POST", "/api/drinks/1/spec-cloud", {"name": "A book", "spec": {**SPEC, "family": "punch"}}, BAD),
    ("DELETE", "/api/drinks/1/spec-cloud/5", None, MISSING),
    # Tasting.
    ("POST", "/api/tastings", {"sheets": []}, BAD),
    ("POST", "/api/tastings", {"sheets": [{**SHEET, "acid": 4}]}, BAD),
    ("POST", "/api/tastings", {"sheets": [{**SHEET, "taster": ""}]}, BAD),
    ("POST", "/api/tastings", {"sheets": [{"trial_id": 1, "taster": "Ada"}]}, BAD),
    ("POST", "/api/tastings", {"sheets": [{**SHEET, "trial_id": 66}]}, MISSING),
    ("POST", "/api/tastings", {"sheets": [{**SHEET, "score": 10.5}]}, BAD),
    ("DELETE", "/api/tastings/9", None, MISSING),
    ("POST", "/api/drinks/1/trials/1/next", {}, BAD),
    ("POST", "/api/drinks/1/trials/2/next", {}, MISSING),
    ("POST", "/api/drinks/1/trials/1/next", {"grid": 0}, BAD),
    ("GET", "/api/palate?taster=" + "x" * 101, None, BAD),
    ("POST", "/api/rebalance", {"spec": SPEC, "target": {"family": "open", "palate": "Ada"}}, MISSING),
    # Parts.
    ("GET", "/api/ingredients/moon-dust/tastings", None, MISSING),
    ("POST", "/api/ingredients/vodka/tastings", {"taster": "Ada", "aroma": {"moonlight": 1}}, BAD),
    ("POST", "/api/ingredients/vodka/tastings", {"taster": "Ada", "aroma": {"mint": 4}}, BAD),
    ("POST", "/api/ingredients/vodka/tastings", {"taster": "", "words": {}}, BAD),
    # Measuring.
    ("POST", "/api/drinks/1/trials/1/readings", {"quantity": "volume_ml", "point": "tin", "value": 500}, BAD),
    ("POST", "/api/drinks/1/trials/1/readings", {"quantity": "abv", "point": "served", "value": 60}, BAD),
    ("POST", "/api/drinks/1/trials/1/readings", {"quantity": "smell", "point": "tin", "value": 1}, BAD),
    ("POST", "/api/drinks/1/trials/1/readings", {"quantity": "ph", "point": "later", "value": 3}, BAD),
    ("POST", "/api/drinks/1/trials/1/readings", {"quantity": "ph", "point": "tin", "value": 0.2}, BAD),
    ("POST", "/api/drinks/1/trials/2/readings", {"quantity": "ph", "point": "tin", "value": 3}, MISSING),
    ("DELETE", "/api/drinks/1/readings/9", None, MISSING),
    ("POST", "/api/devices/barometer/read", {"trial_id": 1, "point": "tin"}, MISSING),
    ("POST", "/api/devices/scale/read", {"trial_id": 1, "point": "tin", "make": "golden"}, MISSING),
    ("POST", "/api/devices/scale/read", {"trial_id": 44, "point": "tin"}, MISSING),
    # The tree and the search.
    ("POST", "/api/cross", {"parents": [1]}, BAD),
    ("POST", "/api/cross", {"parents": [1, 55]}, MISSING),
    ("GET", "/api/drinks?score=11", None, BAD),
    ("GET", "/api/drinks?family=punch", None, BAD),
    ("GET", "/api/drinks?q=" + "x" * 101, None, BAD),
]


@pytest.mark.parametrize(("method", "path", "body", "status"), REFUSALS)
def test_it_is_refused_with_a_sentence_that_names_the_place(client, method, path, body, status, golden):
    answer = client.request(method, path, json=body)
    assert answer.status_code == status, answer.text
    problem = answer.json()
    golden(f"{problem['path']}: {problem['detail']}")
    assert answer.headers["content-type"] == "application/problem+json"


def test_nothing_of_what_was_refused_was_kept(client):
    for drink_id in (1, 2):
        trials = client.get(f"/api/drinks/{drink_id}/notebook").json()["trials"]
        assert [(trial["number"], trial["sheets"], trial["readings"], trial["mark"]) for trial in trials] == [(1, [], [], "")]
    assert client.get("/api/tasters").json() == []
    assert client.get("/api/calibration").json() == []
    assert len(client.get("/api/drinks").json()) == 2
