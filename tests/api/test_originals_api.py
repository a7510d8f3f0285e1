"""HTTP: wishes for original drinks, the board, a list, a flight, the kinship."""

import json
from concurrent.futures import ThreadPoolExecutor
from datetime import UTC, datetime, timedelta
from http import HTTPStatus

import pytest

OF_A_KIND = {"family": "sour", "count": 6, "seed": 5}


def wished(client, **asked):
    answer = client.post("/api/originals", json={**OF_A_KIND, **asked})
    assert answer.status_code == HTTPStatus.OK, answer.text
    return answer.json()


def test_a_board_comes_at_once_and_then_whole_and_the_same_question_has_the_same_answer(client):
    with client.stream("POST", "/api/originals/stream", json=OF_A_KIND) as answer:
        parts = [json.loads(line) for line in answer.iter_lines()]
    assert [part["done"] for part in parts] == [False, True]
    assert parts[0]["looked_at"] < parts[1]["looked_at"]
    assert all(len(part["originals"]) == 6 for part in parts)
    assert parts[1] == wished(client)
    assert parts[1]["looked_at"] >= 40_000


def test_an_original_is_a_spec_that_predict_forecasts_as_told(client):
    for each in wished(client)["originals"]:
        told = client.post("/api/predict", json=each["spec"]).json()
        assert told["place"]["distance_steps"] == pytest.approx(each["distance_steps"], abs=1e-9)
        assert each["distance_steps"] <= 1
        for figure in ("sugar", "acid", "abv", "volume_ml"):
            assert told["served"][figure] == pytest.approx(each[figure])
        assert [part["slug"] for part in each["parts"]] == [p["ingredient"] for p in each["spec"]["pours"] if p["stage"] != "rim"]
        assert len(each["pours"]) == len(each["parts"])
        assert each["reasons"]
        assert each["sight"]["liquid"][-1]["colour"].startswith("#")


def test_every_choice_tells_what_it_leaves(client):
    left = [
        client.post("/api/originals/left", json={**OF_A_KIND, **more}).json()
        for more in (
            {},
            {"without": ["egg"]},
            {"without": ["egg"], "must": ["mint"]},
            {"without": ["egg"], "must": ["mint"], "aroma": ["smoke"]},
        )
    ]
    assert left[0]["combinations"] > left[1]["combinations"] > left[2]["combinations"]
    assert left[2]["balanced"] > left[3]["balanced"] > 0
    assert client.post("/api/originals/left", json={**OF_A_KIND, "at_hand": True}).json() == {"combinations": 0, "balanced": 0}


BAD = {
    "a seed of words": ({"seed": "seven"}, "seed"),
    "nothing by that name": ({"must": ["unicorn milk"]}, "must[0]"),
    "two things that can't both be": ({"must": ["mint"], "without": ["mint"]}, ""),
    "a strength that no sour has": ({"abv": [30, 40]}, ""),
    "a strength turned round": ({"abv": [18, 12]}, ""),
    "more than is on the shelf": ({"at_hand": True}, ""),
    "a key that nobody knows": ({"taste": "good"}, "taste"),
}


@pytest.mark.parametrize("what", BAD)
def test_a_wish_that_cannot_be_is_a_sentence_with_its_place(client, what):
    wish, path = BAD[what]
    for route in ("/api/originals", "/api/originals/stream"):
        answer = client.post(route, json={**OF_A_KIND, **wish})
        assert answer.status_code == HTTPStatus.UNPROCESSABLE_ENTITY
        problem = answer.json()
        assert problem["detail"]
        assert path in problem.get("path", "")


def test_words_of_the_trade_name_what_must_be_in(client):
    for each in wished(client, must=["honey syrup"], without=["tree nuts"])["originals"]:
        assert "honey-syrup" in [part["slug"] for part in each["parts"]]


