"""Cards, lists, and a house carried out and in, through the API."""

import json
import re
import shutil
from http import HTTPStatus

import pytest
from starlette.testclient import TestClient

from oenomel.api.app import create_app


@pytest.fixture
def house(tmp_path, demo_file):
    shutil.copyfile(demo_file, tmp_path / "house.db")
    with TestClient(create_app(tmp_path / "house.db"), base_url="http://127.0.0.1") as client:
        yield client


def post(client, path, body, status=HTTPStatus.OK):
    answer = client.post(path, json=body)
    assert answer.status_code == status, answer.text
    return answer.json()


def lines_of(html: str) -> list[str]:
    """What a card says, without how it is laid out."""
    text = re.sub(r"<svg.*?</svg>", "", html, flags=re.DOTALL)
    return [
        line for part in re.split(r"</?(?:h1|p|tr|dt|dd|li|div)[^>]*>", text) if (line := " ".join(re.sub("<[^>]+>", " ", part).split()))
    ]


def test_a_card_is_of_the_bench_of_a_trial_or_of_two_beside_each_other(house, golden):
    bench = post(house, "/api/cards", {"drink": 3})["html"]
    golden(lines_of(bench))
    trial = post(house, "/api/cards", {"drink": 8, "trial": 1, "shown": "oz", "country": "uk"})["html"]
    golden(lines_of(trial))
    two = post(house, "/api/cards", {"drink": 7, "trial": 2, "beside": 4})["html"]
    assert two.count("<article") == 2
    assert two.index("<h1") < two.rindex("<h1")
    assert "card-differs" in two
    assert post(house, "/api/cards", {"drink": 7, "trial": 9}, HTTPStatus.NOT_FOUND)["code"] == "not-found"
    assert post(house, "/api/cards", {"drink": 70}, HTTPStatus.NOT_FOUND)["code"] == "not-found"


def test_a_list_is_of_the_finished_drinks_or_of_those_that_are_named(house):
    finished = post(house, "/api/list-sheet", {})["html"]
    assert finished.count('<th scope="row">') == 9
    assert "Walled Garden Daisy" not in finished
    assert "Walled Garden Daisy" in post(house, "/api/list-sheet", {"drinks": [3]})["html"]
    assert post(house, "/api/list-sheet", {"drinks": [3, 99]}, HTTPStatus.NOT_FOUND)["code"] == "not-found"


@pytest.mark.parametrize("wanted", ["house", "csv", "markdown", "json", "jsonld"])
def test_what_is_carried_out_is_known_again_when_it_comes_in(house, client, wanted):
    for drinks, many in (([], 11), ([1, 3], 2)):
        carried = post(house, "/api/export", {"drinks": drinks, "wanted": wanted})
        files = [{"name": carried["file_name"], "text": carried["text"]}]
        items = post(house, "/api/import/look", {"files": files})["items"]
        assert [item["state"] for item in items if item["kind"] == "drink"] == ["same"] * many
    if wanted == "house":
        looked = post(client, "/api/import/look", {"files": files})["items"]
        assert {item["state"] for item in looked} == {"new"}
        taken = post(client, "/api/import", {"files": files})["items"]
        assert [item["key"] for item in taken] == [item["key"] for item in looked]
        assert {each["name"] for each in client.get("/api/drinks").json()} == {"Hedge Gate Sour", "Walled Garden Daisy"}
        assert {item["state"] for item in post(client, "/api/import", {"files": files})["items"]} == {"same"}


def test_one_file_that_cannot_be_read_takes_nothing_in_and_is_named(house, client):
    carried = post(house, "/api/export", {"drinks": [1], "wanted": "house"})["text"]
    files = [{"name": "good.json", "text": carried}, {"name": "cut.json", "text": carried[:500]}]
    refused = post(client, "/api/import", {"files": files}, HTTPStatus.UNPROCESSABLE_ENTITY)
    assert "cut.json" in refused["detail"]
    assert client.get("/api/drinks").json() == []


def test_a_house_may_be_larger_than_other_requests(client, golden):
    drink = {"format": "oenomel/house", "version": 1, "drinks": []}
    text = json.dumps(drink) + " " * 3_000_000
    assert post(client, "/api/import/look", {"files": [{"name": "large.json", "text": text}]})["items"] == []
    answer = client.post("/api/import", content=b"x" * 30_000_001, headers={"content-type": "application/json"})
    golden((answer.status_code, answer.json()["detail"]))


def test_the_data_file_tells_where_it_lies_and_is_copied_now(house, tmp_path):
    before = house.get("/api/data-file").json()
    assert before["path"] == str(tmp_path / "house.db")
    assert (before["copies"], before["last_copy_at"]) == (0, None)
    after = post(house, "/api/copies", None, HTTPStatus.CREATED)
    assert after["copies"] == 1
    assert len(list((tmp_path / "house-copies").iterdir())) == 1


def test_garnishes_are_suggested_out_of_the_house_s_larder(house, golden):
    spec = house.get("/api/drinks/8").json()["trials"][-1]["spec"]
    suggested = post(house, "/api/garnishes", spec)
    golden(suggested[0]["garnish"])  # fmt: skip
