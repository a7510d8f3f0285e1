"""HTTP: the seams, the refusals, who may call."""

import math
from http import HTTPStatus

import pytest
from starlette.testclient import TestClient

from oenomel.api.app import create_app
from oenomel.core.balance.perception import TASTED_STEPS
from oenomel.core.forecast.explanations import EXPLAINED
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.demo import scenario

SPEC = {
    "format": "oenomel/spec",
    "version": 1,
    "name": "Orchard Sour",
    "family": "sour",
    "pours": [
        {"ingredient": "white-rum", "amount": 60, "unit": "ml", "slot": "base"},
        {"ingredient": "lime-juice", "amount": "3/4", "unit": "oz", "slot": "sour"},
        {"ingredient": "simple-syrup-1-1", "amount": 22.5, "unit": "ml", "slot": "sweet"},
    ],
}


def with_pour(index: int, **change: object) -> dict:
    pours = [{**pour, **(change if at == index else {})} for at, pour in enumerate(SPEC["pours"])]
    return {**SPEC, "pours": pours}


@pytest.fixture
def drink(client):
    body = {"name": "Orchard Sour", "spec": SPEC, "trial_name": "As first poured", "reason": "to start"}
    return client.post("/api/drinks", json=body).json()


def test_predict_answers_every_key_of_the_format(client):
    answer = client.post("/api/predict", json=SPEC)
    assert answer.status_code == HTTPStatus.OK
    forecast = answer.json()
    assert forecast["undiluted"].keys() >= {"volume_ml", "abv", "sugar", "acid"}
    assert forecast["dilution"] == {
        "ratio": pytest.approx(0.5193, abs=1e-4),
        "water_ml": pytest.approx(54.53, abs=0.01),
        "model": "curve",
        "measurements": 0,
    }
    assert forecast["served"].keys() >= {
        "volume_ml", "abv", "sugar", "acid", "sugar_acid_ratio", "alcohol_g", "energy_kcal", "titratable_acid", "standard_drinks",
        "co2",
    }  # fmt: skip
    assert forecast["interval80"].keys() >= {"abv", "sugar", "acid"}
    assert all(len(interval) == 2 for interval in forecast["interval80"].values() if interval)
    assert {finding["severity"] for finding in forecast["findings"]} == {"info"}
    dry = client.post("/api/predict", json=with_pour(1, ingredient="soda-water", stage="topped")).json()
    assert dry["served"]["sugar_acid_ratio"] is None
    assert {"code", "severity", "message"} <= dry["findings"][0].keys()


@pytest.mark.parametrize(
    ("change", "path"),
    [
        ({"amount": "3/0"}, "pours[1].amount"),
        ({"amount": -1}, "pours[1].amount"),
        ({"amount": 10_001, "unit": "ml"}, "pours[1].amount"),
        ({"ingredient": "lime-jiuce"}, "pours[1].ingredient"),
        ({"colour": 1}, "pours[1].colour"),
        ({"ingredient": {"name": "x", "composition": {"abv": 120}}}, "pours[1].ingredient.composition"),
    ],
)
@pytest.mark.parametrize("place", ["predict", "compare", "draft"])
def test_bad_spec_is_a_problem_document_with_the_sentence_and_the_place(client, drink, place, change, path, golden):
    spec = with_pour(1, **change)
    if place == "predict":
        answer, prefix = client.post("/api/predict", json=spec), ""
    elif place == "compare":
        answer, prefix = client.post("/api/compare", json={"spec": spec, "parent": SPEC}), "spec."
    else:
        body = {"parent_trial_id": drink["trials"][0]["id"], "spec": spec, "revision": 0}
        answer, prefix = client.put(f"/api/drinks/{drink['id']}/draft", json=body), "spec."
    assert answer.status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    assert answer.headers["content-type"] == "application/problem+json"
    problem = answer.json()
    assert problem["path"].removeprefix(prefix) == path
    golden(problem["detail"])
    assert client.get(f"/api/drinks/{drink['id']}").json()["draft"] is None


