"""Copies of a data file in use, by day and by hand, and one put back: whole or not at all, and never in the place of something else."""

import os
import random
import resource
import shutil
import signal
import sqlite3
from contextlib import closing
from datetime import date, timedelta

import pytest
from support.depth import KILLS
from support.killed import killed, run

from oenomel.errors import CopyFault, StoreError, StoreFault
from oenomel.store import backups, database, drinks, snapshot


@pytest.fixture
def bar(tmp_path, empty_file):
    shutil.copyfile(empty_file, tmp_path / "bar.db")
    return tmp_path / "bar.db"


def write_down(path, *names):
    with closing(database.connect(path)) as conn, database.transaction(conn):
        for name in names:
            drinks.add(conn, name, "sour")


def book(path):
    with closing(database.open_read_only(path)) as conn:
        assert conn.execute("PRAGMA integrity_check").fetchone()[0] == "ok"
        return [name for _, name in drinks.names(conn)]


def test_a_file_in_use_is_copied_with_what_was_committed_and_needs_nothing_beside_it(bar, tmp_path):
    write_down(bar, "First")
    copy = tmp_path / "copy.db"
    with closing(database.connect(bar)) as other:
        other.execute("BEGIN IMMEDIATE")
        drinks.add(other, "Not committed", "sour")
        backups.back_up(bar, copy)
        other.execute("ROLLBACK")
    assert book(copy) == ["First"]
    assert sorted(each.name for each in tmp_path.iterdir() if each.name.startswith("copy")) == ["copy.db"]
    write_down(bar, "Second")
    backups.back_up(bar, copy)
    assert book(copy) == ["First", "Second"]
    assert os.stat(copy).st_mode & 0o077 == 0


def test_a_copy_is_put_back_into_a_file_that_is_open_and_the_old_one_is_kept(bar, tmp_path):
    write_down(bar, "First")
    backups.back_up(bar, tmp_path / "copy.db")
    write_down(bar, "Second")
    with closing(database.connect(bar)) as open_elsewhere:
        assert len(drinks.names(open_elsewhere)) == 2
        kept = backups.restore(bar, tmp_path / "copy.db")
        assert [name for _, name in drinks.names(open_elsewhere)] == ["First"]
    assert book(bar) == ["First"]
    assert book(kept) == ["First", "Second"]
    assert kept.parent == database.copies_folder(bar)


def test_a_copy_comes_in_the_place_of_a_damaged_file_and_of_none(bar, tmp_path):
    write_down(bar, "First")
    copy = tmp_path / "copy.db"
    backups.back_up(bar, copy)
    damaged = bar.read_bytes()[:30_000] + os.urandom(40_000)
    bar.write_bytes(damaged)
    kept = backups.restore(bar, copy)
    assert (book(bar), kept.read_bytes()) == (["First"], damaged)
    assert backups.restore(tmp_path / "new.db", copy) is None
    assert book(tmp_path / "new.db") == ["First"]


@pytest.mark.parametrize(
    "target",
    [
        "bar.db",
        "nowhere/copy.db",
        ".",
        "letter.txt",
    ],
)
def test_what_cannot_be_a_copy_is_refused_and_left(bar, tmp_path, target, golden):
    (tmp_path / "letter.txt").write_text("Dear all")
    before = bar.read_bytes()
    with golden.raises(CopyFault):
        backups.back_up(bar, tmp_path / target)
    assert (tmp_path / "letter.txt").read_text() == "Dear all"
    assert bar.read_bytes() == before


def test_only_a_whole_copy_of_ours_is_put_back(bar, tmp_path, golden):
    write_down(bar, "First")
    copy = tmp_path / "copy.db"
    backups.back_up(bar, copy)
    (tmp_path / "letter.txt").write_text("Dear all")
    (tmp_path / "cut.db").write_bytes(copy.read_bytes()[:200_000])
    with closing(sqlite3.connect(tmp_path / "newer.db")) as newer, closing(sqlite3.connect(copy)) as whole:
        whole.backup(newer)
        newer.execute("INSERT INTO migration (name) VALUES ('0999_of_tomorrow.sql')")
        newer.commit()
    for name in (
        "letter.txt",
        "cut.db",
        "gone.db",
        ".",
        "newer.db",
        "bar.db",
    ):
        with golden.raises(StoreError):
            backups.restore(bar, tmp_path / name)
        assert book(bar) == ["First"]
    with golden.raises(StoreFault):
        backups.back_up(tmp_path / "gone.db", tmp_path / "x.db")
    assert not [each for each in tmp_path.iterdir() if each.name.startswith(".")]


