# The whole of Oenomel's errands. `make demo` and `make test` work on a fresh machine; each step is done once, and again only
# when what it depends on has changed, so that both work without a network afterwards.

PYTHON ?= python3
PORT ?= 8000
BIN := .venv/bin
STATIC := src/oenomel/api/static/index.html
WEB := $(shell find web/src web/public -type f) web/index.html web/vite.config.ts src/oenomel/interchange/card/templates/card.css
SUDO := $(shell [ "$$(id -u)" = 0 ] || echo sudo)

# Compiled modules are kept, also where a shell says otherwise: a test then starts in a third of the time.
export PYTHONDONTWRITEBYTECODE :=
# Two at once, by test; the schema-reading plug-in takes seconds to load and is used by one call alone.
PYTEST := $(BIN)/python -m pytest -n 2 --dist loadgroup -p no:schemathesis

.PHONY: setup demo test check quick fix fuzz torture mutants bench screenshots lock client lint types walls lint-web types-web fast requests

setup: .venv/run.done $(STATIC)

demo: setup
	$(BIN)/oenomel serve --demo --port $(PORT)

# Everything: what is quick with its coverage printed, what is slow (simulations, journeys through a browser), generated requests, then
# lint, types and format.
test: .venv/dev.done $(STATIC) build/debian.done build/openapi.json
	$(PYTEST) -m "not slow" --cov=oenomel --cov-report=term:skip-covered
	$(PYTEST) -m slow
	$(MAKE) -s requests check
	$(BIN)/coverage report --include='src/oenomel/core/*' --format=total --fail-under=95

# Proves a change in a minute: lint, types, the walls, and all tests that are not slow.
quick: .venv/dev.done web/node_modules/installed.done
	$(MAKE) -s -j2 --output-sync=target fast lint walls types types-web

fast:
	$(PYTEST) -q -m "not slow" --hypothesis-profile=quick

# Lint, types, format and the walls; the typed client is that of the API.
check: .venv/dev.done web/node_modules/installed.done build/openapi.json
	$(MAKE) -s -j2 --output-sync=target lint walls types types-web lint-web
	cd web && npm run -s client -- --check

lint:
	$(BIN)/ruff check .
	$(BIN)/ruff format --check .

walls:
	$(BIN)/lint-imports

types:
	$(BIN)/mypy

types-web:
	cd web && npm run -s types

lint-web:
	cd web && npm run -s lint && npm run -s format

# Mends what a machine can.
fix: .venv/dev.done web/node_modules/installed.done
	$(BIN)/ruff check --fix .
	$(BIN)/ruff format .
	cd web && npm run -s tidy

# Requests generated from the API's description, and specs at the edge of what is allowed; `make fuzz` sends many more, for a night.
requests: .venv/dev.done
	$(BIN)/python -m pytest -q -n 2 tests/fuzz

fuzz: .venv/dev.done
	OENOMEL_EXAMPLES=200 OENOMEL_EDGES=2200 $(BIN)/python -m pytest -q -n 2 tests/fuzz

# A server killed two hundred times under five writing clients: nothing that was answered may be lost, half there, or there twice.
torture: .venv/dev.done
	PYTHONPATH=tests $(BIN)/python -m support.torture --kills 200

# Which changes of the core no test sees; takes hours, and is no part of the test.
mutants: .venv/dev.done
	$(BIN)/mutmut run
	$(BIN)/mutmut results

bench: .venv/dev.done $(STATIC) build/debian.done
	$(BIN)/python bench/run.py

screenshots: .venv/dev.done $(STATIC) build/debian.done
	$(BIN)/python scripts/screenshots.py docs/screenshots

# The typed client of the front end, from the API's own description.
client: .venv/dev.done web/node_modules/installed.done build/openapi.json
	cd web && npm run -s client

# New versions: edit pyproject.toml or web/package.json first. The locks record hashes and no addresses.
lock: .venv/dev.done
	$(BIN)/uv pip compile -q --no-header --no-annotate --generate-hashes --allow-unsafe pyproject.toml requirements-build.in -o requirements.txt
	$(BIN)/uv pip compile -q --no-header --no-annotate --generate-hashes --allow-unsafe --extra dev pyproject.toml requirements-build.in -c requirements.txt -o requirements-dev.txt
	cd web && npm install --package-lock-only

.venv/run.done: requirements.txt pyproject.toml
	test -x $(BIN)/python || $(PYTHON) -m venv .venv
	$(BIN)/python -m pip install -q --disable-pip-version-check --require-hashes -r requirements.txt
	$(BIN)/python -m pip install -q --disable-pip-version-check --no-deps --no-build-isolation -e .
	touch $@

.venv/dev.done: .venv/run.done requirements-dev.txt
	$(BIN)/python -m pip install -q --disable-pip-version-check --require-hashes -r requirements-dev.txt
	touch $@

web/node_modules/installed.done: web/package-lock.json
	cd web && npm ci
	touch $@

$(STATIC): web/node_modules/installed.done $(WEB)
	cd web && npm run -s build
	touch $@

build/openapi.json: .venv/dev.done $(shell find src/oenomel -name '*.py')
	$(BIN)/python scripts/write_openapi.py $@

# A browser for the interface's tests (Chromium without the parts that a screen needs; where there is none such, the whole of it), and a table
# of sucrose solutions to check ours against.
APT_INSTALL := $(SUDO) env DEBIAN_FRONTEND=noninteractive apt-get install -yq --no-install-recommends
build/debian.done:
	test -x /usr/bin/chromium-headless-shell && command -v units >/dev/null || \
	  { $(SUDO) apt-get update -q && { $(APT_INSTALL) chromium-headless-shell units || $(APT_INSTALL) chromium units; }; } || \
	  { test -x /usr/bin/chromium && command -v units >/dev/null; }
	mkdir -p build && touch $@
