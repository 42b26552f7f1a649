# make demo   sets up and starts the desk with the sample world
# make test   sets up what tests need and runs them
PYTHON ?= $(shell command -v python3.11 || command -v python3)
VENV := .venv
BIN := $(VENV)/bin
PORT ?= 8377
PIP := $(BIN)/python -m pip install --quiet --disable-pip-version-check

.PHONY: demo test lint check bench screenshots reference clean

demo: $(VENV)/.ready $(VENV)/.ears
	$(BIN)/lantern serve --demo --port $(PORT)

$(VENV)/.ready: pyproject.toml requirements.lock
	sh tools/packages.sh python
	$(PYTHON) -m venv $(VENV)
	$(PIP) --require-hashes -r requirements.lock
	$(PIP) --no-deps --no-build-isolation -e .
	touch $@

$(VENV)/.ready-test: $(VENV)/.ready requirements-test.lock
	sh tools/packages.sh test
	$(PIP) --require-hashes -r requirements-test.lock
	touch $@

# A speech model, about 150 megabytes, tried for once; the desk does without.
$(VENV)/.ears: $(VENV)/.ready
	$(BIN)/lantern ears get base --or-go-on
	touch $@

test: lint check

lint: $(VENV)/.ready-test
	$(BIN)/ruff check .
	$(BIN)/ruff format --check .
	$(BIN)/mypy

check: $(VENV)/.ready-test $(VENV)/.ears
	$(BIN)/python -m tests

bench: $(VENV)/.ready-test
	$(BIN)/lantern bench

screenshots: $(VENV)/.ready-test
	$(BIN)/python -m tests.browser.screenshots

clean:
	rm -rf $(VENV) build *.egg-info
