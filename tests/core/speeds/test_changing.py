"""Stages, retrofits, idler cones, kinds of drive, engines and generators: against arithmetic done apart and facts of the trade."""

from __future__ import annotations

from itertools import product
from math import pi

import numpy as np
import pint
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from tuyere.core.duty.kinds import TITLES, kinds_for, wear_at
from tuyere.core.errors import InputError
from tuyere.core.motors.engine import engine_speed, generator
from tuyere.core.speeds.cones import idler_cones, one_pair
from tuyere.core.speeds.formulas import belt_speed
from tuyere.core.speeds.retrofit import Gears, geared_speed, retrofit
from tuyere.core.speeds.stages import Leg, check_stages, order, passed_on, ratio_of_stages, shaft_between

SOME = settings(derandomize=True, deadline=None, max_examples=60)


@pytest.mark.outside("numpy: speeds between are evenly spaced on a logarithmic scale; ratios multiply to the whole")
@pytest.mark.parametrize("stages", [2, 3, 5])
@pytest.mark.parametrize(("n1", "n2"), [(1750, 70), (1450, 9), (60, 3000)])
def test_an_even_split_is_geometric(stages: int, n1: float, n2: float) -> None:
    ours = [float(shaft_between(n1, n2, k / stages)) for k in range(stages + 1)]
    assert ours == pytest.approx(list(np.geomspace(n1, n2, stages + 1)))
    whole = 1.0
    for a, b in zip(ours, ours[1:], strict=False):
        whole = float(ratio_of_stages(whole, a / b))
    assert whole == pytest.approx(n1 / n2)


@pytest.mark.outside("textbook: two drives of 95 and 98 % pass on 93.1 %, three of 96 % 88.5 %")
def test_losses_multiply() -> None:
    assert passed_on(95, 98) == pytest.approx(93.1)
    assert passed_on(passed_on(96, 96), 96) == pytest.approx(88.47, abs=0.01)


def leg(parts: float, size: float, kg: float) -> Leg:
    return Leg(parts=parts, largest_mm=size, weight_kg=kg)


@given(st.lists(st.tuples(st.integers(3, 9), st.floats(50, 900), st.floats(1, 90)), min_size=1, max_size=8))
@SOME
def test_what_is_less_in_everything_comes_first(figures: list[tuple[int, float, float]]) -> None:
    chains = [[leg(*f)] for f in figures]
    first = order(chains)[0]
    for other in figures:
        better = all(a <= b for a, b in zip(other, figures[first], strict=True)) and other != figures[first]
        assert not better
    assert sorted(order(chains)) == list(range(len(chains)))


def test_too_much_for_the_stages() -> None:
    with pytest.raises(InputError, match="beyond 2 stages"):
        check_stages(3500, 1, 2)
    with pytest.raises(InputError, match="stages"):
        check_stages(3500, 1000, 1)
    check_stages(3500, 2, 3)


@pytest.mark.outside("counting marks: gears turn by their teeth, a pair reverses, an open belt does not")
@pytest.mark.parametrize(("meshes", "crossed", "turns"), list(product([0, 1, 2, 3], [False, True], [1])))
def test_direction_by_the_sign_of_the_speeds(meshes: int, crossed: bool, turns: int) -> None:
    before = turns * (-1) ** meshes
    after = -turns if crossed else turns
    r = retrofit(
        1000,
        [Gears(20, 40, meshes), Gears(30, 60, meshes)],
        centres_mm=500,
        first_mm=80,
        crossed=crossed,
        make_mm=None,
        within_percent=2,
    )
    assert r.reverses == (before != after) and not r.mixed
    assert r.old_rpm == pytest.approx((500, 500))


@pytest.mark.outside("by hand: 1725 rpm through 18 : 72 is 431.25, through 30 : 60 862.5")
def test_the_belt_gives_the_speeds_of_the_gears() -> None:
    assert float(geared_speed(1725, 18, 72)) == pytest.approx(431.25)
    r = retrofit(
        1725,
        [Gears(18, 72), Gears(30, 60, 2)],
        centres_mm=400,
        first_mm=63.5,
        crossed=False,
        make_mm=None,
        within_percent=2,
    )
    assert [s.rpm for s in r.cones.steps] == pytest.approx([431.25, 862.5])
    assert r.mixed and r.cones.most_slack_mm < 1e-6
    single = retrofit(
        1725, [Gears(18, 72)], centres_mm=400, first_mm=63.5, crossed=False, make_mm=1.0, within_percent=3
    )
    assert len(single.cones.steps) == 1 and single.cones.most_slack_mm == 0


@pytest.mark.outside("pint: surface speed of an 8 in wheel at 3450 rpm in feet a minute")
def test_surface_speed() -> None:
    u = pint.UnitRegistry()
    theirs = (8 * u.inch * pi * 3450 / u.minute).to("m/s").magnitude
    assert float(belt_speed(8 * 25.4, 3450)) == pytest.approx(theirs)


@pytest.mark.parametrize(
    ("field", "change"),
    [
        ("gears", {"gears": []}),
        ("gears.0.pinion", {"gears": [Gears(1, 40)]}),
        ("gears.0.meshes", {"gears": [Gears(20, 40, 9)]}),
        ("speeds", {"wanted": [100.0]}),
    ],
)
def test_a_retrofit_that_cannot_be(field: str, change: dict[str, object]) -> None:
    given = {"gears": [Gears(20, 40), Gears(30, 60)], "centres_mm": 500.0, "first_mm": 80.0, "crossed": False}
    with pytest.raises(InputError) as e:
        retrofit(1000, **(given | {"make_mm": None, "within_percent": 2.0} | change))  # type: ignore[arg-type]
    assert e.value.field == field