def test_what_is_at_hand_and_what_will_not_keep_leads(client, golden):
    here = {"london-dry-gin", "white-rum", "lemon-juice", "simple-syrup-1-1", "honey-syrup", "thyme-syrup", "orange-bitters", "mint"}
    for slug in here:
        client.put(f"/api/shelf/{slug}", json={"state": "at hand", "price_per_litre": 20})
    old = (datetime.now(UTC) - timedelta(days=12)).isoformat(timespec="seconds")
    lot = {"ingredient": "thyme-syrup", "name": "thyme of the other week", "made_at": old, "readings": []}
    assert client.post("/api/lots", json=lot).status_code == HTTPStatus.CREATED
    found = wished(client, at_hand=True, use_up_soon=True, count=4)["originals"]
    slugs = {part["slug"] for each in found for part in each["parts"]}
    assert slugs <= {
        "london-dry-gin",
        "white-rum",
        "lemon-juice",
        "simple-syrup-1-1",
        "honey-syrup",
        "thyme-syrup",
        "orange-bitters",
        "mint",
    }
    assert "thyme-syrup" in [part["slug"] for part in found[0]["parts"]]
    assert all(each["cost"] is not None for each in found)
    cheap = wished(client, at_hand=True, most_cost=found[0]["cost"] + 1, count=4)["originals"]
    assert all(each["cost"] <= found[0]["cost"] + 1 for each in cheap)
    refused = client.post("/api/originals", json={**OF_A_KIND, "at_hand": True, "most_cost": 0.01})
    golden(refused.json()["detail"])


def test_the_keys_of_the_version_before_are_still_read(client):
    first = wished(client)["originals"][0]["spec"]["name"]
    for old, new in ((("but", [first]), ("taken_names", [first])), (("soon", True), ("use_up_soon", True))):
        answers = [client.post("/api/originals", json={**OF_A_KIND, key: value}) for key, value in (old, new)]
        assert answers[0].status_code == HTTPStatus.OK
        assert answers[0].json() == answers[1].json()


def lay(client, original, wish):
    body = {"name": original["spec"]["name"], "spec": original["spec"], "trial_name": "As it was proposed", "wish": wish}
    answer = client.post("/api/drinks", json=body)
    assert answer.status_code == HTTPStatus.CREATED, answer.text
    return answer.json()


def test_what_lies_in_the_book_is_held_against_and_never_called_the_same(client):
    first = wished(client)["originals"][0]
    drink = lay(client, first, OF_A_KIND)
    again = wished(client)["originals"]
    assert first["spec"]["name"] not in [each["spec"]["name"] for each in again]
    assert all(each["nearest"]["drink_id"] == drink["id"] for each in again)
    assert client.get(f"/api/drinks/{drink['id']}/wish").json() == {**client.get(f"/api/drinks/{drink['id']}/wish").json(), **OF_A_KIND}


def test_a_brief_is_a_wish(client):
    drink = lay(client, wished(client)["originals"][0], None)
    brief = {"avoid": ["egg"], "least_abv": 10, "most_abv": 15, "sweetness": "dry", "colour": "a deep red", "most_cost": 3}
    assert client.put(f"/api/drinks/{drink['id']}/brief", json=brief).status_code == HTTPStatus.OK
    wish = client.get(f"/api/drinks/{drink['id']}/wish").json()
    told = (wish["family"], wish["without"], wish["abv"], wish["sweetness"], wish["colour"], wish["most_cost"])
    assert told == ("sour", ["egg"], [10, 15], "dry", "red", 3)


def test_a_list_of_six_with_one_swapped_out(client):
    places = [
        {"family": family, "form": form} for family, form in (("sour", ""), ("daisy", ""), ("fizz", "long"), ("fizz", "without alcohol"))
    ]
    made = client.post("/api/originals/menu", json={"places": places}).json()
    assert len(made["drinks"]) == 4
    assert made["drinks"][3]["abv"] < 0.5
    kept = [{"place": place, "spec": each["spec"]} for place, each in enumerate(made["drinks"]) if place != 1]
    gone = [{**place, "but": [made["drinks"][1]["spec"]["name"]]} for place in places]
    other = client.post("/api/originals/menu", json={"places": gone, "kept": kept}).json()
    assert [each["spec"]["family"] for each in other["drinks"]] == ["daisy"]
    assert other["drinks"][0]["spec"]["name"] != made["drinks"][1]["spec"]["name"]
    refused = client.post("/api/originals/menu", json={"places": [{"family": "daisy", "abv": [35, 40]}]})
    assert "drink 1 of the menu" in refused.json()["detail"]


