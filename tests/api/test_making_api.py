"""HTTP: amounts as they are said, pours that follow or range, the steps, the glass and the ice of a serve; the book's search."""

from http import HTTPStatus

import pytest

FIZZ = {
    "format": "oenomel/spec",
    "version": 1,
    "name": "Pump House Fizz",
    "family": "fizz",
    "pours": [
        {"ingredient": "white-rum", "amount": 60, "unit": "ml", "slot": "base"},
        {"ingredient": "lemon-juice", "amount": 30, "unit": "ml", "slot": "sour"},
        {"ingredient": "simple-syrup-1-1", "amount": 22.5, "unit": "ml", "slot": "sweet"},
        {"ingredient": "soda-water", "amount": 60, "unit": "ml", "slot": "lengthener", "stage": "topped"},
    ],
    "serve": {"glass": "tall glass", "ice": "cubes"},
}


def with_pour(index: int, **change: object) -> dict:
    pours = [{**pour, **(change if at == index else {})} for at, pour in enumerate(FIZZ["pours"])]
    return {**FIZZ, "pours": pours}


def ask(client, path, body, status=HTTPStatus.OK):
    answer = client.post(path, json=body)
    assert answer.status_code == status, answer.text
    return answer.json()


def in_ml(amount):
    return {"amount": amount, "unit": "ml"}


@pytest.mark.parametrize(
    ("text", "pour", "means"),
    [
        ("¾ oz", 2, {"amount": 0.75, "unit": "oz"}),
        ("scant barspoon", 2, {"amount": 0.8, "unit": "barspoon", "said": "scant barspoon"}),
        ("half the rum", 1, {"amount": 30, "unit": "ml", "said": "half the rum", "relative": {"to": 0, "times": 0.5}}),
        ("15-30", 2, {"amount": 22.5, "unit": "ml", "range": [15, 30]}),
        ("1/2 to 1 oz", 2, {"amount": 0.75, "unit": "oz", "range": [15, 30]}),
        ("a jigger", 0, {"amount": None, "said": "a jigger", "asks": "which", "choices": [in_ml(each) for each in (30, 45, 60)]}),
        ("three-quarters", 2, {"amount": 0.75, "said": "three-quarters", "asks": "which", "choices": [in_ml(0.75), in_ml(22.5)]}),
        (
            "2 parts",
            0,
            {
                "amount": 2,
                "unit": "part",
                "said": "2 parts",
                "asks": "part",
                "part_sizes": [15, 22.5, 30],
                "choices": [in_ml(each) for each in (30, 45, 60)],
            },
        ),
        ("to taste", 2, {"amount": None, "said": "to taste", "asks": "range"}),
    ],
)
def test_an_amount_is_read_beside_the_drink_it_stands_in(client, text, pour, means):
    read = ask(client, "/api/amount", {"text": text, "spec": FIZZ, "pour": pour})
    nothing = {"said": None, "relative": None, "range": None, "choices": [], "asks": "", "part_sizes": []}
    assert {"unit": "ml", **nothing, **means} == read


def test_topping_to_the_line_fills_the_glass_to_it(client, golden):
    read = ask(client, "/api/amount", {"text": "top to the line", "spec": FIZZ, "pour": 3})
    sight = ask(client, "/api/predict", with_pour(3, amount=read["amount"]))["sight"]
    assert sight["words"] == "at the wash line"
    golden(ask(client, "/api/amount", {"text": "to the line", "spec": FIZZ, "pour": 0}, 422)["detail"])
    assert "no ingredient 9" in ask(client, "/api/amount", {"text": "1", "spec": FIZZ, "pour": 9}, 422)["detail"]
    golden(ask(client, "/api/amount", {"text": "much", "spec": FIZZ, "pour": 0}, 422)["detail"])


def test_today_s_ice_is_asked_of_whoever_tops_to_the_line(client):
    # Colder ice gives less water by the heat balance, so that more goes on top.
    cold = {"dilution": "heat balance", "ice_c": -18}
    typed = {"text": "top to the line", "unit": "ml", "pour": 3}
    told = {
        path: client.post(path, params=cold, json=body).json()
        for path, body in (("/api/amount", {**typed, "spec": FIZZ}), ("/api/compare", {"spec": FIZZ, "parent": FIZZ, "typed": typed}))
    }
    amount = told["/api/amount"]["amount"]
    assert told["/api/compare"]["typed"]["amount"] == amount
    assert amount > ask(client, "/api/amount", {**typed, "spec": FIZZ})["amount"] + 5
    assert client.post("/api/predict", params=cold, json=with_pour(3, amount=amount)).json()["sight"]["words"] == "at the wash line"


