"""A command of ours killed at any moment of it, as a power cut would."""

import os
import random
import signal
import time
from collections.abc import Callable
from contextlib import suppress


def run(doing: Callable[[], object]) -> float:
    """Runs it in a process of its own and returns how long it took, [s]; it must end well."""
    started = time.monotonic()
    _, status = os.waitpid(_child(doing), 0)
    assert status == 0, status
    return time.monotonic() - started


def killed(doing: Callable[[], object], longest_s: float, chance: random.Random) -> bool:
    """Runs it in a process of its own and kills it at a random moment of the time it takes; whether it was killed before it ended."""
    child = _child(doing)
    time.sleep(chance.uniform(0, longest_s))
    with suppress(ProcessLookupError):
        os.kill(child, signal.SIGKILL)
    _, status = os.waitpid(child, 0)
    return os.WIFSIGNALED(status)


def _child(doing: Callable[[], object]) -> int:
    child = os.fork()
    if child == 0:
        code = 1
        try:
            with open(os.devnull, "r+b") as nothing:
                os.dup2(nothing.fileno(), 1)
                os.dup2(nothing.fileno(), 2)
            doing()
            code = 0
        finally:
            os._exit(code)
    return child
