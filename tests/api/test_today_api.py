"""Lots, Today, the stillroom and the larder over HTTP: what is noted is worked with, what can't be is refused and nothing lost."""

from datetime import UTC, datetime, timedelta
from http import HTTPStatus

import pytest
from starlette.testclient import TestClient

from oenomel.api.app import create_app
from oenomel.services import todays_menu as today_work

SYRUP = {
    "format": "oenomel/preparation",
    "version": 1,
    "name": "Raspberry syrup",
    "kind": "fruit syrup",
    "lines": [
        {"what": "raspberries", "amount": 2, "unit": "cup"},
        {"what": "sugar", "amount": "1", "unit": "cup"},
        {"what": "water", "amount": 1, "unit": "cup"},
    ],
    "steps": [{"do": "simmer", "minutes": 5}, {"do": "strain", "discard": ["raspberries"]}],
}


def sour(name="Noon Sour", lime=22.5, sweet="simple-syrup-1-1", lot=None):
    pours = [("london-dry-gin", 60, "base"), ("lime-juice", lime, "sour"), (sweet, 22.5, "sweet")]
    told = [{"ingredient": slug, "amount": ml, "unit": "ml", "slot": slot, **({"lot": lot} if lot else {})} for slug, ml, slot in pours]
    return {"format": "oenomel/spec", "version": 1, "name": name, "family": "sour", "pours": told, "serve": {"glass": "coupe"}}


def listed(client, spec):
    made = client.post("/api/drinks", json={"name": spec["name"], "spec": spec, "trial_name": "First"}).json()
    trial = made["trials"][-1]["id"]
    assert client.put(f"/api/drinks/{made['id']}/trials/{trial}/mark", json={"mark": "finished"}).status_code < 300
    return made["id"]


def lot(client, slug="lime-juice", **told):
    answer = client.post("/api/lots", json={"ingredient": slug, **told})
    assert answer.status_code == HTTPStatus.CREATED, answer.text
    return answer.json()


def test_a_lot_is_noted_with_its_readings_and_answers_what_they_make_of_it(client):
    made = lot(
        client, name="green crate", made_at="2026-11-27T09:00:00", readings=[{"what": "acid", "value": 4.4}], pieces=8, volume_ml=140
    )
    acid = made["composition"]["acids"]
    assert acid["citric"] + acid["malic"] == pytest.approx(4.5, abs=0.05)
    assert made["composition"]["spread"]["acids"]["citric"] < 0.021
    assert (made["in_use"], made["left_ml"], made["readings"][0]["value"]) == (True, 140, 4.4)
    assert client.get("/api/lots").json()[0]["id"] == made["id"]


@pytest.mark.parametrize(
    ("told", "status"),
    [
        ({"readings": [{"what": "acid", "value": 18}]}, 422),
        ({"readings": [{"what": "brix", "value": 95}]}, 422),
        ({"readings": [{"what": "sugar", "value": 5}]}, 422),
        ({"ingredient": "moon-dust"}, 422),
        ({"made_at": "yesterday"}, 422),
        ({"made_at": (datetime.now(UTC) + timedelta(days=1)).isoformat()}, 422),
        ({"name": "today"}, 422),
        ({"name": "taken"}, 409),
        ({"pieces": 8, "volume_ml": 2000}, 422),
        ({"volume_ml": 0}, 422),
    ],
)
def test_a_lot_that_can_not_be_is_refused_whole(client, told, status, golden):
    lot(client, name="taken")
    answer = client.post("/api/lots", json={"ingredient": "lime-juice", **told})
    assert answer.status_code == status
    golden(answer.json()["detail"])
    assert len(client.get("/api/lots?every=true").json()) == 1


def test_a_pour_takes_today_s_lot_or_one_by_its_name_and_words_that_name_none_stay_words(client):
    plain = client.post("/api/predict", json=sour()).json()["served"]["acid"]
    lot(client, name="old", made_at="2026-11-20T09:00:00", readings=[{"what": "acid", "value": 7.5}])
    lot(client, name="new", readings=[{"what": "acid", "value": 4.5}])

    def acid(word):
        return client.post("/api/predict", json=sour(lot=word)).json()["served"]["acid"]

    assert acid("new") == acid("today") < plain < acid("old")
    assert acid("2") == acid("new")
    assert acid("99") == acid("pressed at noon") == plain


