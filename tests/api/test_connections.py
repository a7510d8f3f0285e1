"""Connections have limits: many that say nothing shut nobody out, and a request that doesn't end is sent away."""

import socket
import threading
import time
from contextlib import ExitStack, closing, suppress

import pytest
import uvicorn

from oenomel.api import connections
from oenomel.api.connections import PatientProtocol

MOST, HEAD, PAUSE = 12, 0.6, 0.4
REQUEST = b"GET / HTTP/1.1\r\nhost: bar\r\n\r\n"


async def answers(scope, receive, send):
    if scope["type"] != "http":
        return
    while (await receive()).get("more_body"):
        pass
    await send({"type": "http.response.start", "status": 200, "headers": [(b"content-length", b"2")]})
    await send({"type": "http.response.body", "body": b"ok"})


@pytest.fixture
def port(monkeypatch):
    for name, value in (("MOST_OPEN", MOST), ("HEAD_SECONDS", HEAD), ("PAUSE_SECONDS", PAUSE), ("BODY_SECONDS", 2 * PAUSE)):
        monkeypatch.setattr(connections, name, value)
    with socket.create_server(("127.0.0.1", 0)) as listener:
        server = uvicorn.Server(uvicorn.Config(answers, http=PatientProtocol, log_level="error", lifespan="off"))
        thread = threading.Thread(target=server.run, kwargs={"sockets": [listener]})
        thread.start()
        yield listener.getsockname()[1]
        server.should_exit = True
        thread.join(timeout=10)
    assert PatientProtocol.open_now == 0
    assert PatientProtocol.waiting == {}


def connected(port):
    found = socket.create_connection(("127.0.0.1", port), timeout=5)
    return closing(found)


def is_answered(opened):
    opened.sendall(REQUEST)
    answer = b""
    # Head and body may come in two packets.
    while not answer.endswith(b"ok") and (part := opened.recv(1000)):
        answer += part
    return answer.startswith(b"HTTP/1.1 200")


def sent_away(opened):
    """What came before the end, and after how long that was."""
    start, told = time.monotonic(), b""
    with suppress(ConnectionError):
        while part := opened.recv(1000):
            told += part
    return told, time.monotonic() - start


def test_many_that_say_nothing_make_room_for_the_next(port, monkeypatch):
    monkeypatch.setattr(connections, "HEAD_SECONDS", 60)  # so that a slow machine doesn't send the bench away
    with ExitStack() as opened:
        for _ in range(3 * MOST):
            opened.enter_context(connected(port))
        bench = opened.enter_context(connected(port))
        assert is_answered(bench)
        assert is_answered(bench)  # the same connection serves the next press


@pytest.mark.parametrize(("begins", "answer"), [(b"", b""), (b"GET / HTTP/1.1\r\nhost: b", b"HTTP/1.1 408")])
def test_who_does_not_end_his_headers_is_sent_away(port, begins, answer):
    with connected(port) as slow:
        slow.sendall(begins)
        told, seconds = sent_away(slow)
    assert told[:12] == answer
    assert seconds < 3 * HEAD


def test_a_body_may_pause_but_not_for_ever(port):
    head = b"POST / HTTP/1.1\r\nhost: bar\r\ncontent-length: 100\r\n\r\n"
    with connected(port) as slow:
        slow.sendall(head)
        told, _ = sent_away(slow)
        assert told.startswith(b"HTTP/1.1 408")
    with connected(port) as patient:
        patient.sendall(head)
        for _ in range(2):
            time.sleep(PAUSE / 2)
            patient.sendall(b"x" * 50)
        assert patient.recv(1000).startswith(b"HTTP/1.1 200")
    with connected(port) as endless:
        endless.sendall(head)
        with suppress(ConnectionError):
            for _ in range(20):
                time.sleep(PAUSE / 3)
                endless.sendall(b"x")
        assert sent_away(endless)[1] < 1