def test_a_flight_lies_in_the_book_with_what_it_takes_and_its_sheets_teach_kinship(client):
    specs = [each["spec"] for each in wished(client)["originals"][:3]]
    flight = client.post("/api/originals/flight", json={"specs": specs, "wish": OF_A_KIND})
    assert flight.status_code == HTTPStatus.CREATED, flight.text
    told = flight.json()
    assert len(told["trials"]) == 3
    assert told["to_buy"]
    assert all(" × " in each for each in told["fruit"])
    drink = client.get(f"/api/drinks/{told['drink_id']}").json()
    assert [trial["name"] for trial in drink["trials"]] == [spec["name"] for spec in specs]
    before = client.get("/api/kinship").json()
    assert before["sheets"] == 0
    sheets = [
        {"trial_id": trial, "taster": "Ida", "sugar": 0, "acid": 0, "abv": 0, "score": score}
        for trial, score in zip(told["trials"], (9, 5, 4), strict=True)
    ]
    assert client.post("/api/tastings", json={"sheets": sheets}).status_code == HTTPStatus.CREATED
    after = client.get("/api/kinship").json()
    assert after["sheets"] == 3
    learnt = [pair["learnt"] for pair in after["pairs"] if pair["learnt"] is not None]
    assert any(each > 0 for each in learnt)
    assert any(each < 0 for each in learnt)


def test_the_kinship_is_seen_set_put_back_and_refused(client):
    def of_pair(answer, one, other):
        return next(pair for pair in answer.json()["pairs"] if {pair["one"], pair["other"]} == {one, other})

    shipped = of_pair(client.get("/api/kinship"), "citrus", "herbal")
    assert (shipped["own"], shipped["learnt"], shipped["value"]) == (None, None, shipped["shipped"])
    usual = wished(client)["originals"]
    for other in ("herbal", "green", "spice", "berry", "floral", "sweet"):
        answer = client.put("/api/kinship", json={"one": "citrus", "other": other, "value": 0.1})
        assert answer.status_code == HTTPStatus.OK
    assert of_pair(answer, "citrus", "herbal")["value"] == pytest.approx(0.1)
    assert [each["spec"]["name"] for each in wished(client)["originals"]] != [each["spec"]["name"] for each in usual]
    back = client.delete("/api/kinship", params={"one": "citrus", "other": "herbal"})
    assert of_pair(back, "citrus", "herbal")["own"] is None
    assert of_pair(back, "citrus", "green")["own"] == pytest.approx(0.1)
    assert all(pair["own"] is None for pair in client.delete("/api/kinship").json()["pairs"])
    assert wished(client)["originals"] == usual
    for bad in ({"one": "citrus", "other": "music", "value": 0.5}, {"one": "citrus", "other": "herbal", "value": 2}):
        assert client.put("/api/kinship", json=bad).status_code == HTTPStatus.UNPROCESSABLE_ENTITY


def test_a_board_is_as_full_whoever_else_waits_for_a_turn(client):
    # A screen asks for the count of what a wish leaves beside the board: the board doesn't end early for that.
    alone = wished(client)["originals"]
    with ThreadPoolExecutor(2) as pool:
        board = pool.submit(wished, client)
        others = [pool.submit(client.post, "/api/originals/left", json={**OF_A_KIND, "seed": seed}) for seed in range(3)]
        assert [each["spec"]["name"] for each in board.result()["originals"]] == [each["spec"]["name"] for each in alone]
        assert all(each.result().status_code == HTTPStatus.OK for each in others)
