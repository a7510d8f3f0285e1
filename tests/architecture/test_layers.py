"""The house's promises that a machine can check."""

import ast
import importlib
import re
import subprocess
import sys
import tomllib
from pathlib import Path

import oenomel

ROOT = Path(__file__).parents[2]
SOURCE = Path(oenomel.__file__).parent
LINTER = Path(sys.executable).parent / "lint-imports"
ROOMS = (
    "larder", "spec", "ice", "balance", "families", "glass", "findings", "swaps", "making", "recipe", "stillroom", "forecast",
    "originals", "notebook", "today", "service", "tongue",
)  # fmt: skip


def modules(*folders: str) -> list[Path]:
    """The modules below folders of the product; a folder without any would check nothing, and fails."""
    found = {folder: sorted((SOURCE / folder).rglob("*.py")) for folder in folders}
    assert all(len(each) > 1 for each in found.values()), {folder: len(each) for folder, each in found.items()}
    return [path for each in found.values() for path in each]


def test_the_walls_of_the_house_stand():
    # Floors, rooms and faces stand in pyproject.toml; the linter reads every import, wherever it is written.
    told = subprocess.run([LINTER, "--no-cache"], cwd=ROOT, capture_output=True, text=True, check=False)
    assert told.returncode == 0, told.stdout
    assert all(f"{room} is entered by its face KEPT" in told.stdout for room in ROOMS)


def test_nothing_lies_flat_in_the_core_and_a_face_hands_out_no_more_than_is_asked_of_it():
    assert sorted(path.name for path in (SOURCE / "core").glob("*.py")) == ["__init__.py", "wording.py"]
    assert sorted(path.name for path in (SOURCE / "core").iterdir() if path.is_dir() and path.name != "__pycache__") == sorted(ROOMS)
    asked: dict[str, set[str]] = {room: set() for room in ROOMS}
    for path in (*SOURCE.rglob("*.py"), *(ROOT / "bench").glob("*.py"), *(ROOT / "scripts").glob("*.py")):
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            room = node.module.removeprefix("oenomel.core.") if isinstance(node, ast.ImportFrom) and node.module else ""
            if room in asked and node.module != room:
                asked[room] |= {alias.name for alias in node.names}
    for room, names in asked.items():
        assert set(importlib.import_module(f"oenomel.core.{room}").__all__) == names, room


def test_core_reads_nothing_but_its_own_data():
    for path in modules("core"):
        calls = {
            node.func.id for node in ast.walk(ast.parse(path.read_text())) if isinstance(node, ast.Call) and isinstance(node.func, ast.Name)
        }
        assert not calls & {"open", "print", "input"}, path.name


def test_no_value_gets_into_sql_by_a_format_string():
    # The one f-string that makes SQL names a migration file that ships with the package.
    for path in modules("store"):
        for node in ast.walk(ast.parse(path.read_text())):
            if isinstance(node, ast.Call) and isinstance(node.func, ast.Attribute) and node.func.attr in ("execute", "executemany"):
                assert not isinstance(node.args[0], ast.JoinedStr | ast.BinOp), f"{path.name}:{node.lineno}"


def test_every_module_and_public_name_of_the_product_says_what_it_is():
    for path in modules("core", "interchange", "instruments", "store", "api", "demo"):
        assert ast.get_docstring(ast.parse(path.read_text(encoding="utf-8"))), path


def test_locks_hold_hashes_and_no_addresses():
    for name in ("requirements.txt", "requirements-dev.txt", "web/package-lock.json"):
        text = (ROOT / name).read_text()
        assert not re.search(r"https?://[^ \"]+\.(whl|tgz|tar\.gz)|--(extra-)?index-url|\"resolved\"", text), name
    assert (ROOT / "requirements.txt").read_text().count("--hash=") > 18


def test_runtime_needs_are_few():
    needs = tomllib.loads((ROOT / "pyproject.toml").read_text())["project"]["dependencies"]
    # Each stands for code that the house would have to keep itself: lark for the grammar of measures, rapidfuzz for near spellings,
    # jinja2 for cards whose text is all escaped, icalendar for what calendars take in.
    assert len(needs) <= 13
