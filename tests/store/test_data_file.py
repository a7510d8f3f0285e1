"""What can befall the file: every fault is a sentence that says what to do, and nothing of somebody else's is touched."""

import sqlite3
import stat
from contextlib import closing

import pytest

from oenomel.errors import StoreFault
from oenomel.store import database, drinks


def foreign(path):
    with closing(sqlite3.connect(path)) as conn:
        conn.execute("CREATE TABLE letter (words TEXT)")
        conn.execute("INSERT INTO letter VALUES ('Dear all')")
        conn.commit()


def letter(path):
    path.write_text("Dear all, " * 500)


def folder(path):
    path.mkdir()


def of_another_program(path):
    with closing(sqlite3.connect(path)) as conn:
        conn.execute("PRAGMA application_id = 77")


def write_much(conn):
    with database.transaction(conn):
        for number in range(5000):
            drinks.add(conn, f"Drink {number} " + "x" * 150, "sour")


@pytest.mark.parametrize(
    ("made", "fault"), [(foreign, "foreign"), (letter, "foreign"), (folder, "folder"), (of_another_program, "foreign")]
)
def test_what_is_somebody_elses_is_refused_and_left_as_it_was(tmp_path, made, fault):
    path = tmp_path / "bar.db"
    made(path)
    before = path.read_bytes() if path.is_file() else None
    with pytest.raises(StoreFault) as refused:
        database.prepare(path)
    assert refused.value.fault == fault
    assert str(path) in str(refused.value)
    assert (path.read_bytes() if path.is_file() else None) == before
    assert [each.name for each in tmp_path.iterdir()] == ["bar.db"]


def test_a_data_file_is_for_its_owner_alone_and_carries_our_mark(tmp_path):
    path = tmp_path / "bar.db"
    database.prepare(path)
    path.chmod(0o644)
    database.prepare(path)
    with closing(database.connect(path)) as conn:
        drinks.add(conn, "Glasshouse", "sour")
        assert conn.execute("PRAGMA application_id").fetchone()[0] == int.from_bytes(b"OENO")
        assert {stat.S_IMODE(each.stat().st_mode) for each in tmp_path.iterdir()} == {0o600}


def test_a_file_that_was_taken_away_is_told_and_not_made_anew(tmp_path, golden):
    path = tmp_path / "bar.db"
    with golden.raises(StoreFault):
        database.connect(path)
    with golden.raises(StoreFault):
        database.identity(path)
    assert not path.exists()


def test_a_full_disk_refuses_a_write_and_still_lets_the_book_be_read_and_opened(tmp_path, golden):
    path = tmp_path / "bar.db"
    database.prepare(path)
    with closing(database.connect(path)) as conn:
        pages = conn.execute("PRAGMA page_count").fetchone()[0]
        # SQLite's own limit answers as a disk without room does.
        conn.execute(f"PRAGMA max_page_count = {pages}")
        with pytest.raises(sqlite3.OperationalError) as full:
            write_much(conn)
        assert not conn.in_transaction
        told = database.fault_of(full.value, path)
        assert told.fault == "full"
        golden(str(told))
        assert conn.execute("SELECT count(*) FROM drink").fetchone()[0] == 0


def test_a_damaged_file_is_told_as_damaged(tmp_path, golden):
    path = tmp_path / "bar.db"
    database.prepare(path)
    size = path.stat().st_size
    with path.open("r+b") as file:
        for place in range(4096, size, 4096):
            file.seek(place)
            file.write(b"\xff" * 2048)
    with pytest.raises(StoreFault) as refused:
        database.prepare(path)
    assert refused.value.fault == "damaged"
    golden(str(refused.value))


def test_a_lock_is_waited_for_and_then_told(tmp_path, monkeypatch):
    path = tmp_path / "bar.db"
    database.prepare(path)
    monkeypatch.setattr(database, "WAIT_SECONDS", 0.1)
    with closing(database.connect(path)) as mine, closing(sqlite3.connect(path)) as theirs:
        theirs.execute("BEGIN IMMEDIATE")
        with pytest.raises(sqlite3.OperationalError) as locked, database.transaction(mine):
            pass
        assert database.fault_of(locked.value, path).fault == "in use"
        assert not mine.in_transaction
        theirs.execute("ROLLBACK")
        with database.transaction(mine):
            drinks.add(mine, "Glasshouse", "sour")


def test_a_folder_that_is_not_there_is_told_and_not_made(tmp_path, golden):
    with golden.raises(StoreFault) as refused:
        database.prepare(tmp_path / "not" / "mounted" / "bar.db")
    assert refused.value.fault == "no folder"
    assert list(tmp_path.iterdir()) == []
