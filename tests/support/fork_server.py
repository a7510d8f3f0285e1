"""Starts servers by forking: importing the product takes a second, and is done once.

Reads lines from standard input, each the arguments of `oenomel` as JSON; answers each with the process id of its child.
"""

import json
import os
import signal
import sys

import uvicorn  # noqa: F401  # imported by the command only when it serves

from oenomel import cli
from oenomel.api import app  # noqa: F401


def main() -> None:
    # Children are not waited for: who has them killed needs no word of how they ended.
    signal.signal(signal.SIGCHLD, signal.SIG_IGN)
    for line in sys.stdin:
        child = os.fork()
        if child == 0:
            signal.signal(signal.SIGCHLD, signal.SIG_DFL)
            with open(os.devnull, "r+b") as nothing:
                os.dup2(nothing.fileno(), 0)
                os.dup2(nothing.fileno(), 1)
            os._exit(cli.main(json.loads(line)))
        print(child, flush=True)


if __name__ == "__main__":
    main()
