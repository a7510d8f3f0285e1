"""Nothing that is sent breaks the server: requests generated from the API's own description.

A call of its own (`make test` makes it, `make fuzz` a larger one): generating takes longer than all of the core's tests. Every route
gets `EXAMPLES` drawn at random. The edges of what is sent, thousands where a drink is a part of it, are walked where a part is first
taken: the routes read a part by the same model. `make fuzz` walks them on every route.
"""

import json
import os
import re
import tempfile
from http import HTTPStatus
from pathlib import Path

import schemathesis
from hypothesis import HealthCheck, settings

from oenomel.api.app import create_api
from oenomel.demo import scenario

EXAMPLES = int(os.environ.get("OENOMEL_EXAMPLES", "8"))
EVERY_EDGE = "OENOMEL_EXAMPLES" in os.environ
ANY = list(HealthCheck)


def _parts(told, components: dict) -> set[str]:
    """The components that a piece of the description is made of, however deep."""
    found, open_ = set(), {"": told}
    while open_:
        _, piece = open_.popitem()
        named = set(re.findall(r'"#/components/schemas/([^"]+)"', json.dumps(piece))) - found
        found |= named
        open_ |= {name: components[name] for name in named}
    return found


def _known_edges(description: dict) -> list[str]:
    """The operations whose body is made of what others, with a smaller body, take too."""
    components = description["components"]["schemas"]
    bodies = []
    for path, methods in description["paths"].items():
        for method, operation in methods.items():
            if body := operation.get("requestBody"):
                whole = re.findall(r'schemas/([^"]+)"', json.dumps(body))
                bodies.append((_parts(body, components), whole, f"{method.upper()} {path}"))
    walked: set[str] = set()
    known = []
    for parts, whole, operation in sorted(bodies, key=lambda body: len(body[0])):
        if len(parts) > 1 and not parts - walked - set(whole):
            known.append(operation)
        walked |= parts
    return known


def _schema():
    folder = Path(tempfile.mkdtemp())
    scenario.prepare(folder / "demo.db")
    api = create_api(folder / "demo.db", demo=True)
    known = [] if EVERY_EDGE else _known_edges(api.openapi())
    unwalked = [{"include-name": name, "phases": {"coverage": {"enabled": False}}} for name in known]
    config = schemathesis.config.SchemathesisConfig.from_dict({"operations": unwalked})
    # The stream reads the same body by the same hands as the board it is a part of.
    return schemathesis.openapi.from_asgi("/api/openapi.json", api, config=config).exclude(path="/api/swaps/stream")


SCHEMA = _schema()


@SCHEMA.parametrize()
@settings(max_examples=EXAMPLES, deadline=None, suppress_health_check=ANY)
def test_nothing_that_is_sent_breaks_the_server(case):
    answer = case.call()
    # A device that times out is not broken by what was sent.
    silent = answer.status_code == HTTPStatus.SERVICE_UNAVAILABLE and json.loads(answer.text)["code"] == "no-reading"
    assert silent or answer.status_code < HTTPStatus.INTERNAL_SERVER_ERROR, answer.text
    if answer.status_code >= HTTPStatus.BAD_REQUEST:
        assert json.loads(answer.text)["detail"]