def test_a_trial_keeps_the_lot_that_it_was_made_of_and_the_lot_can_not_go(client, golden):
    noted = lot(client, name="green crate")
    drink = client.post("/api/drinks", json={"name": "Noon", "spec": sour("Noon"), "trial_name": "First"}).json()
    body = {"name": "Of today", "parent_trial_id": drink["trials"][0]["id"], "spec": sour("Noon", lot="today"), "revision": 0}
    kept = client.post(f"/api/drinks/{drink['id']}/trials", json=body).json()["trials"][-1]
    named = {pour["ingredient"]: pour["lot"] for pour in kept["spec"]["pours"]}
    assert named == {"london-dry-gin": None, "lime-juice": "green crate", "simple-syrup-1-1": None}
    notebook = client.get(f"/api/drinks/{drink['id']}/notebook").json()
    assert notebook["trials"][-1]["made"]["lots"] == {"lime-juice": "green crate"}
    refused = client.delete(f"/api/lots/{noted['id']}")
    assert refused.status_code == HTTPStatus.CONFLICT
    golden(refused.json()["detail"])
    renamed = client.patch(f"/api/lots/{noted['id']}", json={"name": "another"})
    assert renamed.status_code == HTTPStatus.CONFLICT
    used = client.patch(f"/api/lots/{noted['id']}", json={"used_up": True}).json()
    assert used["used_up_at"] is not None
    assert client.get("/api/lots").json() == []


def test_readings_are_typed_titrated_read_and_taken_back(client, golden):
    noted = lot(client)
    url = f"/api/lots/{noted['id']}"
    worked = client.post("/api/titration", json={"lye_ml": 70.0}).json()
    golden(worked["words"])
    once = client.post(f"{url}/readings", json={"what": "acid", "value": worked["acid"], "sd": worked["sd"]}).json()
    assert once["figures"][2]["posterior"] < 4.7
    shown = []
    for device in ("burette", "refractometer", "pH meter"):
        for _ in range(5):
            answer = client.post(f"{url}/read/{device}", json={})
            if answer.status_code == HTTPStatus.OK:
                shown.append(answer.json())
                break
    assert [each["what"] for each in shown] == ["acid", "brix", "ph"]
    assert len(client.get(url).json()["readings"]) == 1  # reading keeps nothing by itself
    golden(client.post(f"{url}/read/scale", json={}).json()["detail"])
    back = client.delete(f"{url}/readings/{once['readings'][0]['id']}").json()
    assert back["figures"][2]["measured"] is None
    assert client.delete(f"{url}/readings/999").status_code == HTTPStatus.NOT_FOUND
    assert "10 ml" in client.get(url).json()["titration"][0]


def test_today_tells_what_to_pour_instead_and_how_much_surer_a_reading_made_it(client, golden):
    listed(client, sour())
    listed(client, sour("Second Sour"))
    fine = client.get("/api/today").json()
    golden(fine["headline"])
    assert fine["worth"][0]["words"].startswith("Titrate the lime juice")
    noted = lot(client, readings=[{"what": "acid", "value": 4.4}])
    today = client.get("/api/today").json()
    golden(today["headline"])
    (first, _) = today["drinks"]
    lime = next(move for move in first["moves"] if move["ingredient"]["slug"] == "lime-juice")
    assert (lime["before_ml"], lime["after_ml"]) == (22.5, 30.0)
    golden(today["shared"])
    assert [pour["lot"] for pour in first["spec"]["pours"]] == [None, "today", None]
    # The corrected spec is itself what today makes of the written one.
    served = client.post("/api/predict", json=first["spec"]).json()["served"]
    assert served["acid"] == pytest.approx(first["axes"][1]["written"], rel=0.1)
    surer = client.get(f"/api/lots/{noted['id']}").json()["more_certain"]
    golden(surer[0]["words"])
    assert surer[0]["after"] < 0.5 * surer[0]["before"]
    client.patch(f"/api/lots/{noted['id']}", json={"used_up": True})
    assert client.get("/api/today").json()["headline"] == fine["headline"]


