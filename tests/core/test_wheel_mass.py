"""What wheels weigh: textbook rims and plates worked apart, solids integrated, weights of the trade (N3)."""

from __future__ import annotations

from math import pi

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import quad

from tuyere.core.steps import quiet
from tuyere.core.v_belt.sections import groove_rows
from tuyere.core.v_belt.weight import face_mm, groove_area_mm2, sheaves_weight
from tuyere.core.wheels.mass import CAST_IRON, STEEL, flat_pulley, grooved_sheave, steel_sprocket, toothed_pulley
from tuyere.core.wheels.rules import arm_width, arms_mass, grooves_mass, hub_thickness, rim_thickness, ring_mass

IN, LB = 25.4, 0.45359237


@pytest.mark.outside("Unwin, Elements of Machine Design: rim 0.005 D + 1/8 in single, + 1/4 in double; recalled")
@pytest.mark.parametrize(
    ("inches", "single", "double"), [(12, 0.185, 0.31), (24, 0.245, 0.37), (36, 0.305, 0.43), (60, 0.425, 0.55)]
)
def test_textbook_rims(inches: float, single: float, double: float) -> None:
    assert rim_thickness(inches * IN, IN / 8) / IN == pytest.approx(single)
    assert rim_thickness(inches * IN, IN / 4) / IN == pytest.approx(double)


@pytest.mark.outside(
    "Unwin: oval arms h = 0.6337 cbrt(B D / n) single, 0.798 double, inches; hub 0.14 cbrt(B D) + 1/4; recalled"
)
@pytest.mark.parametrize(("face", "across", "arms"), [(4.0, 24.0, 4), (6.0, 36.0, 6), (12.0, 60.0, 6)])
def test_textbook_arms_and_hubs(face: float, across: float, arms: int) -> None:
    assert arm_width(0.6337, face * IN, across * IN, arms) / IN == pytest.approx(
        0.6337 * (face * across / arms) ** (1 / 3)
    )
    # Twice the section modulus for a double belt: the cube of the widths is as 0.798 to 0.6337, near 2.
    ratio = arm_width(0.798, face * IN, across * IN, arms) / arm_width(0.6337, face * IN, across * IN, arms)
    assert ratio**3 == pytest.approx(2.0, rel=0.01)
    assert hub_thickness(0.14, face * IN, across * IN) / IN == pytest.approx(0.14 * (face * across) ** (1 / 3) + 0.25)


@pytest.mark.outside("scipy quad: the solid of a tapering oval arm, cross-section by cross-section")
@pytest.mark.parametrize(("width", "length"), [(30.0, 200.0), (45.0, 400.0)])
def test_arms_are_the_integrated_solid(width: float, length: float) -> None:
    def section(x: float) -> float:
        w = width * (1 - x / length / 3)
        return pi / 4 * 0.4 * w**2

    volume = quad(section, 0, length)[0]
    assert arms_mass(CAST_IRON, 6, width, length) == pytest.approx(6 * CAST_IRON * volume * 1e-9, rel=1e-9)


@pytest.mark.outside("Pappus: a section swept round its axis, integrated with scipy")
@pytest.mark.parametrize("groove", ["A", "B", "C", "3V", "5V", "SPA"])
def test_grooves_take_away_what_they_sweep(groove: str) -> None:
    row = groove_rows(groove)[0]
    area, across, depth = groove_area_mm2(row), 300.0, row.depth_mm
    bottom = 2 * area / depth - row.top_width_mm

    def ring(y: float) -> float:
        width = row.top_width_mm - (row.top_width_mm - bottom) * y / depth
        return 2 * pi * (across / 2 - y) * width

    swept = quad(ring, 0, depth)[0]
    # The rule sweeps the area at half its depth; its true middle lies a little further out.
    assert grooves_mass(CAST_IRON, 1, area, across, depth) == pytest.approx(CAST_IRON * swept * 1e-9, rel=0.012)


