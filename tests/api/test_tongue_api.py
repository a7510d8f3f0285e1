"""The tongue over HTTP: a blind panel out of two jugs, exercises, the week, and all of it carried along."""

import json
import re
import shutil
from http import HTTPStatus

import pytest
from starlette.testclient import TestClient

from oenomel import cli
from oenomel.api.app import create_app


@pytest.fixture
def demo(tmp_path, demo_file):
    shutil.copyfile(demo_file, tmp_path / "demo.db")
    with TestClient(create_app(tmp_path / "demo.db"), base_url="http://127.0.0.1") as client:
        yield client


def post(client, path, body=None, status=HTTPStatus.CREATED):
    answer = client.post(path, json=body) if body is not None else client.post(path)
    assert answer.status_code == status, answer.text
    return answer.json()


def get(client, path):
    answer = client.get(path)
    assert answer.status_code == HTTPStatus.OK, answer.text
    return answer.json()


def sit(client, **told):
    return post(client, "/api/sittings", {"matter": "sugar", "tasters": ["Ada", "Wren"], "rounds": 6} | told)


def play(client, sitting, finds=lambda *_: True):
    """Pours and answers all that is left of a sitting; how it stands then."""
    n = 0
    while sitting["next"]:
        triangle = post(client, f"/api/sittings/{sitting['id']}/triangles")
        key = get(client, f"/api/triangles/{triangle['id']}/key")
        glass = key["odd"] if finds(triangle["taster"], n) else key["odd"] % 3 + 1
        sitting = post(client, f"/api/triangles/{triangle['id']}/answer", {"glass": glass}, HTTPStatus.OK)
        n += 1
    return sitting


def test_a_panel_takes_turns_blind_and_each_tongue_learns_its_own_step(demo, golden):
    sitting = sit(demo)
    # What is at hand in the Orangery: lemon and syrup; the jugs differ in syrup alone.
    assert {line["ingredient"] for line in sitting["less"]["lines"]} == {"lemon-juice", "simple-syrup-1-1", "still-water"}
    assert [turn["taster"] for turn in sitting["turns"]] == ["Ada", "Wren"]
    assert sitting["next"] == "Ada"
    first = post(demo, f"/api/sittings/{sitting['id']}/triangles")
    # Before it is answered nothing that the taster is shown tells the key, and it isn't drawn anew.
    assert (first["taster"], first["number"], first["odd"], first["answer"], first["words"]) == ("Ada", 1, None, None, "")
    assert post(demo, f"/api/sittings/{sitting['id']}/triangles") == first
    assert get(demo, f"/api/sittings/{sitting['id']}")["open"] == first
    key = get(demo, f"/api/triangles/{first['id']}/key")
    told = [post(demo, "/api/predict", spec, HTTPStatus.OK)["served"]["sugar"] for spec in key["glasses"]]
    odd = told.pop(key["odd"] - 1)
    assert told[0] == pytest.approx(told[1])
    assert (odd > told[0]) is key["odd_is_more"]
    post(demo, f"/api/triangles/{first['id']}/answer", {"glass": key["odd"]}, HTTPStatus.OK)
    # Which glass it was is drawn.
    golden(re.sub(r"\d", "N", get(demo, f"/api/triangles/{first['id']}")["words"]))
    again = demo.post(f"/api/triangles/{first['id']}/answer", json={"glass": 1})
    golden((again.status_code, again.json()["detail"]))

    over = play(demo, get(demo, f"/api/sittings/{sitting['id']}"), lambda taster, n: taster == "Ada" or n % 3 == 0)
    assert over["ended"]
    assert [turn["answered"] for turn in over["turns"]] == [6, 6]
    assert over["turns"][0]["found"] == 6
    assert demo.post(f"/api/sittings/{sitting['id']}/triangles").status_code == HTTPStatus.CONFLICT
    ada, wren, house = (get(demo, f"/api/tongue?taster={name}")["thresholds"][0] for name in ("Ada", "Wren", ""))
    assert ada["steps"] < house["steps"] < wren["steps"]
    # The demo's Odile has had twelve of them before.
    assert (ada["triangles"], house["triangles"], ada["counts"]) == (6, 24, True)
    assert ada["history"][-1]["steps"] == ada["steps"]
    assert len(ada["history"]) == 6


