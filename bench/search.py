"""Speed and memory of the V-belt search: python bench/search.py

One run gives all numbers, so that their ratios can be quoted: the search over every standard
combination, the same over a million synthetic rows, the same formulas on Python floats, memory.
"""

from __future__ import annotations

import resource
import statistics
import time
from dataclasses import replace

import numpy as np

from tuyere.core.steps import quiet
from tuyere.core.v_belt.catalogue import COLUMNS, build_catalogue
from tuyere.core.v_belt.choose import search
from tuyere.core.v_belt.limits import Wanted, evaluate, misses

WANTED = Wanted(
    power_kw=11.19,
    design_kw=14.5,
    driver_rpm=1750,
    driven_rpm=640,
    tolerance_percent=3,
    centre_low_mm=27 * 25.4,
    centre_high_mm=29 * 25.4,
)


def median_ms(work, runs: int) -> float:
    times = []
    for _ in range(runs):
        began = time.perf_counter()
        work()
        times.append(1000 * (time.perf_counter() - began))
    return statistics.median(times)


def main() -> None:
    before = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss
    began = time.perf_counter()
    catalogue = build_catalogue(series="all")
    built = 1000 * (time.perf_counter() - began)
    every = median_ms(lambda: search(catalogue, WANTED), 15)
    print(f"combinations of the tables: {len(catalogue):,}")
    print(f"catalogue with exact geometry, once per process: {built:.0f} ms")
    print(f"search over all: {every:.1f} ms (median of 15)")
    print(
        f"peak memory grown after imports: {(resource.getrusage(resource.RUSAGE_SELF).ru_maxrss - before) / 1024:.0f} MB"
    )

    take = np.random.default_rng(1).integers(0, len(catalogue), 1_000_000)
    million = replace(
        catalogue,
        columns={n: c[take] for n, c in catalogue.columns.items()},
        section_index=catalogue.section_index[take],
        driver_index=catalogue.driver_index[take],
        driven_index=catalogue.driven_index[take],
        belt_index=catalogue.belt_index[take],
    )
    print(f"search over 1,000,000 synthetic rows: {median_ms(lambda: search(million, WANTED), 5):.0f} ms (median of 5)")

    sample = take[:10_000]
    columns = {n: catalogue.columns[n][sample] for n in COLUMNS}

    def vector() -> int:
        with quiet(), np.errstate(all="ignore"):
            limits = misses(columns, evaluate(catalogue, sample, WANTED), WANTED)
            return int(
                np.sum(~np.any(np.stack([np.broadcast_to(m, (len(sample),)) > 1e-12 for _, _, m in limits]), axis=0))
            )

    def floats() -> int:
        passed = 0
        with quiet(), np.errstate(all="ignore"):
            for k in range(len(sample)):
                row = sample[k : k + 1]
                one = {n: columns[n][k : k + 1] for n in COLUMNS}
                passed += not any(
                    np.any(m > 1e-12) for _, _, m in misses(one, evaluate(catalogue, row, WANTED), WANTED)
                )
        return passed

    assert vector() == floats(), "the two ways must count alike"
    fast, slow = median_ms(vector, 9), median_ms(floats, 1)
    print(f"10,000 rows: arrays {fast:.1f} ms, one by one {slow:.0f} ms: {slow / fast:.0f} x (equal counts)")


if __name__ == "__main__":
    main()
