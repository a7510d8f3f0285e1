"""Batches and the evening over HTTP: worked out, made, corrected, poured from, topped up, planned, ticked and carried along."""

import csv
import io
import json
import shutil
from datetime import UTC, datetime, timedelta
from http import HTTPStatus

import pytest
from icalendar import Calendar
from starlette.testclient import TestClient

from oenomel import cli
from oenomel.api.app import create_app


def sour(name="Noon Sour", egg=False, soda=False):
    pours = [("london-dry-gin", 60, "base"), ("lime-juice", 30, "sour"), ("simple-syrup-1-1", 15, "sweet")]
    told = [{"ingredient": slug, "amount": ml, "unit": "ml", "slot": slot} for slug, ml, slot in pours]
    if egg:
        told.append({"ingredient": "egg-white", "amount": 30, "unit": "ml", "slot": "texture"})
    if soda:
        told.append({"ingredient": "soda-water", "amount": 50, "unit": "ml", "slot": "lengthener", "stage": "topped"})
    serve = {"glass": "coupe", "garnish": ["lime wheel"]}
    return {"format": "oenomel/spec", "version": 1, "name": name, "family": "sour", "pours": told, "serve": serve}


def post(client, path, body, status=HTTPStatus.OK):
    answer = client.post(path, json=body)
    assert answer.status_code == status, answer.text
    return answer.json()


@pytest.fixture
def drink(client):
    return post(client, "/api/drinks", {"name": "Noon Sour", "spec": sour(), "trial_name": "First"}, HTTPStatus.CREATED)["id"]


def make(client, drink, **told):
    wanted = {"spec": sour(), "service": "chilled", "serves": 6, "today": True} | told.pop("batch", {})
    return client.post("/api/batches", json={"batch": wanted, "drink_id": drink, **told})


def made(client, drink, **told):
    answer = make(client, drink, **told)
    assert answer.status_code == HTTPStatus.CREATED, answer.text
    return answer.json()


def test_the_command_and_the_route_print_one_batch(client, tmp_path, capsys):
    (tmp_path / "spec.json").write_text(json.dumps(sour()))
    assert cli.main(["batch", str(tmp_path / "spec.json"), "--serves", "40", "--service", "shaken"]) == 0
    printed = json.loads(capsys.readouterr().out)
    asked = post(client, "/api/batch", {"spec": sour(), "service": "shaken", "serves": 40})
    assert printed["pours"] == asked["pours"]
    assert [(line["ingredient"], line["ml"]) for line in printed["pours"]] == [
        ("london-dry-gin", 2400), ("lime-juice", 1200), ("simple-syrup-1-1", 600)
    ]  # fmt: skip
    assert (printed["water_ml"], printed["total_ml"], printed["serves"], printed["serve_ml"]) == (0, 4200, 40, 105)
    assert printed["fits"]
    # Shaken to order, a serve is the drink made singly.
    single = post(client, "/api/predict", sour())["served"]
    assert printed["served"]["abv"] == pytest.approx(single["abv"], rel=1e-9)
    assert printed["served"]["volume_ml"] == pytest.approx(single["volume_ml"], rel=1e-9)
    limes = next(line for line in printed["buy"] if line["name"] == "Limes")
    assert limes["low"] < limes["pieces"] < limes["high"]


@pytest.mark.parametrize(
    "arguments",
    [
        ["--serves", "0", "--service", "ice"],
        ["--serves", "10000", "--service", "ice"],
        ["--serves", "many", "--service", "ice"],
        ["--container", "60", "--service", "ice"],
        ["--container", "a jug", "--service", "ice"],
        ["--container", "1e300", "--service", "ice"],
        ["--serves", "4", "--grid", "0", "--service", "ice"],
        ["--service", "ice"],
    ],
)
def test_the_command_refuses_in_a_sentence(arguments, golden, tmp_path, capsys):
    (tmp_path / "spec.json").write_text(json.dumps(sour()))
    assert cli.main(["batch", str(tmp_path / "spec.json"), *arguments]) == 2
    told = capsys.readouterr()
    golden(told.err)
    assert told.err.count("\n") == 1
    assert told.out == ""


