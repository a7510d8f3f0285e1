"""What stands around the API: who may call, the headers, the files of the front end."""

import gzip
import re
from http import HTTPStatus
from pathlib import Path

import pytest
from starlette.testclient import TestClient

from oenomel import api
from oenomel.api.app import create_api, create_app
from oenomel.api.middleware.security import FrontEnd, Guard


@pytest.fixture
def built(tmp_path):
    """A front end as small as can be."""
    folder = tmp_path / "static"
    (folder / "assets").mkdir(parents=True)
    (folder / "index.html").write_text("<!doctype html><title>page</title>")
    (folder / "assets" / "app-1a2b.js").write_text("1")
    (tmp_path / "secret.txt").write_text("not for you")
    return folder


@pytest.fixture
def client(tmp_path, built):
    app = Guard(FrontEnd(create_api(tmp_path / "bar.db"), built), frozenset({"127.0.0.1", "[::1]"}))
    return TestClient(app, base_url="http://127.0.0.1:8000")


@pytest.mark.parametrize(
    ("host", "status"),
    [
        ("127.0.0.1", HTTPStatus.OK),
        ("127.0.0.1:8000", HTTPStatus.OK),
        ("[::1]:8000", HTTPStatus.OK),
        ("localhost", HTTPStatus.FORBIDDEN),
        ("127.0.0.1.evil.example", HTTPStatus.FORBIDDEN),
        ("", HTTPStatus.FORBIDDEN),
    ],
)
def test_only_the_server_s_own_names_are_answered(client, host, status):
    assert client.get("/api/health", headers={"host": host}).status_code == status


@pytest.mark.parametrize(
    ("method", "origin", "status"),
    [
        ("POST", None, HTTPStatus.UNPROCESSABLE_ENTITY),
        ("POST", "http://127.0.0.1:8000", HTTPStatus.UNPROCESSABLE_ENTITY),
        ("POST", "http://127.0.0.1:9999", HTTPStatus.FORBIDDEN),
        ("POST", "null", HTTPStatus.FORBIDDEN),
        ("PUT", "https://evil.example", HTTPStatus.FORBIDDEN),
        ("GET", "https://evil.example", HTTPStatus.METHOD_NOT_ALLOWED),
    ],
)
def test_another_site_s_page_cannot_write(client, method, origin, status):
    headers = {"origin": origin} if origin else {}
    assert client.request(method, "/api/predict", json={}, headers=headers).status_code == status


@pytest.mark.parametrize("path", ["/", "/api/health", "/api/nothing", "/assets/app-1a2b.js", "/assets/nothing.js", "/bench/1"])
def test_every_answer_carries_the_strict_headers(client, path):
    headers = client.get(path).headers
    assert headers["content-security-policy"].startswith("default-src 'none'; script-src 'self'; style-src 'self';")
    assert headers["x-content-type-options"] == "nosniff"
    assert "frame-ancestors 'none'" in headers["content-security-policy"]


def test_files_are_kept_by_the_browser_as_long_as_their_names_promise(client):
    assert client.get("/assets/app-1a2b.js").headers["cache-control"] == "public, max-age=31536000, immutable"
    assert client.get("/book").headers["cache-control"] == "no-cache"


@pytest.mark.parametrize("path", ["/../secret.txt", "/assets/../../secret.txt", "/%2e%2e/secret.txt", "/assets/%2e%2e/%2e%2e/secret.txt"])
def test_nothing_outside_the_front_end_is_served(client, path):
    assert "not for you" not in client.get(path).text


def test_a_front_end_that_is_not_built_says_so(tmp_path, golden):
    app = FrontEnd(create_api(tmp_path / "bar.db"), tmp_path / "none")
    answer = TestClient(app).get("/")
    golden((answer.status_code, answer.text))


@pytest.mark.parametrize("host", ["LOCALHOST", "Localhost:8000", "127.0.0.2"])
def test_its_names_are_known_in_any_spelling_and_no_others(tmp_path, host):
    client = TestClient(create_app(tmp_path / "bar.db", names=frozenset({"127.0.0.2"})), base_url="http://127.0.0.1")
    assert client.get("/api/health", headers={"host": host}).status_code == HTTPStatus.OK
    assert client.get("/api/health", headers={"host": "127.0.0.3"}).status_code == HTTPStatus.FORBIDDEN


def test_what_the_api_answers_is_kept_nowhere(client):
    for path in ("/api/health", "/api/nothing"):
        assert client.get(path).headers["cache-control"] == "no-store"


@pytest.mark.parametrize("told", [True, False])
def test_a_body_over_two_megabytes_is_refused_whether_it_says_so_or_not(client, told, golden):
    body = b'{"name": "' + b"x" * 2_000_000 + b'"}'
    sent = body if told else (body[i : i + 100_000] for i in range(0, len(body), 100_000))
    answer = client.post("/api/predict", content=sent, headers={"content-type": "application/json"})
    assert answer.status_code == HTTPStatus.REQUEST_ENTITY_TOO_LARGE
    golden(answer.json()["detail"])
    assert client.post("/api/predict", content=b"x" * 1_900_000).status_code == HTTPStatus.UNPROCESSABLE_ENTITY


def test_headers_over_64_kilobytes_are_refused(client):
    answer = client.get("/api/health", headers={f"x-{n}": "y" * 8000 for n in range(9)})
    assert answer.status_code == HTTPStatus.REQUEST_HEADER_FIELDS_TOO_LARGE


def test_what_a_first_visit_loads_stays_small():
    # The promise: at most 220 KB of script, compressed, before the first figures.
    static = Path(api.__file__).parent / "static"
    page = (static / "index.html").read_text(encoding="utf-8")
    scripts = re.findall(r'(?:src|href)="/([^"]+\.js)"', page)
    assert len(scripts) >= 2
    assert sum(len(gzip.compress((static / script).read_bytes())) for script in scripts) <= 220 * 1024