@pytest.mark.parametrize(
    ("method", "path", "body", "status"),
    [
        ("POST", "/api/predict", "{bad", HTTPStatus.BAD_REQUEST),
        ("POST", "/api/predict", "[]", HTTPStatus.UNPROCESSABLE_ENTITY),
        ("GET", "/api/nothing", None, HTTPStatus.NOT_FOUND),
        ("GET", "/api/drinks/99", None, HTTPStatus.NOT_FOUND),
        ("GET", "/api/ingredients/nothing", None, HTTPStatus.NOT_FOUND),
        ("GET", "/api/ingredients?kind=stone", None, HTTPStatus.UNPROCESSABLE_ENTITY),
        ("GET", "/api/drinks?q=" + "x" * 200, None, HTTPStatus.UNPROCESSABLE_ENTITY),
        ("DELETE", "/api/health", None, HTTPStatus.METHOD_NOT_ALLOWED),
    ],
)
def test_every_refusal_has_the_same_shape(client, method, path, body, status):
    answer = client.request(method, path, content=body, headers={"content-type": "application/json"})
    assert answer.status_code == status
    problem = answer.json()
    assert problem.keys() == {"type", "title", "status", "detail", "code", "path"}
    assert problem["status"] == status


def test_drink_trial_and_draft_make_the_whole_round(client, drink):
    assert drink["trials"][0]["spec"]["pours"][1]["amount"] == 0.75
    sweeter = with_pour(2, amount=30)
    parent = drink["trials"][0]["id"]
    url = f"/api/drinks/{drink['id']}"
    saved = client.put(f"{url}/draft", json={"parent_trial_id": parent, "spec": sweeter, "revision": 0}).json()
    assert saved["revision"] == 1
    stale = client.put(f"{url}/draft", json={"parent_trial_id": parent, "spec": SPEC, "revision": 0})
    assert (stale.status_code, stale.json()["code"]) == (HTTPStatus.CONFLICT, "conflict")
    keep = {"name": "Sweeter", "reason": "too sharp", "parent_trial_id": parent, "spec": sweeter, "revision": 1}
    kept = client.post(f"{url}/trials", json=keep).json()
    told = [(trial["number"], trial["name"], trial["reason"]) for trial in kept["trials"]]
    assert told == [(1, "As first poured", "to start"), (2, "Sweeter", "too sharp")]
    assert kept["draft"]["parent_trial_id"] == kept["trials"][1]["id"]
    assert client.patch(url, json={"name": " Orchard "}).json()["name"] == "Orchard"
    (summary,) = client.get("/api/drinks").json()
    assert (summary["name"], summary["trials"], summary["latest_trial"], summary["has_draft"]) == ("Orchard", 2, "Sweeter", False)


def test_keeping_over_a_stale_draft_keeps_neither_trial_nor_draft(client, drink):
    url, parent = f"/api/drinks/{drink['id']}", drink["trials"][0]["id"]
    body = {"name": "Lost", "reason": "", "parent_trial_id": parent, "spec": SPEC, "revision": 5}
    assert client.post(f"{url}/trials", json=body).status_code == HTTPStatus.CONFLICT
    after = client.get(url).json()
    assert (len(after["trials"]), after["draft"]) == (1, None)


def test_comparison_tells_three_axes_and_what_cannot_be_seen(client):
    body = {"spec": with_pour(0, ingredient="vodka"), "parent": SPEC}
    comparison = client.post("/api/compare", json=body).json()
    assert [axis["axis"] for axis in comparison["axes"]] == ["sugar", "acid", "abv"]
    assert comparison["unseen"][0].startswith("Vodka")


def test_families_bring_schools_that_can_be_poured_and_homes(client):
    for family in client.get("/api/families").json():
        assert len(family["schools"]) >= 4
        assert all(client.post("/api/predict", json=school["spec"]).status_code == HTTPStatus.OK for school in family["schools"])
        branches = {"open": [], "fizz": ["", "without alcohol", "long on juice"]}.get(family["slug"], ["", "without alcohol"])
        assert [home["branch"] for home in family["homes"]] == branches
        assert all(len(home["outline"]) > 3 for home in family["homes"])
        assert all((home["strength"] is None) is (home["branch"] == "without alcohol") for home in family["homes"])
        assert family["published"]
        assert len(family["forms"]) >= 4