def test_a_batch_with_egg_or_bubbles_says_what_to_do_with_them(client, golden):
    egg = post(client, "/api/batch", {"spec": sour(egg=True), "service": "chilled", "serves": 6})
    assert "egg-white" not in {line["ingredient"] for line in egg["pours"]}
    golden(egg["notes"])
    bubbles = post(client, "/api/batch", {"spec": sour(soda=True), "service": "bubbles", "serves": 6})
    golden(bubbles["notes"][0])


@pytest.mark.parametrize(
    ("told", "path"),
    [
        ({}, "serves"),
        ({"serves": 5, "use_up": "london-dry-gin", "use_up_ml": 700}, "use_up"),
        ({"use_up": "london-dry-gin"}, "use_up_ml"),
        ({"serves": 5, "cold": "room"}, ""),
        ({"serves": 2**60}, "body.serves"),
    ],
)
def test_what_is_asked_wrongly_is_named(client, told, path):
    answer = client.post("/api/batch", json={"spec": sour(), "service": "chilled", **told})
    assert answer.status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    assert answer.json()["path"].removeprefix("body.") == path.removeprefix("body.")


def test_a_batch_is_kept_with_its_lots_its_label_and_its_day(client, drink, golden):
    lot = {"ingredient": "lime-juice", "name": "green crate", "readings": [{"what": "acid", "value": 4.4}]}
    post(client, "/api/lots", lot, HTTPStatus.CREATED)
    batch = made(client, drink, name="For the terrace", made_by="Tam")
    assert {"name": "Lime juice", "ml": 180, "lot": "green crate"} in batch["poured"]
    assert batch["volume_ml"] == batch["left_ml"] == pytest.approx(sum(each["ml"] for each in batch["poured"]))
    assert (batch["serves_left"], batch["made_by"], batch["log"][0]["kind"]) == (6, "Tam", "made")
    # With juice it is the day's.
    assert datetime.fromisoformat(batch["use_by"]) - datetime.fromisoformat(batch["made_at"]) == timedelta(hours=12)
    golden(batch["label"]["serve"])
    assert batch["acid"] < 6 * 180 / batch["volume_ml"]
    again = make(client, drink, name="for the TERRACE")
    assert again.status_code == HTTPStatus.CONFLICT
    golden(again.json()["detail"])
    # Nameless it is called by its drink and its day, and a second one by a number.
    names = [made(client, drink)["name"] for _ in range(2)]
    assert names[1] == f"{names[0]}, 2"


def test_it_is_poured_from_until_it_is_empty_and_never_further(client, drink, golden):
    batch = made(client, drink)
    path = f"/api/batches/{batch['id']}"
    assert post(client, f"{path}/served", {"serves": 4})["serves_left"] == 2
    refused = client.post(f"{path}/served", json={"serves": 3})
    assert refused.status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    golden(refused.json()["detail"])
    empty = post(client, f"{path}/served", {"ml": batch["serve_ml"] * 2})
    assert empty["left_ml"] == pytest.approx(0, abs=1e-6)
    assert empty["used_up_at"] is not None
    assert client.get("/api/batches").json() == []
    assert [each["id"] for each in client.get("/api/batches", params={"every": True}).json()] == [batch["id"]]
    assert client.post(f"{path}/served", json={}).status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    nothing_left = client.post(f"{path}/additions", json={"poured": [{"ingredient": "lime-juice", "ml": 5}]})
    assert "a new batch" in nothing_left.json()["detail"]


def test_a_tongue_and_a_refractometer_tell_what_to_add_and_what_was_added_is_logged(client, drink, golden):
    batch = made(client, drink)
    path = f"/api/batches/{batch['id']}"
    sweeter = post(client, f"{path}/corrections", {"sugar": -1})["corrections"][0]
    golden(sweeter["words"])
    assert sweeter["moves"]["sugar"] == pytest.approx(0.75, abs=0.15)
    right = post(client, f"{path}/corrections", {"sugar": 0, "acid": 0})
    assert (right["corrections"], bool(right["words"])) == ([], True)
    post(client, f"{path}/served", {"serves": 2})
    left = client.get(path).json()["left_ml"]
    added = {"poured": [each["poured"] for each in sweeter["additions"]], "words": "Wren found it dry"}
    after = post(client, f"{path}/additions", added)
    assert after["left_ml"] == pytest.approx(left + sweeter["ml"])
    # What was served is gone: in the bottle are two thirds of everything, and the syrup.
    assert sum(each["ml"] for each in after["poured"]) == pytest.approx(after["left_ml"])
    assert after["sugar"] > batch["sugar"]
    assert after["log"][-1]["words"].endswith("added: Wren found it dry")
    # Titrated, it holds less acid than its recipe: juice mends it, and the bottle is known better.
    read = post(client, f"{path}/readings", {"what": "acid", "value": 0.7 * batch["recipe"]["acid"]})
    assert read["corrections"][0]["word"] == "sharper"
    assert client.get(path).json()["acid"] < after["acid"]
    brix = post(client, f"{path}/readings", {"what": "brix", "value": 12.0})
    assert "alcohol" in brix["notes"][0]
    impossible = client.post(f"{path}/readings", json={"what": "acid", "value": 90})
    assert impossible.status_code == HTTPStatus.UNPROCESSABLE_ENTITY


