"""What cards of the bench answer, held against published figures and arithmetic of another kind; each check names its source."""

from __future__ import annotations

from math import asin, cos, log10, pi, sin
from typing import Any

import numpy as np
import pint
import pytest
from scipy.optimize import brentq

from tuyere.calc.registry import CALCULATIONS, find, work

CARDS = sorted(n for n, c in CALCULATIONS.items() if c.card is not None)
Q = pint.UnitRegistry().Quantity
IN = 25.4


def asked(name: str, units: str = "us", **given: Any) -> Any:
    calc = find(name)
    return work(calc, calc.request_model.model_validate({"units": units, "input": given})).result


def example(name: str, units: str) -> Any:
    """A card's example, whose sizes are typed in inches, answered in either system."""
    calc = find(name)
    ask = calc.request_model.model_validate({"units": "us", "input": calc.example["input"]})
    ask.units = units
    return work(calc, ask).result


@pytest.mark.parametrize("name", [n for n in CARDS if example(n, "us").bar is not None])
def test_a_bar_says_the_same_in_both_systems(name: str) -> None:
    # A property: what share of its limit a reading has does not hang on the unit; a rise in degrees is a difference.
    us, si = example(name, "us").bar, example(name, "si").bar
    assert [z.state for z in us.zones] == [z.state for z in si.zones]
    for a, b in zip(us.zones, si.zones, strict=True):
        assert us.reading / a.high == pytest.approx(si.reading / b.high, rel=2e-3)
    assert us.reading / us.high == pytest.approx(si.reading / si.high, rel=2e-3)


@pytest.mark.parametrize("name", CARDS)
def test_a_card_says_the_same_figures_in_both_systems(name: str) -> None:
    # A property: the core's values are in its own units whatever system shows them; a text differs only where it has a unit.
    us, si = example(name, "us"), example(name, "si")
    for field in find(name).card.figures:
        a, b = getattr(us, field), getattr(si, field)
        if a is None or isinstance(a, str):
            assert (a is None) == (b is None)
            continue
        for x, y in [(a.low, b.low), (a.high, b.high)] if hasattr(a, "low") else [(a, b)]:
            assert (x.value == 0) == (y.value == 0)
            assert x.value == pytest.approx(y.value, rel=1e-9), field
    units = {"in", "lbf", "hp", "lb", "ft/min", "°F"}
    assert not units & set(si.says.replace(",", " ").replace(".", " ").split()) - {"in"}


@pytest.mark.parametrize(
    ("poles", "hertz", "field"),
    [(2, 60, 3600), (4, 60, 1800), (6, 60, 1200), (2, 50, 3000), (4, 50, 1500), (8, 50, 750)],
)
def test_a_motors_field_turns_by_poles_and_supply(poles: int, hertz: int, field: int) -> None:
    # NEMA MG 1 and IEC 60034, recalled: the synchronous speeds of 60 and 50 Hz.
    got = asked("motor-speed", poles=poles, frequency=hertz)
    assert got.synchronous.value == pytest.approx(field)
    assert got.full_load_low.value < got.full_load_high.value < field
    assert f"{field:,}" in got.says


@pytest.mark.parametrize("share", [0.8, 0.95, 1.06, 1.2])
def test_a_fans_flow_pressure_and_power_go_with_the_first_second_and_third_power(share: float) -> None:
    # Fan laws (AMCA 802, ASHRAE), recalled.
    got = asked("fan-speed", speed="1000", new_speed=str(1000 * share))
    for figure, power in ((got.flow, 1), (got.pressure, 2), (got.power, 3)):
        assert figure.value == pytest.approx(100 * share**power, rel=1e-9)
    # Fan engineering, recalled: fifty times the logarithm of the ratio, in decibels.
    assert got.louder_db == pytest.approx(50 * log10(share), abs=0.06)


@pytest.mark.parametrize(("bearing", "power"), [("ball", 3.0), ("roller", 10 / 3)])
def test_a_bearings_life_is_that_of_the_standard(bearing: str, power: float) -> None:
    # ISO 281: a million turns times the ratio of rating and load, to the third for balls, to ten thirds for rollers.
    got = asked("bearing-life", load="333 lbf", rating="5000 lbf", speed="1750", bearing=bearing)
    assert got.life.value == pytest.approx((5000 / 333) ** power * 1e6 / (60 * 1750), rel=1e-9)


