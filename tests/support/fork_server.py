"""Starts servers by forking: importing the product takes a second, and is done once.

Reads lines from standard input, each the arguments of `oenomel` as JSON; answers each with the process id of its child. What every server
works out once (the catalogue, the larder, the grammar of amounts, the models) is worked out here, over the data file that is named.
"""

import gc
import json
import os
import signal
import sys
from pathlib import Path

import uvicorn  # noqa: F401  # imported by the server only when it runs
from starlette.testclient import TestClient

from oenomel import cli
from oenomel.api import app
from oenomel.cli import serve  # noqa: F401  # imported by the command only when it serves

WARMING = (
    "/api/health",
    "/api/rules",
    "/api/families",
    "/api/drinks",
    "/api/drinks/3",
    "/api/today",
    "/api/ingredients?q=gin",
    "/api/shelf",
)


def warm(data: Path) -> None:
    """Asks a server of this process what most pages ask first."""
    with TestClient(app.create_app(data, demo=True), base_url="http://127.0.0.1") as client:
        for path in WARMING:
            client.get(path)
        drink = client.get("/api/drinks/3").json()
        spec = drink["trials"][-1]["spec"]
        client.post("/api/compare", json={"spec": spec, "parent": spec})
        client.post("/api/steps", json={"spec": spec})
        client.post("/api/amount", json={"text": "3/4 oz", "spec": spec, "pour": 0, "unit": "ml"})
        client.post("/api/swaps", json={"spec": spec, "pour_index": 0, "limit": 1})
    gc.collect()
    gc.freeze()


def main() -> None:
    warm(Path(sys.argv[1]))
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
