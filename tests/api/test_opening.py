"""The first opening: one answer for the bench, answers compressed for other devices, files as the build compressed them."""

import gzip
import json
from http import HTTPStatus

import pytest
from starlette.applications import Starlette
from starlette.responses import JSONResponse, StreamingResponse
from starlette.routing import Route
from starlette.testclient import TestClient
from support.notebook_spec import ORCHARD

from oenomel.api.middleware.compression import CompressForDevices
from oenomel.api.middleware.security import FrontEnd

NEW = {"name": "Orchard Sour", "spec": ORCHARD, "trial_name": "First"}


@pytest.fixture
def drink(client):
    return client.post("/api/drinks", json=NEW).json()


def test_one_answer_holds_what_the_questions_of_the_bench_would(client, drink):
    opened = client.get(f"/api/drinks/{drink['id']}/bench").json()
    spec = drink["trials"][0]["spec"]
    assert opened["drink"] == client.get(f"/api/drinks/{drink['id']}").json()
    assert opened["family"] == next(one for one in client.get("/api/families").json() if one["slug"] == drink["family"])
    assert opened["ingredients"] == client.get(f"/api/drinks/{drink['id']}/ingredients").json()
    assert opened["comparison"] == client.post("/api/compare", json={"spec": spec, "parent": spec, "tongue": None}).json()
    assert (opened["rules"], opened["glasses"]) == (client.get("/api/rules").json(), client.get("/api/glasses").json())


def test_the_bench_opens_with_the_draft_beside_the_trial_it_is_compared_with(client, drink):
    trial = drink["trials"][0]
    draft = {**trial["spec"], "pours": [{**trial["spec"]["pours"][0], "amount": 55}, *trial["spec"]["pours"][1:]]}
    body = {"parent_trial_id": trial["id"], "spec": draft, "revision": 0}
    assert client.put(f"/api/drinks/{drink['id']}/draft", json=body).status_code == HTTPStatus.OK
    opened = client.get(f"/api/drinks/{drink['id']}/bench").json()
    assert opened["comparison"] == client.post("/api/compare", json={"spec": draft, "parent": trial["spec"], "tongue": None}).json()


def test_each_family_is_asked_alone_and_a_missing_drink_is_not_found(client):
    for family in client.get("/api/families").json():
        assert client.get(f"/api/families/{family['slug']}").json() == family
    assert client.get("/api/families/nothing").status_code == HTTPStatus.UNPROCESSABLE_ENTITY
    assert client.get("/api/drinks/999/bench").status_code == HTTPStatus.NOT_FOUND
    assert client.get("/api/drinks/999/ingredients").status_code == HTTPStatus.NOT_FOUND


def test_some_ingredients_are_asked_by_slug_the_retired_and_no_unknown_ones(client):
    client.put("/api/larder/london-dry-gin/retired", json={"retired": True})
    asked = client.get("/api/ingredients", params={"slug": ["lemon-juice", "london-dry-gin", "nothing-so-called"]}).json()
    assert [one["slug"] for one in asked] == ["lemon-juice", "london-dry-gin"]


LONG = {"words": "sharper " * 1000}


def app_with_answers(seen):
    async def lines():
        for number in range(3):
            seen.append(number)
            yield (json.dumps({"line": number}) + "\n").encode()

    return CompressForDevices(
        Starlette(
            routes=[
                Route("/long", lambda _: JSONResponse(LONG)),
                Route("/short", lambda _: JSONResponse({})),
                Route("/lines", lambda _: StreamingResponse(lines(), media_type="application/x-ndjson")),
            ]
        )
    )


@pytest.mark.parametrize(
    ("address", "path", "accepts", "encoding"),
    [
        ("192.168.7.31", "/long", "gzip, br", "gzip"),
        ("192.168.7.31", "/long", "identity", None),
        ("192.168.7.31", "/short", "gzip", None),
        ("192.168.7.31", "/lines", "gzip", "gzip"),
        ("127.0.0.1", "/long", "gzip", None),
        ("::1", "/long", "gzip", None),
    ],
)
def test_only_other_devices_get_long_answers_compressed(address, path, accepts, encoding):
    client = TestClient(app_with_answers([]), client=(address, 50_000))
    answer = client.get(path, headers={"accept-encoding": accepts})
    assert answer.headers.get("content-encoding") == encoding
    expected = {"/long": json.dumps(LONG), "/short": "{}", "/lines": '{"line": 0}\n{"line": 1}\n{"line": 2}\n'}[path]
    assert answer.text.replace(" ", "") == expected.replace(" ", "")


@pytest.fixture
def files(tmp_path):
    """A front end of which the script was compressed by the build and the picture wasn't."""
    (tmp_path / "assets").mkdir()
    (tmp_path / "index.html").write_text("<p>page</p>")
    for name, text in (("app.js", "let a;"), ("look.css", "p{}"), ("mark.svg", "<svg/>")):
        (tmp_path / "assets" / name).write_text(text)
    (tmp_path / "assets" / "app.js.gz").write_bytes(gzip.compress(b"let a;"))
    (tmp_path / "assets" / "app.js.br").write_bytes(b"as brotli has it")
    (tmp_path / "assets" / "look.css.gz").write_bytes(gzip.compress(b"p{}"))
    return TestClient(FrontEnd(Starlette(), tmp_path))


@pytest.mark.parametrize(
    ("path", "accepts", "encoding", "media_type"),
    [
        ("/assets/app.js", "gzip, deflate, br", "br", "text/javascript; charset=utf-8"),
        ("/assets/app.js", "gzip;q=0.8", "gzip", "text/javascript; charset=utf-8"),
        ("/assets/app.js", "deflate", None, "text/javascript; charset=utf-8"),
        ("/assets/look.css", "br, gzip", "gzip", "text/css; charset=utf-8"),
        ("/assets/mark.svg", "br, gzip", None, "image/svg+xml"),
    ],
)
def test_a_file_is_sent_as_the_build_compressed_it_where_that_is_accepted(files, path, accepts, encoding, media_type):
    with files.stream("GET", path, headers={"accept-encoding": accepts}) as answer:
        assert (answer.status_code, answer.headers.get("content-encoding")) == (HTTPStatus.OK, encoding)
        assert answer.headers["content-type"] == media_type
        assert "immutable" in answer.headers["cache-control"]
        assert answer.headers["vary"] == "accept-encoding"
        again = files.get(path, headers={"accept-encoding": accepts, "if-none-match": answer.headers["etag"]})
    assert again.status_code == HTTPStatus.NOT_MODIFIED
