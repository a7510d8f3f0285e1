# The whole of Oenomel's errands. `make demo` and `make test` work on a fresh machine; each step is done once, and again only
# when what it depends on has changed, so that both work without a network afterwards.

PYTHON ?= python3
PORT ?= 8000
BIN := .venv/bin
STATIC := src/oenomel/api/static/index.html
WEB := $(shell find web/src web/public -type f) web/index.html web/vite.config.ts
SUDO := $(shell [ "$$(id -u)" = 0 ] || echo sudo)

.PHONY: setup demo test check bench screenshots lock client

setup: .venv/run.done $(STATIC)

demo: setup
	$(BIN)/oenomel serve --demo --port $(PORT)

test: check
	$(BIN)/python -m pytest

check: .venv/dev.done $(STATIC) build/debian.done build/openapi.json
	$(BIN)/ruff check .
	$(BIN)/ruff format --check .
	$(BIN)/mypy
	cd web && npm run -s client -- --check
	cd web && npm run -s types && npm run -s lint && npm run -s format

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

# A browser for the interface's tests, and a table of sucrose solutions to check ours against.
build/debian.done:
	test -x /usr/bin/chromium && command -v units >/dev/null || \
	  { $(SUDO) apt-get update -q && $(SUDO) env DEBIAN_FRONTEND=noninteractive apt-get install -yq --no-install-recommends chromium units; }
	mkdir -p build && touch $@
