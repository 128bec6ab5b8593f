"""Tachometer readings against a simulation of their errors; fans and pumps against handbook laws, scipy and the circle of currents."""

from __future__ import annotations

from math import sqrt

import numpy as np
import pint
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import brentq

from tuyere.core.errors import InputError
from tuyere.core.motors.formulas import shaft_from_load, shaft_from_supply
from tuyere.core.speeds.flow import (
    amps_at,
    check_ratio,
    flow_percent,
    power_at_density,
    power_percent,
    pressure_percent,
    pump_flow,
    sound_change_db,
    speed_for_power,
)
from tuyere.core.speeds.formulas import slip_against_unloaded, speed_lost_to_diameters
from tuyere.core.speeds.tach import METER_SHARE, shown, tach_check
from tuyere.core.tables import table

SOME = settings(derandomize=True, deadline=None, max_examples=60)


@pytest.mark.outside("numpy: ten thousand simulated readings of the same meter")
@pytest.mark.parametrize(("n1", "n2"), [(1750, 640), (1750, 1740), (875, 2400)])
def test_the_error_of_slip_is_that_of_a_simulation(n1: float, n2: float) -> None:
    rng = np.random.default_rng(11)
    true = np.array([n1, n2, n1 * 1.02, n2 * 1.035])
    sigma = np.sqrt((METER_SHARE * true) ** 2 + 1 / 12)
    drawn = true + sigma * rng.standard_normal((10_000, 4))
    slips = 100 * (1 - (drawn[:, 2] / drawn[:, 3]) / (drawn[:, 0] / drawn[:, 1]))
    found = tach_check([n1], [n2], unloaded=([n1 * 1.02], [n2 * 1.035]))
    assert found.slip_error == pytest.approx(float(np.std(slips)), rel=0.05)
    assert found.slip == pytest.approx(float(np.mean(slips)), abs=0.02)


@pytest.mark.outside("kinematics: slip is what is missing of the unloaded speed at the same driver speed")
@pytest.mark.parametrize("slip", [0.0, 0.5, 1.5, 3.0, 12.0])
def test_slip_that_was_put_in_comes_out(slip: float) -> None:
    n1, n2 = 1750.0, 1750 / 2.7 * (1 - slip / 100)
    assert slip_against_unloaded(n1 / n2, 2.7) == pytest.approx(slip, abs=1e-9)
    assert speed_lost_to_diameters(n1 / n2, 100.0, 270.0) == pytest.approx(slip, abs=1e-9)
    found = tach_check([n1, n1], [n2, n2], unloaded=([1790], [1790 / 2.7]))
    assert found.slip == pytest.approx(slip, abs=1e-9)
    assert (found.verdict == "slipping") == (slip > 2)


@pytest.mark.outside("common practice: two chalk marks, the driver turns twice while the driven shaft turns once")
def test_two_to_one_by_marks() -> None:
    found = tach_check([2.0 * 60] * 3, [60.0] * 3, diameters_mm=(100, 200))
    assert found.ratio == 2 and found.lost_to_diameters == pytest.approx(0)


def test_a_wrong_diameter_is_not_taken_for_slip() -> None:
    # The driver is 5.2 in, not 5.4: without load the ratio says so, and there is no slip at all.
    ratio = 14.4 / 5.2
    good = tach_check(
        [1750] * 3, [1750 / ratio] * 3, unloaded=([1790] * 2, [1790 / ratio] * 2), diameters_mm=(137.16, 365.76)
    )
    assert good.verdict == "other diameter" and good.driver_is_mm == pytest.approx(5.2 * 25.4)
    alone = tach_check([1750] * 3, [1750 / ratio] * 3, diameters_mm=(137.16, 365.76))
    assert alone.verdict == "slip or other diameter"
    assert tach_check([1650] * 2, [611] * 2, unloaded=([1690], [626]), named_rpm=1750).verdict == "other motor speed"
    assert tach_check([1750], [640]).verdict == "not told without load"
    assert tach_check([1750], [680], unloaded=([1790], [671])).verdict == "contradiction"


@given(st.lists(st.floats(900, 1000), min_size=1, max_size=9))
@SOME
def test_more_readings_alike_are_surer(readings: list[float]) -> None:
    one, four = shown(readings, "driver"), shown(readings * 4, "driver")
    assert four.error <= one.error + 1e-9 or len(readings) == 1
    assert four.mean == pytest.approx(one.mean) and four.spread == one.spread


