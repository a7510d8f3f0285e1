"""Nothing that is sent breaks the server: requests generated from the API's own description.

A call of its own (`make test` makes it, `make fuzz` a larger one): generating takes longer than all of the core's tests. Routes that
take the same thing share the examples: the first of them takes `EXAMPLES`, the others a few each.
"""

import json
import os
import tempfile
from http import HTTPStatus
from pathlib import Path

import schemathesis
from hypothesis import HealthCheck, settings

from oenomel.api.app import create_api
from oenomel.demo import scenario

EXAMPLES = int(os.environ.get("OENOMEL_EXAMPLES", "8"))
AGAIN = max(2, EXAMPLES // 4)
ANY = list(HealthCheck)


def _schema():
    folder = Path(tempfile.mkdtemp())
    scenario.prepare(folder / "demo.db")
    # The stream reads the same body by the same hands as the board it is a part of.
    return schemathesis.openapi.from_asgi("/api/openapi.json", create_api(folder / "demo.db", demo=True)).exclude(path="/api/swaps/stream")


def _firsts(schema) -> set[str]:
    """Of the routes that take the same body and the same parameters the first."""
    shapes: dict[str, str] = {}
    for path, methods in schema.raw_schema["paths"].items():
        for method, operation in methods.items():
            taken = [operation.get("requestBody"), sorted(each["name"] for each in operation.get("parameters", ()))]
            shapes.setdefault(json.dumps(taken, sort_keys=True), f"{method.upper()} {path}")
    return set(shapes.values())


SCHEMA = _schema()
FIRSTS = _firsts(SCHEMA)


def _is_first(context) -> bool:
    return f"{context.operation.method.upper()} {context.operation.path}" in FIRSTS


def _holds(case) -> None:
    answer = case.call()
    # A device that times out is not broken by what was sent.
    silent = answer.status_code == HTTPStatus.SERVICE_UNAVAILABLE and json.loads(answer.text)["code"] == "no-reading"
    assert silent or answer.status_code < HTTPStatus.INTERNAL_SERVER_ERROR, answer.text
    if answer.status_code >= HTTPStatus.BAD_REQUEST:
        assert json.loads(answer.text)["detail"]


@SCHEMA.include(_is_first).parametrize()
@settings(max_examples=EXAMPLES, deadline=None, suppress_health_check=ANY)
def test_nothing_that_is_sent_breaks_the_server(case):
    _holds(case)


@SCHEMA.exclude(_is_first).parametrize()
@settings(max_examples=AGAIN, deadline=None, suppress_health_check=ANY)
def test_nor_does_it_where_another_route_takes_the_same(case):
    _holds(case)
