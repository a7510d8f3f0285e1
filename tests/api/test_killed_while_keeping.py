"""The server killed while five clients write: what was answered is there, whole and once. `make crash-test` kills it two hundred times."""

from support.torture import commands, torture


def test_what_was_answered_is_there_whole_and_once(tmp_path):
    found = torture(tmp_path / "demo.db", kills=3)
    assert found["acknowledged"] > 20
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