@pytest.mark.outside("textbook speed series: all speeds of both belts together are one geometric series (numpy)")
@pytest.mark.parametrize("steps", [(1, 3), (2, 2), (2, 3), (3, 3), (3, 4)])
@pytest.mark.parametrize(("low", "high"), [(250, 3000), (400, 1600)])
def test_an_idler_cone_gives_one_even_series(steps: tuple[int, int], low: float, high: float) -> None:
    r = idler_cones(1725, low, high, steps=steps, centres_mm=(260, 300), first_mm=(45, 45))
    assert r.rpm == pytest.approx(list(np.geomspace(low, high, steps[0] * steps[1])))
    assert max(r.first.most_slack_mm, r.second.most_slack_mm) < 1e-6
    made = idler_cones(1725, low, high, steps=steps, centres_mm=(260, 300), first_mm=(45, 45), make_mm=1.0)
    assert len(made.rpm) == len(r.rpm)
    assert all(abs(a / b - 1) < 0.05 for a, b in zip(made.rpm, r.rpm, strict=True))


def test_cones_that_cannot_be() -> None:
    with pytest.raises(InputError, match="highest"):
        idler_cones(1725, 900, 300, steps=(2, 2), centres_mm=(260, 300), first_mm=(45, 45))
    with pytest.raises(InputError, match="steps"):
        idler_cones(1725, 300, 900, steps=(6, 2), centres_mm=(260, 300), first_mm=(45, 45))
    with pytest.raises(InputError, match="meet"):
        one_pair(1000, 100, centres_mm=100, first_mm=50)


@pytest.mark.outside("NEMA and IEC: a direct drive turns at the motor's full-load speed and no other")
@pytest.mark.parametrize(
    ("rpm", "hertz", "reaches"),
    [(1750, 60, True), (1160, 60, True), (1450, 50, True), (1000, 60, False), (640, 60, False)],
)
def test_direct_only_at_a_motors_speed(rpm: float, hertz: float, reaches: bool) -> None:
    found = {k.key: k for k in kinds_for(1750, rpm, tolerance_percent=2, hertz=hertz, asked=())}
    assert found["direct"].reaches == reaches and set(found) == set(TITLES)


@given(st.floats(50, 3600), st.floats(20, 3600))
@SOME
def test_every_kind_is_told_of_and_what_reaches_comes_first(a: float, b: float) -> None:
    assume(max(a, b) / min(a, b) < 290)
    found = kinds_for(a, b, tolerance_percent=3, hertz=60, asked=("shock",))
    reach = [k.reaches for k in found]
    assert reach == sorted(reach, reverse=True)
    for k in found:
        assert 0 < k.efficiency[0] <= k.efficiency[1] <= 100
        assert {m.asks for m in k.manners} == {m.asks for m in found[0].manners}
        assert [m.asks for m in k.manners if m.asked] == ["shock"]


def test_what_is_asked_for_counts_more() -> None:
    """A gear unit never comes first where it must slip when jammed."""
    found = kinds_for(1750, 400, tolerance_percent=3, hertz=60, asked=("overload",))
    assert [m.mark for m in found[0].manners if m.asked] == ["good"]
    with pytest.raises(InputError, match="beyond all"):
        kinds_for(3600, 1, tolerance_percent=3, hertz=60, asked=())
    with pytest.raises(InputError, match="respect"):
        kinds_for(1750, 400, tolerance_percent=3, hertz=60, asked=("colour",))


@pytest.mark.outside("pump handbooks: at half speed grit wears an eighth, packing rubs half as far; recalled")
@pytest.mark.parametrize(
    ("machine", "wear", "suction"),
    [
        ("centrifugal pump, grit", 12.5, 39.7),
        ("piston or plunger pump", 50.0, 25.0),
        ("gear or screw pump", 50.0, None),
    ],
)
def test_half_the_speed(machine: str, wear: float, suction: float | None) -> None:
    w, s, _ = wear_at(machine, 300, 600)
    assert float(w) == pytest.approx(wear)
    assert (s is None) == (suction is None) and (s is None or float(s) == pytest.approx(suction, abs=0.05))
    with pytest.raises(InputError, match="wear"):
        wear_at("clock", 1, 1)


@pytest.mark.outside("two-pole generators turn 3600 for 60 Hz and 3000 for 50, four-pole ones half of it; NEMA MG 1")
@pytest.mark.parametrize(
    ("hertz", "poles", "rpm"), [(60, 2, 3600), (60, 4, 1800), (50, 2, 3000), (50, 4, 1500), (50, 6, 1000)]
)
def test_a_generator_holds_its_frequency(hertz: float, poles: int, rpm: float) -> None:
    r = generator(hertz, poles)
    assert r.rpm == pytest.approx(rpm) and r.low_rpm < rpm < r.high_rpm
    with pytest.raises(InputError, match="pairs"):
        generator(hertz, poles + 1)


@pytest.mark.outside("common practice: a small engine set to 3750 without load runs 3600 under it, 4 % of droop")
def test_a_governor_droops() -> None:
    assert engine_speed(3600, 3750, 2500).droop_percent == pytest.approx(4.17, abs=0.01)
    with pytest.raises(InputError, match="faster, not slower"):
        engine_speed(3600, 3500, None)
    with pytest.raises(InputError, match="governor"):
        engine_speed(1000, 1800, None)
    with pytest.raises(InputError, match="torque"):
        engine_speed(3600, 3700, 5000)
