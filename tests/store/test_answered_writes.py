"""What writes were answered is kept whole for a while, up to a size; of older ones only that they were written."""

import random
from contextlib import closing

import pytest

from oenomel.errors import AnsweredBefore, KeyUsedBefore, WrittenBefore
from oenomel.store import database, idempotency
from oenomel.store.idempotency import MOST_BYTES, WriteKey


@pytest.fixture
def conn(tmp_path, empty_file):
    (tmp_path / "bar.db").write_bytes(empty_file.read_bytes())
    with closing(database.connect(tmp_path / "bar.db")) as opened:
        yield opened


def key(number):
    return WriteKey(f"key number {number}", f"request {number}")


def test_an_answer_comes_again_and_a_key_serves_one_request(conn):
    idempotency.keep(conn, key(1), 201, '{"id": 1, "name": "Été"}')
    with pytest.raises(AnsweredBefore) as again:
        idempotency.refuse_repeated(conn, key(1))
    assert (again.value.status, again.value.answer) == (201, '{"id": 1, "name": "Été"}')
    with pytest.raises(KeyUsedBefore):
        idempotency.refuse_repeated(conn, WriteKey(key(1).key, "another"))
    idempotency.refuse_repeated(conn, key(2))


def test_answers_are_kept_up_to_a_size_and_an_old_write_is_still_made_once(conn):
    drawn = random.Random(7)
    for number in range(40):
        idempotency.keep(conn, key(number), 200, drawn.randbytes(50_000).hex())
    (kept,) = conn.execute("SELECT sum(length(packed)) FROM answered_write").fetchone()
    assert MOST_BYTES / 2 < kept <= MOST_BYTES
    with pytest.raises(WrittenBefore):
        idempotency.refuse_repeated(conn, key(0))
    with pytest.raises(AnsweredBefore):
        idempotency.refuse_repeated(conn, key(39))


def test_after_two_days_it_is_forgotten(conn):
    idempotency.keep(conn, key(1), 200, "{}")
    conn.execute("UPDATE answered_write SET answered_at = '2026-01-01T00:00:00+00:00'")
    idempotency.keep(conn, key(2), 200, "{}")
    idempotency.refuse_repeated(conn, key(1))
    assert conn.execute("SELECT count(*) FROM answered_write").fetchone()[0] == 1


def test_what_an_earlier_version_kept_is_answered_as_it_was(conn):
    conn.execute(
        "INSERT INTO answered_write (key, request, status, answer, answered_at) VALUES (?, ?, 200, '{\"id\": 3}', '2999-01-01')",
        (key(1).key, key(1).request),
    )
    with pytest.raises(AnsweredBefore) as again:
        idempotency.refuse_repeated(conn, key(1))
    assert again.value.answer == '{"id": 3}'
