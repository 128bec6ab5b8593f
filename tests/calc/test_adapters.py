"""Every family by its adapter: what goes into rows comes back the same; searches behave as the trade expects."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from tuyere.calc.families.duty_model import StoredDuty
from tuyere.calc.families.protocol import FAMILIES, dumped
from tuyere.calc.families.select import options_of
from tuyere.calc.families.select_model import OptionOut
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Response, find, work
from tuyere.core.drive.search import SearchResult
from tuyere.core.errors import CoreError

INF = float("inf")
SERVICE = {"driver": "motor-nema-b", "machine": "fan-over-10-hp", "hours_a_day": 9.0}
LAYOUT = st.fixed_dictionaries({"angle": st.floats(-170, 170), "clockwise": st.booleans()})
FEW = settings(derandomize=True, deadline=None, max_examples=25)


def worked(calc: str, given_input: dict[str, Any], units: str = "us") -> Response[Any]:
    return work(find(calc), find(calc).request_model.model_validate({"units": units, "input": given_input}))


INPUTS = {
    "v-belt": st.fixed_dictionaries(
        {
            "power": st.floats(0.5, 12),
            "service_factor": st.just(SERVICE),
            "driver": st.fixed_dictionaries(
                {
                    "speed": st.floats(500, 2000),
                    "sheave": st.fixed_dictionaries(
                        {
                            "diameter": st.floats(140, 250),
                            "kind": st.sampled_from(["outside", "datum", "pitch"]),
                            "groove": st.just("B"),
                        }
                    ),
                }
            ),
            "driven": st.fixed_dictionaries(
                {
                    "sheave": st.fixed_dictionaries(
                        {"diameter": st.floats(150, 450), "kind": st.just("outside"), "groove": st.just("B")}
                    )
                }
            ),
            "belt": st.fixed_dictionaries(
                {
                    "designation": st.sampled_from(["B75", "B90", "BX97", "B105"]),
                    "count": st.integers(1, 6),
                    "construction": st.sampled_from(["plain"]),
                }
            ),
            "slip": st.sampled_from([1.0, 2.0]),
            "layout": LAYOUT,
        }
    ),
    "roller-chain": st.fixed_dictionaries(
        {
            "power": st.floats(0.5, 15),
            "service_factor": st.just(SERVICE),
            "speed": st.floats(50, 600),
            "chain": st.sampled_from(["50", "60", "80", "12B", "16A"]),
            "strands": st.integers(1, 3),
            "driver_teeth": st.integers(15, 25),
            "driven_teeth": st.integers(20, 60),
            "pitches": st.integers(90, 160),
            "lubrication": st.sampled_from(["best", "adequate", "dusty"]),
            "life": st.floats(5000, 40000),
            "layout": LAYOUT,
        }
    ),
    "synchronous": st.fixed_dictionaries(
        {
            "power": st.floats(0.1, 5),
            "service_factor": st.just(SERVICE),
            "speed": st.floats(300, 1800),
            "profile": st.sampled_from(["L", "H", "XH"]),
            "width": st.sampled_from([25.4, 38.1, 50.8]),
            "driver_teeth": st.integers(22, 40),
            "driven_teeth": st.integers(24, 70),
            "belt_teeth": st.integers(110, 180),
            "idler": st.sampled_from(["none", "outside, slack side"]),
            "upright": st.booleans(),
            "layout": LAYOUT,
        }
    ),
    "flat": st.fixed_dictionaries(
        {
            "power": st.floats(0.2, 4),
            "service_factor": st.just(SERVICE),
            "driver_speed": st.floats(300, 1500),
            "driver_diameter": st.floats(150, 350),
            "driven_diameter": st.floats(150, 700),
            "belt_length": st.floats(4500, 9000),
            "material": st.sampled_from(["polyamide-a3", "polyamide-a2", "leather-11"]),
            "width": st.floats(60, 180),
            "crossed": st.booleans(),
            "layout": LAYOUT,
        }
    ),
}


def test_every_family_is_tried_here() -> None:
    assert set(INPUTS) == set(FAMILIES)


@pytest.mark.parametrize("key", list(INPUTS))
def test_what_goes_into_rows_comes_back_the_same(key: str) -> None:
    family = FAMILIES[key]
    tried = [0]

    @FEW
    @given(INPUTS[key])
    def there_and_back(given_input: dict[str, Any]) -> None:
        try:
            first = worked(family.calc, given_input)
        except CoreError:
            assume(False)
        request = find(family.calc).request_model.model_validate({"input": given_input})
        frame = Frame("us")
        drive = family.method.work(family.case(request.input, frame))
        duty, parts = family.duty_of(request.input, drive), family.parts(request.input, drive, frame)
        stored = StoredDuty(power_kw=duty.power.value, driver_rpm=duty.driver_speed.value, service=SERVICE)
        again = worked(family.calc, dumped(family.given(stored, parts)))
        tried[0] += 1
        assert again.sheet is not None and first.sheet is not None
        assert again.sheet.designation == first.sheet.designation
        for name in ("spare", "driven_speed", "shaft_load"):
            one, other = getattr(again.sheet, name), getattr(first.sheet, name)
            assert (one is None) == (other is None)
            assert one is None or one.value == pytest.approx(other.value, rel=1e-6, abs=1e-6)
        assert again.elevation is not None and first.elevation is not None
        assert [(w.x, w.y, w.turn) for w in again.elevation.wheels] == [
            pytest.approx((w.x, w.y, w.turn), abs=1e-4) for w in first.elevation.wheels
        ]
        assert (
            parts.centre_mm == pytest.approx(first.elevation.dimensions[0].length, rel=1e-9)
            and parts.loop.length.mm > 0
        )
        assert parts.driver.kind == parts.driven.kind and family.what(parts.loop.designation, parts.loop.strands)

    there_and_back()
    assert tried[0] >= 8, "too few of the inputs made a drive"


@pytest.mark.parametrize("key", list(INPUTS))
def test_both_systems_say_the_same_drive(key: str) -> None:
    family = FAMILIES[key]

    @settings(derandomize=True, deadline=None, max_examples=12)
    @given(INPUTS[key])
    def compare(given_input: dict[str, Any]) -> None:
        try:
            us, si = worked(family.calc, given_input, "us"), worked(family.calc, given_input, "si")
        except CoreError:
            assume(False)
        assert us.sheet is not None and si.sheet is not None
        # Only what is rounded to a tape mark may differ between the systems.
        for name in ("spare", "driven_speed", "shaft_load"):
            one, other = getattr(us.sheet, name), getattr(si.sheet, name)
            assert (one is None) == (other is None)
            assert one is None or one.value == pytest.approx(other.value, rel=1e-9)
        assert [c.key for c in us.sheet.call_outs] == [c.key for c in si.sheet.call_outs]
        assert [n.code for n in us.notices] == [n.code for n in si.notices]

    compare()


DUTY = {
    "power": 4.0,
    "driver_speed": 1160,
    "driven_speed": 400,
    "tolerance": 4,
    "centre": {"about": 800.0, "give": 60.0},
}


def found(key: str, keep: int = 3, units: str = "us", **more: Any) -> tuple[SearchResult[Any], list[OptionOut]]:
    family = FAMILIES[key]
    given_in = family.select_model.model_validate(DUTY | {"keep": keep} | more)
    got, options, _, _ = options_of(family, given_in, Frame(units), each=1)
    return got, options


def accepted(key: str, **more: Any) -> int:
    return found(key, **more)[0].accepted


@pytest.mark.parametrize("key", list(INPUTS))
def test_asking_for_more_never_finds_more(key: str) -> None:
    free = accepted(key)
    assert free > 0
    for harder in (
        {"power": 8.0},
        {"tolerance": 1},
        {"limits": {"largest": 500.0}},
        {"limits": {"width": 40.0}},
        {"limits": {"shaft_load": 300.0}},
    ):
        assert accepted(key, **harder) <= free, harder
    assert accepted(key, power=4000.0) == 0
    assert accepted(key, power=0.05, tolerance=8) >= free


@pytest.mark.parametrize("key", list(INPUTS))
def test_every_offer_keeps_to_the_duty_and_the_room(key: str) -> None:
    got, options = found(key, 6, "si", limits={"largest": 620.0, "width": 110.0})
    assert options and got.accepted + sum(r.count for r in got.rejected) == got.considered
    for o in options:
        assert abs(o.speed_error.value) <= 4 + 1e-9 and o.spare.value >= -1e-9
        assert max(2 * w.outside_radius for w in o.elevation.wheels) <= 620 * (1 + 1e-9)
        assert 0 < o.weight.low.value <= o.weight.high.value
        assert 700 <= o.centre_distance.value <= 900 and o.shaft_load.value > 0 and o.parts.value >= 3
        assert 0.3 < o.driven_speed.value / 1160 < 0.4 and o.reasons
        assert o.elevation.dimensions[0].length == pytest.approx(o.centre_distance.value, rel=1e-9)


@pytest.mark.parametrize("key", list(INPUTS))
def test_speed_up_is_answered_as_slow_down_is(key: str) -> None:
    _, options = found(key, driver_speed=400, driven_speed=1160, power=1.0)
    assert options
    for o in options:
        assert o.driven_speed.value == pytest.approx(1160, rel=0.041)
        # The larger wheel drives.
        driver, driven_wheel = o.elevation.wheels
        assert driver.outside_radius > driven_wheel.outside_radius