@pytest.mark.parametrize(
    ("chain", "pitch", "teeth"), [("40", 0.5, 17), ("60", 0.75, 17), ("80", 1.0, 24), ("60", 0.75, 18)]
)
def test_a_sprocket_measures_as_the_chain_standard_has_it(chain: str, pitch: float, teeth: int) -> None:
    # ASME B29.1, recalled: pitch diameter from the polygon; over two roots an even wheel measures the pitch diameter less a roller,
    # an odd one that times the cosine of a quarter tooth.
    got = asked("sprocket", chain=chain, teeth=teeth)
    across = pitch / sin(pi / teeth) * IN
    assert got.pitch_diameter.value == pytest.approx(across, rel=1e-6)
    roller = {"40": 0.312, "60": 0.469, "80": 0.625}[chain] * IN
    root = across * (1 if teeth % 2 == 0 else cos(pi / 2 / teeth)) - roller
    assert got.caliper_diameter.value == pytest.approx(root, abs=0.05)
    assert got.outside_diameter.value == pytest.approx(pitch * (0.6 + 1 / np.tan(pi / teeth)) * IN, rel=2e-3)


@pytest.mark.parametrize(
    ("profile", "pitch", "less", "teeth"), [("H8M", 8.0, 1.372, 36), ("H", 12.7, 1.372, 24), ("XL", 5.08, 0.508, 20)]
)
def test_a_toothed_pulley_is_smaller_than_its_belts_pitch_line(
    profile: str, pitch: float, less: float, teeth: int
) -> None:
    # ISO 5294 and ISO 13050, recalled: twice the distance from the pitch line to the tips.
    got = asked("sync-pulley", profile=profile, teeth=teeth)
    assert got.pitch_diameter.value == pytest.approx(pitch * teeth / pi, rel=1e-6)
    assert got.pitch_diameter.value - got.outside_diameter.value == pytest.approx(less, abs=0.01)


def loop(small: float, large: float, centre: float) -> float:
    """Length of an open loop round two circles, by its straight parts and its arcs; plane geometry."""
    lean = asin((large - small) / 2 / centre)
    return 2 * centre * cos(lean) + pi * (large + small) / 2 + lean * (large - small)


@pytest.mark.parametrize(("small", "large", "teeth"), [(28, 72, 180), (24, 24, 100), (20, 60, 140)])
def test_the_centres_of_a_toothed_belt_solve_the_loop_of_two_circles(small: int, large: int, teeth: int) -> None:
    # Plane geometry, solved by scipy's bracketing root.
    d1, d2 = (8 * z / pi for z in (small, large))
    centre = brentq(lambda c: loop(d1, d2, c) - 8 * teeth, (d1 + d2) / 2, 8 * teeth)
    got = asked("sync-length", profile="H8M", driver_teeth=small, driven_teeth=large, belt_teeth=teeth)
    assert got.centre_distance.value == pytest.approx(centre, rel=1e-6)
    assert f"{teeth} teeth" in got.says


@pytest.mark.parametrize(("small", "large", "about"), [(24, 63, 22.5), (17, 17, 20.0), (19, 38, 30.0)])
def test_a_chains_pitches_are_near_the_handbooks_sum(small: int, large: int, about: float) -> None:
    # Machinery's Handbook, chain length in pitches, recalled: 2C + (N+n)/2 + ((N-n)/2 pi)^2 / C, C in pitches; the next even number.
    got = asked("chain-length", chain="50", driver_teeth=small, driven_teeth=large, centre_distance=f"{about} in")
    c = about / 0.625
    wanted = 2 * c + (large + small) / 2 + ((large - small) / 2 / pi) ** 2 / c
    assert got.exact_pitches.value == pytest.approx(wanted, abs=0.06)
    assert got.pitches.value % 2 == 0 and 0 <= got.pitches.value - wanted < 2.1


@pytest.mark.parametrize(("large", "width", "least"), [(12, 3, 82.5), (9.75, 1.5, 61.875)])
def test_a_quarter_turn_of_v_belts_wants_five_and_a_half_times(large: float, width: float, least: float) -> None:
    # RMA engineering practice for quarter-turn V-belts, recalled: 5.5 times the large sheave and the width of the belts together.
    got = asked("quarter-turn", belt="V-belts", large=f"{large} in", width=f"{width} in", centre="100 in")
    assert got.least_centre.value == pytest.approx(least * IN, rel=1e-9)


def test_a_fall_of_tension_is_the_line_that_least_squares_finds() -> None:
    # numpy's polyfit on the logarithm of the hours.
    hours, pulls = [0.5, 24.0, 168.0, 500.0], [64.0, 55.0, 51.0, 49.5]
    got = asked(
        "tension-settling",
        readings=[{"hours": str(h), "tension": f"{p} lbf"} for h, p in zip(hours, pulls, strict=True)],
        at_hours="2000",
    )
    slope, at_one = np.polyfit(np.log10(hours), pulls, 1)
    for figure, lbf in (
        (got.predicted, at_one + slope * log10(2000)),
        (got.at_one_hour, at_one),
        (got.per_decade, -slope),
    ):
        assert figure.value == pytest.approx(Q(lbf, "lbf").to("N").magnitude, rel=1e-6)
    # The drawing has a mark for every reading.
    assert sum(i.kind == "circle" for i in got.picture.items) == len(hours)


