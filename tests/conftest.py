"""Shared by all tests."""

import gc
import importlib
import json
import os
import pkgutil
from pathlib import Path

# Two processes with two threads each only wait for each other; read before numpy is.
os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")

import pytest
from support.depth import DEPTH, load_profile, spread
from support.golden import FOLDER, Golden

import oenomel
from oenomel.demo import scenario
from oenomel.store import database

load_profile()

SHARED = {"learnt", "kitchens"}

DURATIONS_FILE = Path(__file__).with_name("durations.json")
DURATIONS: dict[str, float] = json.loads(DURATIONS_FILE.read_text(encoding="utf-8")) if DURATIONS_FILE.exists() else {}
SLOW_S, LONG_S = 3.0, 0.4
CASES_OF_A_QUICK_RUN = 1

# Each module once, by its own name: collecting doctests would otherwise put a module over the function of that name which a room's
# face hands out.
for module in pkgutil.walk_packages(oenomel.__path__, "oenomel."):
    if not module.name.endswith("__main__"):
        importlib.import_module(module.name)

# What is imported stays: looking through it again and again for garbage took a quarter of the time.
gc.freeze()
gc.set_threshold(100_000, 20, 20)


@pytest.fixture
def golden(request, tmp_path_factory):
    """The golden texts of this test: see `support.golden`."""
    at = request.path.relative_to(Path(__file__).parent).with_suffix(".txt")
    path = FOLDER.joinpath(*at.parts[:-1], at.name.removeprefix("test_"))
    return Golden(path, request.node.name.removeprefix("test_"), {str(tmp_path_factory.getbasetemp()): "TMP"})


@pytest.fixture(scope="session")
def empty_file(tmp_path_factory):
    """A data file as a new house has it, made once: to be copied."""
    path = tmp_path_factory.mktemp("empty") / "bar.db"
    database.prepare(path)
    return path


@pytest.fixture(scope="session")
def demo_file(tmp_path_factory):
    """A data file with the demo in it, made once: to be copied."""
    path = tmp_path_factory.mktemp("demo") / "demo.db"
    scenario.prepare(path)
    return path


def pytest_collection_modifyitems(config, items):
    """Marks what is slow or long by the seconds that it took last (`tests/durations.json`), journeys among them; keeps tests that share a
    fixture which takes seconds in one process; and of a quick run's tables of cases leaves out all but a few.
    """
    for item in items:
        took = DURATIONS.get(of_function(item.nodeid), 0.0)
        if "e2e" in item.path.parts or took >= SLOW_S:
            item.add_marker(pytest.mark.slow)
        elif took >= LONG_S:
            item.add_marker(pytest.mark.long)
        if "golden" in getattr(item, "fixturenames", ()):
            item.add_marker(pytest.mark.golden)
        shared = SHARED.intersection(item.fixturenames) if isinstance(item, pytest.Function) else ()
        for fixture in shared:
            item.add_marker(pytest.mark.xdist_group(fixture))
    if DEPTH != "deep":
        for_a_night = {item for item in items if item.get_closest_marker("deep")}
        config.hook.pytest_deselected(items=list(for_a_night))
        items[:] = [item for item in items if item not in for_a_night]
    if DEPTH == "quick":
        cases: dict[str, list[pytest.Item]] = {}
        for item in items:
            cases.setdefault(of_function(item.nodeid), []).append(item)
        left_out = [item for each in cases.values() for item in each if item not in spread(each, CASES_OF_A_QUICK_RUN)]
        config.hook.pytest_deselected(items=left_out)
        items[:] = [item for item in items if item not in set(left_out)]


def pytest_terminal_summary(terminalreporter):
    """With OENOMEL_WRITE_DURATIONS set, writes down how long each test that isn't quick took, its fixtures included."""
    if not os.environ.get("OENOMEL_WRITE_DURATIONS"):
        return
    took: dict[str, float] = {}
    for reports in terminalreporter.stats.values():
        for report in reports:
            if hasattr(report, "duration") and hasattr(report, "when"):
                took[report.nodeid] = took.get(report.nodeid, 0.0) + report.duration
    longest: dict[str, float] = {}
    for nodeid, seconds in took.items():
        longest[of_function(nodeid)] = max(longest.get(of_function(nodeid), 0.0), seconds)
    kept = {name: seconds for name, seconds in DURATIONS.items() if name not in longest}
    written = kept | {name: round(seconds, 1) for name, seconds in longest.items() if seconds >= LONG_S}
    DURATIONS_FILE.write_text(json.dumps(dict(sorted(written.items())), indent=0) + "\n", encoding="utf-8")


def of_function(nodeid: str) -> str:
    """A test's name without its parameters."""
    return nodeid.split("[")[0].split("@")[0]