def test_today_follows_a_new_name_a_new_trial_and_the_ice(client, golden):
    drink = listed(client, sour())
    client.patch(f"/api/drinks/{drink}", json={"name": "Renamed Sour"})
    first = client.get("/api/today").json()["drinks"][0]
    assert first["name"] == "Renamed Sour"
    shaken_cold = client.get("/api/today?dilution=heat balance&ice_c=-18&ice_g=120").json()["drinks"][0]
    assert shaken_cold["today"]["abv"] > first["today"]["abv"]
    assert shaken_cold["fine"]
    kept = client.get(f"/api/drinks/{drink}").json()
    body = {"name": "Less lime", "parent_trial_id": kept["trials"][0]["id"], "spec": sour(lime=15), "revision": 0}
    newer = client.post(f"/api/drinks/{drink}/trials", json=body).json()["trials"][-1]
    assert client.get("/api/today").json()["drinks"][0]["trial"] == 1  # it isn't finished
    client.put(f"/api/drinks/{drink}/trials/{newer['id']}/mark", json={"mark": "finished"})
    assert client.get("/api/today").json()["drinks"][0]["trial"] == 2
    coarse = client.get("/api/today?grid=7.5").json()
    golden(coarse["headline"])
    assert client.get("/api/today?grid=0.1").status_code == HTTPStatus.UNPROCESSABLE_ENTITY


def test_where_nothing_is_finished_the_newest_trial_of_each_is_shown_and_said(client, golden):
    golden(client.get("/api/today").json()["headline"])
    client.post("/api/drinks", json={"name": "Open", "spec": sour("Open"), "trial_name": "First"})
    today = client.get("/api/today").json()
    assert (today["whole_book"], [each["name"] for each in today["drinks"]]) == (True, ["Open"])


def test_a_lot_past_its_day_is_told_at_the_bench_and_of_the_lot(client):
    made_at = (datetime.now(UTC) - timedelta(hours=20)).isoformat()
    old = lot(client, name="yesterday", made_at=made_at)
    assert old["past_its_day"]
    assert old["notes"][0].startswith("Lime juice from 20 hours ago tastes flat")
    findings = client.post("/api/predict", json=sour(lot="yesterday")).json()["findings"]
    assert next(each for each in findings if each["code"] == "old-lot")["severity"] == "warning"
    assert all(each["code"] != "old-lot" for each in client.post("/api/predict", json=sour()).json()["findings"])


def test_a_bottle_stays_while_there_are_lots_of_it(client, golden):
    label = {"name": "Gate-house liqueur", "kind": "liqueur", "abv": 22}
    bottle = client.post("/api/bottles", json=label).json()["slug"]
    noted = lot(client, bottle, readings=[{"what": "abv", "value": 21.5}])
    golden(client.delete(f"/api/bottles/{bottle}").json()["detail"])
    client.delete(f"/api/lots/{noted['id']}")
    assert client.delete(f"/api/bottles/{bottle}").status_code == HTTPStatus.NO_CONTENT


def test_readings_that_no_longer_fit_a_changed_larder_are_left_out_and_said(client, golden):
    noted = lot(client, "vodka", readings=[{"what": "density", "value": 0.948}])
    client.patch("/api/larder/vodka", json={"abv": 0, "sugar": 0, "source": "a slip"})
    answer = client.get(f"/api/lots/{noted['id']}")
    assert answer.status_code == HTTPStatus.OK
    golden(answer.json()["notes"][0])
    assert client.get("/api/today").status_code == HTTPStatus.OK
    assert client.patch(f"/api/lots/{noted['id']}", json={"used_up": True}).status_code == HTTPStatus.OK


def test_serves_pars_prices_and_the_currency_are_told_once_and_followed(client, golden):
    drink = listed(client, sour())
    client.put("/api/currency", json={"sign": "€"})
    client.put(f"/api/drinks/{drink}/tonight", json={"price": 12.0, "serves": 40})
    client.put("/api/ingredients/simple-syrup-1-1/par", json={"par_ml": 500})
    client.put("/api/shelf/london-dry-gin", json={"state": "low", "price_per_litre": 24})
    today = client.get("/api/today").json()
    assert today["currency"] == "€"
    assert today["low"][0]["ingredient"]["slug"] == "london-dry-gin"
    golden(today["prepare"][0]["words"])
    limes = today["fruit"][0]
    assert limes["pieces"] > 40
    assert today["drinks"][0]["cost_missing"] == ["Lime juice", "Simple syrup 1:1"]
    golden(today["drinks"][0]["pour_cost"])
    refused = client.put(f"/api/drinks/{drink}/tonight", json={"price": 0})
    golden(refused.json()["detail"])
    assert client.get("/api/today").json()["drinks"][0]["price"] == 12.0


