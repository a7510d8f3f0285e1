"""Rules that used to stand in several places stand in one: what gives a second one away is looked for in the code."""

import re
from pathlib import Path

import pytest

import oenomel

SOURCE = Path(oenomel.__file__).parent
CORE = "core/"
RULES = {
    "non-alcoholic": (r"abv\s*[<>]=?\s*(?:0?\.5|1|1\.0)\b", "core/larder/alcohol.py"),
    "flammable": (r"abv\s*>=?\s*5\d\b", "core/larder/alcohol.py"),
    "shelf life": (r'label\("keeps_days"\)[^\n]*(?:<=?|>=?)\s*[\d.]', "core/larder/shelf_life.py"),
    "in stock": (r"state <> 'out'", "store/migrations"),
    "plural": (r"else ['\"]e?s['\"]|['\"]s['\"] if ", "core/wording.py"),
    "article": (r"['\"]an['\"] if ", "core/wording.py"),
    "cautions": (r"salmonella|poisonous look-alikes", "core/checks/data/cautions.toml"),
    "the temperature of a freezer": (r"\"freezer\": ?-1\d", "core/batch/containers.py"),
    "a rinse": (r"\bRINSE\w* ?(?::[^=]*)?= ?[\d.]", "core/spec/drink.py"),
    "juice of a fruit": (r"\"grapefruit\": ?1\d\d", "core/larder/fruit.py"),
}


@pytest.mark.parametrize("rule", RULES)
def test_a_rule_is_written_in_one_place(rule):
    pattern, home = RULES[rule]
    elsewhere = [
        path.relative_to(SOURCE).as_posix()
        for path in sorted(SOURCE.rglob("*.py"))
        if re.search(pattern, path.read_text(encoding="utf-8")) and not path.relative_to(SOURCE).as_posix().startswith(home)
    ]
    assert elsewhere == []
    assert (SOURCE / home).exists()