def test_a_filling_on_an_older_one_carries_its_share_on(client, drink):
    first = made(client, drink, name="First filling", wood=True)
    post(client, f"/api/batches/{first['id']}/served", {"serves": 4})
    left = client.get(f"/api/batches/{first['id']}").json()["left_ml"]
    second = made(client, drink, name="Second filling", wood=True, older_id=first["id"], older_ml=left)
    share = left / (left + first["volume_ml"])
    assert [(each["name"], each["share"]) for each in second["descends"]] == [
        ("Second filling", pytest.approx(1 - share)), ("First filling", pytest.approx(share))
    ]  # fmt: skip
    assert second["descent"] == f"{100 * share:.0f}% First filling"
    assert second["abv"] == pytest.approx(first["abv"], rel=1e-6)
    assert client.get(f"/api/batches/{first['id']}").json()["used_up_at"] is not None
    kept = client.delete(f"/api/batches/{first['id']}")
    assert kept.status_code == HTTPStatus.CONFLICT
    assert client.delete(f"/api/batches/{second['id']}").status_code == HTTPStatus.NO_CONTENT
    too_much = make(client, drink, name="Third", older_id=first["id"], older_ml=50)
    assert too_much.status_code == HTTPStatus.UNPROCESSABLE_ENTITY


def test_what_is_left_its_day_and_its_name_are_set_right(client, drink):
    batch = made(client, drink, name="One")
    path = f"/api/batches/{batch['id']}"
    changed = client.patch(path, json={"left_ml": 300, "name": "The one", "use_by": "2031-01-01T12:00:00+00:00", "note": "cloudy"}).json()
    assert (changed["left_ml"], changed["name"], changed["use_by"][:10], changed["note"]) == (300, "The one", "2031-01-01", "cloudy")
    for body in ({"left_ml": 5000}, {"use_by": "soon"}, {"use_by": "2020-01-01T00:00:00+00:00"}):
        assert client.patch(path, json=body).status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    assert client.patch(path, json={"used_up": True}).json()["used_up_at"]
    assert client.get("/api/batches/77").status_code == HTTPStatus.NOT_FOUND


def hour(ahead=timedelta(days=1)):
    return (datetime.now(UTC) + ahead).isoformat(timespec="seconds")


def evening(client, drink, **told):
    drinks = [{"drink_id": drink, "serves": 10, "service": "ice", **told.pop("first", {})}]
    return client.put("/api/evening", json={"name": "Garden party", "at": hour(), "hands": 2, "drinks": drinks, **told})


