"""The check of commit messages refuses what CONTRIBUTING.md rules out, and nothing else."""

import runpy
from pathlib import Path

import pytest

FAULTS = runpy.run_path(str(Path(__file__).parents[2] / "scripts" / "check_commit_message.py"))["faults"]


@pytest.mark.parametrize(
    ("message", "wrong"),
    [
        ("Add a shelf-life table\n\nFour modules had one each.", 0),
        ("Pass the budget to each search", 0),
        ("Fixed the jigger", 1),
        ("The jigger pours thirds", 1),
        ("Adds a table", 1),
        ("Name packages by the terms of the trade and of the craft, and modules too", 1),
        ("Add a table.\nbody at once", 2),
        ("", 1),
    ],
)
def test_a_message_is_imperative_short_and_has_its_body_apart(message, wrong):
    assert len(FAULTS(message)) == wrong
