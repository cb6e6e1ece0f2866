# `make demo` and `make test` set up whatever is missing first. `make help` lists the rest.
PYTHON ?= python3
VENV := .venv
BIN := $(VENV)/bin
MANAGE := $(BIN)/python manage.py
PORT ?= 8000
# The demo has a folder of its own beside var/, where `make run` keeps a class.
DEMO_DATA := var-demo
DEBIAN := chromium fonts-dejavu-core ngspice nginx-light libpango-1.0-0 libpangoft2-1.0-0 gcc-avr avr-libc simavr
export PIP_DISABLE_PIP_VERSION_CHECK := 1

.PHONY: help setup run wheel demo demo-large test check lint api-client rules picture screenshots bench load waits kills races mutants generated fuzz corpus clean-demo debian

help: ## list the targets
	@grep -hE '^[a-z-]+:.*##' $(MAKEFILE_LIST) | sed 's/:.*## /\t/' | expand -t 16

setup: $(VENV)/.ready web/node_modules/.ready web/dist/.ready ## environment and front end

$(VENV)/.ready: requirements.txt requirements-dev.txt pyproject.toml
	@$(PYTHON) -c 'import sys; sys.exit(sys.version_info < (3, 11))' || { echo "Python 3.11 or newer is needed; Debian has python3 and python3-venv."; exit 1; }
	test -x $(BIN)/python || $(PYTHON) -m venv $(VENV) || { echo "The package python3-venv is missing; as root: apt-get install python3-venv"; exit 1; }
	@echo 'Installing the Python packages (about two minutes the first time) …'
	$(BIN)/pip install -q --require-hashes -r requirements-dev.txt
	$(BIN)/pip install -q --no-deps --no-build-isolation -e . 2>/dev/null || $(BIN)/pip install -q --no-deps -e .
	touch $@

web/node_modules/.ready: web/package.json web/package-lock.json web/.npmrc
	@command -v npm >/dev/null || { echo "Node 20 with npm is needed; as root: apt-get install nodejs npm"; exit 1; }
	@echo 'Installing the packages of the front end (about a minute) …'
	cd web && npm ci --no-audit --no-fund --loglevel=error
	touch $@

web/dist/.ready: $(VENV)/.ready web/node_modules/.ready $(shell find web/src -type f) web/index.html web/vite.config.ts web/aliases.ts
	@echo 'Building the front end …'
	cd web && npm run -s build -- --logLevel warn
	@echo 'Compressing it (half a minute) …'
	@$(BIN)/python -m whitenoise.compress -q web/dist/assets
	touch $@

run: setup ## an empty installation of your own; the first visit asks for a code that is printed here
	@$(BIN)/verifex-site --listen 127.0.0.1:$(PORT)