def test_an_evening_is_worked_backwards_ticked_and_taken_along(client, drink, golden):
    assert client.get("/api/evening").json()["state"] == "none"
    assert client.get("/api/evening/calendar").status_code == HTTPStatus.NOT_FOUND
    told = evening(client, drink).json()
    assert told["state"] == "ahead"
    at = told["evening"]["at"]
    assert all(task["ready_at"] <= at and task["begins_at"] < task["ends_at"] for task in told["tasks"])
    for what in (f"task {told['tasks'][0]['key']}", f"bought {told['bought'][0]['key']}"):
        assert client.put("/api/evening/ticks", json={"what": what, "done": True}).status_code == HTTPStatus.NO_CONTENT
    again = client.get("/api/evening").json()
    assert again["tasks"][0]["done"]
    assert again["bought"][0]["done"]
    golden(again["headline"])
    # The headline names the event's own day, not today.
    local = datetime.fromisoformat(at).astimezone()
    assert f"{local.day} {local:%B %Y}" in again["headline"]
    assert evening(client, drink, first={"serves": 1}).json()["headline"].startswith("1 serve at ")
    # Another number of serves leaves what is ticked ticked.
    assert evening(client, drink, first={"serves": 20}).json()["tasks"][0]["done"]
    # The file is read back by the package: an event a task, each with its time.
    calendar = Calendar.from_ical(client.get("/api/evening/calendar").json()["text"])
    events = {str(each["SUMMARY"]): each for each in calendar.walk("VEVENT")}
    tasks = client.get("/api/evening").json()["tasks"]
    assert events.keys() == {task["words"] for task in tasks}
    for task in tasks:
        event = events[task["words"]]
        assert event["DTSTART"].dt == datetime.fromisoformat(task["begins_at"])
        assert event["DTEND"].dt == datetime.fromisoformat(task["ends_at"])
    table = list(csv.DictReader(io.StringIO(client.get("/api/evening/list", params={"wanted": "csv"}).json()["text"])))
    assert [row["what"] for row in table] == [line["name"] for line in again["bought"]]
    text = client.get("/api/evening/list").json()["text"]
    assert "[x]" in text
    assert "Buy" in text
    assert client.put("/api/evening/ticks", json={"what": f"task {tasks[0]['key']}", "done": False}).status_code == HTTPStatus.NO_CONTENT
    assert not client.get("/api/evening").json()["tasks"][0]["done"]
    assert client.delete("/api/evening").status_code == HTTPStatus.NO_CONTENT
    assert client.get("/api/evening").json()["state"] == "none"


def test_an_hour_that_has_passed_a_strange_batch_and_a_drink_told_twice_are_refused(client, drink, golden):
    other = post(client, "/api/drinks", {"name": "Other", "spec": sour("Other"), "trial_name": "First"}, HTTPStatus.CREATED)["id"]
    batch = made(client, other, batch={"spec": sour("Other")})["id"]
    twice = {"drink_id": drink, "serves": 4}
    for told in (
        {"at": hour(-timedelta(hours=2))},
        {"at": hour(timedelta(days=800))},
        {"at": "at seven"},
        {"first": {"batch_id": batch}},
        {"drinks": [twice, twice]},
    ):
        answer = evening(client, drink, **told)
        assert answer.status_code == HTTPStatus.UNPROCESSABLE_ENTITY, told
        golden(answer.json()["detail"])
    assert evening(client, 999).status_code == HTTPStatus.NOT_FOUND
    assert client.get("/api/evening").json()["state"] == "none"


def test_what_is_too_late_too_old_too_little_or_too_large_is_told(client, drink, golden):
    batch = made(client, drink, name="For the terrace")
    post(client, "/api/lots", {"ingredient": "lime-juice", "name": "green crate", "volume_ml": 400}, HTTPStatus.CREATED)
    # In an hour: the bottle can't be cold by then.
    soon = evening(client, drink, at=hour(timedelta(hours=1))).json()
    golden(soon["warnings"])
    assert any(line["key"] == "open: lime-juice" or line["name"] == "Limes" for line in soon["bought"])
    # Tomorrow: today's juice is gone, and so is a batch with it.
    late = evening(client, drink, first={"serves": 20, "batch_id": batch["id"], "container_ml": 750}).json()
    golden(late["warnings"])
    assert late["drinks"][0]["from_batch"] == 6
    # A container smaller than a serve is told, and the rest of the evening stands.
    small = evening(client, drink, first={"container_ml": 50}).json()
    golden(small["warnings"])
    assert small["tasks"]


def test_a_batch_whose_answer_was_lost_is_made_once(client, drink):
    body = {"batch": {"spec": sour(), "service": "chilled", "serves": 6}, "drink_id": drink, "name": "Once"}
    send = {"url": "/api/batches", "json": body, "headers": {"idempotency-key": "mixed-it-once"}}
    first, again = client.post(**send), client.post(**send)
    assert (first.status_code, first.json()) == (again.status_code, again.json())
    assert len(client.get("/api/batches").json()) == 1
    path = f"/api/batches/{first.json()['id']}/served"
    for _ in range(2):
        client.post(path, json={"serves": 1}, headers={"idempotency-key": "poured-it-once"})
    assert client.get("/api/batches").json()[0]["serves_left"] == 5


