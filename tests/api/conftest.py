"""A client of an empty book, for each test its own."""

import shutil

import pytest
from starlette.testclient import TestClient

from oenomel.api.app import create_app, start_anew


@pytest.fixture(scope="session")
def application(tmp_path_factory, empty_file):
    """The application, put together once a process: each test gives it a data file of its own."""
    path = tmp_path_factory.mktemp("application") / "bar.db"
    shutil.copyfile(empty_file, path)
    return create_app(path)


@pytest.fixture
def client(tmp_path, empty_file, application):
    shutil.copyfile(empty_file, tmp_path / "bar.db")
    start_anew(application.app.api, tmp_path / "bar.db")
    with TestClient(application, base_url="http://127.0.0.1") as client:
        yield client
