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
MOST_NAMES = 25
"""Names of a package's face at most: it is an interface, not a list of what is used."""


def modules(*folders: str) -> list[Path]:
    """The modules below folders of the product; a folder without any would check nothing, and fails."""
    found = {folder: sorted((SOURCE / folder).rglob("*.py")) for folder in folders}
    assert all(len(each) > 1 for each in found.values()), {folder: len(each) for folder, each in found.items()}
    return [path for each in found.values() for path in each]


def packages() -> list[str]:
    return sorted(path.parent.name for path in (SOURCE / "core").glob("*/__init__.py"))


def test_the_import_contracts_hold():
    # They stand in pyproject.toml; the linter reads every import, wherever it is written.
    told = subprocess.run([LINTER, "--no-cache"], cwd=ROOT, capture_output=True, text=True, check=False)
    assert told.returncode == 0, told.stdout


def imported_from_core(path: Path) -> dict[str, set[str]]:
    """Names that a module imports from each package of the core, by the package's face or by the module that defines them."""
    found: dict[str, set[str]] = {}
    for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
        if isinstance(node, ast.ImportFrom) and node.module and node.module.startswith("oenomel.core."):
            found.setdefault(node.module.removeprefix("oenomel.core."), set()).update(alias.name for alias in node.names)
    return found


def test_a_face_is_short_and_what_it_shows_is_imported_from_it():
    assert sorted(path.name for path in (SOURCE / "core").glob("*.py")) == ["__init__.py", "wording.py"]
    used: dict[str, set[str]] = {package: set() for package in packages()}
    passed_by: list[str] = []
    faces = {package: set(importlib.import_module(f"oenomel.core.{package}").__all__) for package in packages()}
    for path in (*SOURCE.rglob("*.py"), *(ROOT / "bench").glob("*.py"), *(ROOT / "scripts").glob("*.py")):
        own = path.relative_to(SOURCE).parts[1:2] if path.is_relative_to(SOURCE / "core") else ()
        for module, names in imported_from_core(path).items():
            package, _, inside = module.partition(".")
            if package in used and own != (package,):
                used[package] |= set() if inside else names
                passed_by += [f"{path}: {name}" for name in names & faces[package] if inside]
                assert not any(name.startswith("_") for name in names), path
    assert passed_by == []
    for package, face in faces.items():
        assert len(face) <= MOST_NAMES, package
        assert face == used[package], package


def test_a_name_of_a_module_stands_once_in_each_layer():
    for layer in ("core", "schemas", "formats", "store", "devices", "cli"):
        names = [path.stem for path in modules(layer) if path.stem != "__init__"]
        assert sorted(names) == sorted(set(names)), layer


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
    for path in modules("core", "schemas", "formats", "devices", "services", "store", "api", "demo"):
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
