"""A law: whatever a house file tells, it is refused in a sentence, or taken in and every page answers from then on.

A small house with one of everything is bent at one or two places, taken in, and every GET route asked.
"""

import json
import re
import shutil
import sqlite3
from collections.abc import Iterator
from contextlib import closing
from http import HTTPStatus
from pathlib import Path

import pytest
from hypothesis import HealthCheck, example, given, settings
from hypothesis import strategies as st
from starlette.testclient import TestClient
from support.depth import examples

from oenomel.api.app import start_anew

HOUSE = json.loads((Path("tests/support") / "small_house.json").read_text(encoding="utf-8"))
Path_ = tuple[str | int, ...]
DELETED = object()

TEXTS = [
    "", " ", "0000-01-01T00:00:00Z", "9999-12-31T23:59:59Z", "9999-12-31T23:59:59+00:00", "1000-01-01T00:00:00Z", "2026-02-31T25:61:61Z",
    "2026-11-02", "2027-11-20T10:00:00Z", "2001-01-01T00:00:00Z", "unknown-thing", "x" * 60, "木", "lime-juice", "-1", "A\u2028B", "\u202e",
]  # fmt: skip
NUMBERS = [0, 1, -1, 1e-9, 5e-324, 1e300, 1e9, 0.5, 2, 100, 5000, 1e6, 2**53]


def places(told: object, so_far: Path_ = ()) -> Iterator[Path_]:
    yield so_far
    if isinstance(told, dict):
        for key, value in told.items():
            yield from places(value, (*so_far, key))
    elif isinstance(told, list):
        for at, value in enumerate(told):
            yield from places(value, (*so_far, at))


PLACES = [each for each in places(HOUSE) if each]


def bent(value: object) -> st.SearchStrategy[object]:
    """What may stand instead of a value: of its kind, at the edge of what can be, or nothing."""
    if isinstance(value, str):
        return st.sampled_from([*TEXTS, DELETED])
    if isinstance(value, bool):
        return st.just(not value)
    if isinstance(value, int | float):
        return st.sampled_from([*NUMBERS, DELETED])
    if isinstance(value, list):
        return st.sampled_from([[], value + value, value[:1] * 3, DELETED])
    if isinstance(value, dict):
        first = next(iter(value.values()), 1)
        return st.sampled_from([{}, {**value, "unknown-thing": first}, {**value, "lime-juice": first}, DELETED])
    return st.just(DELETED)


@st.composite
def changes(draw: st.DrawFn) -> dict[Path_, object]:
    # Each part of the file as often as any other, however much stands in it.
    chosen = {}
    for _ in range(draw(st.integers(1, 2))):
        part = draw(st.sampled_from(sorted(HOUSE)))
        place = draw(st.sampled_from([each for each in PLACES if each[0] == part]))
        value = HOUSE
        for step in place:
            value = value[step]
        chosen[place] = draw(bent(value))
    return chosen


def with_changes(changed: dict[Path_, object]) -> dict:
    house = json.loads(json.dumps(HOUSE))
    for place, value in changed.items():
        parent = house
        try:
            for step in place[:-1]:
                parent = parent[step]
            if value is DELETED:
                del parent[place[-1]]
            else:
                parent[place[-1]] = value
        except (KeyError, IndexError, TypeError):  # what held it was taken out by the other change
            continue
    return house


@pytest.fixture(scope="module")
def pages(application):
    """Every GET route with its parameters' names."""
    paths = application.app.api.openapi()["paths"]
    return [path for path, methods in paths.items() if "get" in methods and path not in ("/api/spec-schema", "/api/sharing")]


def asked(pages: list[str], path: Path) -> Iterator[str]:
    """Every page of what is kept in a data file."""
    with closing(sqlite3.connect(path)) as conn:
        known = {
            f"{table}_id": [row[0] for row in conn.execute(f"SELECT id FROM {table}")]
            for table in ("drink", "lot", "batch", "sitting", "triangle", "exercise")
        }
        known["slug"] = ["lime-juice", *(row[0] for row in conn.execute("SELECT slug FROM ingredient WHERE origin <> 'catalogue'"))]
    known["matter"] = ["sugar"]
    for page in pages:
        name = re.search(r"\{(\w+)\}", page)
        if name is None:
            yield page + {"/api/find": "?q=lime", "/api/kitchen": "?q=sugar"}.get(page, "")
        else:
            yield from (page.replace(name[0], str(each)) for each in known[name[1]])


@given(changed=changes())
@example(changed={})
@example(changed={("amended", 0, "aroma"): {"unknown-thing": 2}})
@example(changed={("lots", 0, "made_at"): ""})
@example(changed={("lots", 0, "made_at"): "9999-12-31T23:59:59Z"})
@example(changed={("evening", "at"): "0000-01-01T00:00:00Z"})
@example(changed={("evening", "drinks"): HOUSE["evening"]["drinks"] + HOUSE["evening"]["drinks"]})
@example(changed={("ingredients", 0, "aroma"): {"unknown-thing": 1}})
@example(changed={("drinks", 0, "trials", 0, "kept_at"): "2026-02-31T25:61:61Z"})
@example(changed={("batches", 0, "poured", 0, "ingredient"): "unknown-thing"})
@example(changed={("batches", 0, "use_by"): "2001-01-01T00:00:00Z"})
@example(changed={("batches", 0, "left_ml"): 1e6})
@example(changed={("tongues", "sittings", 0, "triangles", 0, "more_parts"): 0})
@example(changed={("lots", 0, "readings"): [{"what": "acid", "value": 5.0, "sd": 5e-324}]})
@example(changed={("drinks", 1, "trials", 0, "spec", "serve", "garnish"): ["bay leaf"] * 3})
@settings(examples(30), suppress_health_check=list(HealthCheck))
def test_what_is_taken_in_shuts_no_page(changed, application, pages, empty_file, tmp_path_factory):
    path = tmp_path_factory.mktemp("house") / "bar.db"
    shutil.copyfile(empty_file, path)
    start_anew(application.app.api, path)
    files = [{"name": "house.json", "text": json.dumps(with_changes(changed))}]
    with TestClient(application, base_url="http://127.0.0.1", raise_server_exceptions=False) as client:
        taken = client.post("/api/import", json={"files": files})
        assert taken.status_code < HTTPStatus.INTERNAL_SERVER_ERROR, (changed, taken.text)
        if taken.status_code != HTTPStatus.OK:
            assert changed, taken.text
            assert "value error" not in taken.json()["detail"].lower()
            return
        for page in asked(pages, path):
            got = client.get(page)
            empty = page.startswith("/api/evening/") and got.status_code == HTTPStatus.NOT_FOUND
            wanted = HTTPStatus.OK if not re.search(r"/\w+/[^/]+$", page.removeprefix("/api")) else HTTPStatus.INTERNAL_SERVER_ERROR - 1
            assert got.status_code <= wanted or empty, (changed, page, got.status_code, got.text[:300])
        assert client.get("/api/unreadable").json() == [], changed
