"""Specs and questions at the edge of what is allowed: each is answered or refused with a sentence, and without much memory.

`make deep` draws thirty thousand in a night; the usual run some hundreds. What a search may take is a budget in work, tested there.
"""

import json
import resource
import tempfile
from http import HTTPStatus
from pathlib import Path

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from starlette.testclient import TestClient
from support.depth import DEPTH

from oenomel.api.app import create_app
from oenomel.core.larder.catalogue_loader import catalogue
from oenomel.core.spec.drink import FAMILIES, STAGES
from oenomel.core.spec.technique import TECHNIQUES
from oenomel.core.spec.units import UNITS
from oenomel.demo import scenario

EXAMPLES = 2200 if DEPTH == "deep" else 30
MOST_MEGABYTES = 250

SLUGS = sorted(catalogue())
EDGES = [
    0,
    5e-324,
    1e-300,
    1e-12,
    1e-9,
    1e-6,
    0.01,
    0.05,
    0.25,
    0.8,
    1,
    2.5,
    7.5,
    22.5,
    60,
    100,
    999.9,
    9999.99,
    10_000,
    10_001,
    1e9,
    1e300,
]
WORDS = [
    "",
    " ",
    "\x00",
    "\ud800",
    "ß" * 200,
    "x" * 200,
    "x" * 201,
    "😀",
    "‮‭",
    "'; DROP TABLE drink; --",
    "<b>",
    "%s{0}",
    "a\nb",
    "½",
    "nan",
]

numbers = st.one_of(st.sampled_from(EDGES), st.floats(0, 200), st.sampled_from([-1, -0.0, 10**400, True]))
few = st.one_of(st.sampled_from([0, 0.0001, 0.01, 1, 12, 40, 60, 96, 100]), numbers)
amounts = st.one_of(
    st.sampled_from([15, 22.5, 30, 45, 60]),
    st.sampled_from(["1/2", "3/4", "1 1/2", "½", "0", "1/0", "", "1e5", "-1", "\ud800", "9" * 30, "1/" + "9" * 20]),
    numbers,
)
texts = st.sampled_from(WORDS)
compositions = st.fixed_dictionaries(
    {},
    optional={
        "abv": few,
        "sugars": st.dictionaries(st.sampled_from(["sucrose", "glucose", "fructose", "lactose", "other"]), few, max_size=3),
        "acids": st.dictionaries(st.sampled_from(["citric", "malic", "tartaric", "phosphoric"]), few, max_size=3),
        "salt": few,
        "density": few,
        "co2": few,
        "spread": st.fixed_dictionaries({}, optional={"abv": few, "density": few, "sugars": st.fixed_dictionaries({"sucrose": few})}),
    },
)
inline = st.fixed_dictionaries(
    {"name": st.one_of(texts, st.just("Hedge tea")), "composition": compositions},
    optional={
        "kind": st.sampled_from(["spirit", "juice", "syrup", "sugar", "bitters", "egg", "sparkling"]),
        "piece_ml": few,
        "piece_g": few,
    },
)
pours = st.fixed_dictionaries(
    {"ingredient": st.one_of(st.sampled_from(SLUGS), st.sampled_from(SLUGS), inline), "amount": amounts, "unit": st.sampled_from(UNITS)},
    optional={
        "slot": st.sampled_from(["base", "sour", "sweet", "liqueur", "accent", "lengthener", "texture", "edge", "garnish", "other"]),
        "stage": st.sampled_from(STAGES),
        "said": texts,
        "relative": st.fixed_dictionaries({"to": st.sampled_from([0, 1, 2, 59, 60, 10**6]), "times": few}),
        "range": st.lists(few, min_size=2, max_size=2),
        "optional": st.booleans(),
    },
)
specs = st.fixed_dictionaries(
    {
        "format": st.just("oenomel/spec"),
        "version": st.just(1),
        "name": st.one_of(st.just("Glasshouse"), texts),
        "family": st.sampled_from(FAMILIES),
        "pours": st.lists(pours, min_size=1, max_size=7),
    },
    optional={
        "ounce_ml": st.sampled_from([30, 29.5735, 1e-300, 0.001, 50]),
        "part_ml": st.sampled_from([30, 1e-300, 1e-9, 10_000]),
        "form": texts,
        "method": st.fixed_dictionaries(
            {},
            optional={
                "technique": st.sampled_from(TECHNIQUES),
                "seconds": st.sampled_from([None, 0, 1e-300, 12, 3600]),
                "dry_shake_seconds": st.sampled_from([0, 15, 3600]),
                "ice": st.sampled_from(["none", "cubes", "large", "crushed"]),
            },
        ),
        "serve": st.fixed_dictionaries(
            {},
            optional={
                "glass": st.sampled_from(["coupe", "rocks", "tall", "nick", ""]),
                "ice": st.sampled_from(["none", "cubes", "large"]),
                "garnish": st.lists(texts, max_size=3),
            },
        ),
    },
)
targets = st.one_of(
    specs,
    st.fixed_dictionaries({}, optional={"sugar": few, "acid": few, "abv": few, "volume_ml": numbers}),
    st.fixed_dictionaries({"family": st.sampled_from(FAMILIES)}, optional={"palate": texts}),
)
aims = st.fixed_dictionaries(
    {"spec": specs, "target": targets},
    optional={
        "grid": st.sampled_from([0.05, 0.25, 0.5, 2.5, 7.5, 60, 61]),
        "free": st.lists(st.integers(0, 7), max_size=7),
        "weights": st.fixed_dictionaries({}, optional={"sugar": few, "acid": few, "abv": few, "volume_ml": few}),
        "bounds": st.dictionaries(st.sampled_from([*SLUGS[:40], "Hedge tea"]), st.lists(numbers, min_size=2, max_size=2), max_size=3),
        "correctors": st.lists(st.sampled_from(SLUGS), max_size=12),
        "sweetness": st.sampled_from(["grams", "sucrose equivalents"]),
    },
)
made = st.fixed_dictionaries(
    {}, optional={"poured": st.one_of(st.just([]), st.lists(pours, max_size=3)), "maker": texts, "strainer": texts}
)

