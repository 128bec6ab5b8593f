"""Speed and memory of the V-belt search against plain Python: python bench/search.py

One run gives all numbers, so that their ratios can be quoted: the search over every standard combination, and the drives of
section B with `math` on floats, one by one, as a program without arrays would do it. Both must find the same drives.
"""

from __future__ import annotations

import math
import resource
import statistics
import time
from bisect import bisect_right
from dataclasses import replace

import numpy as np

from tuyere.core.drive.search import PASS, DutyWanted, search
from tuyere.core.steps import quiet
from tuyere.core.tables import table
from tuyere.core.units import KW_PER_HP
from tuyere.core.v_belt.bases.association import IP20_1988, ratio_axis
from tuyere.core.v_belt.catalogue import build_catalogue
from tuyere.core.v_belt.field import VBeltField
from tuyere.core.v_belt.sections import section, sections

WANTED = DutyWanted(
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


def one_by_one(
    columns: dict[str, list[float]], k: tuple[float, float, float, float], axis: tuple[list, list]
) -> list[int]:
    """Rows that do it: speed, sheave, centres, rim speed and belts, in plain Python; the constants of the association."""
    w, (k_1, k_2, k_3, k_4), (ratios, factors) = WANTED, k, axis
    found = []
    for row in range(len(columns["centre"])):
        d_1, d_2 = columns["driver_pitch"][row], columns["driven_pitch"][row]
        error = 100 * (w.driver_rpm * d_1 / d_2 / w.driven_rpm - 1)
        if abs(error) > w.tolerance_percent or columns["small_pitch"][row] < columns["least_pitch"][row]:
            continue
        centre = columns["centre"][row]
        if not w.centre_low_mm <= centre <= w.centre_high_mm:
            continue
        speed = math.pi * d_1 * w.driver_rpm / 60000
        if speed > 33.02:
            continue
        small = columns["small_pitch"][row] / 25.4
        rpm = w.driver_rpm * d_1 / columns["small_pitch"][row] / 1000
        at = max(bisect_right(ratios, columns["ratio"][row] + 1e-9) - 1, 0)
        basic = small * rpm * (k_1 - k_2 / small - k_3 * (small * rpm) ** 2 - k_4 * math.log10(small * rpm))
        added = k_2 * (1 - 1 / factors[at]) * rpm
        kw = (basic + added) * columns["K_theta"][row] * columns["K_L"][row] * KW_PER_HP
        if kw > 0 and math.ceil(w.design_kw / kw - 1e-9) <= w.most_members:
            found.append(row)
    return found


def main() -> None:
    before = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss
    began = time.perf_counter()
    catalogue = build_catalogue(series="all")
    built = 1000 * (time.perf_counter() - began)
    every = median_ms(lambda: search(VBeltField(catalogue, WANTED), 3), 15)
    print(f"combinations of the tables: {len(catalogue):,}")
    print(f"catalogue with exact geometry, once per process: {built:.0f} ms")
    print(f"search over all: {every:.1f} ms (median of 15)")
    whole = median_ms(lambda: search(VBeltField(catalogue, WANTED), 3, prune=False), 5)
    print(f"the same, every row worked (prune=False): {whole:.1f} ms")
    grown = (resource.getrusage(resource.RUSAGE_SELF).ru_maxrss - before) / 1024
    print(f"peak memory grown after imports: {grown:.0f} MB")

    number = next(n for n, s in enumerate(sections().values()) if s is section("B"))
    rows = np.flatnonzero(catalogue.section_index == number)
    of_b = replace(
        catalogue,
        columns={n: c[rows] for n, c in catalogue.columns.items()},
        section_index=catalogue.section_index[rows],
        driver_index=catalogue.driver_index[rows],
        driven_index=catalogue.driven_index[rows],
        belt_index=catalogue.belt_index[rows],
    )
    plain = {n: c.tolist() for n, c in of_b.columns.items()}
    constants = IP20_1988.constants(section("B"))
    axis = ratio_axis("B", False)
    lists = axis.xs.tolist(), axis.ys.tolist()
    with quiet(), np.errstate(all="ignore"):
        field = VBeltField(of_b, WANTED)
        everyone = np.arange(len(of_b))
        held = [*field.cheap(everyone), *field.rest(everyone, field.evaluate(everyone))]
    does = np.flatnonzero(~np.any(np.stack([h.miss > PASS for h in held]), axis=0)).tolist()
    assert one_by_one(plain, constants, lists) == does, "the two ways must find the same drives"
    fast = median_ms(lambda: search(VBeltField(of_b, WANTED), 3), 15)
    slow = median_ms(lambda: one_by_one(plain, constants, lists), 7)
    print(
        f"section B, {len(rows):,} combinations, {len(does)} do it: {fast:.1f} ms with counts, nearest misses and order; "
        f"plain Python that only says which do it and stops at the first miss {slow:.1f} ms ({slow / fast:.1f} x)"
    )
    assert table("rating_constants").rows


if __name__ == "__main__":
    main()