wheel: setup ## a package in dist/ that needs no Node: pip install it, then `verifex-site`
	rm -rf build dist verifex/site/dist verifex/demo/course
	cp -r web/dist verifex/site/dist && cp -r demo verifex/demo/course
	$(BIN)/pip wheel -q --no-deps -w dist . ; rm -rf build verifex/site/dist verifex/demo/course
	@ls dist/*.whl

demo: setup ## the demo course in the browser
	@VERIFEX_DATA=$(DEMO_DATA) $(BIN)/verifex-site --demo --listen 127.0.0.1:$(PORT)

demo-large: setup ## 48 pairs in two sections, four exercises at once, beside data of their own
	@VERIFEX_DATA=$(DEMO_DATA)-large $(BIN)/verifex-site --demo-large --listen 127.0.0.1:$(PORT)

clean-demo: $(VENV)/.ready ## forget the demo's data; the next `make demo` starts afresh. A class of your own is never touched
	@$(BIN)/python -m verifex.demo.clean $(DEMO_DATA) $(DEMO_DATA)-large

check: setup ## lint, and what a change can have touched, by the import graph, in about two minutes; SINCE=commit
	$(BIN)/ruff format --check -q . && $(BIN)/ruff check -q .
	@$(BIN)/python -m tests.touched $(SINCE)

lint: setup ## formatting, lint, types and arrows of both languages, unit tests of the front end
	$(BIN)/ruff format --check -q . && $(BIN)/ruff check -q .
	$(BIN)/lint-imports --no-logo > /dev/null || $(BIN)/lint-imports
	$(BIN)/mypy verifex tests benchmarks manage.py
	cd web && npm run -s format && npm run -s lint && npm run -s types && npm run -s test

test: setup debian lint ## everything; ends with "N passed, N failed"; TIMES=1 prints the slowest tests
	@$(BIN)/python -m verifex.site.static
	TIMES=$(TIMES) $(BIN)/python -m tests.run

# What is used of Debian: text layout for papers; for the tests a browser, and an independent circuit simulator to hold the
# solver against.
debian:
	@if ! test -x /usr/bin/chromium || ! command -v ngspice >/dev/null || ! command -v avr-g++ >/dev/null || ! command -v simavr >/dev/null || ! test -x /usr/sbin/nginx || ! ls /usr/lib/*/libpangoft2-1.0.so.0 >/dev/null 2>&1; then \
	  if [ "$$(id -u)" = 0 ]; then apt-get update -qq && apt-get install -y -qq --no-install-recommends $(DEBIAN); \
	  elif ! test -x /usr/bin/chromium; then echo "Debian packages are missing; as root: apt-get install $(DEBIAN)"; exit 1; \
	  else echo "Some Debian packages are missing, their tests are skipped; as root: apt-get install $(DEBIAN)"; fi; fi

api-client: setup ## the OpenAPI document and the typed client from it
	$(MANAGE) export_openapi_schema --api verifex.site.api.api --indent 1 > docs/openapi.json
	cd web && npm run -s api

picture: setup ## draw docs/imports.svg from the imports
	$(BIN)/python -m tests.import_picture

rules: setup ## docs/rules.md and docs/schemas from the code
	$(BIN)/verifex rules > docs/rules.md
	$(BIN)/verifex exercise schema > docs/exercise.schema.json

screenshots: setup debian ## docs/screenshots from the demo course
	@$(BIN)/python -m verifex.site.static
	$(BIN)/python -m tests.browser.screenshots

corpus: setup ## false alarms and misses of the checks, rule by rule, with bounds
	@$(BIN)/python -m tests.corpus.wiring.report
	@$(BIN)/python -m tests.corpus.wiring.remedies
	@echo
	@$(BIN)/python -m tests.corpus.programs.report
	@$(BIN)/python -m tests.corpus.wild.report
	@$(BIN)/python -m tests.corpus.logs.report
	@LONG=1 $(BIN)/python -m unittest discover -q -s tests/core -t .

load: setup ## a class of 60 clients at a server of its own, with a class PDF and a log of 10 MB
	$(BIN)/python -m benchmarks.load

waits: setup ## what somebody at a screen waits for: stations, findings while typing, a phone's first load, long logs
	$(BIN)/python -m benchmarks.screens

kills: setup ## a thousand kills of workers while hand-ins are judged, and a thousand of the server's processes under writes
	$(BIN)/python -m benchmarks.kills
	$(BIN)/python -m benchmarks.server_kills

races: setup ## two people at once, two hundred times each
	$(BIN)/python -m benchmarks.races

mutants: setup ## small changes of the core, and whether its tests notice them; a quarter of an hour or more
	test -x .venv-mutants/bin/cosmic-ray || { $(PYTHON) -m venv .venv-mutants && .venv-mutants/bin/pip install -q --require-hashes -r requirements-mutants.txt; }
	$(BIN)/python -m tests.mutants .venv-mutants/bin/cosmic-ray

generated: setup ## twenty thousand made-up programs, each judged in a worker under its limits
	$(BIN)/python -m benchmarks.generated

fuzz: setup ## every address of the API with made-up input: no answer may be a 500
	test -x .venv-fuzz/bin/schemathesis || { $(PYTHON) -m venv .venv-fuzz && .venv-fuzz/bin/pip install -q --require-hashes -r requirements-fuzz.txt; }
	$(BIN)/python -m benchmarks.fuzz .venv-fuzz/bin/schemathesis

bench: setup ## how long the usual things take
	$(BIN)/python -m benchmarks
