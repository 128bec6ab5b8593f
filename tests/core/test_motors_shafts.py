"""Motors, bearings and bushings against NEMA, ISO 281, statics and key tables."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.constants import inch, lbf

from tuyere.core.duty.losses import payback_years
from tuyere.core.errors import InputError
from tuyere.core.motors.motor import least_motor_sheave, motor_speed
from tuyere.core.notices import collected_notices
from tuyere.core.shafts.bearings import bearing_life, overhung
from tuyere.core.shafts.bushings import bushing
from tuyere.core.tables import table
from tuyere.core.units import KW_PER_HP

MM = 1000 * inch


@pytest.mark.outside(
    "NEMA MG 1 and IEC practice: synchronous 3600 1800 1200 900 and 3000 1500 1000 750 rpm; 1750 of 1800 is 2.8 % slip (recalled)"
)
@pytest.mark.parametrize(
    ("poles", "hertz", "rpm"),
    [
        (2, 60, 3600),
        (4, 60, 1800),
        (6, 60, 1200),
        (8, 60, 900),
        (2, 50, 3000),
        (4, 50, 1500),
        (6, 50, 1000),
        (8, 50, 750),
    ],
)
def test_synchronous_speeds(poles: int, hertz: float, rpm: float) -> None:
    r = motor_speed(poles, hertz, None, None, None)
    assert r.synchronous_rpm == pytest.approx(rpm) and r.low_rpm < r.high_rpm < rpm and 0 < r.slip_percent < 7


@pytest.mark.outside(
    "IEC practice: a 60 Hz motor of 1750 rpm on 50 Hz lands in the usual 1425 to 1480 rpm of a four-pole motor (recalled)"
)
def test_the_same_motor_on_the_other_mains() -> None:
    assert 1425 <= motor_speed(4, 60, 1750, 50, None).at_low_rpm <= 1480


def test_nameplate_and_variable_frequency() -> None:
    r = motor_speed(4, 60, 1750, 15, 90)
    assert r.slip_percent == pytest.approx(2.78, abs=0.01) and r.low_rpm == r.high_rpm == 1750
    assert r.at_low_rpm == pytest.approx(450 - 50) and r.at_high_rpm == pytest.approx(2700 - 50)
    with collected_notices() as notes:
        motor_speed(4, 60, 1750, None, 90)
    assert "over-speed" in {n.code for n in notes}
    for call, field in [
        (lambda: motor_speed(3, 60, None, None, None), "poles"),
        (lambda: motor_speed(4, 60, 1900, None, None), "nameplate_speed"),
        (lambda: motor_speed(10, 60, None, None, None), "nameplate_speed"),
        (lambda: motor_speed(4, 60, 1750, 50, 20), "high_frequency"),
    ]:
        with pytest.raises(InputError) as e:
            call()
        assert e.value.field == field and e.value.allowed


@pytest.mark.outside(
    "NEMA MG 1 Part 14 least narrow sheaves by power and speed, recalled a second time in another list"
)
@pytest.mark.parametrize(
    ("hp", "rpm", "inches"),
    [
        (1, 1750, 2.2),
        (3, 1750, 2.4),
        (5, 1750, 3.0),
        (7.5, 1750, 3.0),
        (10, 1750, 3.8),
        (15, 1750, 4.4),
        (20, 1750, 4.4),
        (30, 1750, 5.2),
        (40, 1750, 6.0),
        (50, 1750, 6.8),
        (60, 1750, 7.4),
        (75, 1750, 8.6),
        (10, 1160, 4.4),
        (20, 1160, 5.2),
        (5, 870, 3.8),
        (15, 3500, 3.8),
    ],
)
def test_least_sheaves(hp: float, rpm: float, inches: float) -> None:
    assert least_motor_sheave(hp * KW_PER_HP, rpm, True, None).least_mm / MM == pytest.approx(inches)


def test_least_sheaves_refuse_in_words() -> None:
    assert (
        least_motor_sheave(15 * KW_PER_HP, 1750, False, "254T").widest_mm
        > least_motor_sheave(15 * KW_PER_HP, 1750, True, "254T").widest_mm
    )
    for call, field in [
        (lambda: least_motor_sheave(11, 2400, True, None), "speed"),
        (lambda: least_motor_sheave(8.7 * KW_PER_HP, 1750, True, None), "power"),
        (lambda: least_motor_sheave(11, 1750, True, "999T"), "frame"),
        (lambda: least_motor_sheave(200 * KW_PER_HP, 1750, False, None), "power"),
    ]:
        with pytest.raises(InputError) as e:
            call()
        assert e.value.field == field and e.value.allowed


@pytest.mark.outside("numpy: forces and moments of a beam on two bearings, solved as a linear system")
@settings(derandomize=True, deadline=None, max_examples=50)
@given(st.floats(10, 20_000), st.floats(5, 500), st.floats(50, 1500))
def test_bearing_loads_balance(pull: float, overhang: float, spacing: float) -> None:
    r = overhung(pull, overhang, spacing_mm=spacing, rpm=None, near_n=None, far_n=None, kind="ball")
    near, far = np.linalg.solve(np.array([[1.0, 1.0], [0.0, spacing]]), np.array([pull, -pull * overhang]))
    assert r.near_n == pytest.approx(near) and r.far_n == pytest.approx(-far) and r.near_life_h is None


@pytest.mark.outside(
    "ISO 281: a million turns at C; twice the load an eighth of the life for balls, 2^(10/3) for rollers"
)
def test_rating_life() -> None:
    assert bearing_life(1000.0, 1000.0, 1e6 / 60, "ball") == pytest.approx(1.0)
    assert bearing_life(1000.0, 9000.0, 500, "ball") / bearing_life(2000.0, 9000.0, 500, "ball") == pytest.approx(8)
    assert bearing_life(1000.0, 9000.0, 500, "roller") / bearing_life(2000.0, 9000.0, 500, "roller") == pytest.approx(
        2 ** (10 / 3)
    )
    r = overhung(250 * lbf, 3 * MM, spacing_mm=9 * MM, rpm=1750, near_n=5000 * lbf, far_n=5000 * lbf, kind="ball")
    assert r.near_life_h == pytest.approx(1e6 / (60 * 1750) * 15**3, rel=1e-9) and r.far_life_h > r.near_life_h
    with pytest.raises(InputError):
        overhung(1000, 50, spacing_mm=200, rpm=None, near_n=9000, far_n=None, kind="ball")
    with pytest.raises(InputError):
        bearing_life(1000, 9000, 500, "sleeve")
    with collected_notices() as notes:
        overhung(1000, 300, spacing_mm=200, rpm=None, near_n=None, far_n=None, kind="ball")
    assert "long-overhang" in {n.code for n in notes}


@pytest.mark.outside(
    "generic bushing torques, recalled in three units: SDS 9 lbf ft = 12.2 N m, SK 15, SF 30, E 60; 2012 31 N m, 3020 90 (recalled)"
)
@pytest.mark.parametrize(
    ("size", "nm"),
    [("SDS", 12.2), ("SK", 20.3), ("SF", 40.7), ("E", 81.3), ("J", 183), ("2012", 31), ("2517", 48), ("3020", 90)],
)
def test_bushing_torques(size: str, nm: float) -> None:
    # Metric lists of flush bushings round to whole newton metres and keep a few per cent apart.
    assert bushing(size, None).torque_nm == pytest.approx(nm, rel=0.03)


@pytest.mark.outside(
    "naming of flush taper bushings: the first two digits are the bore in tenths of an inch, the real one a little more (recalled)"
)
def test_flush_sizes_say_their_bore() -> None:
    for row in table("bushings").select(style="flush"):
        assert 0 <= row[2] - int(str(row[1])[:2]) / 10 <= 0.45, row[1]


@pytest.mark.outside("ASME B17.1: the square key is about a quarter of the shaft (recalled)")
@pytest.mark.parametrize("shaft", [0.5, 0.75, 1.0, 1.25, 1.5, 1.875, 2.5])
def test_keys_are_a_quarter_of_the_shaft(shaft: float) -> None:
    b = bushing("E", shaft * MM)
    assert b.key_mm is not None and 0.19 <= b.key_mm / MM / shaft <= 0.29


def test_bushings_refuse_and_go_in_and_out() -> None:
    with pytest.raises(InputError, match="larger than SDS") as e:
        bushing("SDS", 2.25 * MM)
    assert "SK takes it" in e.value.allowed
    with pytest.raises(InputError, match="not a bushing"):
        bushing("ZZ", None)
    for size in ("SK", "2517"):
        b = bushing(size, None)
        assert (
            "dry" in b.steps_in[0] and any("threaded" in s or "thread" in s for s in b.steps_out) and b.key_mm is None
        )


@pytest.mark.outside("arithmetic: 400 paid back by 1,943 kWh a year at 0.15 in 1.37 years")
def test_payback() -> None:
    assert payback_years(400.0, 1943.0, 0.15) == pytest.approx(400 / 291.45, rel=1e-9)
