"""HTTP: rebalancing, the board of swaps, the shelf and its bottles."""

import json
from http import HTTPStatus

import pytest

from oenomel.schemas.spec_file import SpecFile

SPEC = {
    "format": "oenomel/spec",
    "version": 1,
    "name": "Orchard Daisy",
    "family": "daisy",
    "pours": [
        {"ingredient": "london-dry-gin", "amount": "1 1/2", "unit": "oz", "slot": "base", "said": "a jigger"},
        {"ingredient": "orange-liqueur-sweet", "amount": 22.5, "unit": "ml", "slot": "liqueur"},
        {"ingredient": "lemon-juice", "amount": 22.5, "unit": "ml", "slot": "sour"},
        {"ingredient": "simple-syrup-1-1", "amount": 5, "unit": "ml", "slot": "sweet", "relative": {"to": 1, "times": 0.2222}},
        {"ingredient": "orange-bitters", "amount": 2, "unit": "dash", "slot": "accent"},
        {"ingredient": "orange-zest", "amount": 1, "unit": "piece", "slot": "garnish", "stage": "garnish"},
    ],
}
FIGURES = {"sugar": 8.0, "acid": 0.8, "abv": 17.0, "volume_ml": 150}


def swaps(client, index=1, **asked):
    answer = client.post("/api/swaps", json={"spec": SPEC, "pour_index": index, **asked})
    assert answer.status_code == HTTPStatus.OK, answer.text
    return answer.json()


def test_rebalance_answers_pours_in_ml_and_j_with_its_parts(client):
    answer = client.post("/api/rebalance", json={"spec": SPEC, "target": FIGURES})
    assert answer.status_code == HTTPStatus.OK
    made = answer.json()
    assert all(pour["unit"] == "ml" for pour in made["pours"])
    assert made["J"] == pytest.approx(sum(made["parts"].values()))
    assert {name for part in made["left"] for name in [part["axis"]]} == {"sugar", "acid", "abv", "volume_ml"}
    # The same drink in the user's own words is a spec again, and forecasts what the target asks for.
    served = client.post("/api/predict", json=made["spec"]).json()["served"]
    for part in made["left"]:
        assert served[part["axis"]] == pytest.approx(part["value"], abs=1e-4)
    assert made["spec"]["pours"][4] == {
        **SPEC["pours"][4],
        "stage": "mixed",
        "said": None,
        "relative": None,
        "optional": False,
        "range": None,
        "lot": None,
    }
    assert made["spec"]["pours"][0]["unit"] == "oz"


def test_the_target_may_be_a_spec_a_family_or_figures_and_each_is_met(client):
    tart = {**SPEC, "pours": [*SPEC["pours"][:2], {**SPEC["pours"][2], "amount": 30}, *SPEC["pours"][3:]]}
    as_spec = client.post("/api/rebalance", json={"spec": tart, "target": SPEC}).json()
    assert as_spec["reached"]
    home = client.post("/api/rebalance", json={"spec": tart, "target": {"family": "daisy"}, "grid": 1.0}).json()
    assert home["left"][0]["target"] != as_spec["left"][0]["target"]
    only = client.post("/api/rebalance", json={"spec": tart, "target": {"acid": 0.5}, "free": ["lemon-juice"]}).json()
    assert [(m["ingredient"], m["after_ml"] < m["before_ml"]) for m in only["moves"]] == [("lemon-juice", True)]
    corrected = client.post(
        "/api/rebalance", json={"spec": {**SPEC, "pours": SPEC["pours"][:2]}, "target": SPEC, "correctors": ["lemon-juice", "still-water"]}
    ).json()
    assert [m["ingredient"] for m in corrected["moves"] if m["joined"]] == ["lemon-juice"]
    assert corrected["spec"]["pours"][-1]["slot"] == "sour"


def test_a_board_has_rows_in_order_and_what_is_left_out_with_its_reason(client):
    board = swaps(client)
    assert board["searched"] == board["total"] == len(board["rows"])
    for ranking in ("balance", "aroma", "both"):
        ranked = swaps(client, ranking=ranking)["rows"]
        assert [r["scores"][ranking] for r in ranked] == sorted(r["scores"][ranking] for r in ranked)
        assert {r["key"] for r in ranked} == {r["key"] for r in board["rows"]}
    dry = next(row for row in board["rows"] if row["key"] == "orange-liqueur-dry")
    assert dry["plain"]["words"] == ["drier"]
    assert dry["mended"]["words"] == []
    for standing in (dry["plain"], dry["mended"]):
        spec = SpecFile.model_validate({**SPEC, "pours": standing["pours"]})
        served = client.post("/api/predict", json=spec.model_dump(mode="json")).json()["served"]
        for figure, value in standing["figures"].items():
            assert served[figure] == pytest.approx(value, abs=1e-3)
        assert standing["pours"][1]["ingredient"] == "orange-liqueur-dry"
    assert {"slug", "name", "kind", "reason"} == board["left_out"][0].keys()
    assert len(swaps(client, limit=5)["rows"]) == 5


