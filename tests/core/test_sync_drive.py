"""A whole synchronous drive, its search and its tables, held against standards, statics and the single drive."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.constants import inch
from scipy.integrate import solve_bvp

from tuyere.core.drive.search import DutyWanted, search
from tuyere.core.duty.service import conditions
from tuyere.core.errors import InputError
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet
from tuyere.core.synchronous.case import SyncCase, sync_case
from tuyere.core.synchronous.field import OwnBelt, SyncField, sync_grid
from tuyere.core.synchronous.formulas import (
    belt_centrifugal,
    effective_pull,
    jump_margin,
    mass_at_width,
    string_force,
    summed_factor,
    sync_static_tension,
    width_factor,
)
from tuyere.core.synchronous.method import work_sync
from tuyere.core.synchronous.service import idler_addition, speed_up_addition, sync_factor
from tuyere.core.synchronous.tables import face_mm, profile, profiles, room_mm
from tuyere.core.tables import table
from tuyere.core.tension.formulas import span_frequency

MM = 1000 * inch


def drive(power: float = 3.7, width: float = 38.1, factor: float = 1.7, **more: object) -> SyncCase:
    base = {"profile": profile("H"), "z_1": 22, "z_2": 60, "centre_mm": 530.0, "belt_teeth": None, "driver_rpm": 1750.0}
    return sync_case(power_kw=power, load_factor=factor, width_mm=width, **(base | more))  # type: ignore[arg-type]


@pytest.mark.outside("JB/T 7512.3 strand tensions: F1 = 1250 Pd/v, F2 = 250 Pd/v, a ratio of 5 (recalled)")
@pytest.mark.parametrize(("power", "speed"), [(5.5, 12.0), (22.0, 25.0), (0.37, 3.0)])
def test_strand_tensions_of_the_national_standard(power: float, speed: float) -> None:
    pull = effective_pull(power, speed)
    mean = sync_static_tension(pull, 5.0, 0.0)
    assert mean + pull / 2 == pytest.approx(1250 * power / speed, rel=1e-12)
    assert mean - pull / 2 == pytest.approx(250 * power / speed, rel=1e-12)


@pytest.mark.outside(
    "RMA IP-24 practice: at 8 : 1 the tight strand is 1.143 Te, the slack one 0.143 Te, static about 0.64 Te (recalled)"
)
def test_association_static_tension() -> None:
    static = sync_static_tension(1000.0, 8.0, 0.0)
    assert static == pytest.approx(640, abs=5)
    assert (static + 500, static - 500) == (pytest.approx(1143, abs=0.5), pytest.approx(143, abs=0.5))


@pytest.mark.outside("RMA IP-24: deflection span/64 takes a sixteenth of the strand tension (recalled)")
def test_a_sixteenth_at_a_sixty_fourth() -> None:
    assert string_force(400.0, 400.0 / 64, 400.0) == pytest.approx(25.0, rel=1e-12)


@pytest.mark.outside("scipy: a string pressed at mid-span, boundary value problem of its two straight halves")
def test_string_force_is_the_kink_of_the_string() -> None:
    tension, span, force = 600.0, 500.0, 30.0
    # A narrow smooth load in place of the finger; deflection is small, so the tension stays.
    wide = span / 200

    def load(x: np.ndarray) -> np.ndarray:
        return force / (wide * np.sqrt(2 * np.pi)) * np.exp(-0.5 * ((x - span / 2) / wide) ** 2)

    x = np.unique(
        np.concatenate([np.linspace(0, span, 201), np.linspace(span / 2 - 4 * wide, span / 2 + 4 * wide, 201)])
    )
    run = solve_bvp(
        lambda x, y: np.vstack([y[1], -load(x) / tension]),
        lambda a, b: np.array([a[0], b[0]]),
        x,
        np.zeros((2, x.size)),
        tol=1e-8,
    )
    assert string_force(tension, float(run.sol(span / 2)[0]), span) == pytest.approx(force, rel=0.02)


@pytest.mark.outside("independent calculation: H8M 30 mm, span 400 mm, 400 N, mass 0.0058 kg/m per mm gives 59.93 Hz")
def test_frequency_of_a_span() -> None:
    mass = mass_at_width(0.0058 * 20, 30.0, 20.0)
    assert mass == pytest.approx(0.174) and span_frequency(400.0, 400.0, mass) == pytest.approx(59.9329, rel=1e-5)
    assert belt_centrifugal(mass, 20.0) == pytest.approx(0.174 * 400)


@pytest.mark.outside("RMA IP-24 printed width factors of the inch profiles, to their last digit (recalled)")
@pytest.mark.parametrize(
    "row", [r for r in table("sync_widths").rows if r[:2] != ("MXL", 3.17)], ids=lambda r: f"{r[0]}-{r[1]:g}"
)
def test_printed_width_factors(row: tuple[str, float, float]) -> None:
    name, width, printed = row
    base = table("sync_widths").select(profile=name)[-1][1]
    # The standard rounds the power of the width ratio, not always the same way.
    assert width_factor(width, base) == pytest.approx(printed, abs=0.0151)


@pytest.mark.outside(
    "ISO 5296 and DIN 7721 designations: inch codes are tenths of an inch of pitch length, the others millimetres"
)
@pytest.mark.parametrize("name", sorted({r[0] for r in table("sync_lengths").rows}))
def test_length_codes_are_the_pitch_length(name: str) -> None:
    of = profiles()[name]
    for _, code, teeth, _ in table("sync_lengths").select(profile=name):
        length = teeth * of.pitch_mm
        expected = float(code) * (MM / 10 if of.family == "trapezoidal inch" else 1.0)
        # Inch codes are rounded to the tenth, and so are codes of a pitch that is no whole number.
        assert length == pytest.approx(expected, abs=MM / 10 if of.family == "trapezoidal inch" else 0.51)


@pytest.mark.outside(
    "ISO 5295 / RMA IP-24 load factors: reciprocating pump, normal motor, 8 to 10 h: 2.2; light office machine 1.4 (recalled)"
)
@pytest.mark.parametrize(
    ("machine", "driver", "hours", "factor"),
    [
        ("pump-piston", "motor-nema-b", 9, 2.2),
        ("office-or-small-display-machinery", "motor-nema-b", 9, 1.4),
        ("hammer-mill", "motor-high-torque", 20, 2.3),
        ("lathe", "motor-dol", 4, 1.6),
        ("bucket-elevator", "motor-nema-b", 20, 2.0),
    ],
)
def test_load_factors(machine: str, driver: str, hours: float, factor: float) -> None:
    assert sync_factor(conditions(driver, machine, hours)) == pytest.approx(factor)


@pytest.mark.outside("ISO 5295 / RMA IP-24 speed-up additions 0.1 to 0.4 (recalled)")
@pytest.mark.parametrize(
    ("ratio", "add"), [(0.4, 0), (1.2, 0), (1.25, 0.1), (1.74, 0.1), (2.0, 0.2), (3.49, 0.3), (5.0, 0.4)]
)
def test_speed_up_additions(ratio: float, add: float) -> None:
    assert speed_up_addition(ratio) == add
    assert summed_factor(1.4, add, idler_addition("outside, tight side")) == pytest.approx(1.6 + add)


@pytest.mark.outside("statics: at the jump margin the slack strand carries its centrifugal part only")
@settings(derandomize=True, deadline=None, max_examples=30)
@given(st.floats(1.0, 3.0), st.floats(0.5, 5.0))
def test_the_jump_margin_empties_the_slack_strand(factor: float, power: float) -> None:
    r = work_sync(drive(power, 76.2, factor))
    own = r.own
    pull = own.tight_n - own.slack_n
    centrifugal = own.mass_kg_m * r.rated.own.rating.speed_m_s**2
    assert own.static_n - own.jump_margin * pull / 2 == pytest.approx(centrifugal, rel=1e-9, abs=1e-9)
    assert jump_margin(own.static_n, centrifugal, pull) == pytest.approx(own.jump_margin)
    assert own.jump_margin == pytest.approx(9 / 7 * r.rated.own.factor, rel=1e-9)


def test_more_power_needs_more_and_an_unrated_profile_says_so() -> None:
    light, heavy = work_sync(drive(2.0)), work_sync(drive(4.0))
    assert (
        heavy.spare_percent < light.spare_percent
        and heavy.own.static_n > light.own.static_n
        and heavy.own.shaft_load_standing_n > light.own.shaft_load_standing_n
    )
    with pytest.raises(InputError, match="no public rating of H8M") as e:
        work_sync(drive(profile=profile("H8M"), z_1=28, z_2=56))
    assert e.value.field == "own_tension"
    own = work_sync(drive(profile=profile("H8M"), z_1=28, z_2=56, own_tension_n=1500.0))
    assert own.own.frequency_hz is None and own.rated.own.rating.basis == "your own allowed tension"
    with collected_notices() as notes:
        work_sync(drive(upright=True, idler="outside, slack side"))
    assert {"upright", "idler"} <= {n.code for n in notes}
    assert face_mm(profile("H"), 38.1, True) == 39.4 and face_mm(profile("H8M"), 30.0, True) is None
    closer, apart = room_mm(profile("H"), 1600.2, 1) or (0, 0)
    assert closer > 16.5 and apart > 0 and room_mm(profile("H"), 9999.0, 0) is None


WANTED = DutyWanted(
    power_kw=3.7,
    design_kw=3.7 * 1.6,
    driver_rpm=1750,
    driven_rpm=640,
    tolerance_percent=3,
    centre_low_mm=480,
    centre_high_mm=560,
)


def test_the_search_equals_the_single_drive_and_counts_every_row_once() -> None:
    kinds, grid = sync_grid(None)
    found = search(SyncField(WANTED, 1.6), 24, each=24)
    assert found.accepted + sum(r.count for r in found.rejected) == found.considered == len(grid["kind"]) > 140_000
    assert {r.limit for r in found.rejected} <= set(SyncField.limits) and found.best
    for c in found.best:
        one = work_sync(
            sync_case(
                power_kw=3.7,
                load_factor=1.6,
                driver_rpm=1750,
                profile=c.drive.profile,
                width_mm=c.drive.width_mm,
                z_1=c.drive.z_1,
                z_2=c.drive.z_2,
                centre_mm=None,
                belt_teeth=c.drive.belt_teeth,
            )
        )
        assert one.spare_percent >= 0 and one.shaft_load.newtons == pytest.approx(c.shaft_load_n, rel=1e-9)
        assert one.centre_mm == pytest.approx(c.drive.centre_mm, rel=1e-10) and 480 <= one.centre_mm <= 560
        assert 100 * (one.driven_rpm / 640 - 1) == pytest.approx(c.error_percent, abs=1e-9)
    sample = np.random.default_rng(3).choice(np.flatnonzero(np.isfinite(grid["centre"])), 300, replace=False)
    with quiet(), np.errstate(all="ignore"):
        swept = SyncField(WANTED, 1.6).evaluate(sample)
    compared = 0
    for k, row in enumerate(sample):
        of = kinds[int(grid["kind"][row])]
        if swept["speed"][k] > 30 or swept["power"][k] <= 0:
            continue
        one = work_sync(
            sync_case(
                power_kw=3.7,
                load_factor=1.6,
                driver_rpm=1750,
                profile=of,
                width_mm=float(grid["b_s"][row]),
                z_1=int(grid["z_1"][row]),
                z_2=int(grid["z_2"][row]),
                centre_mm=None,
                belt_teeth=int(grid["z_b"][row]),
            )
        )
        assert one.rated.power_kw == pytest.approx(swept["power"][k], rel=1e-9) and one.design_kw == pytest.approx(
            swept["design"][k], rel=1e-12
        )
        compared += 1
    assert compared > 100


def test_a_belt_by_its_makers_sheet_is_searched_too() -> None:
    found = search(SyncField(WANTED, 1.6, own=OwnBelt("H8M", 1800.0, 30.0, 0.17)), 9)
    assert found.best and {c.drive.profile.name for c in found.best} == {"H8M"}
    assert {c.width_mm for c in found.best} == {30.0}
    assert not search(SyncField(WANTED, 1.6, own=OwnBelt("H8M", 20.0, 30.0, 0.17))).best
