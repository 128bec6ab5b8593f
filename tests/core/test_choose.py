"""The search over all standard drives: it equals the single drive, and it says why others fell out."""

from __future__ import annotations

from dataclasses import replace

import numpy as np
import pytest

from tuyere.core.drive.ranking import ALL_ROUND, KINDS
from tuyere.core.drive.search import WEIGHTS, DutyWanted, SearchResult, Stock, search
from tuyere.core.duty.fan_law import power_at_speed
from tuyere.core.geometry.formulas import open_length
from tuyere.core.steps import quiet
from tuyere.core.v_belt.case import v_belt_case
from tuyere.core.v_belt.catalogue import Catalogue, Fixed, build_catalogue
from tuyere.core.v_belt.field import VBeltCandidate, VBeltField
from tuyere.core.v_belt.method import work_v_belt
from tuyere.core.v_belt.sheaves import sheave


def swept(
    catalogue: Catalogue, wanted: DutyWanted, keep: int = 12, each: int | None = None
) -> SearchResult[VBeltCandidate]:
    return search(VBeltField(catalogue, wanted), keep, each=each)


WANTED = DutyWanted(
    power_kw=11.19,
    design_kw=14.5,
    driver_rpm=1750,
    driven_rpm=640,
    tolerance_percent=3,
    centre_low_mm=27 * 25.4,
    centre_high_mm=29 * 25.4,
)


def test_sweep_equals_the_single_drive() -> None:
    catalogue = build_catalogue()
    assert len(catalogue) > 170_000
    rows = np.flatnonzero(np.isfinite(catalogue.columns["K_theta"]))
    rows = np.random.default_rng(7).choice(rows, 400, replace=False)
    with quiet(), np.errstate(all="ignore"):
        worked = VBeltField(catalogue, WANTED).evaluate(rows)
    compared = 0
    for k, row in enumerate(rows):
        small = min(catalogue.columns["driver_pitch"][row], catalogue.columns["driven_pitch"][row])
        fits = small >= catalogue.columns["least_pitch"][row] * (1 - 1e-9) and worked["speed"][k] <= 33.02
        if not (fits and worked["power"][k] > 0 and worked["belts"][k] <= 30):
            continue
        single = work_v_belt(
            v_belt_case(
                power_kw=WANTED.power_kw,
                service_factor=WANTED.design_kw / WANTED.power_kw,
                driver_rpm=1750,
                driver=catalogue.wheels[catalogue.driver_index[row]],
                driven=catalogue.wheels[catalogue.driven_index[row]],
                belt=catalogue.belts[catalogue.belt_index[row]],
            )
        )
        assert single.rated.count == worked["belts"][k]
        assert single.driven_rpm == pytest.approx(WANTED.driven_rpm * (1 + worked["error"][k] / 100), rel=1e-12)
        assert single.rated.own.one.corrected_kw == pytest.approx(worked["power"][k], rel=1e-9)
        assert single.centre_mm == pytest.approx(catalogue.columns["centre"][row], rel=1e-10)
        assert single.shaft_load.newtons == pytest.approx(worked["shaft_load"][k], rel=1e-9)
        compared += 1
    assert compared > 100


def test_every_centre_of_the_catalogue_satisfies_its_length() -> None:
    c = build_catalogue()
    line = np.array([w.line_mm for w in c.wheels])
    d, D = (
        np.minimum(line[c.driver_index], line[c.driven_index]),
        np.maximum(line[c.driver_index], line[c.driven_index]),
    )
    lengths = np.array([b.length_in * 25.4 for b in c.belts])[c.belt_index]
    there = np.isfinite(c.columns["centre"])
    with quiet():
        back = open_length(c.columns["centre"][there], d[there], D[there])
    assert there.sum() > 90_000 and np.max(np.abs(back - lengths[there])) < 1e-8


def test_every_row_is_counted_once_and_the_nearest_miss_is_named() -> None:
    found = swept(build_catalogue(), WANTED)
    assert found.accepted + sum(r.count for r in found.rejected) == found.considered == len(build_catalogue())
    assert found.best and {r.limit for r in found.rejected} <= set(VBeltField.limits)
    for r in found.rejected:
        assert r.count > 0 and r.miss_percent > 0
    costs = [c.cost for c in found.best if not c.kinds]
    assert costs == sorted(costs)
    assert {k for c in found.best for k in c.kinds} <= {*KINDS, ALL_ROUND} and found.best[0].kinds
    for c in found.best:
        assert abs(c.error_percent) <= 3 and 27 * 25.4 <= c.drive.centre_mm <= 29 * 25.4 and c.found["belts"] <= 8