def test_its_own_steps_speak_wherever_this_taster_is_chosen(demo):
    play(demo, sit(demo, tasters=["Ada"], rounds=12))
    pours = [("london-dry-gin", 60, "base"), ("lemon-juice", 22.5, "sour"), ("simple-syrup-1-1", 22.5, "sweet")]

    def spec(syrup):
        told = [{"ingredient": slug, "amount": syrup if slot == "sweet" else ml, "unit": "ml", "slot": slot} for slug, ml, slot in pours]
        return {"format": "oenomel/spec", "version": 1, "name": "Noon Sour", "family": "sour", "pours": told}

    def headline(**tongue):
        told = post(demo, "/api/compare", {"spec": spec(27), "parent": spec(22.5), **tongue}, HTTPStatus.OK)
        return told["axes"][0]["headline"], told["axes"][0]["value"]

    usual, fine = headline(), headline(tongue="Ada")
    assert usual[0] == "A touch sweeter"
    assert fine[0] in ("Sweeter", "Clearly sweeter")
    assert usual[1] == fine[1]
    # Of somebody unknown the usual words are told.
    assert headline(tongue="Nobody at all") == usual
    before = get(demo, "/api/palate?taster=Odile")
    play(demo, sit(demo, tasters=["Odile"]), lambda _, n: n % 2 == 0)
    after = get(demo, "/api/palate?taster=Odile")
    assert before["axes"][0]["steps"] != after["axes"][0]["steps"]
    drink, trial = next(
        (each["id"], trial["id"])
        for each in get(demo, "/api/drinks")
        for trial in get(demo, f"/api/drinks/{each['id']}/notebook")["trials"]
        if trial["sheets"]
    )
    assert post(demo, f"/api/drinks/{drink}/trials/{trial}/next", {"palate": "Odile"}, HTTPStatus.OK)["proposals"] is not None


def test_whoever_is_alone_pours_shuffles_and_looks_underneath(demo, golden):
    sitting = sit(demo, tasters=["Tam"], alone=True, matter="acid", grid=1)
    triangle = post(demo, f"/api/sittings/{sitting['id']}/triangles")
    told = post(demo, f"/api/triangles/{triangle['id']}/answer", {"found": False}, HTTPStatus.OK)
    assert told["turns"][0] == told["turns"][0] | {"answered": 1, "found": 0}
    golden(get(demo, f"/api/triangles/{triangle['id']}")["words"])
    post(demo, f"/api/sittings/{sitting['id']}/end", status=HTTPStatus.OK)
    assert get(demo, "/api/tongue?taster=Tam")["sittings"] == []
    # Taken back, it teaches nothing.
    assert demo.delete(f"/api/sittings/{sitting['id']}").status_code == HTTPStatus.NO_CONTENT
    assert get(demo, "/api/tongue?taster=Tam")["thresholds"][1]["triangles"] == 0
    assert demo.get(f"/api/triangles/{triangle['id']}").status_code == HTTPStatus.NOT_FOUND


@pytest.mark.parametrize(
    ("body", "place"),
    [
        ({"tasters": ["Ada", "Ada"]}, "tasters"),
        ({"alone": True}, "alone"),
        ({"sour": "moon-juice"}, "sour"),
        ({"matter": "abv", "base": "rhubarb-syrup"}, ""),
        ({"rounds": 40}, "rounds"),
        ({"tasters": [" "]}, "tasters[0]"),
        ({"tasters": [str(n) for n in range(12)], "rounds": 24}, ""),
        ({"grid": 7}, "grid"),
    ],
)
def test_a_sitting_that_cannot_be_is_refused_with_its_place(demo, body, place, golden):
    answer = demo.post("/api/sittings", json={"matter": "sugar", "tasters": ["Ada", "Wren"]} | body)
    assert answer.status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    assert answer.json()["path"] == place
    golden(answer.json()["detail"])


def test_an_answer_tells_a_glass_or_whether_it_was_found(demo):
    triangle = post(demo, f"/api/sittings/{sit(demo)['id']}/triangles")
    for body in ({}, {"glass": 1, "found": True}, {"glass": 4}):
        assert demo.post(f"/api/triangles/{triangle['id']}/answer", json=body).status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    assert demo.post("/api/triangles/999/answer", json={"glass": 1}).status_code == HTTPStatus.NOT_FOUND


@pytest.mark.parametrize("kind", ["swap", "fault", "correction"])
def test_an_exercise_keeps_its_solution_until_it_is_answered_and_the_week_counts_it(demo, kind):
    assert demo.put("/api/training", json={"taster": "Wren"}).json()["week"]["today"] == 1
    asked = post(demo, "/api/exercises", {"taster": "Wren", "kind": kind})
    assert not {"right", "told"} & set(asked)
    assert get(demo, f"/api/exercises/{asked['id']}") == asked
    path = f"/api/exercises/{asked['id']}/answer"
    assert demo.post(path, json={"said": {"no such thing": "more"}}).json()["path"] == "said.no such thing"
    solved = post(demo, path, {"said": {ask["key"]: ask["options"][0]["key"] for ask in asked["asks"]}}, HTTPStatus.OK)
    by_hand = [ask["options"][0]["key"] in solved["right"][ask["key"]] for ask in asked["asks"]]
    assert solved["score"] == pytest.approx(sum(by_hand) / len(by_hand))
    assert solved["told"]
    assert demo.post(path, json={"said": {}}).status_code == HTTPStatus.CONFLICT
    tongue = get(demo, "/api/tongue?taster=Wren")
    assert next(each for each in tongue["exercises"] if each["kind"] == kind)["answered"] == 1
    assert sum(task["done"] for day in tongue["week"]["days"] for task in day["tasks"]) == 1
    assert demo.delete("/api/training/Wren").status_code == HTTPStatus.NO_CONTENT
    assert get(demo, "/api/tongue?taster=Wren")["week"] is None


