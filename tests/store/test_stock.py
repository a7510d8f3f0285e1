"""What is in stock: one rule, whoever asks."""

from contextlib import closing

import pytest

from oenomel.core.larder.shelf import Shelved
from oenomel.store import database, lots, shelf
from oenomel.store.lots import LotRecord
from oenomel.store.stock import in_stock

TAP = "still-water"


@pytest.fixture
def conn(tmp_path, empty_file):
    path = tmp_path / "bar.db"
    path.write_bytes(empty_file.read_bytes())
    with closing(database.connect(path)) as opened:
        yield opened


@pytest.mark.parametrize(
    ("on_the_shelf", "lot", "expected"),
    [
        (None, None, False),
        ("at hand", None, True),
        ("low", None, True),
        ("out", None, False),
        (None, {}, True),  # open, its amount not noted
        (None, {"left_ml": 40.0}, True),
        (None, {"left_ml": 0.0}, False),
        (None, {"left_ml": 40.0, "used_up_at": "2026-05-02T18:00:00+00:00"}, False),
        ("out", {"left_ml": 40.0}, True),  # the bottle on the shelf is empty, the juice in the fridge isn't
        ("low", {"left_ml": 0.0}, True),
    ],
)
def test_in_stock_is_on_the_shelf_and_not_out_or_in_an_open_lot_with_something_left(conn, on_the_shelf, lot, expected):
    if on_the_shelf:
        shelf.put(conn, Shelved("lime-juice", on_the_shelf, None))
    if lot is not None:
        lots.add(conn, LotRecord("lime-juice", "this morning", "2026-05-02T09:00:00+00:00", **lot))
    assert in_stock(conn) == ({"lime-juice", TAP} if expected else {TAP})