def test_a_pour_that_followed_another_still_follows_it_after_a_split(client):
    half = next(row for row in swaps(client, index=0)["rows"] if row["key"] == "white-rum@0.5")
    pours = half["plain"]["pours"]
    assert [(p["ingredient"], p["amount"], p["unit"]) for p in pours[:2]] == [("london-dry-gin", 0.75, "oz"), ("white-rum", 0.75, "oz")]
    # The liqueur has moved from place 1 to place 2.
    assert pours[4]["relative"] == {"to": 2, "times": 0.2222}
    gone = next(row for row in swaps(client)["rows"] if row["key"] == "orange-liqueur-dry")
    assert gone["plain"]["pours"][3]["relative"] is None


def test_the_stream_tells_the_same_board_part_by_part(client):
    body = {"spec": SPEC, "pour_index": 0, "ranking": "balance"}
    answer = client.post("/api/swaps/stream", json=body)
    assert answer.headers["content-type"].startswith("application/x-ndjson")
    parts = [json.loads(line) for line in answer.text.splitlines()]
    assert len(parts) > 1
    assert [part["searched"] for part in parts] == sorted(part["searched"] for part in parts)
    whole = client.post("/api/swaps", json=body).json()
    streamed = sorted((row for part in parts for row in part["rows"]), key=lambda row: row["key"])
    assert streamed == sorted(whole["rows"], key=lambda row: row["key"])
    assert parts[0]["left_out"] == whole["left_out"]
    assert all(part["left_out"] == [] for part in parts[1:])


REFUSALS = (
    ("rebalance", {"spec": SPEC, "target": FIGURES, "free": ["quince"]}, "free"),
    ("rebalance", {"spec": SPEC, "target": FIGURES, "free": []}, ""),
    ("rebalance", {"spec": SPEC, "target": {}}, ""),
    ("rebalance", {"spec": SPEC, "target": {"sugar": -1}}, "target.sugar"),
    ("rebalance", {"spec": SPEC, "target": {"family": "open"}}, ""),
    ("rebalance", {"spec": SPEC, "target": FIGURES, "correctors": ["syrupp"]}, ""),
    ("rebalance", {"spec": SPEC, "target": FIGURES, "bounds": {"lemon-juice": [9, 3]}}, ""),
    ("rebalance", {"spec": SPEC, "target": FIGURES, "bounds": {"quince": [0, 3]}}, "bounds.quince"),
    ("rebalance", {"spec": SPEC, "target": FIGURES, "grid": 0}, "grid"),
    ("swaps", {"spec": SPEC, "pour_index": 6}, "pour_index"),
    ("swaps/stream", {"spec": SPEC, "pour_index": 6}, "pour_index"),
    ("swaps", {"spec": SPEC, "pour_index": 1, "mode": "hope"}, "mode"),
    ("bottles", {"name": "X", "kind": "spirit", "abv": 40, "proof": 80}, ""),
    ("bottles", {"name": "X", "kind": "spirit", "sweetness": "brut"}, ""),
    ("bottles", {"name": "X", "kind": "spirit", "like": "nothing"}, ""),
)


@pytest.mark.parametrize(("route", "body", "path"), REFUSALS)
def test_what_cannot_be_asked_is_refused_with_the_sentence_and_the_place(client, route, body, path, golden):
    answer = client.post(f"/api/{route}", json=body)
    assert answer.status_code in (HTTPStatus.UNPROCESSABLE_ENTITY, HTTPStatus.NOT_FOUND)
    problem = answer.json()
    assert problem["path"] == path
    golden(problem["detail"])


