"""docs/architecture.md names every module of the core, and only modules and names that are there."""

import re
from pathlib import Path

import pytest

import oenomel

SOURCE = Path(oenomel.__file__).parent
PAGE = (Path(__file__).parents[2] / "docs" / "architecture.md").read_text(encoding="utf-8")
RULES = PAGE[PAGE.index("## Where a rule stands") : PAGE.index("## One keystroke")]
PLACE = re.compile(r"`((?:core|store|services|schemas|formats|api|moments)[\w/]*\.(?:py|lark|toml))`((?:, `[\w.]+`)*)")
PACKAGES = sorted(path.parent.name for path in (SOURCE / "core").glob("*/__init__.py"))


@pytest.mark.parametrize("package", PACKAGES)
def test_the_row_of_a_package_names_its_modules_and_no_others(package):
    (row,) = re.findall(rf"^\| `{package}` \|[^|]*\|([^|]*)\|$", PAGE, re.MULTILINE)
    named = set(re.findall(r"`(\w+)`", row))
    assert named == {path.stem for path in (SOURCE / "core" / package).glob("*.py")} - {"__init__"}


def test_every_place_of_a_rule_is_there():
    places = PLACE.findall(RULES)
    assert len(places) > 60
    for path, names in places:
        text = (SOURCE / path).read_text(encoding="utf-8")
        for name in re.findall(r"`([\w.]+)`", names):
            assert name.split(".")[-1] in text, f"{path}: {name}"
