"""Benchmarks: each module's run() yields figures; `lantern bench NAME` prints them."""