def test_loosening_a_limit_never_loses_a_drive() -> None:
    tight = swept(build_catalogue(), WANTED)
    for change in ({"tolerance_percent": 6}, {"centre_high_mm": 32 * 25.4}, {"most_members": 12}, {"design_kw": 10.0}):
        loose = swept(build_catalogue(), replace(WANTED, **change))
        assert loose.accepted >= tight.accepted


def test_parts_that_stay_are_kept() -> None:
    driver = sheave(5.75 * 25.4, "outside", "B")
    wide = DutyWanted(
        power_kw=7.5,
        design_kw=9.0,
        driver_rpm=1750,
        driven_rpm=900,
        tolerance_percent=10,
        centre_low_mm=10 * 25.4,
        centre_high_mm=60 * 25.4,
    )
    found = swept(build_catalogue(Fixed(driver=driver)), wide, keep=6, each=9)
    assert found.best and all(c.drive.driver is driver and c.drive.belt.section.groove == "B" for c in found.best)
    only = swept(build_catalogue(Fixed(section="AX")), wide, keep=6, each=9)
    assert {c.drive.belt.section.name for c in only.best} == {"AX"}


def test_weights_order_the_list() -> None:
    wide = replace(WANTED, centre_low_mm=20 * 25.4, centre_high_mm=50 * 25.4)
    only = dict.fromkeys(WEIGHTS, 0.0)
    by_load = swept(build_catalogue(), replace(wide, weights=only | {"shaft_load": 1.0}), each=12)
    loads = [c.shaft_load_n for c in by_load.best]
    assert loads == sorted(loads)
    by_belts = swept(build_catalogue(), replace(wide, weights=only | {"parts": 1.0}), each=12)
    assert by_belts.best[0].found["belts"] == min(c.found["belts"] for c in by_belts.best)


def test_nothing_fits_says_so() -> None:
    found = swept(
        build_catalogue(),
        DutyWanted(
            power_kw=2000,
            design_kw=2600,
            driver_rpm=1750,
            driven_rpm=640,
            tolerance_percent=1,
            centre_low_mm=27 * 25.4,
            centre_high_mm=29 * 25.4,
        ),
    )
    assert not found.best and found.accepted == 0 and sum(r.count for r in found.rejected) == found.considered


def test_a_stock_list_changes_the_order_and_nothing_else() -> None:
    plain = swept(build_catalogue(), WANTED, 12, 12)
    far = plain.best[-1].drive
    stock = Stock(
        loops=frozenset({far.belt.designation}),
        wheels=((far.driver.groove, far.driver.line_mm), (far.driven.groove, far.driven.line_mm + 0.3)),
    )
    listed = swept(build_catalogue(), replace(WANTED, stock=stock), 12, 12)
    assert (listed.considered, listed.accepted, listed.rejected) == (plain.considered, plain.accepted, plain.rejected)
    only = replace(WANTED, stock=stock, weights=dict.fromkeys(WEIGHTS, 0.0) | {"stock": 1.0})
    first = swept(build_catalogue(), only, 12, 12).best[0]
    assert first.on_shelf == 3 and (first.drive.belt.designation, first.drive.driver.line_mm) == (
        far.belt.designation,
        far.driver.line_mm,
    )
    # Where it is not in the list, nothing of it counts.
    assert all(c.on_shelf == 0 for c in plain.best) and "stock" not in plain.best[0].terms
    heavier = replace(WANTED, stock=stock, weights={**WANTED.weights, "stock": 10.0})
    shelf = [c.on_shelf for c in swept(build_catalogue(), heavier, 12, 12).best]
    assert max(shelf[:3]) >= max(shelf[3:], default=0)


@pytest.mark.outside("fan and pump affinity laws, as every handbook carries them: power with the cube of the speed")
@pytest.mark.parametrize(
    ("power", "old", "new", "then"), [(5.0, 860, 1157, 12.175), (10.0, 1000, 1100, 13.31), (7.5, 1750, 875, 0.9375)]
)
def test_power_of_a_fan_at_another_speed(power: float, old: float, new: float, then: float) -> None:
    assert power_at_speed(power, new, old) == pytest.approx(then, rel=1e-3)
    assert power_at_speed(power_at_speed(power, new, old), old, new) == pytest.approx(power, rel=1e-12)
