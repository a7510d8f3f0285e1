"""The server killed while five clients write: what was answered is there, whole and once. `make crash-test` kills it two hundred times."""

from support.every_write import ELSEWHERE, WRITES
from support.torture import commands, torture


def test_what_was_answered_is_there_whole_and_once(tmp_path):
    found = torture(tmp_path / "demo.db", kills=3)
    assert found["acknowledged"] > 5  # so that there was something to lose, however slow the machine
    assert {name: found[name] for name in ("lost", "half there", "twice", "refused", "left over", "integrity")} == {
        "lost": [],
        "half there": [],
        "twice": [],
        "refused": [],
        "left over": [],
        "integrity": "ok",
    }


def test_a_command_that_is_killed_leaves_nothing_half(tmp_path):
    found = commands(tmp_path, kills=2)
    assert found == {"commands killed": 10, "half": []}


def test_the_crash_test_writes_by_every_kind_of_route(application):
    """Routes that write and aren't among those are of the same kind as one that is, and named here with it."""
    alike = {
        "DELETE /lots/{lot_id}/readings/{reading_id}", "DELETE /drinks/{drink_id}/spec-cloud/{spec_id}", "DELETE /tastings/{tasting_id}",
        "DELETE /palate", "DELETE /kinship", "DELETE /sittings/{sitting_id}", "DELETE /drinks/{drink_id}/readings/{reading_id}",
        "DELETE /evening", "POST /evening/back", "PUT /evening", "POST /batches/{batch_id}/readings", "PUT /larder/{slug}/values",
        "POST /sittings/{sitting_id}/triangles", "POST /triangles/{triangle_id}/answer", "POST /sittings/{sitting_id}/end",
        "POST /exercises/{exercise_id}/answer", "POST /larder/table", "DELETE /sharing/devices/{device_id}", "POST /opened",
    }  # fmt: skip
    asks = {
        "POST /mend", "POST /cross", "POST /cards", "POST /list-sheet", "POST /export", "POST /import/look", "POST /originals/flight",
        "POST /drinks/{drink_id}/side-by-side", "POST /drinks/{drink_id}/trials/{trial_id}/next", "POST /devices/{device}/read",
        "POST /lots/{lot_id}/read/{device}", "POST /sharing/tries/forget",
    }  # fmt: skip
    paths = application.app.api.openapi()["paths"]
    writes = {
        f"{method.upper()} {path.removeprefix('/api')}"
        for path, methods in paths.items()
        for method, operation in methods.items()
        if method in ("put", "patch", "delete") or (method == "post" and "409" in operation["responses"])
    }
    covered = {each.route for each in WRITES} | ELSEWHERE.keys()
    assert writes - covered - asks - alike == set()
    assert (alike | asks) & covered == set()