@pytest.mark.outside(
    "fan laws, handbook (AMCA, ASHRAE): 5 % faster moves 5 % more at 10 % more pressure for 16 % more power"
)
@pytest.mark.parametrize(
    ("ratio", "flow", "pressure", "power", "db"),
    [
        (1.05, 1.05, 1.1025, 1.1576, 1.06),
        (1.10, 1.10, 1.21, 1.331, 2.07),
        (0.5, 0.5, 0.25, 0.125, -15.05),
        (1.0, 1, 1, 1, 0),
    ],
)
def test_the_fan_laws(ratio: float, flow: float, pressure: float, power: float, db: float) -> None:
    new, now = 1000 * ratio, 1000.0
    assert flow_percent(new, now) == pytest.approx(100 * flow)
    assert pressure_percent(new, now) == pytest.approx(100 * pressure)
    assert power_percent(new, now) == pytest.approx(100 * power, abs=1e-2)
    assert sound_change_db(ratio) == pytest.approx(db, abs=0.01)


@pytest.mark.outside("scipy: where the pump's curve and the pipe's cross, found by a root")
@pytest.mark.parametrize("static", [0.0, 0.2, 0.5, 0.8])
@pytest.mark.parametrize("shut_off", [1.15, 1.3, 1.8])
@pytest.mark.parametrize("ratio", [0.95, 1.0, 1.2])
def test_a_pump_against_a_static_head(static: float, shut_off: float, ratio: float) -> None:
    bend = shut_off - 1  # head = shut_off r2 - bend q2 by the affinity laws: q scales with r, head with r2
    crossing = brentq(lambda q: shut_off * ratio**2 - bend * q**2 - (static + (1 - static) * q**2), 0, 5)
    flow, head, power = pump_flow(ratio, shut_off=shut_off, static=static)
    assert flow == pytest.approx(100 * crossing, rel=1e-9) and power == pytest.approx(flow * head / 100)
    if static == 0:
        assert (flow, head, power) == pytest.approx((100 * ratio, 100 * ratio**2, 100 * ratio**3))


@given(st.floats(0.75, 1.4), st.floats(0, 0.7), st.floats(1.35, 2.5))
@SOME
def test_a_lift_makes_the_flow_answer_more_than_the_laws_say(ratio: float, static: float, shut_off: float) -> None:
    flow, _, _ = pump_flow(ratio, shut_off=shut_off, static=static)
    plain = 100 * ratio
    assert flow <= plain + 1e-9 if ratio < 1 else flow >= plain - 1e-9


@pytest.mark.outside(
    "circle diagram: the magnetising current and the current of the load are the two sides of a right angle"
)
@pytest.mark.parametrize("idle", [5.0, 8.0, 11.0])
@pytest.mark.parametrize(("load", "ratio"), [(0.8, 1.19), (0.5, 1.5), (1.0, 0.6)])
def test_amps_by_the_two_currents(idle: float, load: float, ratio: float) -> None:
    full = 20.0
    active = sqrt(full**2 - idle**2)
    now = abs(complex(load * active, idle))
    found = amps_at(now, full=full, power_ratio=ratio, no_load=idle)
    assert found.new[0] == pytest.approx(abs(complex(load * ratio * active, idle))) and found.new[0] == found.new[1]
    assert found.load_now[0] == pytest.approx(load) and found.top_ratio[0] == pytest.approx(1 / load)


@given(st.floats(5, 20), st.floats(0.6, 1.8))
@SOME
def test_the_band_without_the_no_load_current_holds_what_it_could_be(amps: float, ratio: float) -> None:
    band = amps_at(amps, full=20.0, power_ratio=ratio)
    for idle in (5.0, 7.0, 10.0):
        if idle < amps:
            one = amps_at(amps, full=20.0, power_ratio=ratio, no_load=idle).new[0]
            assert band.new[0] - 1e-9 <= one <= band.new[1] + 1e-9 or amps <= 10.0


@pytest.mark.parametrize(
    ("call", "field"),
    [
        (lambda: shown([], "driver"), "driver"),
        (lambda: shown([0.0], "driven"), "driven"),
        (lambda: shown([900, 1800], "driver"), "driver"),
        (lambda: amps_at(45, full=20, power_ratio=1), "amps"),
        (lambda: amps_at(10, full=20, power_ratio=1, no_load=12), "no_load"),
        (lambda: amps_at(0, full=20, power_ratio=1), "amps"),
        (lambda: check_ratio(3, "new_speed"), "new_speed"),
        (lambda: pump_flow(0.6, shut_off=1.2, static=0.6), "speed"),
        (lambda: pump_flow(1, shut_off=0.9, static=0.1), "shut_off"),
        (lambda: pump_flow(1, shut_off=1.2, static=1.1), "static"),
    ],
)
def test_what_cannot_be_is_refused(call: object, field: str) -> None:
    with pytest.raises(InputError) as e:
        call()  # type: ignore[operator]
    assert e.value.field == field