def test_a_dozen_exercises_of_a_kind_are_not_the_same_one_again(demo):
    asked = [post(demo, "/api/exercises", {"taster": "Wren", "kind": "fault"}) for _ in range(12)]
    assert len({json.dumps([each["of"], each["spec"]["pours"]]) for each in asked}) >= 10


def test_an_empty_book_says_what_to_do_before_an_exercise(client, golden):
    answer = client.post("/api/exercises", json={"taster": "Wren", "kind": "swap"})
    assert answer.status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    golden(answer.json()["detail"])
    # Jugs can be mixed all the same, of what is usual.
    assert sit(client)["less"]["lines"][0]["ingredient"] == "lemon-juice"


def test_tongues_travel_to_another_machine_whole_and_only_once(demo, tmp_path, capsys, golden):
    play(demo, sit(demo))
    open_one = sit(demo, matter="smell", tasters=["Tam"])
    post(demo, f"/api/sittings/{open_one['id']}/triangles")
    asked = post(demo, "/api/exercises", {"taster": "Wren", "kind": "swap"})
    post(demo, f"/api/exercises/{asked['id']}/answer", {"said": {"sugar": "more"}}, HTTPStatus.OK)
    demo.put("/api/training", json={"taster": "Wren"})
    out, other = tmp_path / "out", tmp_path / "other.db"
    assert cli.main(["export", str(out), "--data", str(tmp_path / "demo.db")]) == 0
    capsys.readouterr()
    assert cli.main(["import", str(out / "house.json"), "--data", str(other)]) == 0
    golden(capsys.readouterr().out)
    assert cli.main(["import", str(out / "house.json"), "--data", str(other)]) == 0
    golden(capsys.readouterr().out)
    with TestClient(create_app(other), base_url="http://127.0.0.1") as there:
        for name in ("", "Ada", "Wren", "Tam"):
            here, moved = (get(client, f"/api/tongue?taster={name}") for client in (demo, there))
            assert moved["thresholds"] == here["thresholds"]
            assert moved["exercises"] == here["exercises"]
            assert moved["week"] == here["week"]
        (going_on,) = get(there, "/api/tongue?taster=Tam")["sittings"]
        # The glasses that stood there don't travel: the next ones are drawn anew.
        assert get(there, f"/api/sittings/{going_on}")["open"] is None
        assert play(there, get(there, f"/api/sittings/{going_on}"))["ended"]


def test_a_comparison_says_for_whose_tongue_it_is_told_and_only_where_its_steps_are_known(demo):
    pours = [{"ingredient": "white-rum", "amount": 60, "unit": "ml", "slot": "base"}]
    spec = {"format": "oenomel/spec", "version": 1, "name": "Noon", "family": "open", "pours": pours}
    told = {
        name: post(demo, "/api/compare", {"spec": spec, "parent": spec, "tongue": name}, HTTPStatus.OK)["for_taster"]
        for name in (None, "Wren", "Odile", "")
    }
    # The demo's Odile has had twelve triangles, Wren none; the house has all of them together.
    assert told == {None: "", "Wren": "", "Odile": "Odile", "": "the team"}


def test_a_write_that_comes_twice_draws_one_triangle(demo):
    sitting = sit(demo)
    header = {"idempotency-key": "the-same-press"}
    first, again = (demo.post(f"/api/sittings/{sitting['id']}/triangles", headers=header) for _ in range(2))
    assert first.json() == again.json()
    assert again.headers["answered-before"] == "true"
    assert demo.get("/api/tongue?whose=Ada").json()["path"] == "whose"


def test_what_is_low_can_still_be_poured_into_a_jug_and_what_is_out_cannot(demo):
    for state, first in (("low", "london-dry-gin"), ("out", "vodka")):
        for bottle in demo.get("/api/shelf").json():
            wanted = state if bottle["slug"] == "london-dry-gin" else "out"
            demo.put(f"/api/shelf/{bottle['slug']}", json={"state": wanted})
        strong = next(each for each in get(demo, "/api/tongue/bottles/abv") if each["job"] == "base")
        assert strong["options"][0] == strong["options"][0] | {"slug": first, "at_hand": state == "low"}