def test_a_preparation_is_written_down_made_into_a_lot_and_drinks_are_brought_back(client, golden):
    listed(client, sour("Bramble Hedge", sweet="raspberry-syrup"))
    written = client.post("/api/preparations", json=SYRUP).json()
    assert (written["makes"]["slug"], written["drinks"]) == ("raspberry-syrup", 1)
    assert written["report"]["keeps_days"] == 14
    assert written["report"]["cost"]["missing"] == ["Raspberries", "Granulated sugar"]
    weighed = {**SYRUP, "final": {"weight_g": 560}}
    made = client.post("/api/preparations/raspberry-syrup/makings", json={"file": weighed, "name": "By the cup"}).json()
    golden(made["headline"])
    assert "drier" in made["headline"]
    (follows,) = made["follows"]
    assert (follows["drink"], follows["fine"]) == ("Bramble Hedge", False)
    assert follows["instead"]
    cooked = client.get(f"/api/lots/{made['lot_id']}").json()
    assert (cooked["cooked"], cooked["name"]) == (True, "By the cup")
    assert cooked["figures"][1]["prior"] == pytest.approx(cooked["brix"] * cooked["composition"]["density"], rel=0.01)
    # What was cooked stays what it was, whatever becomes of the recipe.
    client.put("/api/preparations/raspberry-syrup", json={**SYRUP, "lines": SYRUP["lines"][1:], "steps": []})
    assert client.get(f"/api/lots/{made['lot_id']}").json()["figures"] == cooked["figures"]
    assert client.delete("/api/preparations/raspberry-syrup").status_code == HTTPStatus.NO_CONTENT
    assert client.get("/api/preparations/raspberry-syrup").status_code == HTTPStatus.NOT_FOUND


def test_a_preparation_of_something_new_adds_it_to_the_larder_with_its_recipe_as_source(client, golden):
    new = {**SYRUP, "name": "Gate-house cordial", "kind": "cordial"}
    made = client.post("/api/preparations", json=new).json()["makes"]
    values = {each["name"]: each for each in client.get(f"/api/ingredients/{made['slug']}").json()["values"]}
    golden(values["sucrose"]["source"])
    assert client.post("/api/preparations", json=new).status_code == HTTPStatus.CONFLICT
    refused = client.delete(f"/api/bottles/{made['slug']}")
    golden(refused.json()["detail"])


@pytest.mark.parametrize(("name", "into"), [("House honey", "honey"), ("House gin", "london dry gin"), ("Fresh lime", "lime juice")])
def test_what_a_house_makes_of_a_thing_is_not_that_thing(client, name, into):
    file = {**SYRUP, "name": name, "kind": "infusion", "lines": [{"what": into, "amount": 300, "unit": "ml"}], "steps": [], "final": {}}
    made = client.post("/api/preparations", json=file)
    assert (made.status_code, made.json()["makes"]["name"]) == (HTTPStatus.CREATED, name)


@pytest.mark.parametrize(
    "change",
    [
        {"lines": [{"what": "moonberries", "amount": 1, "unit": "cup"}]},
        {"lines": [{"what": "raspberry-syrup", "amount": 1, "unit": "cup"}]},
        {"final": {"weight_g": 900}},
        {"final": {"brix": 95}},
        {"final": {"weight_g": 300, "volume_ml": 300}},
        {"steps": [{"do": "simmer", "evaporated_g": -20}]},
        {"steps": [{"do": "strain", "discard": ["plums"]}]},
        {"steps": [{"do": "flambé"}]},
        {"version": 2},
    ],
)
def test_a_preparation_that_can_not_be_is_refused_by_its_place(client, change, golden):
    answer = client.post("/api/prepare", json={**SYRUP, **change})
    assert answer.status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    golden(answer.json()["detail"])


def test_a_circle_through_another_preparation_is_refused(client, golden):
    first = {**SYRUP, "name": "Rose syrup", "lines": [{"what": "raspberry-syrup", "amount": 1, "unit": "cup"}], "steps": []}
    assert client.post("/api/preparations", json=first).status_code == HTTPStatus.CREATED
    second = {**SYRUP, "lines": [{"what": "rose-syrup", "amount": 1, "unit": "cup"}], "steps": []}
    refused = client.post("/api/preparations", json=second)
    golden(refused.json()["detail"])