@pytest.mark.parametrize(
    "body",
    [
        {"poured": [{"ingredient": "moon-dust", "ml": 10}]},
        {"older_id": 99, "older_ml": 100},
        {"made_at": "2030-01-01T10:00:00+00:00"},
        {"made_at": "this morning"},
        {"batch": {"serves": 0}},
        {"drink_id": 77},
    ],
)
def test_a_batch_that_can_not_be_is_refused_whole(client, drink, body, golden):
    answer = make(client, body.pop("drink_id", drink), **body)
    assert answer.status_code in (HTTPStatus.UNPROCESSABLE_ENTITY, HTTPStatus.NOT_FOUND)
    golden(answer.json()["detail"])
    assert client.get("/api/batches", params={"every": True}).json() == []


def test_what_really_went_in_is_what_is_in_it(client, drink):
    lot = {"name": "Lime juice, from the market", "kind": "juice", "composition": {"acids": {"citric": 8.0}, "density": 1.03}}
    poured = [
        {"ingredient": "london-dry-gin", "ml": 700, "slot": "base"},
        {"ingredient": lot, "ml": 300, "slot": "sour"},
        {"ingredient": "simple-syrup-1-1", "ml": 200, "slot": "sweet"},
    ]
    batch = made(client, drink, poured=poured)
    assert batch["volume_ml"] == 1200
    assert batch["abv"] == pytest.approx(41 * 700 / 1200)
    assert batch["acid"] == pytest.approx(8 * 300 / 1200)
    assert [each["name"] for each in batch["poured"]] == ["London dry gin", "Lime juice, from the market", "Simple syrup 1:1"]
    # Sharper by its own juice, whatever that is.
    sharper = post(client, f"/api/batches/{batch['id']}/corrections", {"acid": -1})["corrections"][0]
    assert sharper["additions"][0]["name"] == "Lime juice, from the market"
    after = post(client, f"/api/batches/{batch['id']}/additions", {"poured": [sharper["additions"][0]["poured"]]})
    assert after["acid"] > batch["acid"]


def test_the_trial_that_is_finished_is_poured_for_many(client, drink):
    def poured():
        return client.get(f"/api/drinks/{drink}/poured").json()

    assert poured()["number"] == 1
    first = client.get(f"/api/drinks/{drink}").json()["trials"][0]["id"]
    later = {"name": "Second", "parent_trial_id": first, "spec": sour(), "revision": 0, "beside": True}
    assert client.post(f"/api/drinks/{drink}/trials", json=later).status_code == HTTPStatus.CREATED
    assert (poured()["number"], poured()["name"]) == (2, "Second")
    client.put(f"/api/drinks/{drink}/trials/{first}/mark", json={"mark": "finished"})
    assert poured()["number"] == 1
    assert client.get("/api/drinks/99/poured").status_code == HTTPStatus.NOT_FOUND


def test_what_falls_short_is_made_in_the_stillroom_before_it_is_mixed(client, drink, golden):
    recipe = {
        "format": "oenomel/preparation", "version": 1, "name": "Simple syrup 1:1", "kind": "syrup",
        "lines": [{"what": "sugar", "amount": 500, "unit": "g"}, {"what": "water", "amount": 500, "unit": "g"}],
        "steps": [{"do": "simmer", "minutes": 5}, {"do": "cool", "minutes": 50}],
    }  # fmt: skip
    post(client, "/api/preparations", recipe, HTTPStatus.CREATED)
    told = evening(client, drink, first={"serves": 20}).json()
    tasks = {task["key"]: task for task in told["tasks"]}
    syrup, mixed = tasks["make: simple-syrup-1-1"], tasks["mix: Noon Sour"]
    golden(syrup["words"])
    assert syrup["ready_at"] <= mixed["begins_at"]
    assert datetime.fromisoformat(syrup["ready_at"]) - datetime.fromisoformat(syrup["ends_at"]) == timedelta(minutes=50)
    assert next(line for line in told["bought"] if line["slug"] == "simple-syrup-1-1")["source"] == "stillroom"
    # Enough of it open: nothing is made.
    post(client, "/api/lots", {"ingredient": "simple-syrup-1-1", "name": "big bottle", "volume_ml": 900}, HTTPStatus.CREATED)
    again = client.get("/api/evening").json()
    assert "make: simple-syrup-1-1" not in {task["key"] for task in again["tasks"]}
    assert next(line for line in again["bought"] if line["slug"] == "simple-syrup-1-1")["source"] == "open"