def test_a_bottle_from_its_label_joins_the_larder_the_shelf_and_the_board(client, golden):
    label = {"name": "Dry orange, 80 proof", "kind": "liqueur", "proof": 80, "sweetness": "dry", "like": "orange-liqueur-sweet"}
    bottle = client.post("/api/bottles", json={**label, "price_per_litre": 30}).json()
    assert (bottle["slug"], bottle["abv"], bottle["sugar"], bottle["origin"]) == ("dry-orange-80-proof", 40, pytest.approx(14), "house")
    assert client.post("/api/bottles", json=label).json()["slug"] == "dry-orange-80-proof-2"
    at_hand = swaps(client, filters={"at_hand": True})
    assert {row["slug"] for row in at_hand["rows"]} == {"dry-orange-80-proof", "dry-orange-80-proof-2"}
    assert {row["shelf"] for row in at_hand["rows"]} == {"at hand"}
    cheap = swaps(client, filters={"most_price": 25})
    golden({each["reason"] for each in cheap["left_out"]})
    assert client.put("/api/shelf/dry-orange-80-proof", json={"state": "out"}).status_code == HTTPStatus.NO_CONTENT
    assert {row["slug"] for row in swaps(client, filters={"at_hand": True})["rows"]} == {"dry-orange-80-proof-2"}
    shelved = {each["slug"]: each for each in client.get("/api/shelf").json()}
    assert shelved["dry-orange-80-proof"] == {"slug": "dry-orange-80-proof", "state": "out", "price_per_litre": None}
    assert client.put("/api/shelf/dry-orange-80-proof", json={"state": "off"}).status_code == HTTPStatus.NO_CONTENT
    assert "dry-orange-80-proof" not in {each["slug"] for each in client.get("/api/shelf").json()}
    assert client.put("/api/shelf/nothing", json={"state": "low"}).status_code == HTTPStatus.NOT_FOUND
    assert client.get("/api/sweetness-classes").json()["liqueur"] == ["dry", "sweet", "crème"]


def test_a_bottle_added_by_mistake_goes_again_unless_a_drink_pours_it(client, golden):
    slug = client.post("/api/bottles", json={"name": "Misread", "kind": "spirit", "abv": 40}).json()["slug"]
    spec = {**SPEC, "pours": [{**SPEC["pours"][0], "ingredient": slug}, *SPEC["pours"][1:]]}
    drink = client.post("/api/drinks", json={"name": "Poured", "spec": spec, "trial_name": "First"}).json()
    refused = client.delete(f"/api/bottles/{slug}")
    assert refused.status_code == HTTPStatus.CONFLICT
    golden(refused.json()["detail"])
    assert drink["id"]
    other = client.post("/api/bottles", json={"name": "Misread", "kind": "spirit", "abv": 40}).json()["slug"]
    assert client.delete(f"/api/bottles/{other}").status_code == HTTPStatus.NO_CONTENT
    assert client.get(f"/api/ingredients/{other}").status_code == HTTPStatus.NOT_FOUND
    assert other not in {each["slug"] for each in client.get("/api/shelf").json()}
    golden(client.delete("/api/bottles/white-rum").json()["detail"])


def test_a_rebalance_tells_the_ways_to_choose_between_the_first_of_which_is_its_answer(client):
    daisy = {
        **SPEC,
        "pours": [
            {"ingredient": "london-dry-gin", "amount": 45, "unit": "ml", "slot": "base"},
            {"ingredient": "orange-liqueur-sweet", "amount": 30, "unit": "ml", "slot": "liqueur"},
            {"ingredient": "lemon-juice", "amount": 22.5, "unit": "ml", "slot": "sour"},
            {"ingredient": "simple-syrup-1-1", "amount": 10, "unit": "ml", "slot": "sweet"},
        ],
    }
    sharper = {**daisy, "pours": [daisy["pours"][0], {**daisy["pours"][1], "ingredient": "sloe-liqueur"}, *daisy["pours"][2:]]}
    made = client.post("/api/rebalance", json={"spec": sharper, "target": daisy}).json()
    first, *others = made["ways"]
    assert others
    assert len(others) <= 2
    assert (first["pours"], first["J"], first["moves"]) == (made["pours"], made["J"], made["moves"])
    assert all(first["J"] - 1 < way["J"] <= first["J"] + 1 for way in others)
    moved = [frozenset(move["ingredient"] for move in way["moves"]) for way in made["ways"]]
    assert len(set(moved)) == len(moved)
    assert all(way["title"] and way["cost"].endswith(".") and way["left"] for way in made["ways"])
    assert made["parts"]["character"] > 0
    bare = client.post("/api/rebalance", json={"spec": sharper, "target": daisy, "character": False}).json()
    assert bare["parts"]["character"] == 0
    assert bare["J"] <= made["J"]


def test_a_board_tells_lost_bubbles_and_what_gets_louder(client):
    soda = {"ingredient": "soda-water", "amount": 75, "unit": "ml", "slot": "lengthener", "stage": "topped"}
    fizz = {**SPEC, "family": "fizz", "pours": [*SPEC["pours"][:3], soda]}
    rows = client.post("/api/swaps", json={"spec": fizz, "pour_index": 3}).json()["rows"]
    still = [row["loses_bubbles"] for row in rows]
    assert still == sorted(still)
    assert {True, False} == set(still)
    assert all(isinstance(words, str) for row in rows for words in row["loudness"])
