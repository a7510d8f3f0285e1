"""Shared by all tests."""

import gc
import importlib
import os
import pkgutil
from pathlib import Path

# Two processes with two threads each only wait for each other; read before numpy is.
os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")

import pytest
from support.depth import load_profile
from support.golden import FOLDER, Golden

import oenomel
from oenomel.demo import scenario
from oenomel.store import database

load_profile()

SHARED = {"learnt", "kitchens"}

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


def pytest_collection_modifyitems(items):
    """Journeys through a browser and commands in processes of their own are slow; tests that share a fixture that takes seconds stay
    in one process.
    """
    for item in items:
        if "e2e" in item.path.parts:
            item.add_marker(pytest.mark.slow)
        if "golden" in getattr(item, "fixturenames", ()):
            item.add_marker(pytest.mark.golden)
        shared = SHARED.intersection(item.fixturenames) if isinstance(item, pytest.Function) else ()
        for fixture in shared:
            item.add_marker(pytest.mark.xdist_group(fixture))