def test_a_preparation_is_scaled_to_what_is_on_hand_and_liquids_adjusted(client, golden):
    larger = client.post("/api/prepare/scaled", json={"file": SYRUP, "line": 0, "amount": 5}).json()
    assert [line["amount"] for line in larger["lines"]] == [5, 2.5, 2.5]
    assert client.post("/api/prepare/scaled", json={"file": SYRUP, "line": 9, "amount": 5}).status_code == 422
    thicker = client.post("/api/adjust/brix", json={"weight_g": 437, "brix": 45.77, "wanted_brix": 50}).json()
    golden(thicker["words"])
    sharper = client.post("/api/adjust/acid", json={"juice": "orange-juice", "like": "lime-juice"}).json()
    golden(sharper["words"])
    assert client.get("/api/kitchen?q=raspberries").json()[0]["what"] == "raspberries"


def test_the_larder_tells_what_is_guessed_is_set_right_and_put_back(client, golden):
    line = next(each for each in client.get("/api/larder").json() if each["slug"] == "orange-liqueur-sweet")
    golden(line["gaps"])
    url = "/api/larder/orange-liqueur-sweet"
    before = client.get(url).json()
    changed = client.patch(url, json={"sugar": 18.0, "source": "its new label"}).json()
    assert changed["line"]["sugar"] == pytest.approx(18.0)
    assert changed["line"]["changed"]
    back = client.put(f"{url}/values", json={"values": before["house_values"]}).json()
    assert back == before
    golden(client.patch(url, json={}).json()["detail"])
    assert client.patch("/api/larder/lime-juice", json={"sugar": 45}).status_code == 422
    assert client.get("/api/larder/lime-juice").json()["line"]["sugar"] == pytest.approx(1.6)


def test_what_is_retired_is_offered_nowhere_and_trials_keep_it(client):
    drink = listed(client, sour())
    client.put("/api/larder/lime-juice/retired", json={"retired": True})
    assert all(each["slug"] != "lime-juice" for each in client.get("/api/ingredients?q=lime juice").json())
    assert all(each["slug"] != "lime-juice" for each in client.get("/api/ingredients").json())
    swaps = client.post("/api/swaps", json={"spec": sour(sweet="simple-syrup-1-1"), "pour_index": 1}).json()
    assert all(row["slug"] != "lime-juice" for row in swaps["rows"])
    assert client.get(f"/api/drinks/{drink}").json()["trials"][0]["spec"]["pours"][1]["ingredient"] == "lime-juice"
    assert client.post("/api/predict", json=sour()).status_code == HTTPStatus.OK
    client.put("/api/larder/lime-juice/retired", json={"retired": False})
    assert client.get("/api/ingredients?q=lime juice").json()[0]["slug"] == "lime-juice"


def test_the_larder_goes_out_and_comes_in_as_a_table_all_of_it_or_nothing(client, golden):
    table = client.get("/api/larder/table").text
    golden(client.post("/api/larder/table", json={"text": table}).json()["words"])
    text = "slug;name;kind;sugar;price_per_litre;state\nlime-juice;Lime juice;juice;2,1;11;low\n;Hedge cordial;syrup;62;;at hand\n"
    told = client.post("/api/larder/table", json={"text": text}).json()
    golden(told["words"])
    assert client.get("/api/larder/lime-juice").json()["line"]["sugar"] == pytest.approx(2.1)
    for wrong in (
        text.replace("2,1", "much"),
        text.replace("cordial;syrup", "cordial;potion"),
        text.replace(";11;low", ";0;low"),
        text.replace("price_per_litre", "cost"),
        text.replace("62", "300"),
    ):
        refused = client.post("/api/larder/table", json={"text": wrong.replace("2,1", "3,3").replace("Hedge", "Gate")})
        assert refused.status_code == 422, wrong
        golden(refused.json()["detail"])
    assert client.get("/api/larder/lime-juice").json()["line"]["sugar"] == pytest.approx(2.1)
    assert client.get("/api/find?q=Gate cordial").json()["found"] == []