@pytest.mark.outside("pint: volts, amps, power factor and efficiency of a 15 hp motor at full load (460 V, 19 A)")
def test_power_from_the_supply() -> None:
    u = pint.UnitRegistry()
    theirs = (3**0.5 * 460 * u.volt * 19 * u.ampere * 0.82 * 0.91).to("kW").magnitude
    assert float(shaft_from_supply(460, 19, 0.82, 91)) == pytest.approx(theirs)
    assert theirs / 0.7457 == pytest.approx(15, abs=0.3)


@pytest.mark.outside("circle diagram of an induction motor: current, power factor and power by its equivalent circuit")
@pytest.mark.parametrize("load", [0.4, 0.6, 0.8, 1.0])
def test_the_share_by_two_currents_is_near_the_circles(load: float) -> None:
    """A circuit of its own: magnetising branch beside a rotor of resistance R/s, power by its real part."""
    magnetising, full_slip = 0.35, 0.03

    def at(slip: float) -> tuple[complex, float]:
        rotor = 1 / complex(full_slip / slip, 0.1 * 1.0)
        return complex(0, -magnetising) + rotor, abs(rotor) ** 2 * full_slip / slip * (1 - slip)

    current_full, power_full = at(full_slip)
    slip = brentq(lambda s: at(s)[1] - load * power_full, 1e-6, full_slip)
    current, _ = at(slip)
    full, idle = abs(current_full), magnetising
    told = ((abs(current) ** 2 - idle**2) / (full**2 - idle**2)) ** 0.5
    assert told == pytest.approx(load, abs=0.06)
    assert float(shaft_from_load(told, 10.0)) == pytest.approx(10 * load, abs=0.6)


@pytest.mark.outside("AMCA: air at 5000 ft is 0.83 as dense, and so are pressure and power at one speed")
def test_thin_air_takes_less_power() -> None:
    assert float(power_at_density(100.0, 0.83 * 1.2, 1.2)) == pytest.approx(83.0)


@pytest.mark.outside("common practice: 2 : 1 by chalk marks, twenty turns of the driver to ten of the machine")
@pytest.mark.parametrize(("turns", "ratio"), [((20, 10), 2.0), ((10, 10), 1.0), ((7, 21), 1 / 3)])
def test_marks_and_turns_tell_the_ratio_without_load(turns: tuple[float, float], ratio: float) -> None:
    found = tach_check([1750], [1750 / ratio * 0.97], by_hand=turns)
    assert found.unloaded_ratio == pytest.approx(ratio)
    assert found.slip == pytest.approx(3.0, abs=0.05)
    more = tach_check([1750], [1750 / ratio * 0.97], by_hand=(10 * turns[0], 10 * turns[1]))
    assert more.slip_error is not None and found.slip_error is not None
    assert more.slip_error < found.slip_error
    with pytest.raises(InputError, match="too few turns"):
        tach_check([1750], [875], by_hand=(0.5, 0.25))


@pytest.mark.outside(
    "ISO 3: preferred numbers R20, a step of the twentieth root of ten, rounded; flat pulleys of ISO 22 are of them"
)
def test_standard_pulleys_are_preferred_numbers() -> None:
    for row in table("flat_pulleys").rows:
        k = round(20 * np.log10(row[0]))
        assert 10 ** (k / 20) == pytest.approx(row[0], rel=0.0135)


@pytest.mark.outside("NEMA MG 1 and IEC 60034: full-load speeds are 1 to 7 % under 120 f / p")
def test_nominal_motor_speeds_lie_under_the_synchronous_ones() -> None:
    for hertz, poles, synchronous, low, high in table("motor_speeds").rows:
        assert synchronous == pytest.approx(120 * hertz / poles)
        assert 0.93 * synchronous <= low <= high < synchronous


@pytest.mark.outside("scipy: the speed at which pump and pipe take so much power, by a root on curves of its own")
@pytest.mark.parametrize("static", [0.0, 0.3, 0.6])
@pytest.mark.parametrize("taken", [0.8, 1.0, 1.1, 1.3])
def test_how_fast_a_pump_may_turn_by_its_power(static: float, taken: float) -> None:
    shut = 1.25

    def power(n: float) -> float:
        flow = max((shut * n**2 - static) / (shut - 1 + 1 - static), 0.0) ** 0.5
        return flow * (static + (1 - static) * flow**2)

    root = brentq(lambda n: power(n) - taken, (static / shut) ** 0.5, 2.0)
    assert speed_for_power(taken, shut_off=shut, static=static) == pytest.approx(root, rel=1e-9)
    if static == 0:
        assert root == pytest.approx(taken ** (1 / 3))
