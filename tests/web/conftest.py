"""What the tests of the front end's own modules share: Node, which runs them."""

from functools import partial

import pytest
from support.node import evaluate


@pytest.fixture(scope="session")
def js(tmp_path_factory):
    """Evaluates an expression of a compiled module: ``js("numbers", "m.parseNumber(a)", a="1/2")``."""
    return partial(evaluate, tmp_path_factory.mktemp("units"))
