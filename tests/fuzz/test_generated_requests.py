"""Nothing that is sent breaks the server: requests generated from the API's own description.

A call of its own (`make test` makes it, `make deep` a larger one). Every route gets `EXAMPLES` drawn. In the usual run the edges of what
is sent are walked once for each shape of a route: its method, how its path is built, and the model of its body. A body that a drink
is a part of has thousands of them; `test_edge_specs` samples those. `make deep` walks them on every route.
"""

import json
import re
import tempfile
from http import HTTPStatus
from pathlib import Path

import schemathesis
from hypothesis import HealthCheck, settings
from support.depth import DEPTH

from oenomel.api.app import create_api
from oenomel.demo import scenario

EXAMPLES = 200 if DEPTH == "deep" else 3
EVERY_EDGE = DEPTH == "deep"
ANY = list(HealthCheck)


def _shape(path: str, method: str, operation: dict) -> tuple[object, ...]:
    """What routes have in common that are read by the same hands: method, kinds of parameters, and the model of the body."""
    parameters = sorted(json.dumps(each.get("schema", {}), sort_keys=True) for each in operation.get("parameters", []))
    return method, path.count("{"), tuple(parameters), json.dumps(operation.get("requestBody", {}), sort_keys=True)


def _holds_a_drink(operation: dict, components: dict) -> bool:
    """Whether the body is, or holds however deep, a spec file."""
    found, open_ = set(), set(re.findall(r'schemas/([^"]+)"', json.dumps(operation.get("requestBody", {}))))
    while open_:
        name = open_.pop()
        found.add(name)
        open_ |= set(re.findall(r'#/components/schemas/([^"]+)"', json.dumps(components[name]))) - found
    return "SpecFile" in found


def _known_edges(description: dict) -> list[str]:
    """The operations whose edges are those of another one."""
    walked: set[tuple[object, ...]] = set()
    known = []
    for path, methods in sorted(description["paths"].items()):
        for method, operation in methods.items():
            name, shape = f"{method.upper()} {path}", _shape(path, method, operation)
            if shape in walked or _holds_a_drink(operation, description["components"]["schemas"]):
                known.append(name)
            walked.add(shape)
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
@settings(max_examples=EXAMPLES, suppress_health_check=ANY)
def test_nothing_that_is_sent_breaks_the_server(case):
    answer = case.call()
    # A device that times out is not broken by what was sent.
    silent = answer.status_code == HTTPStatus.SERVICE_UNAVAILABLE and json.loads(answer.text)["code"] == "no-reading"
    assert silent or answer.status_code < HTTPStatus.INTERNAL_SERVER_ERROR, answer.text
    if answer.status_code >= HTTPStatus.BAD_REQUEST:
        assert json.loads(answer.text)["detail"]
