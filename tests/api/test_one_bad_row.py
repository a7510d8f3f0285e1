"""One row that can't be read shuts no list: whatever stands in a data file, every list answers, and tells what it passed over."""

import shutil
import sqlite3
from contextlib import closing
from http import HTTPStatus

import pytest
from starlette.testclient import TestClient

from oenomel.api.app import start_anew
from oenomel.demo import scenario

JUNK = {
    "time": ["", "0000-01-01T00:00:00+00:00", "9999-12-31T23:59:59+00:00", "2026-02-31T25:00:00Z", "2026-11-02", "soon"],
    "json": ["{}", "[]", "1", '"words"', '[{"name": "density", "value": 1e300}]', '{"name": null}'],
}
COLUMNS = [
    ("lot", "made_at", "time"), ("lot", "used_up_at", "time"), ("lot", "contents", "json"), ("lot", "preparation", "json"),
    ("batch", "made_at", "time"), ("batch", "use_by", "time"), ("batch", "used_up_at", "time"), ("batch", "contents", "json"),
    ("batch", "wish", "json"), ("batch", "poured", "json"), ("batch", "spec", "json"), ("preparation", "content", "json"),
    ("evening", "content", "json"), ("trial", "spec", "json"), ("trial", "kept_at", "time"), ("brief", "content", "json"),
    ("amended_ingredient", "aroma", "json"), ("ingredient", "aroma", "json"), ("original", "wish", "json"),
]  # fmt: skip
LISTS = [
    "/api/lots", "/api/lots?every=true", "/api/preparations", "/api/batches", "/api/evening", "/api/today", "/api/larder", "/api/shelf",
    "/api/book", "/api/drinks", "/api/families", "/api/palate", "/api/tasters", "/api/tongue", "/api/tree", "/api/unreadable",
    "/api/ingredients?q=lime", "/api/kinship",
]  # fmt: skip


@pytest.fixture(scope="module")
def demo_file(tmp_path_factory):
    path = tmp_path_factory.mktemp("demo") / "demo.db"
    scenario.prepare(path)
    with closing(sqlite3.connect(path)) as conn:
        conn.execute("PRAGMA wal_checkpoint(TRUNCATE)")
    return path


@pytest.fixture
def house(tmp_path, demo_file, application):
    shutil.copyfile(demo_file, tmp_path / "bar.db")
    start_anew(application.app.api, tmp_path / "bar.db")
    with TestClient(application, base_url="http://127.0.0.1", raise_server_exceptions=False) as client:
        yield client, tmp_path / "bar.db"


@pytest.mark.parametrize(("table", "column", "kind"), COLUMNS, ids=[f"{table}.{column}" for table, column, _ in COLUMNS])
def test_whatever_stands_in_a_row_every_list_answers(house, table, column, kind):
    client, path = house
    for junk in JUNK[kind]:
        with closing(sqlite3.connect(path)) as conn:
            conn.execute("PRAGMA ignore_check_constraints = ON")
            for (name,) in conn.execute("SELECT name FROM sqlite_master WHERE type = 'trigger' AND tbl_name = 'trial'").fetchall():
                conn.execute(f"DROP TRIGGER {name}")
            key = {"ingredient": "slug", "amended_ingredient": "slug", "evening": "id"}.get(table, "rowid")
            conn.execute(f"UPDATE {table} SET {column} = ? WHERE {key} = (SELECT min({key}) FROM {table})", (junk,))
            conn.commit()
        shut = [(each, got.status_code, got.text[:200]) for each in LISTS if (got := client.get(each)).status_code != HTTPStatus.OK]
        assert shut == [], f"{table}.{column} = {junk!r}"


def test_what_a_list_passes_over_is_told_with_its_text_and_can_be_taken_out(house):
    client, path = house
    lot = client.get("/api/lots?every=true").json()[0]
    batch = client.get("/api/batches").json()[0]
    with closing(sqlite3.connect(path)) as conn:
        conn.execute("PRAGMA ignore_check_constraints = ON")
        conn.execute("UPDATE lot SET made_at = '9999-12-31T23:59:59+00:00' WHERE id = ?", (lot["id"],))
        conn.execute("UPDATE batch SET contents = '[]' WHERE id = ?", (batch["id"],))
        conn.execute("UPDATE evening SET content = '{}'")
        conn.commit()
    assert lot["id"] not in {each["id"] for each in client.get("/api/lots?every=true").json()}
    told = client.get("/api/unreadable").json()
    assert {(each["kind"], each["known_by"]) for each in told} == {
        ("lot", str(lot["id"])), ("batch", str(batch["id"])), ("evening", "1")
    }  # fmt: skip
    assert all(each["why"] and each["text"] for each in told)
    for place in (f"/api/batches/{batch['id']}", "/api/evening"):
        assert client.delete(place).status_code == HTTPStatus.NO_CONTENT
    assert [each["kind"] for each in client.get("/api/unreadable").json()] == ["lot"]