def test_batches_and_the_evening_move_to_another_machine(client, drink, tmp_path, empty_file):
    first = made(client, drink, name="First filling", wood=True)
    post(client, f"/api/batches/{first['id']}/served", {"serves": 4})
    second = made(client, drink, name="Second filling", older_id=first["id"], older_ml=150)
    evening(client, drink, first={"batch_id": second["id"]})
    client.put("/api/evening/ticks", json={"what": "task bar", "done": True})
    house = {"files": [{"name": "house.json", "text": post(client, "/api/export", {"wanted": "house"})["text"]}]}
    shutil.copyfile(empty_file, tmp_path / "other.db")
    with TestClient(create_app(tmp_path / "other.db"), base_url="http://127.0.0.1") as other:
        looked = post(other, "/api/import/look", house)["items"]
        assert {("batches", "new"), ("evening", "new")} <= {(item["kind"], item["state"]) for item in looked}
        post(other, "/api/import", house)
        came = other.get("/api/batches", params={"every": True}).json()
        assert [(each["name"], each["left_ml"], each["descent"]) for each in came] == [
            (each["name"], each["left_ml"], each["descent"]) for each in client.get("/api/batches", params={"every": True}).json()
        ]
        told, was = other.get("/api/evening").json(), client.get("/api/evening").json()
        assert [task["key"] for task in told["tasks"] if task["done"]] == ["bar"]
        assert told["headline"] == was["headline"]
        # Taken in again it is the same; another evening is told side by side, and left unless chosen.
        assert {item["state"] for item in post(other, "/api/import", house)["items"]} == {"same"}
        evening(client, drink, hands=5)
        later = {"files": [{"name": "house.json", "text": post(client, "/api/export", {"wanted": "house"})["text"]}]}
        differs = next(item for item in post(other, "/api/import/look", later)["items"] if item["kind"] == "evening")
        assert (differs["state"], differs["choices"]) == ("differs", ["leave", "take"])
        post(other, "/api/import", later)
        assert other.get("/api/evening").json()["evening"]["hands"] == 2
        post(other, "/api/import", later | {"choices": {"evening": "take"}})
        assert other.get("/api/evening").json()["evening"]["hands"] == 5


def test_a_house_whose_batch_hangs_in_the_air_is_refused_by_name(client, drink, golden):
    made(client, drink, name="First filling")
    house = json.loads(post(client, "/api/export", {"wanted": "house"})["text"])
    house["batches"][0] |= {"name": "Lost", "drink": "nowhere"}
    files = {"files": [{"name": "house.json", "text": json.dumps(house)}]}
    refused = client.post("/api/import", json=files)
    assert "batches, Lost" in refused.json()["detail"]
    house["batches"][0] |= {"drink": "noon-sour", "older": "nobody's"}
    refused = client.post("/api/import", json={"files": [{"name": "house.json", "text": json.dumps(house)}]})
    golden(refused.json()["detail"])
    assert len(client.get("/api/batches").json()) == 1


def test_each_serve_is_its_share_of_what_was_really_poured(client, drink):
    asked = post(client, "/api/batch", {"spec": sour(), "service": "chilled", "serves": 6})
    # Of the water that waited nothing went in: as many serves, each smaller and stronger, and the label says so.
    poured = [line["poured"] for line in asked["pours"] if not line["taste_first"]]
    batch = made(client, drink, poured=poured)
    told = made(client, drink)
    held_back = next(line["ml"] for line in asked["pours"] if line["taste_first"])
    assert batch["volume_ml"] == pytest.approx(told["volume_ml"] - held_back)
    assert batch["serves_left"] == told["serves_left"] == 6
    assert batch["serve_ml"] == pytest.approx(batch["volume_ml"] / 6)
    assert f"pour {batch['serve_ml']:.0f} ml" in batch["label"]["serve"]
    assert batch["abv"] > told["abv"]
    # What a bottle holds and what its recipe has are told apart, and a reading tells the difference.
    read = post(client, f"/api/batches/{batch['id']}/readings", {"what": "abv", "value": batch["abv"]})
    assert "stronger" in read["words"]
    assert read["corrections"][0]["additions"][0]["name"] == "Water"
