"""A large book: 100,000 trials of 25,000 drinks, and how long a list, a search and a notebook take (the targets in bench/run.py)."""

from __future__ import annotations

import json
import statistics
import tempfile
import time
from collections.abc import Callable, Iterator
from contextlib import closing, contextmanager
from pathlib import Path
from sqlite3 import Connection

from oenomel.core.larder import catalogue
from oenomel.store import book_search, database, drinks, tastings
from oenomel.store.book_search import Wanted

DRINKS, TRIALS_EACH = 25_000, 4
ROUNDS = 7


@contextmanager
def large_book() -> Iterator[Connection]:
    """Return a data file with so many trials, filled by plain SQL and indexed as the store does it."""
    slugs = sorted(catalogue())
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "large.db"
        database.prepare(path)
        with closing(database.connect(path)) as conn:
            with database.transaction(conn):
                for number in range(DRINKS):
                    family = ("sour", "daisy", "fizz", "open")[number % 4]
                    drink_id = drinks.add(conn, f"Drink of bed {number % 997} row {number}", family)
                    pours = [{"ingredient": slugs[(number * 7 + k * 31) % len(slugs)], "amount": 20, "unit": "ml"} for k in range(5)]
                    _fill(conn, drink_id, json.dumps({"pours": pours}), number)
            yield conn


def _fill(conn: Connection, drink_id: int, spec: str, number: int) -> None:
    rows = [
        {"drink_id": drink_id, "number": k + 1, "name": f"Row {k}", "reason": f"softer by {number % 13}", "spec": spec}
        for k in range(TRIALS_EACH)
    ]
    conn.executemany(
        "INSERT INTO trial (drink_id, number, name, reason, spec, forecast, kept_at)"
        " VALUES (:drink_id, :number, :name, :reason, :spec, '{}', '2026-01-01')",
        rows,
    )
    conn.execute(
        "INSERT OR IGNORE INTO trial_ingredient (trial_id, slug) SELECT trial.id, json_extract(pour.value, '$.ingredient')"
        " FROM trial, json_each(trial.spec, '$.pours') AS pour WHERE trial.drink_id = :drink_id",
        {"drink_id": drink_id},
    )
    if number % 5 == 0:
        conn.execute(
            "INSERT INTO tasting (trial_id, taster, tasted_at, blind, edge, acid, loud, lacking, score, words)"
            " SELECT id, 'Taster ' || (id % 9), '2026-01-02', 0, '', 1, '', 0, id % 10, '{\"nose\": \"hay\"}'"
            " FROM trial WHERE drink_id = :drink_id",
            {"drink_id": drink_id},
        )
    book_search.write_down(conn, drink_id)


def times(conn: Connection) -> dict[str, float]:
    """Median milliseconds of each list or search."""

    def listed(wanted: Wanted) -> Callable[[], object]:
        def run() -> object:
            found = book_search.find(conn, wanted)
            return drinks.some(conn, found), drinks.latest_trials(conn, found)

        return run

    asked = {
        "the book, first page": listed(Wanted()),
        "one rare word": listed(Wanted("row 24999")),
        "a common ingredient": listed(Wanted("lemon juice")),
        "two letters": listed(Wanted("ow")),
        "a family and a taster": listed(Wanted(family="fizz", taster="Taster 3")),
        "a score and a word": listed(Wanted("hay", score=8)),
        "all of it at hand (nothing is)": listed(Wanted(in_stock=True)),
        "nothing found": listed(Wanted("moonlight")),
        "palate of a taster's latest sheets": lambda: tastings.for_palate(conn, "Taster 3"),
        "who has tasted": lambda: tastings.tasters(conn),
    }
    return {name: _median_ms(run) for name, run in asked.items()}


def _median_ms(run: Callable[[], object]) -> float:
    taken = []
    for _ in range(ROUNDS):
        start = time.perf_counter()
        run()
        taken.append(1000 * (time.perf_counter() - start))
    return statistics.median(taken)


if __name__ == "__main__":
    with large_book() as conn:
        for name, ms in times(conn).items():
            print(f"{name:40} {ms:7.1f} ms")
