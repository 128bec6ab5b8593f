"""The order of drives: three kinds of answer a practitioner would name, and what counts against a drive (N11)."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tuyere.calc.registry import find, work
from tuyere.core.drive.ranking import (
    ALL_ROUND,
    KINDS,
    LEAST_SPARE,
    MOST_LARGER,
    MOST_SPARE,
    Figures,
    cost_of,
    ordered,
    spare_term,
    terms,
)
from tuyere.core.drive.search import DutyWanted, Ranked, SearchResult, search
from tuyere.core.v_belt.catalogue import build_catalogue
from tuyere.core.v_belt.field import VBeltCandidate, VBeltField

HP = 0.745699872


def figures(rows: list[tuple[float, ...]]) -> Figures:
    parts, large, width, weight, load, error, spare = (np.array(c) for c in zip(*rows, strict=True))
    return Figures(
        parts=parts,
        large_mm=large,
        width_mm=width,
        weight_kg=weight,
        shaft_load_n=load,
        error_percent=error,
        spare_percent=spare,
        uncommon=np.zeros(len(rows)),
    )


ROWS = st.lists(
    st.tuples(
        st.integers(3, 10),
        st.floats(80, 900),
        st.floats(10, 200),
        st.floats(1, 90),
        st.floats(100, 5000),
        st.floats(-3, 3),
        st.floats(0, 300),
    ),
    min_size=1,
    max_size=40,
)


@settings(derandomize=True, max_examples=200, deadline=None)
@given(ROWS)
def test_every_drive_is_in_the_order_once_and_the_kinds_are_what_they_say(rows: list[tuple[float, ...]]) -> None:
    f = figures(rows)
    cost = cost_of(terms(f, f.least(), 3.0), {})
    order, kinds = ordered(f, cost)
    assert sorted(order) == list(range(len(rows)))
    assert [k for k in order[: len(kinds)]] == list(kinds) and 1 <= len(kinds) <= 3
    assert sum(len(v) for v in kinds.values()) == 3
    usual = (f.spare_percent >= LEAST_SPARE) & (f.spare_percent <= MOST_SPARE)
    pool = np.flatnonzero(usual) if usual.any() else np.arange(len(rows))
    for name, figure in zip(KINDS, (f.parts, f.large_mm * f.width_mm, f.weight_kg), strict=True):
        (k,) = [k for k, v in kinds.items() if name in v or name == KINDS[0] and ALL_ROUND in v]
        of = pool
        if name == KINDS[0]:
            smallest = pool[np.argmin((f.large_mm * f.width_mm)[pool])]
            of = pool[f.large_mm[pool] <= MOST_LARGER * f.large_mm[smallest]]
        assert k in pool and figure[k] <= figure[of].min() * 1.05 * (1 + 1e-9)
    rest = cost[order[len(kinds) :]]
    assert np.all(np.diff(rest) >= -1e-8)


def test_spare_counts_either_way() -> None:
    assert spare_term(5) == spare_term(40) == 1 and spare_term(0) == 2 and spare_term(140) == 2
    assert spare_term(0.1) > spare_term(4) > spare_term(20) < spare_term(200)


def run(power: str, driver: int, driven: int, centre: str) -> dict[str, list]:
    calc = find("drive-compare")
    asked = {
        "power": power,
        "driver_speed": driver,
        "driven_speed": driven,
        "centre": {"about": centre},
        "service_factor": {"driver": "motor-nema-b", "machine": "conveyor-pan", "hours_a_day": 16},
    }
    got = work(calc, calc.request_model.model_validate({"units": "us", "input": asked}))
    return {f.key: f.options for f in got.result.families}


@pytest.mark.outside(
    "common practice, no source: no 8V and no sheave over 20 in for a duty of 5 to 7.5 hp; nothing at its limit"
)
@pytest.mark.parametrize(
    ("power", "driver", "driven"), [("7.5hp", 1750, 640), ("5hp", 1160, 400), ("5hp", 1750, 640), ("1hp", 1725, 700)]
)
def test_nobody_laughs_at_what_comes_first(power: str, driver: int, driven: int) -> None:
    found = run(power, driver, driven, "30 in" if power != "1hp" else "16 in")
    for o in found["v-belt"]:
        assert not o.name.split("× ")[1].startswith(("8V", "D", "E"))
        sheaves = o.telling.removeprefix("outside ").split(" ")[0].split("/")
        assert max(float(x) for x in sheaves) <= 20
    for options in found.values():
        for o in options:
            if o.kinds:
                assert LEAST_SPARE - 1e-6 <= o.spare.value <= MOST_SPARE + 1e-6
    assert not any(o.spare.value < 1 for options in found.values() for o in options[:1])


def test_a_single_strand_comes_before_two() -> None:
    for power in ("3hp", "10hp", "25hp"):
        (first, *_) = run(power, 1160, 400, "40 in")["roller-chain"]
        assert "fewest parts" in first.kinds or ALL_ROUND in first.kinds
        assert "-" not in first.name.split(",")[0]


def usual(of: SearchResult[VBeltCandidate]) -> list[Ranked[VBeltCandidate]]:
    """Drives with a usual spare: their spare term is between 1 and 1.2."""
    return [c for c in of.best if c.terms["spare"] <= 1.2 + 1e-9]


def large(c: Ranked[VBeltCandidate]) -> float:
    return max(c.drive.driver.outside_mm, c.drive.driven.outside_mm)


@pytest.mark.parametrize(("hp", "driven"), [(7.5, 640), (15, 900), (40, 1200)])
def test_the_three_kinds_are_the_best_of_every_drive_that_passes(hp: float, driven: float) -> None:
    """Swept whole: no passing drive with a usual spare has fewer parts, takes less room or weighs less by over a twentieth."""
    w = DutyWanted(
        power_kw=hp * HP,
        design_kw=1.3 * hp * HP,
        driver_rpm=1750,
        driven_rpm=driven,
        tolerance_percent=3,
        centre_low_mm=29 * 25.4,
        centre_high_mm=31 * 25.4,
    )
    every = search(VBeltField(build_catalogue(), w), 5000, each=5000)
    first = [c for c in every.best if c.kinds]
    assert 1 <= len(first) <= 3 and every.best[: len(first)] == tuple(first)
    fewest = next(c for c in first if KINDS[0] in c.kinds or ALL_ROUND in c.kinds)
    smallest = min(usual(every), key=lambda c: large(c) * c.width_mm)
    modest = [c for c in usual(every) if large(c) <= MOST_LARGER * large(smallest)]
    assert fewest.found["belts"] == min(c.found["belts"] for c in modest)
