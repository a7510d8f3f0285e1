"""A client of an empty book, for each test its own."""

import shutil

import pytest
from starlette.testclient import TestClient

from oenomel.api.app import create_app


@pytest.fixture
def client(tmp_path, empty_file):
    shutil.copyfile(empty_file, tmp_path / "bar.db")
    with TestClient(create_app(tmp_path / "bar.db"), base_url="http://127.0.0.1") as client:
        yield client
