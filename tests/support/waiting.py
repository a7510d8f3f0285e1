"""Waiting for what a page brings about by itself."""

import time

MOST_SECONDS = 15.0


def until(what):
    """Wait until a function is true; fails after a quarter of a minute."""
    deadline = time.monotonic() + MOST_SECONDS
    while not what():
        assert time.monotonic() < deadline
        time.sleep(0.05)
