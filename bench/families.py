"""Speed of every family's search for one duty, and of all together: python bench/families.py

Candidates a second per family, how time grows with their number, and the comparison as the page asks it.
"""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable
from typing import Any

import numpy as np

import tuyere.calc.every  # noqa: F401
from tuyere.calc.families.protocol import families
from tuyere.calc.registry import find, work
from tuyere.core.drive.search import DutyWanted, search
from tuyere.core.roller_chain.field import ChainField, chain_grid
from tuyere.core.synchronous.field import SyncField, sync_grid

DUTY = {
    "power": "5.5 kW",
    "driver_speed": 1450,
    "driven_speed": 480,
    "tolerance": 3,
    "centre": {"about": "900 mm"},
    "keep": 3,
}
WANTED = DutyWanted(
    power_kw=5.5,
    design_kw=7.5,
    driver_rpm=1450,
    driven_rpm=480,
    tolerance_percent=3,
    centre_low_mm=873,
    centre_high_mm=927,
    centre_mm=900,
)


def median_ms(work_it: Callable[[], object], runs: int = 15) -> float:
    times = []
    for _ in range(runs):
        began = time.perf_counter()
        work_it()
        times.append(1000 * (time.perf_counter() - began))
    return statistics.median(times)


def worked(name: str, given: dict[str, Any]) -> Any:
    return work(find(name), find(name).request_model.model_validate({"units": "si", "input": given})).result


def main() -> None:
    print("family            combinations   ms     candidates/s   (search, three options worked and drawn)")
    for family in families():
        began = time.perf_counter()
        found = worked(family.facts.select, DUTY)
        first = 1000 * (time.perf_counter() - began)
        ms = median_ms(lambda f=family: worked(f.facts.select, DUTY))
        rate = found.considered / ms * 1000
        print(f"{family.key:16} {found.considered:12,} {ms:6.1f} {rate:14,.0f}   (first time {first:.0f} ms)")
    calc = find("drive-compare")
    request = calc.request_model.model_validate(calc.example)
    together = median_ms(lambda: work(calc, request))
    print(f"drive-compare, all families with three options each worked and drawn: {together:.0f} ms")
    for times in (1, 2, 4, 8):
        grid = {n: np.tile(c, times) for n, c in chain_grid("ansi").items()}
        field = ChainField(WANTED, grid=grid)
        search(field, 3)
        print(f"chain search over {len(field):9,} rows: {median_ms(lambda f=field: search(f, 3), 7):6.1f} ms")
    for times in (1, 4):
        grid = {n: np.tile(c, times) for n, c in sync_grid(None)[1].items()}
        field = SyncField(WANTED, 1.6, grid=grid)
        search(field, 3)
        print(f"synchronous search over {len(field):9,} rows: {median_ms(lambda f=field: search(f, 3), 7):6.1f} ms")


if __name__ == "__main__":
    main()
