#!/bin/sh
# Writes docs/benchmarks.md from one run of all benchmarks.
set -eu
cd "$(dirname "$0")/.."
{
  printf '# What things cost\n\n'
  printf 'Measured by `lantern bench` on two cores, made by `tools/benchmarks.sh`; ratios are from one run,\n'
  printf 'in which the sizes took turns.\n\n| figure | value | unit | against | ratio |\n|---|---|---|---|---|\n'
  .venv/bin/lantern bench | .venv/bin/python -c '
import json, sys
for line in sys.stdin:
    f = json.loads(line)
    cells = (f["name"], f["value"], f["unit"], f["against"] or "", f["ratio"] or "")
    print("| " + " | ".join(map(str, cells)) + " |")'
} > docs/benchmarks.md.new
mv docs/benchmarks.md.new docs/benchmarks.md
