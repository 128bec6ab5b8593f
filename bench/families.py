"""Speed of every family's search for one duty, and of all together: python bench/families.py

Candidates a second per family, how time grows with their number, and the comparison as the page asks it.
"""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable

import numpy as np

import tuyere.calc.every  # noqa: F401
from tuyere.calc.families.protocol import Wanted, families
from tuyere.calc.frame import Frame
from tuyere.calc.registry import find, work
from tuyere.core.roller_chain import choose as chain
from tuyere.core.synchronous import choose as sync

DUTY = Wanted(
    power_kw=5.5,
    service=None,
    driver_rpm=1450,
    driven_rpm=480,
    tolerance_percent=3,
    centre_mm=900,
    centre_low_mm=873,
    centre_high_mm=927,
    largest_mm=float("inf"),
    widest_mm=float("inf"),
    angle=0,
    clockwise=True,
    basis="ip20-1988",
)


def median_ms(work_it: Callable[[], object], runs: int = 15) -> float:
    times = []
    for _ in range(runs):
        began = time.perf_counter()
        work_it()
        times.append(1000 * (time.perf_counter() - began))
    return statistics.median(times)


def main() -> None:
    print("family            combinations   ms     candidates/s")
    for family in families():
        first = time.perf_counter()
        offer = family.offer(DUTY, Frame("us", DUTY.basis), 3)
        first = 1000 * (time.perf_counter() - first)
        ms = median_ms(lambda f=family: f.offer(DUTY, Frame("us", DUTY.basis), 3))
        print(
            f"{family.key:16} {offer.considered:12,} {ms:6.1f} {offer.considered / ms * 1000:14,.0f}   (first time {first:.0f} ms)"
        )
    calc = find("drive-compare")
    request = calc.request_model.model_validate(calc.example)
    print(
        f"drive-compare, all families with three options each worked and drawn: {median_ms(lambda: work(calc, request)):.0f} ms"
    )
    wanted = chain.Wanted(
        design_kw=7.5, power_kw=5.5, driver_rpm=1450, driven_rpm=480, tolerance_percent=3, centre_mm=900
    )
    whole, kinds = chain._grid("ansi"), sync._grid(None)
    for times in (1, 2, 4, 8):
        bigger = {n: np.tile(c, times) for n, c in whole.items()}
        chain._grid = lambda series="ansi", g=bigger: g  # the same rows several times over
        rows = len(bigger["of"])
        print(f"chain search over {rows:9,} rows: {median_ms(lambda: chain.search(wanted), 7):6.1f} ms")
    for times in (1, 4):
        bigger = {n: np.tile(c, times) for n, c in kinds[1].items()}
        sync._grid = lambda own=None, g=bigger: (kinds[0], g)
        rows = len(bigger["kind"])
        print(
            f"synchronous search over {rows:9,} rows: {median_ms(lambda: sync.search(sync.Wanted(power_kw=5.5, load_factor=1.6, driver_rpm=1450, driven_rpm=480, tolerance_percent=3, centre_low_mm=873, centre_high_mm=927)), 7):6.1f} ms"
        )


if __name__ == "__main__":
    main()