def test_under_a_tension_that_is_set_again_there_is_a_strip_and_without_one_there_is_none() -> None:
    fall = {"readings": [{"hours": h, "tension": p} for h, p in (("1", "60"), ("10", "55"), ("100", "50"))]}
    bare, with_least = (asked("tension-settling", **fall, **more).picture.items for more in ({}, {"least": "48"}))
    assert [sum(i.kind == "shape" for i in items) for items in (bare, with_least)] == [0, 1]
    assert "set it again" in asked("tension-settling", **fall, least="48", at_hours="5000").says


@pytest.mark.parametrize("degrees", [0.25, 0.5])
def test_the_gap_across_a_rim_is_the_angle_over_its_diameter(degrees: float) -> None:
    # Plane geometry: the gap is the diameter times the tangent of the angle. A third of a degree is V-belt practice, recalled; a quarter
    # that of synchronous belts.
    kind = {0.25: "sync", 0.5: "v"}[degrees]
    got = asked("alignment-limits", kind=kind, centre="24 in", diameter="6 in")
    assert got.gap_difference.value == pytest.approx(6 * IN * np.tan(np.radians(got.angle.value)), rel=1e-3)
    assert asked("alignment-limits", kind=kind, centre="48 in", diameter="6 in").offset.value >= got.offset.value


def test_the_worst_foot_is_the_one_that_lifts_most_whichever_it_is() -> None:
    feet = ("inboard_near", "inboard_far", "outboard_near", "outboard_far")
    for worst in feet:
        got = asked("soft-foot", **{f: "0.012 in" if f == worst else "0.001 in" for f in feet})
        assert got.worst.value == pytest.approx(0.012 * IN)
        assert worst.replace("_", " ") in got.says and got.bar.reading > got.bar.zones[0].low


def test_a_belt_goes_round_as_often_as_its_speed_has_its_length() -> None:
    # Kinematics: rim speed over length, by pint.
    got = asked("belt-frequencies", driver_speed="1750", driver_diameter="5.4", driven_diameter="14.1", length="93")
    rim = Q(pi * 5.4, "inch") * Q(1750 / 60, "1/s")
    assert got.belt_turns.value == pytest.approx((rim / Q(93, "inch")).to("Hz").magnitude, rel=1e-6)
    assert got.driver_turns.value == pytest.approx(1750 / 60, rel=1e-9)
    assert got.driven_turns.value == pytest.approx(1750 / 60 * 5.4 / 14.1, rel=1e-9)


def test_a_belt_a_little_longer_moves_the_shafts_by_about_half_of_it() -> None:
    # Geometry: on equal sheaves exactly half; on unequal ones a little more.
    kind = {"kind": "outside", "groove": "B"}
    equal = asked(
        "belt-length-off",
        right="B46",
        offered="B48",
        driver={"diameter": "6 in", **kind},
        driven={"diameter": "6 in", **kind},
    )
    assert equal.centre_change.value == pytest.approx(IN, rel=1e-6)
    other = asked(
        "belt-length-off",
        right="B46",
        offered="B48",
        driver={"diameter": "5 in", **kind},
        driven={"diameter": "8 in", **kind},
    )
    assert IN < other.centre_change.value < 1.1 * IN
    assert other.says.startswith("Will do.")


@pytest.mark.parametrize(("thick", "inches"), [("1/4", 0.25), ("3/8", 0.375), ("1/2", 0.5), ("3/4", 0.75)])
def test_a_round_belt_is_cut_for_six_percent_of_stretch_and_its_weld(thick: str, inches: float) -> None:
    # Shigley, recalled: 6 % is the usual initial stretch of round urethane. A weld melts up to its own thickness away: common practice.
    got = asked("round-belt", diameter=thick, path="62 in", speed="500")
    for_weld = got.cut_length.value / IN - 62 / 1.06
    assert 0 <= for_weld <= 1.1 * inches
    assert got.says.startswith(f"Cut it {got.cut_length.shown}")


def test_an_overhung_pull_balances_on_its_two_bearings() -> None:
    # Statics: forces and moments of the shaft are nothing.
    got = asked("shaft-load", pull="250 lbf", overhang="3 in", spacing="9 in")
    near, far = (Q(x.value, "N").to("lbf").magnitude for x in (got.near_bearing, got.far_bearing))
    assert abs(near) - abs(far) == pytest.approx(250, rel=1e-9)
    assert abs(far) * 9 == pytest.approx(250 * 3, rel=1e-9)
    assert abs(near) * 9 == pytest.approx(250 * 12, rel=1e-9)