def test_a_copy_a_day_the_last_seven_and_one_a_month(bar):
    day = date(2026, 8, 20)
    for after in range(60):
        assert backups.keep_of_today(bar, day + timedelta(after)) is not None
    assert backups.keep_of_today(bar, day + timedelta(59)) is None
    names = sorted(each.name.removeprefix("day-").removesuffix(".db") for each in database.copies_folder(bar).iterdir())
    # The last of August and of September, and the last seven, with October's among them.
    assert names == ["2026-08-31", "2026-09-30", *(f"2026-10-{n}" for n in range(12, 19))]
    made = [backups.make_now(bar) for _ in range(9)]
    assert len(backups.copies_of(bar)) == 9 + 7
    assert made[-1].exists()


def test_a_copy_is_made_before_each_migration(bar, monkeypatch, tmp_path):
    write_down(bar, "First")
    extra = tmp_path / "0998_more.sql"
    extra.write_text("CREATE TABLE more (words TEXT) STRICT;")
    shipped = database._shipped()
    monkeypatch.setattr(database, "_shipped", lambda: [*shipped, extra])
    database.prepare(bar)
    (kept,) = database.copies_folder(bar).iterdir()
    assert kept.name == "before-0998_more.db"
    monkeypatch.setattr(database, "_shipped", lambda: shipped)
    assert book(kept) == ["First"]


def test_a_lock_of_another_program_is_told_and_nothing_is_changed(bar, tmp_path, monkeypatch, golden):
    write_down(bar, "First")
    backups.back_up(bar, tmp_path / "copy.db")
    write_down(bar, "Second")
    monkeypatch.setattr(snapshot, "WAIT_SECONDS", 0.1)
    monkeypatch.setattr(database, "WAIT_SECONDS", 0.1)
    with closing(database.connect(bar)) as other:
        other.execute("BEGIN IMMEDIATE")
        with golden.raises(StoreFault):
            backups.restore(bar, tmp_path / "copy.db")
        other.execute("ROLLBACK")
    assert book(bar) == ["First", "Second"]


def test_a_full_disk_leaves_the_older_copy_and_nothing_half(bar, tmp_path):
    target = tmp_path / "copy.db"
    backups.back_up(bar, target)
    before = target.read_bytes()
    write_down(bar, "First")

    def act() -> None:
        signal.signal(signal.SIGXFSZ, signal.SIG_IGN)
        resource.setrlimit(resource.RLIMIT_FSIZE, (200_000, 200_000))
        with pytest.raises(StoreError):
            backups.back_up(bar, target)

    run(act)
    assert target.read_bytes() == before
    assert not [each for each in tmp_path.iterdir() if each.name.endswith(".part")]


@pytest.mark.parametrize("doing", ["backup", "restore", "migration"])
def test_killed_at_any_moment_the_file_is_whole_before_or_after_and_never_between(bar, tmp_path, monkeypatch, doing):
    write_down(bar, "First")
    copy, target = tmp_path / "copy.db", tmp_path / "target.db"
    backups.back_up(bar, copy)
    write_down(bar, "Second")
    extra = tmp_path / "0998_more.sql"
    many = "WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 40000)"
    extra.write_text(f"CREATE TABLE more (i INTEGER) STRICT;\nINSERT INTO more {many} SELECT i FROM n;\n")
    shipped = database._shipped()

    def act() -> None:
        if doing == "backup":
            backups.back_up(bar, target)
        elif doing == "restore":
            backups.restore(bar, copy)
        else:
            database._shipped = lambda: [*shipped, extra]
            database.prepare(bar)

    chance, before, ends = random.Random(doing), tmp_path / "before.db", 0
    backups.back_up(bar, before)
    backups.back_up(copy, target)
    longest = run(act)
    for _ in range(KILLS):
        for ending in ("", "-wal", "-shm"):
            (bar.parent / f"{bar.name}{ending}").unlink(missing_ok=True)
        shutil.copyfile(before, bar)
        ends += killed(act, longest, chance)
        if doing == "backup":
            assert book(bar) == ["First", "Second"]
            assert book(target) in (["First"], ["First", "Second"])
        elif doing == "restore":
            assert book(bar) in (["First"], ["First", "Second"])
        else:
            with closing(sqlite3.connect(bar)) as conn:
                assert conn.execute("PRAGMA integrity_check").fetchone()[0] == "ok"
                done = conn.execute("SELECT 1 FROM migration WHERE name = '0998_more.sql'").fetchone()
                tables = conn.execute("SELECT count(*) FROM sqlite_master WHERE name = 'more'").fetchone()[0]
                rows = conn.execute("SELECT count(*) FROM more").fetchone()[0] if tables else 0
                assert (tables, rows) == ((1, 40000) if done else (0, 0))
    assert ends > KILLS / 5  # on a busy machine many end before
