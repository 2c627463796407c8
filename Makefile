# Lift Bite: `make demo` and `make test` are all that is needed; the rest is for working on it.
SHELL := /bin/bash
.DEFAULT_GOAL := help
PYTHON ?= python3
BIN := .venv/bin
UV_VERSION := 0.13.9
export LIFTBITE_DATA ?=
export PORT ?= 8700

.PHONY: help demo serve build wheel test trust mutants check format bench pictures docs clean

help: ## What there is to make
	@grep -hE '^[a-z]+:.*##' $(MAKEFILE_LIST) | sed 's/:.*## /\t/' | expand -t 10

demo: .venv/.run .venv/.pango web/dist/index.html ## Set up, build and serve the demo shop on http://127.0.0.1:8700
	@$(BIN)/liftbite demo

serve: .venv/.run .venv/.pango web/dist/index.html ## Set up, build and serve your own shop
	@$(BIN)/liftbite serve

build: web/dist/index.html ## Build the web application

test: .venv/.dev .venv/.pango web/dist/index.html .venv/.chromium check ## Check and run every test, those in the browser too
	cd web && npx vitest run
	$(BIN)/pytest -n auto --dist worksteal --durations 12

trust: .venv/.trust ## Run what is too slow for every day, and say what was tried and what was lost
	$(BIN)/pytest -n auto -m trust -rA

mutants: .venv/.mutants ## Put one fault at a time into the rules, and say which no test noticed
	$(BIN)/python -m tests.mutants $(only)

check: .venv/.dev web/node_modules/.ok ## Formatting, types, layers, generated files
	$(BIN)/ruff format --check .
	$(BIN)/ruff check .
	$(BIN)/mypy
	$(BIN)/lint-imports
	$(BIN)/liftbite schema | diff - docs/job-file.schema.json
	$(BIN)/liftbite schema --plan | diff - docs/plan.schema.json
	$(BIN)/liftbite openapi | diff - docs/openapi.json
	$(BIN)/liftbite quantities --markdown | diff - docs/quantities.md
	cd web && npm run -s types:check && npm run -s check

format: .venv/.dev web/node_modules/.ok ## Put every file in shape
	$(BIN)/ruff format .
	$(BIN)/ruff check --fix .
	cd web && npx biome check --write src

docs: .venv/.dev web/node_modules/.ok ## Write the generated files anew: schema, OpenAPI, quantities, web types
	$(BIN)/liftbite schema > docs/job-file.schema.json
	$(BIN)/liftbite schema --plan > docs/plan.schema.json
	$(BIN)/liftbite openapi > docs/openapi.json
	$(BIN)/liftbite quantities --markdown > docs/quantities.md
	cd web && npm run -s types

pictures: .venv/.dev .venv/.pango web/dist/index.html .venv/.chromium ## Take the screenshots again
	$(BIN)/python -m docs.pictures

wheel: .venv/.run web/dist/index.html ## Pack what can be installed with pip on a machine without Node
	$(BIN)/hatchling build -t wheel -d dist

bench: .venv/.dev web/dist/index.html .venv/.chromium ## Measure; prints figures, judges nothing
	$(BIN)/python -m benchmarks

.venv/bin/uv:
	$(PYTHON) -m venv .venv
	$(BIN)/python -m pip install -q --disable-pip-version-check uv==$(UV_VERSION)

.venv/.run: .venv/bin/uv requirements.lock requirements-build.lock pyproject.toml
	$(BIN)/uv pip install -q --require-hashes --compile-bytecode -r requirements.lock -r requirements-build.lock
	$(BIN)/uv pip install -q --no-build-isolation --no-deps -e .
	@touch $@

.venv/.dev: .venv/.run requirements-dev.lock
	$(BIN)/uv pip install -q --require-hashes --compile-bytecode -r requirements-dev.lock
	@touch $@

.venv/.trust: .venv/.dev requirements-trust.lock
	$(BIN)/uv pip install -q --require-hashes --compile-bytecode -r requirements-trust.lock
	@touch $@

.venv/.mutants: .venv/.dev requirements-mutants.lock
	$(BIN)/uv pip install -q --require-hashes --compile-bytecode -r requirements-mutants.lock
	@touch $@

.venv/.chromium: | .venv/bin/uv
	@command -v chromium >/dev/null || { \
	  sudo=$$(command -v sudo || true); [ "$$(id -u)" = 0 ] && sudo=; \
	  $$sudo apt-get update -qq && $$sudo apt-get install -y -qq --no-install-recommends chromium >/dev/null; }
	@touch $@

# what a PDF is set with; without it Lift Bite runs, and says so where one is asked for
.venv/.pango: | .venv/bin/uv
	@/sbin/ldconfig -p | grep -q libpangoft2-1.0.so.0 || { \
	  sudo=$$(command -v sudo || true); [ "$$(id -u)" = 0 ] && sudo=; \
	  $$sudo apt-get update -qq && $$sudo apt-get install -y -qq --no-install-recommends \
	    libpango-1.0-0 libpangoft2-1.0-0 libharfbuzz-subset0 fontconfig >/dev/null; } || \
	  echo "Pango could not be installed: sheets print from the browser, but not as PDF."
	@touch $@

web/node_modules/.ok: web/package.json web/package-lock.json
	cd web && npm ci --no-audit --no-fund --loglevel=error
	@touch $@

WEB_SOURCES := $(shell find web/src web/public -type f) web/index.html web/vite.config.ts

web/dist/index.html: web/node_modules/.ok $(WEB_SOURCES)
	cd web && npx vite build --logLevel warn
	@touch $@

clean: ## Remove what was built; your data stays
	rm -rf .venv web/node_modules web/dist .mypy_cache .ruff_cache .pytest_cache .hypothesis .import_linter_cache
