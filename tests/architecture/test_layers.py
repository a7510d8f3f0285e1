"""The house's promises that a machine can check."""

import ast
import re
import tomllib
from pathlib import Path

import pytest

import oenomel

ROOT = Path(__file__).parents[2]
SOURCE = Path(oenomel.__file__).parent
LAYERS = ["core", "interchange", "instruments", "store", "api"]
OUTSIDE = {"fastapi", "starlette", "sqlite3", "uvicorn", "pydantic"}
ALLOWED = {"core": set(), "interchange": {"pydantic"}, "instruments": set(), "store": {"sqlite3"}, "api": OUTSIDE}
# interchange, instruments and store stand beside each other on the core.
BELOW = {
    "core": {"core"},
    "interchange": {"core", "interchange"},
    "instruments": {"core", "instruments"},
    "store": {"core", "store"},
    "api": {*LAYERS},
}


def imports(path: Path) -> set[str]:
    found: set[str] = set()
    for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
        if isinstance(node, ast.Import):
            found |= {alias.name for alias in node.names}
        elif isinstance(node, ast.ImportFrom) and node.module:
            found |= {f"{node.module}.{alias.name}" for alias in node.names} if node.module == "oenomel" else {node.module}
    return found


@pytest.mark.parametrize("layer", LAYERS)
def test_imports_run_one_way(layer):
    for path in (SOURCE / layer).rglob("*.py"):
        for name in imports(path):
            top, *rest = name.split(".")
            if top == "oenomel" and rest and rest[0] in LAYERS:
                assert rest[0] in BELOW[layer], f"{path.name} imports {name}"
            assert top not in OUTSIDE - ALLOWED[layer], f"{path.name} imports {name}"


def test_core_reads_nothing_but_its_own_data():
    for path in (SOURCE / "core").glob("*.py"):
        calls = {
            node.func.id for node in ast.walk(ast.parse(path.read_text())) if isinstance(node, ast.Call) and isinstance(node.func, ast.Name)
        }
        assert not calls & {"open", "print", "input"}, path.name


def test_no_value_gets_into_sql_by_a_format_string():
    # The one f-string that makes SQL names a migration file that ships with the package.
    for path in (SOURCE / "store").glob("*.py"):
        for node in ast.walk(ast.parse(path.read_text())):
            if isinstance(node, ast.Call) and isinstance(node.func, ast.Attribute) and node.func.attr in ("execute", "executemany"):
                assert not isinstance(node.args[0], ast.JoinedStr | ast.BinOp), f"{path.name}:{node.lineno}"


def test_every_module_and_public_name_of_the_product_says_what_it_is():
    for path in SOURCE.rglob("*.py"):
        assert ast.get_docstring(ast.parse(path.read_text(encoding="utf-8"))), path


def test_locks_hold_hashes_and_no_addresses():
    for name in ("requirements.txt", "requirements-dev.txt", "web/package-lock.json"):
        text = (ROOT / name).read_text()
        assert not re.search(r"https?://[^ \"]+\.(whl|tgz|tar\.gz)|--(extra-)?index-url|\"resolved\"", text), name
    assert (ROOT / "requirements.txt").read_text().count("--hash=") > 18


def test_runtime_needs_are_few():
    needs = tomllib.loads((ROOT / "pyproject.toml").read_text())["project"]["dependencies"]
    assert len(needs) <= 8
