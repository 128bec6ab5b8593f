"""Small formulas that all families share, against pint, plain statics and facts of the trade."""

from __future__ import annotations

from math import ceil

import pint
import pytest

from tuyere.core.duty.carried import kilowatts, millimetres, pounds_to_newtons, power_to_spare
from tuyere.core.flat.formulas import belt_mass_kg, mean_strand, span_feet, width_that_does
from tuyere.core.geometry.formulas import loop_length
from tuyere.core.roller_chain.formulas import even_pitches, standing_pull
from tuyere.core.speeds.formulas import ratio_of_speeds
from tuyere.core.synchronous.formulas import whole_teeth
from tuyere.core.tension.formulas import deflection_at_mark
from tuyere.core.v_belt.formulas import all_belts_power, ride_speed_change, spare_power

U = pint.UnitRegistry()


@pytest.mark.outside("pint: horsepower in kilowatts, inches in millimetres, inches in feet")
@pytest.mark.parametrize("x", [0.5, 7.0, 250.0])
def test_exact_units(x: float) -> None:
    assert float(kilowatts(x)) == pytest.approx((x * U.horsepower).to("kW").magnitude, rel=1e-9)
    assert float(millimetres(x)) == pytest.approx((x * U.inch).to("mm").magnitude, rel=1e-12)
    assert float(span_feet(x)) == pytest.approx((x * U.inch).to("foot").magnitude, rel=1e-12)


@pytest.mark.outside("pint: weight of a belt from pounds a foot over its length")
@pytest.mark.parametrize(("w", "mm"), [(0.393, 5843.9), (1.2, 10_000.0)])
def test_mass_of_a_belt(w: float, mm: float) -> None:
    worked = (w * U.pound / U.foot * mm * U.mm).to("kg").magnitude
    assert float(belt_mass_kg(w, mm)) == pytest.approx(worked, rel=1e-9)


@pytest.mark.outside("common practice, no source: chain is bought in even pitches, an odd number takes an offset link")
@pytest.mark.parametrize(
    ("exact", "even"), [(116.573, 118), (118.0, 118), (118.0000000001, 118), (119.2, 120), (99.5, 100)]
)
def test_chain_is_bought_even(exact: float, even: int) -> None:
    assert float(even_pitches(exact)) == even
    assert float(loop_length(even, 15.875)) == pytest.approx((even * 0.625 * U.inch).to("mm").magnitude)


@pytest.mark.outside("facts of the trade: a toothed belt has whole teeth; the standard library's ceiling")
@pytest.mark.parametrize("exact", [84.2, 120.0, 125.999])
def test_belts_have_whole_teeth(exact: float) -> None:
    assert float(whole_teeth(exact)) == ceil(exact)


@pytest.mark.outside("a tape in 32nds: the nearest mark by fractions, never less than one")
@pytest.mark.parametrize(("mm", "marks"), [(13.5569, 17), (8.26044, 10), (0.1, 1), (25.4, 32)])
def test_a_deflection_is_set_at_a_mark(mm: float, marks: int) -> None:
    assert float(deflection_at_mark(mm, 25.4 / 32)) == pytest.approx(marks * 25.4 / 32, rel=1e-12)


@pytest.mark.outside("statics: a hanging strand pulls alike at both ends, and two strands hang on a shaft")
def test_two_strands_hang_on_a_shaft() -> None:
    assert float(standing_pull(70.07)) == pytest.approx(2 * 70.07)


@pytest.mark.outside("statics of a belt on fixed centres: the hoop tension is there at rest too (worked in pint)")
def test_the_mean_strand_holds_the_hoop_tension() -> None:
    mean = (216.13 * U.pound_force + 25.65 * U.pound_force).to("newton").magnitude
    assert float(mean_strand(216.13 * 4.4482216152605, 25.65 * 4.4482216152605)) == pytest.approx(mean, rel=1e-9)


@pytest.mark.outside(
    "Shigley, flat belts: what a belt carries goes with its width; 6 in that slip at 29.9 hp do 20.6 hp with 4.14 in"
)
def test_the_width_that_does() -> None:
    assert float(width_that_does(6.0, 20.625, 29.9)) == pytest.approx(4.14, abs=0.005)


@pytest.mark.outside(
    "arithmetic of the trade: 4 belts of 6.11 hp for 19.5 hp leave 25 %; the same from the set as a whole"
)
def test_power_to_spare_two_ways() -> None:
    each, design = 6.1127, 19.5
    whole = float(all_belts_power(each, 4))
    assert whole == pytest.approx(24.4508) and float(power_to_spare(whole, design)) == pytest.approx(25.39, abs=0.01)
    assert float(spare_power(each, 4, design)) == pytest.approx(float(power_to_spare(whole, design)), rel=1e-12)


@pytest.mark.outside("facts of the trade: 1750 to 875 rpm is two to one")
def test_a_ratio_is_the_speeds() -> None:
    assert float(ratio_of_speeds(1750, 875)) == 2.0


@pytest.mark.outside("pint: pounds-force in newtons")
@pytest.mark.parametrize("x", [0.3, 12.0, 900.0])
def test_pounds_in_newtons(x: float) -> None:
    assert float(pounds_to_newtons(x)) == pytest.approx((x * U.force_pound).to("N").magnitude, rel=1e-12)


@pytest.mark.outside(
    "kinematics: a loop runs as fast as the pitch circle of its driver, and the driven wheel with it (in pint)"
)
@pytest.mark.parametrize(("rides", "own"), [(120.0, 125.0), (131.5, 125.0), (88.9, 88.9)])
def test_riding_elsewhere_changes_the_speed_in_proportion(rides: float, own: float) -> None:
    def driven(d: float) -> float:
        loop = 1750 * U.turn / U.minute * d * U.mm * 3.141592653589793 / U.turn
        return float((loop / (300 * U.mm)).to("1/s").magnitude)

    assert float(ride_speed_change(rides, own)) == pytest.approx(100 * (driven(rides) / driven(own) - 1), abs=1e-9)
