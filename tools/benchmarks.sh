#!/bin/sh
# Writes docs/benchmarks.md from one run of the benchmarks that need no sound; with "hearing", which
# takes about two hours, docs/hearing-figures.md from one run of those that do.
set -eu
cd "$(dirname "$0")/.."
case "${1:-}" in
  hearing)
    page=docs/hearing-figures.md
    title='What is heard, and what hearing costs'
    names='calibration hearing hearing_cost hearing_stream pausing unclear waking' ;;
  *)
    page=docs/benchmarks.md
    title='What things cost'
    names='matching nearest reading revising utterance growth house' ;;
esac
{
  printf '# %s\n\n' "$title"
  printf 'Measured by `lantern bench` on two cores, made by `tools/benchmarks.sh`; ratios are from one run,\n'
  printf 'in which the sizes took turns.\n\n| figure | value | unit | against | ratio |\n|---|---|---|---|---|\n'
  .venv/bin/lantern bench $names | .venv/bin/python -c '
import json, sys
for line in sys.stdin:
    f = json.loads(line)
    cells = (f["name"], f["value"], f["unit"], f["against"] or "", f["ratio"] or "")
    print("| " + " | ".join(map(str, cells)) + " |", flush=True)'
} > "$page.new"
mv "$page.new" "$page"
