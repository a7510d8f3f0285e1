"""A running server a test, Debian's Chromium, and the promise that nothing is fetched from elsewhere."""

import json
from pathlib import Path
from urllib.request import Request, urlopen

import pytest
from playwright.sync_api import expect
from support.app_server import CHROMIUM, AppServer
from support.bench_page import COUNT_REQUESTS

# Patient, for a busy machine: what is true comes at once, what is false is told later.
expect.set_options(timeout=15_000)


@pytest.fixture(scope="session")
def browser_type_launch_args(browser_type_launch_args):
    return {**browser_type_launch_args, **CHROMIUM}


@pytest.fixture(scope="session")
def browser_context_args(browser_context_args):
    return {**browser_context_args, "viewport": {"width": 1280, "height": 800}, "reduced_motion": "reduce"}


@pytest.fixture
def server(tmp_path):
    server = AppServer(tmp_path / "demo.db")
    server.start()
    yield server
    server.kill()


@pytest.fixture
def page(page, server):
    """A page that fails the test if it asks anything of another host, or tells an error."""
    strangers, faults = [], []
    page.on("request", lambda request: strangers.append(request.url) if not request.url.startswith(server.url) else None)
    page.on("pageerror", lambda error: faults.append(str(error)))
    page.add_init_script(COUNT_REQUESTS)
    yield page
    assert strangers == []
    assert faults == []


@pytest.fixture
def violations(page):
    """The rules of accessibility that the page breaks now, each with where; only some of them where these are named."""
    checker = (Path(__file__).parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js").read_text(encoding="utf-8")

    def found(rules: list[str] | None = None) -> list[str]:
        # The page's own policy lets no other script in, so it is evaluated, once a page.
        if page.evaluate("typeof axe === 'undefined'"):
            page.evaluate(checker)
        return page.evaluate(
            """async (rules) => {
              const tags = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'best-practice'];
              const runOnly = rules ? { type: 'rule', values: rules } : { type: 'tag', values: tags };
              const { violations } = await axe.run(document, { runOnly, resultTypes: ['violations'] });
              return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`);
            }""",
            rules,
        )

    return found


@pytest.fixture
def full_house(server) -> str:
    """The address of a drink with eight pours, an edge, a float and a top-up."""
    spec = json.loads((Path(__file__).parents[1] / "support" / "full_house.json").read_text(encoding="utf-8"))
    body = {"name": spec["name"], "spec": spec, "trial_name": "As first poured"}
    request = Request(f"{server.url}/api/drinks", json.dumps(body).encode(), {"content-type": "application/json"})
    with urlopen(request) as answer:
        return f"{server.url}/bench/{json.load(answer)['id']}"
