"""A client of an empty book, for each test its own."""

import shutil

import pytest
from starlette.testclient import TestClient

from oenomel.api.app import create_app
from oenomel.store import database


@pytest.fixture(scope="session")
def empty_book(tmp_path_factory):
    """A data file as a new house has it, made once: to be copied."""
    path = tmp_path_factory.mktemp("empty") / "bar.db"
    database.prepare(path)
    return path


@pytest.fixture
def client(tmp_path, empty_book):
    shutil.copyfile(empty_book, tmp_path / "bar.db")
    with TestClient(create_app(tmp_path / "bar.db"), base_url="http://127.0.0.1") as client:
        yield client