def test_a_pour_that_follows_is_poured_and_kept_resolved_and_no_circle_is_followed(client):
    follows = with_pour(2, relative={"to": 1, "times": 0.75})
    doubled = {**follows, "pours": [{**pour, "amount": 60} if at == 1 else pour for at, pour in enumerate(follows["pours"])]}
    assert ask(client, "/api/predict", follows)["pours"][2]["volume_ml"] == 22.5
    assert ask(client, "/api/predict", doubled)["pours"][2]["volume_ml"] == 45
    kept = ask(client, "/api/drinks", {"name": "A", "spec": doubled, "trial_name": "first"}, HTTPStatus.CREATED)
    assert kept["trials"][0]["spec"]["pours"][2]["amount"] == 45
    circle = {
        **follows,
        "pours": [{**pour, "relative": {"to": 2, "times": 1}} if at == 1 else pour for at, pour in enumerate(follows["pours"])],
    }
    assert "refers to itself" in ask(client, "/api/predict", circle, 422)["detail"]
    # Brought elsewhere, it follows only while it still is what it follows.
    made = ask(client, "/api/rebalance", {"spec": follows, "target": {"sugar": 9.0}, "free": [2]})
    assert made["spec"]["pours"][2]["relative"] is None


def test_a_range_is_told_at_both_ends_and_settles_near_the_parent(client):
    (span,) = ask(client, "/api/ranges", {"spec": with_pour(2, range=[10, 40]), "parent": FIZZ})
    assert span["pour"] == 2
    assert span["best"]["pour_ml"] == 22.5
    assert span["low"]["sugar"] < span["best"]["sugar"] < span["high"]["sugar"]
    assert span["high"]["acid"] < span["low"]["acid"]
    assert ask(client, "/api/ranges", {"spec": FIZZ, "parent": FIZZ}) == []


def test_steps_follow_the_house_s_schools(client, golden):
    steps = ask(client, "/api/steps", {"spec": FIZZ})
    assert [step["pour"] for step in steps if step["kind"] == "pour"] == [1, 2, 0]
    golden(steps[-1]["words"])
    steps = ask(client, "/api/steps", {"spec": FIZZ, "order": "spirit first", "sparkling": "half and half"})
    assert [step["pour"] for step in steps if step["kind"] == "pour"] == [0, 2, 1]
    assert [step["share"] for step in steps if step["pour"] == 3] == [0.5, 0.5]


def test_a_drink_is_sized_to_its_glass_and_keeps_its_balance(client, golden):
    large = {**FIZZ, "serve": {"glass": "small tall glass", "ice": "none"}}
    before = ask(client, "/api/predict", large)
    after = ask(client, "/api/predict", ask(client, "/api/size", large))
    golden(before["sight"]["state"])
    assert after["sight"]["state"] == "right"
    for axis in ("abv", "sugar", "acid"):
        assert after["served"][axis] == pytest.approx(before["served"][axis], rel=0.03)
    golden(ask(client, "/api/size", {**FIZZ, "serve": {}}, 422)["detail"])
    assert "tiny cup" in ask(client, "/api/size", {**FIZZ, "serve": {"glass": "tiny cup", "ice": "crushed"}}, 422)["detail"]


def test_the_same_drink_on_each_ice_and_what_one_pour_less_takes_with_it(client):
    serves = ask(client, "/api/serves", FIZZ)
    assert [each["ice"] for each in serves] == ["none", "cubes", "large", "crushed"]
    assert [sip["minute"] for sip in serves[0]["sips"]] == [0, 10, 20]
    without = {**FIZZ, "pours": FIZZ["pours"][:2] + FIZZ["pours"][3:]}
    beside = ask(client, "/api/compare", {"spec": without, "parent": FIZZ})
    # 22.5 ml of syrup, and water that the ice gives no longer.
    assert beside["volume_by_ml"] == pytest.approx(-22.5 + beside["water_by_ml"])
    assert beside["water_by_ml"] < 0
    assert {glass["name"] for glass in client.get("/api/glasses").json()} >= {"tiny cup", "flute", "wine glass", "tall glass"}


def test_the_book_is_searched_by_name_family_ingredient_and_what_was_written(client):
    for name, reason in (("Pump House Fizz", "for the hot days"), ("Boiler Fizz", "")):
        ask(client, "/api/drinks", {"name": name, "spec": FIZZ, "trial_name": "first", "reason": reason}, HTTPStatus.CREATED)

    def found(words: str) -> list[str]:
        return [each["name"] for each in client.get("/api/drinks", params={"q": words}).json()]

    assert found("") == found("fizz") == found("soda white rum") == ["Boiler Fizz", "Pump House Fizz"]
    assert found("boiler") == ["Boiler Fizz"]
    assert found("HOT days pump") == ["Pump House Fizz"]
    assert found("100%") == found("_") == found("unit") == []