ASKED = {
    "/api/predict": specs,
    "/api/compare": st.fixed_dictionaries({"spec": specs, "parent": specs}),
    "/api/course": specs,
    "/api/why/served/acid": specs,
    "/api/steps": st.fixed_dictionaries({"spec": specs}),
    "/api/serves": specs,
    "/api/size": specs,
    "/api/ranges": st.fixed_dictionaries({"spec": specs, "parent": specs}),
    "/api/amount": st.fixed_dictionaries(
        {
            "text": st.one_of(texts, st.sampled_from(["half the gin", "top to the line", "2 oz"])),
            "spec": specs,
            "pour": st.integers(0, 8),
            "unit": st.sampled_from(UNITS),
        }
    ),
    "/api/rebalance": aims,
    "/api/swaps": st.tuples(aims, st.integers(0, 7), st.sampled_from(["pour", "hold_acid", "hold_sugar", "hold_abv", "rebalance"])).map(
        lambda asked: {**asked[0], "pour_index": asked[1], "mode": asked[2]}
    ),
    "/api/drinks": st.fixed_dictionaries(
        {"name": st.one_of(st.just("Edge"), texts), "spec": specs, "trial_name": st.one_of(st.just("First"), texts)}
    ),
    "/api/drinks/1/trials": st.fixed_dictionaries(
        {
            "name": st.one_of(st.just("Next"), texts),
            "parent_trial_id": st.just(1),
            "spec": specs,
            "made": made,
            "revision": st.just(0),
            "beside": st.just(True),
        }
    ),
    "/api/drinks/1/spec-cloud": st.fixed_dictionaries({"name": st.one_of(st.just("A book"), texts), "spec": specs}),
}


class Asking:
    """A server in this process, and how it did."""

    def __init__(self) -> None:
        self.folder = Path(tempfile.mkdtemp())
        scenario.prepare(self.folder / "demo.db")
        self.client = TestClient(create_app(self.folder / "demo.db", demo=True), base_url="http://127.0.0.1")
        self.client.__enter__()
        self.ask("/api/predict", {})

    def ask(self, path, body) -> None:
        before = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss
        answer = self.client.post(path, content=json.dumps(body), headers={"content-type": "application/json"})
        grown = (resource.getrusage(resource.RUSAGE_SELF).ru_maxrss - before) / 1024
        assert answer.status_code < HTTPStatus.INTERNAL_SERVER_ERROR, (path, answer.status_code, json.dumps(body), answer.text)
        if answer.status_code >= HTTPStatus.BAD_REQUEST:
            assert answer.json()["detail"]
        assert grown < MOST_MEGABYTES, (path, grown, json.dumps(body))


ASKING = None


def asking() -> Asking:
    global ASKING
    ASKING = ASKING or Asking()
    return ASKING


@pytest.mark.parametrize("path", ASKED)
def test_what_is_at_the_edge_is_answered_or_refused(path):
    @settings(max_examples=EXAMPLES, suppress_health_check=list(HealthCheck))
    @given(ASKED[path])
    def asked(body):
        asking().ask(path, body)

    asked()
