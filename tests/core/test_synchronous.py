"""Synchronous belts against the involute equation, geometry and ISO 5295 worked values."""

from __future__ import annotations

import numpy as np
import pytest
from scipy.constants import hp
from scipy.optimize import brentq
from shapely.geometry import Point

from tuyere.core.errors import InputError, NoSolution
from tuyere.core.notices import collected_notices
from tuyere.core.synchronous.case import sync_case
from tuyere.core.synchronous.formulas import belt_teeth, mesh_factor, synchronous_power, synchronous_speed, width_factor
from tuyere.core.synchronous.length import sync_shape
from tuyere.core.synchronous.rate import rate_sync
from tuyere.core.synchronous.tables import profile, profiles, pulley


@pytest.mark.outside("published involute equation tan t - t = pi (zb - z2)/(z2 - z1), scipy root (ISO 5296 practice)")
@pytest.mark.parametrize(
    ("name", "z_1", "z_2", "z_b"), [("H8M", 28, 72, 180), ("L", 16, 48, 100), ("XH", 24, 60, 96), ("T10", 20, 60, 132)]
)
def test_centre_is_the_root_of_the_involute_equation(name: str, z_1: int, z_2: int, z_b: int) -> None:
    of = profile(name)
    t = brentq(lambda t: np.tan(t) - t - np.pi * (z_b - z_2) / (z_2 - z_1), 0.5, np.pi / 2 - 1e-9, xtol=1e-14)
    case = sync_case(of, z_1=z_1, z_2=z_2, centre_mm=None, belt_teeth=z_b)
    r = sync_shape(case)
    assert r.centre_mm == pytest.approx(of.pitch_mm * (z_2 - z_1) / (2 * np.pi * np.cos(t)), rel=1e-9)
    assert r.small_arc_deg == pytest.approx(2 * np.degrees(t), rel=1e-9)
    assert r.span_mm == pytest.approx(r.centre_mm * np.sin(t), rel=1e-9)


@pytest.mark.outside("shapely: hull of two circles as long as their teeth")
@pytest.mark.parametrize(("name", "z_1", "z_2", "a"), [("H8M", 28, 72, 400.0), ("XL", 10, 40, 120.0)])
def test_belt_teeth_are_the_hull(name: str, z_1: int, z_2: int, a: float) -> None:
    p = profile(name).pitch_mm
    hull = (
        Point(0, 0).buffer(z_1 * p / np.pi / 2, 4096).union(Point(a, 0).buffer(z_2 * p / np.pi / 2, 4096)).convex_hull
    )
    assert belt_teeth(a, p, z_1, z_2) == pytest.approx(hull.length / p, rel=1e-6)


@pytest.mark.outside("ISO 5295, XH 30 teeth 1160 rpm 4 in (independent calculation)")
def test_iso_5295_example() -> None:
    xh = profile("XH")
    full = rate_sync(xh, 101.6, teeth=30, rpm=1160, mesh=6, own_tension_n=None, own_mass_kg_m=None)
    assert full.speed_m_s == pytest.approx(12.8905, rel=1e-5) and full.power_kw == pytest.approx(49.0137, rel=1e-4)
    assert rate_sync(
        xh, 101.6, teeth=30, rpm=1160, mesh=4, own_tension_n=None, own_mass_kg_m=None
    ).power_kw == pytest.approx(28.1368, rel=4e-3)


@pytest.mark.outside("association hp formulas of the inch profiles (IP-24), recalled apart from ISO 5295")
@pytest.mark.parametrize(
    ("name", "width", "A", "B"),
    [
        ("L", 25.4, 0.436, 0.000301),
        ("H", 76.2, 3.73, 0.00141),
        ("XH", 101.6, 7.21, 0.00468),
        ("XXH", 127.0, 11.4, 0.00781),
    ],
)
def test_iso_and_association_agree(name: str, width: float, A: float, B: float) -> None:
    of = profile(name)
    teeth, rpm = 30, 1160
    d = teeth * of.pitch_mm / np.pi / 25.4
    printed = d * rpm / 1000 * (A - B * (d * rpm / 1000) ** 2)
    assert rate_sync(of, width, teeth=teeth, rpm=rpm, mesh=6, own_tension_n=None, own_mass_kg_m=None).power_kw / (
        hp / 1000
    ) == pytest.approx(printed, rel=0.01)


@pytest.mark.outside("table of width factors (IP-24), recalled apart from its formula")
@pytest.mark.parametrize(
    ("width", "base", "printed"),
    [
        (12.7, 25.4, 0.45),
        (19.05, 25.4, 0.72),
        (25.4, 76.2, 0.29),
        (38.1, 76.2, 0.45),
        (50.8, 101.6, 0.45),
        (101.6, 127.0, 0.78),
    ],
)
def test_width_factor_table(width: float, base: float, printed: float) -> None:
    assert width_factor(width, base) == pytest.approx(printed, abs=0.0055)


@pytest.mark.outside(
    "standard pulley: outside diameter is pitch diameter less twice the pitch-line height, 40 teeth H8M (facts of the trade)"
)
def test_pulley() -> None:
    pitch, outside = pulley(profile("H8M"), 40)
    assert pitch == pytest.approx(101.86, abs=0.005) and outside == pytest.approx(100.49, abs=0.005)
    assert float(mesh_factor(5.0)) == pytest.approx(0.8) and float(mesh_factor(9.0)) == 1
    assert synchronous_speed(8, 40, 1500) == pytest.approx(8.0) and synchronous_power(
        1, 1, T_a=100, b_s=1, b_0=1, m_0=0, v_b=10
    ) == pytest.approx(1.0)


def test_lengths_and_refusals() -> None:
    for name in profiles():
        of, apart = profile(name), 400.0 if profile(name).pitch_mm < 16 else 900.0
        there = sync_shape(sync_case(of, z_1=24, z_2=60, centre_mm=apart, belt_teeth=None))
        back = sync_shape(sync_case(of, z_1=24, z_2=60, centre_mm=None, belt_teeth=int(there.members)))
        assert (
            back.centre_mm == pytest.approx(there.centre_mm, rel=1e-12)
            and there.members_exact <= there.members < there.members_exact + 1
        )
    with pytest.raises(InputError, match="no public rating"):
        rate_sync(profile("H8M"), 30, teeth=36, rpm=1160, mesh=6, own_tension_n=None, own_mass_kg_m=None)
    with collected_notices() as notes:
        own = rate_sync(profile("H8M"), 30, teeth=36, rpm=1160, mesh=6, own_tension_n=1000.0, own_mass_kg_m=None)
    assert own.power_kw == pytest.approx(own.speed_m_s) and own.basis.startswith("your own") and notes
    with pytest.raises(NoSolution):
        rate_sync(profile("XH"), 101.6, teeth=60, rpm=4000, mesh=6, own_tension_n=None, own_mass_kg_m=None)
    for bad in (
        lambda: profile("ZZ"),
        lambda: sync_shape(sync_case(profile("L"), z_1=20, z_2=40, centre_mm=50.0, belt_teeth=None)),
        lambda: sync_shape(sync_case(profile("L"), z_1=20, z_2=40, centre_mm=None, belt_teeth=None)),
        lambda: rate_sync(profile("L"), 900, teeth=20, rpm=1160, mesh=6, own_tension_n=None, own_mass_kg_m=None),
    ):
        with pytest.raises(InputError) as e:
            bad()
        assert e.value.allowed