def leaves(node: dict) -> list[dict]:
    return [leaf for part in node["parts"] for leaf in leaves(part)] or [node]


@pytest.mark.parametrize("school", ["curve", "heat balance"])
def test_every_reported_figure_answers_why_and_its_leaves_add_up_to_it(client, school):
    # A fizz with something at each stage, so that the four points differ.
    spec = {
        **SPEC,
        "family": "fizz",
        "pours": [
            *SPEC["pours"],
            {"ingredient": "heavy-cream", "amount": 7.5, "unit": "ml"},
            {"ingredient": "orange-juice", "amount": 10, "unit": "ml", "stage": "glass"},
            {"ingredient": "anise-wormwood-spirit", "amount": 5, "unit": "ml", "stage": "rinse"},
            {"ingredient": "sparkling-brut", "amount": 60, "unit": "ml", "stage": "topped"},
        ],
    }
    forecast = client.post("/api/predict", params={"dilution": school}, json=spec).json()
    for point, key in (("tin", "undiluted"), ("strained", "strained"), ("before_topping", "before_topping"), ("served", "served")):
        figures = {**forecast[key], "water_ml": forecast["dilution"]["water_ml"], "water_ratio": forecast["dilution"]["ratio"]}
        figures |= {f"standard_drinks_{country}": drinks for country, drinks in figures.pop("standard_drinks").items()}
        # Carbon dioxide is told of the glass, where the bubbles are.
        reported = set(EXPLAINED) if point == "served" else set(EXPLAINED) - {"co2"}
        assert figures.keys() - {"body_word"} == reported
        for figure in reported:
            tree = client.post(f"/api/why/{point}/{figure}", params={"dilution": school}, json=spec).json()
            assert math.fsum(leaf["value"] for leaf in leaves(tree)) == pytest.approx(figures[figure], rel=1e-9), (point, figure)
            assert tree["equation"], figure


def test_leaves_of_why_name_the_composition_value_its_spread_and_its_source(client):
    acid = leaves(client.post("/api/why/served/acid", json=SPEC).json())
    assert {leaf["name"] for leaf in acid} == {"citric acid", "malic acid"}
    assert all("Arnold" in leaf["source"] and leaf["relative_sd"] == 0.12 and "÷ 159.5 ml" in leaf["equation"] for leaf in acid)
    refused = client.post("/api/why/served/sugar_acid_ratio", json=with_pour(1, ingredient="soda-water", stage="topped"))
    assert refused.json()["code"] == "unknown-figure"
    assert client.post("/api/why/served/charm", json=SPEC).status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    topped = {**SPEC, "pours": [{**pour, "stage": "topped"} for pour in SPEC["pours"]]}
    assert client.post("/api/why/tin/abv", json=topped).json()["code"] == "unknown-figure"
    water = client.post("/api/why/served/water_ml", json=SPEC).json()
    assert "−1.567" in water["equation"].replace("-1.567", "−1.567")
    assert [used["name"] for used in water["uses"]] == ["Volume in the tin", "Strength in the tin"]


def test_school_of_dilution_and_the_ice_are_the_user_s(client):
    def dilution(**supposed: object) -> dict:
        return client.post("/api/predict", params=supposed, json=SPEC).json()["dilution"]

    curve, heat = dilution(), dilution(dilution="heat balance")
    assert (curve["model"], heat["model"]) == ("curve", "heat balance")
    assert heat["water_ml"] == pytest.approx(curve["water_ml"], rel=0.1)
    assert dilution(dilution="heat balance", ice_c=-18)["water_ml"] < heat["water_ml"]
    assert dilution(dilution="heat balance", start_c=4)["water_ml"] < heat["water_ml"]
    assert client.post("/api/predict", params={"ice_c": 5}, json=SPEC).status_code == HTTPStatus.UNPROCESSABLE_ENTITY


