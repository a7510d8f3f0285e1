# The whole of Oenomel's errands. `make demo` and `make test` work on a fresh machine; each step is done once, and again only
# when what it depends on has changed, so that both work without a network afterwards.

PYTHON ?= python3
PORT ?= 8000
BIN := .venv/bin
STATIC := src/oenomel/api/static/index.html
WEB := $(shell find web/src web/public -type f) web/index.html web/vite.config.ts src/oenomel/formats/card/templates/card.css
SUDO := $(shell [ "$$(id -u)" = 0 ] || echo sudo)

# Compiled modules are kept, also where a shell says otherwise: a test then starts in a third of the time.
export PYTHONDONTWRITEBYTECODE :=
# Two at once, by test; the schema-reading plug-in takes seconds to load and is used by one call alone.
PYTEST := $(BIN)/python -m pytest -q -n 2 --dist loadgroup -p no:schemathesis
# What needs neither an API nor a browser.
PURE := src tests/core tests/reference tests/wording tests/schemas tests/formats tests/devices tests/web tests/architecture tests/test_numbers_of_the_model.py
TIMED := $(BIN)/python scripts/time_parts.py

.PHONY: setup demo test deep check quick fix golden durations crash-test torture mutants benchmark bench screenshots lock client lint \
  imports walls types types-web lint-web tests-quick tests-pure tests-rest fuzz-smoke requests fuzz

setup: .venv/run.done $(STATIC)

demo: setup
	$(BIN)/oenomel serve --demo --port $(PORT)

# Everything that a user's main paths need: the rules with their coverage, then API, store and journeys through a browser, generated
# requests, lint, types and format. How long each part took is printed at the end.
test: .venv/dev.done $(STATIC) build/debian.done build/openapi.json
	$(TIMED) tests-pure tests-rest fuzz-smoke check

# Proves a change in a minute: lint, types, import contracts, and the tests that are neither slow nor long, a few cases of each.
quick: .venv/dev.done web/node_modules/installed.done
	$(TIMED) "tests-quick lint imports types types-web"

# For a night: all examples drawn anew, all phrases and sweeps, every generated request, the crash test, and the mutants.
deep: .venv/dev.done $(STATIC) build/debian.done build/openapi.json
	OENOMEL_DEPTH=deep $(TIMED) tests-pure tests-rest fuzz-smoke crash-test mutants check

tests-quick:
	OENOMEL_DEPTH=quick $(PYTEST) -p no:playwright -m "not slow and not long" $(PURE) tests/store tests/test_cli.py tests/api/test_api.py

tests-pure:
	$(PYTEST) -p no:playwright $(PURE) --cov=oenomel.core --cov-report=
	$(BIN)/coverage report --include='src/oenomel/core/*' --skip-covered --fail-under=97

tests-rest:
	$(PYTEST) tests $(foreach part,$(filter-out src,$(PURE)),--ignore=$(part))

# Lint, types, format and the import contracts; the typed client is that of the API.
check: .venv/dev.done web/node_modules/installed.done build/openapi.json
	$(MAKE) -s -j2 --output-sync=target lint imports types types-web lint-web
	cd web && npm run -s client -- --check

lint:
	$(BIN)/ruff check .
	$(BIN)/ruff format --check .

imports walls:
	$(BIN)/lint-imports

types:
	$(BIN)/mypy

types-web:
	cd web && npm run -s types

lint-web:
	cd web && npm run -s lint && npm run -s format

# Fixes what a machine can.
fix: .venv/dev.done web/node_modules/installed.done
	$(BIN)/ruff check --fix .
	$(BIN)/ruff format .
	cd web && npm run -s tidy

# Writes the golden files anew: what every sentence says. Read the diff.
golden: .venv/dev.done
	rm -rf tests/golden
	OENOMEL_WRITE_GOLDEN=1 $(PYTEST) --dist loadfile -m golden tests --ignore=tests/e2e

# Writes down how long the tests take, by which they are slow, long or quick.
durations: .venv/dev.done $(STATIC) build/debian.done
	rm -f tests/durations.json
	OENOMEL_WRITE_DURATIONS=1 $(PYTEST)

# Requests generated from the API's description, and specs at the edge of what is allowed; `make deep` sends many more.
fuzz-smoke requests: .venv/dev.done
	$(BIN)/python -m pytest -q -n 2 tests/fuzz

fuzz: .venv/dev.done
	OENOMEL_DEPTH=deep $(BIN)/python -m pytest -q -n 2 tests/fuzz

# A server killed two hundred times under five writing clients: nothing that was answered may be lost, half there, or there twice.
crash-test torture: .venv/dev.done
	PYTHONPATH=tests $(BIN)/python -m support.torture --kills 200

# Changes of the rules that no test sees: a sample of mutants of seven packages, its score compared with tests/mutation_score.toml.
mutants: .venv/dev.done
	$(BIN)/python scripts/mutants.py

benchmark bench: .venv/dev.done $(STATIC) build/debian.done
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