@pytest.mark.outside("a steel plate of 0.284 in and 13.37 in across weighs 11.3 lb: density 0.2836 lb/in3, handbooks")
def test_an_84_tooth_40_sprocket_is_its_plate() -> None:
    with quiet():
        w = steel_sprocket(13.37 * IN, 0.284 * IN, 12.7, 1, 14.38)
    plate = pi / 4 * 13.37**2 * 0.284 * 0.2836
    assert plate == pytest.approx(11.3, abs=0.05)
    assert w.low_kg / LB == pytest.approx(plate, rel=0.02) and plate <= w.high_kg / LB <= 1.25 * plate


@pytest.mark.outside("practitioners: a spoked flat pulley 800 x 50 mm weighs 15 to 30 kg; common practice, no source")
def test_a_spoked_flat_pulley() -> None:
    with quiet():
        w = flat_pulley(800.0, 50.0)
    assert 14.5 <= w.low_kg <= w.high_kg <= 30


@pytest.mark.outside("practitioners: a single-groove B sheave of 25 in weighs about 40 lb; common practice, no source")
def test_a_large_single_groove_sheave() -> None:
    row = groove_rows("B")[0]
    with quiet():
        w = grooved_sheave(
            25 * IN, float(face_mm(row.pitch_mm, row.edge_mm, 1)), 1.0, row.depth_mm, groove_area_mm2(row)
        )
    assert w.low_kg / LB < 40 < w.high_kg / LB < 73


@pytest.mark.outside("volume of a cylinder, cast iron 0.26 lb/in3: no wheel is heavier than its own solid disc")
@settings(derandomize=True, max_examples=200, deadline=None)
@given(across=st.floats(40, 1500), face=st.floats(10, 300), grooves=st.integers(1, 8))
def test_no_wheel_outweighs_its_disc_and_none_is_weightless(across: float, face: float, grooves: int) -> None:
    row = groove_rows("B")[0]
    width = float(face_mm(row.pitch_mm, row.edge_mm, grooves))
    with quiet():
        kinds = [
            (flat_pulley(across, face), face, CAST_IRON),
            (toothed_pulley(across, face, 12.7), face, CAST_IRON),
            (
                grooved_sheave(max(across, 80.0), width, float(grooves), row.depth_mm, groove_area_mm2(row)),
                width,
                CAST_IRON,
            ),
        ]
    for w, b, rho in kinds:
        disc = rho * 1e-9 * pi / 4 * max(across, 80.0) ** 2 * b
        assert 0 < w.low_kg <= w.high_kg <= disc * (1 + 1e-9)


@settings(derandomize=True, max_examples=100, deadline=None)
@given(across=st.floats(60, 1200), face=st.floats(15, 200), more=st.floats(1.01, 2.0))
def test_larger_and_wider_wheels_are_heavier(across: float, face: float, more: float) -> None:
    with quiet():
        for make in (flat_pulley, lambda d, b: toothed_pulley(d, b, 8.0)):
            one, larger, wider = make(across, face), make(across * more, face), make(across, face * more)
            # Between four and six arms the arms get fewer pounds each: only across that step may it lie a little lower.
            assert larger.high_kg >= one.high_kg * (0.97 if across <= 609.6 < across * more else 1)
            assert wider.high_kg >= one.high_kg and wider.low_kg >= one.low_kg


def test_arrays_give_what_single_wheels_give() -> None:
    row = groove_rows("5V")[0]
    d_1, d_2, n = np.array([180.0, 250.0]), np.array([500.0, 800.0]), np.array([2.0, 4.0])
    face = face_mm(row.pitch_mm, row.edge_mm, n)
    with quiet():
        swept = sheaves_weight(d_1, d_2, face=face, belts=n, depth_mm=row.depth_mm, area_mm2=groove_area_mm2(row))
        for k in range(2):
            one = sheaves_weight(
                d_1[k], d_2[k], face=face[k], belts=n[k], depth_mm=row.depth_mm, area_mm2=groove_area_mm2(row)
            )
            assert one.low_kg == pytest.approx(swept.low_kg[k], rel=1e-12)
            assert one.high_kg == pytest.approx(swept.high_kg[k], rel=1e-12)


@pytest.mark.outside("a ring is a disc less a disc: density of steel 7850 kg/m3, handbooks")
def test_a_ring() -> None:
    assert ring_mass(STEEL, 300.0, 100.0, 20.0) == pytest.approx(7850 * pi / 4 * (0.3**2 - 0.1**2) * 0.02)