def test_twenty_minutes_and_mends_over_http(client, drink):
    course = client.post("/api/course", json={**SPEC, "serve": {"glass": "large rocks glass", "ice": "crushed"}}).json()
    assert len(course["abv"]) == 21
    assert course["abv"][20] < course["abv"][0]
    assert course["top"] is None
    wet = with_pour(2, ingredient="soda-water")
    mended = client.post("/api/mend", json={"spec": wet, "code": "sparkling-in-the-tin", "pour": 2})
    assert mended.json()["pours"][2]["stage"] == "topped"
    gone = client.post("/api/mend", json={"spec": SPEC, "code": "sparkling-in-the-tin", "pour": 2})
    assert (gone.status_code, gone.json()["code"]) == (HTTPStatus.CONFLICT, "mend-gone")


def test_house_s_own_reference_widens_the_home(client, drink):
    sharp = with_pour(1, amount=60, unit="ml")
    spec = client.post(
        f"/api/drinks/{drink['id']}/trials", json={"name": "Sharp", "parent_trial_id": 1, "spec": sharp, "revision": 0}
    ).json()
    before = client.post("/api/predict", json=sharp).json()["place"]["distance_steps"]
    marked = client.put(f"/api/drinks/{drink['id']}/trials/{spec['trials'][1]['id']}/reference", json={"counts": True}).json()
    assert [trial["reference"] for trial in marked["trials"]] == [False, True]
    after = client.post("/api/predict", json=sharp).json()["place"]["distance_steps"]
    assert after < 1e-9
    assert before > 0.5
    client.put(f"/api/drinks/{drink['id']}/trials/{spec['trials'][1]['id']}/reference", json={"counts": False})
    assert client.post("/api/predict", json=sharp).json()["place"]["distance_steps"] == before
    assert client.put(f"/api/drinks/{drink['id']}/trials/99/reference", json={"counts": True}).status_code == HTTPStatus.NOT_FOUND


def test_ingredient_answers_with_the_source_of_each_number(client):
    found = client.get("/api/ingredients", params={"q": "lime"}).json()
    assert (found[0]["slug"], found[0]["found_by"]) == ("lime-juice", "lime")
    assert {"lime-zest", "lime-wedge", "lime-cordial"} <= {i["slug"] for i in found}
    detail = client.get("/api/ingredients/lime-juice").json()
    assert {value["name"] for value in detail["values"]} == set(catalogue()["lime-juice"].values)
    assert all(value["source"] for value in detail["values"])


def test_server_answers_to_its_own_name_and_origin_alone_and_with_strict_headers(client):
    fine = client.get("/api/health")
    assert fine.json()["status"] == "ok"
    policy = fine.headers["content-security-policy"]
    assert "default-src 'none'" in policy
    assert "unsafe" not in policy
    assert client.get("/api/health", headers={"host": "evil.example"}).status_code == HTTPStatus.FORBIDDEN
    strange = client.post("/api/predict", json=SPEC, headers={"origin": "http://evil.example"})
    assert strange.status_code == HTTPStatus.FORBIDDEN
    assert client.post("/api/predict", json=SPEC, headers={"origin": "http://127.0.0.1"}).status_code == HTTPStatus.OK


def test_deep_links_get_the_page_and_missing_assets_do_not(client):
    assert '<div id="root">' in client.get("/bench/3/trials/2").text
    assert client.get("/assets/nothing.js").status_code == HTTPStatus.NOT_FOUND
    for path in ("/../../pyproject.toml", "/.git/config", "/.env", "/wp-login.php", "/bench/3/app.js"):
        assert client.get(path).status_code == HTTPStatus.NOT_FOUND, path


def test_only_the_demo_can_be_put_back(client, tmp_path):
    assert client.post("/api/demo/reset").status_code == HTTPStatus.NOT_FOUND
    scenario.prepare(tmp_path / "demo.db")
    demo = TestClient(create_app(tmp_path / "demo.db", demo=True), base_url="http://127.0.0.1")
    before = demo.get("/api/drinks").json()
    demo.patch("/api/drinks/1", json={"name": "Scribbled over"})
    demo.post("/api/drinks", json={"name": "One more", "spec": SPEC, "trial_name": "First"})
    assert demo.post("/api/demo/reset").json() == before
    assert demo.get("/api/drinks").json() == before


