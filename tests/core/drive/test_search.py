"""One search for all families: what is pruned away changes nothing, every limit counts, every weight orders."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tuyere.core.drive.search import WEIGHTS, DutyWanted, Field, SearchResult, Stock, search, why_not
from tuyere.core.flat.field import FlatField, flat_grid_of
from tuyere.core.roller_chain.field import ChainField, chain_grid_of
from tuyere.core.synchronous.field import SyncField, sync_grid_of
from tuyere.core.v_belt.catalogue import Fixed, build_catalogue
from tuyere.core.v_belt.field import VBeltField

DUTY = DutyWanted(
    power_kw=3.7,
    design_kw=5.2,
    driver_rpm=1450,
    driven_rpm=500,
    tolerance_percent=3,
    centre_low_mm=560,
    centre_high_mm=640,
    centre_mm=600,
)
FIELDS: dict[str, Callable[[DutyWanted], Field]] = {
    "v-belt": lambda w: VBeltField(build_catalogue(series="all"), w),
    "chain": ChainField,
    "iso chain": lambda w: ChainField(w, "b"),
    "synchronous": lambda w: SyncField(w, w.design_kw / w.power_kw),
    "flat": FlatField,
}


def told(found: SearchResult) -> tuple:
    return (
        found.considered,
        found.accepted,
        [(r.row, r.kinds, round(r.cost, 9), r.on_shelf) for r in found.best],
        [
            (r.limit, r.count, r.nearest, round(r.value, 9), round(r.bound, 9), round(r.miss_percent, 9), r.only_this)
            for r in found.rejected
        ],
    )


@st.composite
def duties(draw: st.DrawFn) -> DutyWanted:
    kw, driver, centre = (
        draw(st.floats(0.3, 60)),
        draw(st.sampled_from([720.0, 1160.0, 1450.0, 1750.0, 3500.0])),
        draw(st.floats(150, 2500)),
    )
    room = draw(st.sampled_from([float("inf"), 900.0, 300.0, 120.0]))
    return DutyWanted(
        power_kw=kw,
        design_kw=kw * draw(st.floats(1, 2)),
        driver_rpm=driver,
        driven_rpm=driver / draw(st.floats(0.4, 6)),
        tolerance_percent=draw(st.floats(0.1, 8)),
        centre_low_mm=0.96 * centre,
        centre_high_mm=1.04 * centre,
        centre_mm=centre,
        largest_driver_mm=room,
        largest_driven_mm=room,
        widest_mm=room / 4,
        largest_load_n=draw(st.sampled_from([float("inf"), 4000.0, 900.0])),
        driven_shaft_mm=draw(st.sampled_from([0.0, 45.0])),
    )


@pytest.mark.parametrize("family", list(FIELDS))
@settings(derandomize=True, deadline=None, max_examples=15)
@given(wanted=duties())
def test_pruned_equals_unpruned(family: str, wanted: DutyWanted) -> None:
    pruned, whole = search(FIELDS[family](wanted), 9), search(FIELDS[family](wanted), 9, prune=False)
    assert told(pruned) == told(whole)
    assert pruned.accepted + sum(r.count for r in pruned.rejected) == pruned.considered


@pytest.mark.parametrize("family", list(FIELDS))
def test_every_row_is_counted_and_every_limit_only_takes_away(family: str) -> None:
    wide = replace(DUTY, tolerance_percent=6, centre_low_mm=400, centre_high_mm=900)
    plain = search(FIELDS[family](wide), 5)
    assert plain.accepted and plain.best
    for change in (
        {"tolerance_percent": 2.0},
        {"largest_driven_mm": 260.0, "largest_driver_mm": 260.0},
        {"widest_mm": 20.0},
        {"largest_load_n": 500.0},
        {"driven_shaft_mm": 70.0},
        {"design_kw": 9.0},
    ):
        less = search(FIELDS[family](replace(wide, **change)), 5)
        assert less.accepted <= plain.accepted
        assert less.accepted + sum(r.count for r in less.rejected) == less.considered == plain.considered


@pytest.mark.parametrize("family", list(FIELDS))
@pytest.mark.parametrize(
    ("weight", "figure"),
    [
        ("shaft_load", lambda r: r.shaft_load_n),
        ("width", lambda r: r.width_mm),
        ("speed", lambda r: abs(r.error_percent)),
    ],
)
def test_a_weight_alone_makes_the_order(family: str, weight: str, figure) -> None:  # noqa: ANN001
    only = replace(DUTY, tolerance_percent=6, weights=dict.fromkeys(WEIGHTS, 0.0) | {weight: 1.0})
    field = FIELDS[family](only)
    field.extra_cost = lambda rows: 0.0  # type: ignore[method-assign]  # what a family adds of its own is looked at elsewhere
    order = [figure(r) for r in search(field, 12, each=50).best]
    assert order == sorted(order) and len(order) > 1


@pytest.mark.parametrize("family", list(FIELDS))
def test_what_lies_on_the_shelf_comes_first_where_it_counts_most(family: str) -> None:
    wide = replace(DUTY, tolerance_percent=6)
    field = FIELDS[family](wide)
    last = search(field, 12, each=50).best[-1]
    if family == "v-belt":
        d = last.drive
        stock = Stock(
            loops=frozenset({d.belt.designation}), wheels=tuple((w.groove, w.line_mm) for w in (d.driver, d.driven))
        )
    else:
        loop, wheels = field.parts(last.row)
        stock = Stock(loops=frozenset({loop}), wheels=wheels)
    plain = search(field, 12, each=50)
    assert all(r.on_shelf == 0 for r in plain.best)
    heavy = replace(wide, stock=stock, weights=dict.fromkeys(WEIGHTS, 0.0) | {"stock": 1.0})
    listed = search(FIELDS[family](heavy), 12, each=50)
    assert listed.best[0].on_shelf == 3 and listed.accepted == plain.accepted
    assert [r.on_shelf for r in listed.best] == sorted((r.on_shelf for r in listed.best), reverse=True)


def one_of(family: str, field: Field, row: int) -> Field:
    """The field of one drive alone, made from what it is."""
    d = field.candidate(row)
    if family == "v-belt":
        fixed = Fixed(driver=d.driver, driven=d.driven, belt=d.belt, there=False)
        return VBeltField(build_catalogue(fixed), field.wanted)
    if family in ("chain", "iso chain"):
        return ChainField(field.wanted, d.chain.series, grid=chain_grid_of(d.chain, d.strands, d.z_1, d.z_2))
    if family == "synchronous":
        return SyncField(field.wanted, field.wanted.design_kw / field.wanted.power_kw, grid=sync_grid_of(d))
    return FlatField(field.wanted, grid=flat_grid_of(d))


@pytest.mark.parametrize("family", list(FIELDS))
def test_why_not_agrees_with_the_search(family: str) -> None:
    field = FIELDS[family](replace(DUTY, tolerance_percent=6))
    found = search(field, 12, each=50)
    for k, r in enumerate(sorted(found.best, key=lambda r: r.cost)[:5]):
        why = why_not(one_of(family, field, r.row), found)
        assert all(line.passes for line in why.lines) and why.cost == pytest.approx(r.cost, rel=1e-9)
        assert why.place >= k + 1
    tight = FIELDS[family](replace(DUTY, tolerance_percent=6, largest_load_n=1.0))
    fails = why_not(one_of(family, tight, found.best[0].row), found)
    assert fails.place == 0 and "shaft load" in [line.limit for line in fails.lines if not line.passes]
