"""Flat, round and link belts against the textbook example and the belt equation."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.constants import hp, lbf
from scipy.integrate import solve_ivp

from tests.core.conftest import published
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.flat.case import flat_case
from tuyere.core.flat.crown import crown_mm
from tuyere.core.flat.formulas import belt_weight, dip_inches, slip_power
from tuyere.core.flat.link_belt import work_link_belt
from tuyere.core.flat.method import FlatDrive, work_flat
from tuyere.core.flat.round_belt import work_round_belt
from tuyere.core.flat.tables import material
from tuyere.core.notices import collected_notices

A3 = published("shigley/flat_a3.toml")
IN = 25.4


def drive(
    power: float = 15,
    factor: float = 1.375,
    *,
    width: float = 6,
    kind: str = "polyamide-a3",
    d: float = 6,
    rpm: float = 1750,
) -> FlatDrive:
    case = flat_case(
        power_kw=power * hp / 1000,
        service_factor=factor,
        driver_rpm=rpm,
        driver_mm=d * IN,
        driven_mm=18 * IN,
        centre_mm=96 * IN,
        length_mm=None,
        material=material(kind),
        width_mm=width * IN,
    )
    return work_flat(case)


@pytest.mark.outside(A3["source"])
@pytest.mark.parametrize("what", list(A3["printed"]))
def test_textbook_example(what: str) -> None:
    printed, half_digit = A3["printed"][what]
    r = drive()
    arc = np.radians(r.shape.small_arc_deg)
    weight = float(belt_weight(0.042, 6.0, 0.13))
    mine = {
        "arc_rad": arc,
        "exp_f_phi": np.exp(0.8 * arc),
        "speed_ft_min": r.speed_m_s / 0.00508,
        "weight_lbf_ft": weight,
        "F_c": r.own.centrifugal_n / lbf,
        "F_1a": r.own.full.tight_lbf,
        "F_2": r.own.full.slack_lbf,
        "F_i": r.own.full.initial_lbf,
        "friction_used": r.own.full.friction_used,
        "dip_in": float(dip_inches(8.0, weight, r.own.full.initial_lbf)),
        "length_in": r.length_mm / IN,
    }
    assert mine[what] == pytest.approx(printed, abs=half_digit)


@pytest.mark.outside("scipy: belt equation with centrifugal term, integrated along the arc")
@pytest.mark.parametrize("arc", [120.0, 172.8])
def test_slip_power_is_the_integrated_belt_equation(arc: float) -> None:
    tight, hoop, friction, feet = 420.0, 25.65, 0.8, 2748.9
    run = solve_ivp(lambda _, t: -friction * (t - hoop), (0, np.radians(arc)), [tight], rtol=1e-10, atol=1e-12)
    assert slip_power(tight, hoop, friction, arc, feet) == pytest.approx(
        (tight - run.y[0, -1]) * feet / 33000, rel=1e-7
    )


@pytest.mark.outside("independent calculation: round urethane 3/8 in on a 62 in path; link belt A on 84 in")
def test_round_and_link_examples() -> None:
    r = work_round_belt(0.375 * IN, 62 * IN, 500)
    assert r.cut_mm / IN == pytest.approx(58.8656, rel=1e-5) and r.tension_n / lbf == pytest.approx(18.6, abs=0.05)
    assert r.least_pulley_mm / IN == 2.25
    link = work_link_belt("A", None, 84 * IN)
    assert (link.hand_tight, link.take_off, link.run) == (168, 7, 161)


@settings(derandomize=True, deadline=None, max_examples=40)
@given(st.floats(1, 14), st.floats(1.05, 2))
def test_wider_carries_more_and_more_power_uses_more_friction(power: float, more: float) -> None:
    base, wide, hard = drive(power), drive(power, width=6 * more), drive(power, factor=1.375 * min(more, 1.3))
    assert (
        wide.rated.power_kw == pytest.approx(base.rated.power_kw * more, rel=1e-9)
        and base.own.full.tight_lbf == hard.own.full.tight_lbf
    )
    assert (
        hard.own.full.friction_used > base.own.full.friction_used
        and hard.own.full.initial_lbf < base.own.full.initial_lbf
    )
    assert (
        base.own.initial_n < hard.own.initial_n <= hard.own.full.initial_lbf * lbf * (1 + 1e-9)
    )  # what the duty needs, not what the belt stands
    assert (base.own.friction_used < base.own.friction_there) == (base.spare_percent > 0)


def test_leather_and_refusals() -> None:
    slow, fast = (drive(3, kind="leather-11", d=9, rpm=rpm) for rpm in (600, 1500))
    assert fast.rated.power_kw > slow.rated.power_kw and fast.own.tight_n <= slow.own.tight_n
    for call, field in [
        (lambda: drive(d=4), "driver_diameter"),
        (lambda: drive(kind="leather-23", d=9, width=9), "driver_diameter"),
        (lambda: drive(rpm=4500), "driver_speed"),
        (lambda: drive(kind="rope"), "material"),
        (lambda: work_round_belt(10.0, 1500, 500), "diameter"),
        (lambda: work_link_belt("A", 100, 900.0), "links"),
        (lambda: crown_mm(20, 50), "diameter"),
    ]:
        with pytest.raises(InputError) as e:
            call()
        assert e.value.field == field and e.value.allowed
    with pytest.raises(NoSolution, match="too narrow"):
        drive(60)
    with collected_notices() as notes:
        assert drive(22.5).spare_percent < 0
        assert crown_mm(10 * IN, 6 * IN) == pytest.approx(0.03 * IN)
    assert {"slips", "one-crown", "slack-side"} <= {n.code for n in notes}