def test_schema_of_the_spec_is_served(client):
    assert client.get("/api/spec-schema").json()["title"] == "SpecFile"


def test_open_api_document_tells_every_route_by_its_function(client):
    document = client.get("/api/openapi.json").json()
    operations = {operation["operationId"] for path in document["paths"].values() for operation in path.values()}
    assert {"predict_drink", "compare_drinks", "list_ingredients", "list_drinks", "keep_trial", "save_draft", "get_health"} <= operations


@pytest.mark.parametrize(
    ("method", "path", "name"),
    [
        ("POST", "/api/predict?ice=-18", "ice"),
        ("GET", "/api/drinks?q=gin&colour=red", "colour"),
        ("GET", "/api/drinks/1?drink_id=2", "drink_id"),
        ("POST", "/api/compare?Dilution=curve", "Dilution"),
        ("GET", "/api/health?verbose", "verbose"),
    ],
)
def test_a_query_parameter_that_nobody_knows_is_refused_with_what_is_known(client, method, path, name, golden):
    answer = client.request(method, path, json=SPEC if method == "POST" else None)
    assert answer.status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    assert answer.json()["path"] == name
    golden(answer.json()["detail"])


def test_rules_of_the_trade_that_the_screens_draw_with_are_told_once(client):
    rules = client.get("/api/rules").json()
    assert rules["tasted_steps"] == TASTED_STEPS
    assert {name: axis["floor"] for name, axis in rules["axes"].items()} == {"sugar": 0.3, "acid": 0.03, "abv": 0.5}
    assert rules["reference_seconds"] == {"shake": 12, "stir": 30}
    # Every allergen that the catalogue tells can be avoided.
    assert {each for ingredient in catalogue().values() for each in ingredient.allergens} <= set(rules["allergens"])


def test_a_key_press_is_one_question_that_reads_the_amount_and_compares(client):
    typed = {"text": "half the rum", "unit": "ml", "pour": 2}
    answer = client.post("/api/compare", json={"spec": SPEC, "parent": SPEC, "typed": typed}).json()
    assert (answer["typed"]["amount"], answer["typed"]["relative"]) == (30, {"to": 0, "times": 0.5})
    alone = client.post("/api/compare", json={"spec": with_pour(2, amount=30), "parent": SPEC}).json()
    assert {**answer, "typed": None} == alone
    refused = client.post("/api/compare", json={"spec": SPEC, "parent": SPEC, "typed": {**typed, "text": "much"}})
    assert refused.status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    asked = client.post("/api/compare", json={"spec": SPEC, "parent": SPEC, "typed": {**typed, "text": "a jigger", "pour": 0}}).json()
    assert [choice["amount"] for choice in asked["typed"]["choices"]] == [30, 45, 60]


def test_a_new_pour_comes_at_its_usual_measure_for_the_family(client):
    (syrup,) = client.get("/api/ingredients", params={"q": "simple syrup 1:1", "family": "sour", "new_as": "sweet"}).json()
    assert syrup["new_pour"] == {"slot": "sweet", "stage": "mixed", "amount": 22.5, "unit": "ml"}
    bitters = client.get("/api/ingredients", params={"q": "aromatic bitters", "family": "sour", "new_as": "accent"}).json()[0]
    assert (bitters["new_pour"]["amount"], bitters["new_pour"]["unit"]) == (2, "dash")


def test_schools_say_which_home_of_their_family_they_make(client):
    fizz = next(family for family in client.get("/api/families").json() if family["slug"] == "fizz")
    branches = [school["branch"] for school in fizz["schools"]]
    assert set(branches) == {home["branch"] for home in fizz["homes"]}
    assert branches == sorted(branches, key=["", "without alcohol", "long on juice"].index)