def test_today_with_forty_drinks_and_thirty_lots_works_each_out_once(tmp_path, demo_file, monkeypatch):
    import shutil

    worked_out, todays = [], today_work.todays_drink
    monkeypatch.setattr(today_work, "todays_drink", lambda *told, **more: worked_out.append(1) or todays(*told, **more))
    shutil.copyfile(demo_file, tmp_path / "demo.db")
    with TestClient(create_app(tmp_path / "demo.db"), base_url="http://127.0.0.1") as client:
        for number in range(31):
            listed(client, sour(f"Sour {number}", 20 + number % 5 * 2.5, ("simple-syrup-1-1", "bay-syrup", "quince-syrup")[number % 3]))
        client.get("/api/today")
        for number in range(18):
            lot(client, "lime-juice", name=f"crate {number}", readings=[{"what": "acid", "value": 5 + number / 20}])
        worked_out.clear()
        assert len(client.get("/api/today").json()["drinks"]) == 40
        # In work, whatever the clock says: each drink as written and of today, and a quiet repetition nothing at all.
        assert len(worked_out) <= 2 * 40
        worked_out.clear()
        client.get("/api/today")
        assert worked_out == []


def test_what_can_not_be_asked_is_answered_with_a_sentence(client):
    noted = lot(client)
    for method, path, body, status in (
        ("get", "/api/lots/99", None, HTTPStatus.NOT_FOUND),
        ("patch", "/api/lots/99", {"left_ml": 1}, HTTPStatus.NOT_FOUND),
        ("patch", f"/api/lots/{noted['id']}", {"name": ""}, HTTPStatus.UNPROCESSABLE_ENTITY),
        ("patch", f"/api/lots/{noted['id']}", {"made_at": "2999-01-01T00:00:00Z"}, HTTPStatus.UNPROCESSABLE_ENTITY),
        ("delete", "/api/lots/99", None, HTTPStatus.NOT_FOUND),
        ("post", f"/api/lots/{noted['id']}/read/barometer", {}, HTTPStatus.NOT_FOUND),
        ("post", f"/api/lots/{noted['id']}/read/burette", {"make": "golden"}, HTTPStatus.NOT_FOUND),
        ("post", "/api/titration", {"lye_ml": 900}, HTTPStatus.UNPROCESSABLE_ENTITY),
        ("get", "/api/larder/moon-dust", None, HTTPStatus.NOT_FOUND),
        ("put", "/api/ingredients/moon-dust/par", {"par_ml": 5}, HTTPStatus.NOT_FOUND),
        ("put", "/api/goods/moon-dust/price", {"price_per_kg": 5}, HTTPStatus.UNPROCESSABLE_ENTITY),
        ("post", "/api/adjust/acid", {"juice": "moon-dust", "like": "lime-juice"}, HTTPStatus.NOT_FOUND),
        ("post", "/api/adjust/brix", {"weight_g": 100, "brix": 40, "wanted_brix": 99}, HTTPStatus.UNPROCESSABLE_ENTITY),
        ("get", "/api/preparations/moon-dust", None, HTTPStatus.NOT_FOUND),
        ("delete", "/api/preparations/moon-dust", None, HTTPStatus.NOT_FOUND),
        ("post", "/api/preparations/lime-juice/makings", {"file": SYRUP}, HTTPStatus.NOT_FOUND),
        ("get", "/api/ingredients/moon-dust/follows", None, HTTPStatus.NOT_FOUND),
        ("put", "/api/drinks/99/tonight", {"serves": 3}, HTTPStatus.NOT_FOUND),
        ("get", "/api/lots?colour=red", None, HTTPStatus.UNPROCESSABLE_ENTITY),
    ):
        answer = client.request(method, path, json=body) if body is not None else client.request(method, path)
        assert answer.status_code == status, path
        assert len(answer.json()["detail"]) > 5
    assert client.get("/api/lots").json()[0]["name"] == noted["name"]


def test_what_follows_of_today_s_lot_alone_is_told_by_drink(client, golden):
    listed(client, sour())
    assert client.get("/api/ingredients/lime-juice/follows").json() == []
    lot(client, readings=[{"what": "acid", "value": 4.4}])
    lot(client, "simple-syrup-1-1", readings=[{"what": "brix", "value": 40}])
    (alone,) = client.get("/api/ingredients/lime-juice/follows").json()
    assert (alone["fine"], alone["words"]) == (False, "less sharp")
    golden(alone["instead"])
