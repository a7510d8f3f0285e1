"""One answer to "is it in stock?" wherever it is asked: swaps, garnishes, exercises, the book, new ideas, what to buy."""

from http import HTTPStatus

import pytest
from support.notebook_spec import ORCHARD

LIME_SOUR = {**ORCHARD, "name": "Lime Orchard", "pours": [{**pour, "lot": None} for pour in ORCHARD["pours"]]}
SYRUP = "simple-syrup-1-1"


def swapped(client):
    body = {"spec": ORCHARD, "pour_index": 1, "filters": {"at_hand": True}}
    return {row["slug"]: row["at_hand"] for row in client.post("/api/swaps", json=body).json()["rows"]}


def garnished(client):
    return {each["garnish"]["what"] for each in client.post("/api/garnishes", json=ORCHARD).json() if each["at_hand"]}


def in_jugs(client):
    jobs = client.get("/api/tongue/bottles/acid").json()
    return {option["slug"] for job in jobs for option in job["options"] if option["at_hand"]}


def in_the_book(client):
    return [each["name"] for each in client.get("/api/drinks?at_hand=true").json()]


def log(client, slug, **more):
    body = {"ingredient": slug, "name": f"{slug}, this morning", "readings": [], **more}
    answer = client.post("/api/lots", json=body)
    assert answer.status_code == HTTPStatus.CREATED, answer.text
    return answer.json()


def test_a_lot_that_is_open_counts_everywhere_and_one_that_is_finished_nowhere(client):
    pours = [{**pour, "ingredient": "lime-juice"} if pour["slot"] == "sour" else pour for pour in ORCHARD["pours"]]
    drink = {"name": "Lime Orchard", "spec": {**ORCHARD, "name": "Lime Orchard", "pours": pours}, "trial_name": "first"}
    assert client.post("/api/drinks", json=drink).status_code == HTTPStatus.CREATED
    for slug in ("london-dry-gin", SYRUP):
        client.put(f"/api/shelf/{slug}", json={"state": "at hand", "price_per_litre": None})

    def seen(juice):
        return "lime-juice" in swapped(client), "lime-juice" in in_jugs(client), "Lime Orchard" in in_the_book(client), juice

    assert seen("none") == (False, False, False, "none")
    lot = log(client, "lime-juice", volume_ml=300)
    assert seen("open") == (True, True, True, "open")
    client.patch(f"/api/lots/{lot['id']}", json={"left_ml": 0})
    assert seen("empty") == (False, False, False, "empty")
    log(client, "mint")
    assert any("mint" in what.lower() for what in garnished(client))


@pytest.mark.parametrize("family", ["sour", "daisy", "fizz"])
def test_new_ideas_from_stock_pour_nothing_else_not_even_a_mixer(client, family):
    stock = {"london-dry-gin", "white-rum", "lemon-juice", SYRUP, "honey-syrup", "orange-liqueur-sweet", "soda-water", "orange-zest"}
    for slug in stock:
        client.put(f"/api/shelf/{slug}", json={"state": "at hand", "price_per_litre": None})
    asked = {"family": family, "count": 6, "seed": 3, "at_hand": True, "least_ingredients": 2}
    originals = client.post("/api/originals", json=asked).json()["originals"]
    assert originals
    for each in originals:
        poured = {pour["ingredient"] for pour in each["spec"]["pours"]}
        assert poured <= stock | {"still-water"}, each["spec"]["name"]
