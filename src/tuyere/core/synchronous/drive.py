"""One synchronous drive worked in the order of the method."""

from __future__ import annotations

from dataclasses import dataclass
from math import pi

from tuyere.core.duty.design import design_power
from tuyere.core.notices import notice
from tuyere.core.rounding import to_mark
from tuyere.core.sources import Source
from tuyere.core.speeds.formulas import driven_speed
from tuyere.core.steps import looked_up, mark
from tuyere.core.synchronous.formulas import (
    belt_centrifugal,
    effective_pull,
    jump_margin,
    mass_at_width,
    string_force,
    summed_factor,
    sync_static_tension,
)
from tuyere.core.synchronous.length import SyncLength, work_sync_length
from tuyere.core.synchronous.rate import YOURS, SyncRating, rate_sync
from tuyere.core.synchronous.service import idler_addition, speed_up_addition
from tuyere.core.synchronous.tables import Profile, face_mm, pulley, room_mm
from tuyere.core.synchronous.weight import pulley_face_mm, pulleys_weight
from tuyere.core.tables import table
from tuyere.core.tension.formulas import (
    deflection,
    hub_load_running,
    hub_load_standing,
    net_pull,
    slack_strand,
    span_frequency,
    tight_strand,
)
from tuyere.core.tension.shaft_load import ShaftLoad, shaft_load
from tuyere.core.wheels.mass import Weight

STRAND_RATIO = 8.0
RATIO_SOURCE = Source(title="RMA IP-24 practice", confidence="medium")
STOCK_RIM_M_S = 33.0


@dataclass(frozen=True, slots=True, kw_only=True)
class SyncGiven:
    """A synchronous drive. kW, rpm, mm, N, kg/m, degrees. Centre distance or belt teeth."""

    power_kw: float
    load_factor: float
    driver_rpm: float
    profile: Profile
    width_mm: float
    z_1: int
    z_2: int
    centre_mm: float | None
    belt_teeth: int | None
    idler: str = "none"
    own_tension_n: float | None = None
    own_mass_kg_m: float | None = None
    upright: bool = False
    angle_deg: float = 0.0
    clockwise: bool = True
    tape_mark_mm: float = 25.4 / 32


@dataclass(frozen=True, slots=True, kw_only=True)
class SyncDrive:
    """A worked synchronous drive. kW, rpm, mm, N, Hz, percent. ``mass_kg_m`` is 0 where it is not known."""

    factor: float
    design_kw: float
    driven_rpm: float
    driver_pitch_mm: float
    driver_outside_mm: float
    driven_pitch_mm: float
    driven_outside_mm: float
    length: SyncLength
    rating: SyncRating
    spare_percent: float
    mass_kg_m: float
    static_n: float
    tight_n: float
    slack_n: float
    jump_margin: float
    deflection_mm: float
    force_n: float
    frequency_hz: float | None
    hub_standing_n: float
    hub_running_n: float
    shaft_load: ShaftLoad
    face_mm: float | None
    room: tuple[float, float] | None
    weight: Weight


def _mass_at_base(given: SyncGiven) -> tuple[float, float]:
    """(mass per metre, width it belongs to): the table's, or the user's own at this width; 0 where unknown."""
    rows = table("iso5295").select(profile=given.profile.name)
    if given.own_tension_n is None and rows:
        t = table("iso5295")
        return float(looked_up("m_0", rows[0][3], t.id, t.source_of())), float(rows[0][1])
    return float(looked_up("m_0", given.own_mass_kg_m or 0.0, "", YOURS)), given.width_mm


def _advise(given: SyncGiven, speed: float, spare: float, rating: SyncRating, design: float) -> None:
    if spare < 0:
        notice(
            "danger" if rating.power_kw < given.power_kw else "caution",
            "sync-short",
            "Carries {carried}, needs {wanted} with the load factor.",
            "input.width",
            "A wider belt, larger pulleys or a larger pitch.",
            carried=(rating.power_kw, "power"),
            wanted=(design, "power"),
        )
    if speed > STOCK_RIM_M_S:
        notice(
            "caution",
            "rim",
            "Over {limit} stock cast-iron pulleys are not made for it: balanced, special ones are needed.",
            "input.speed",
            limit=(STOCK_RIM_M_S, "belt_speed"),
        )
    if given.upright:
        notice(
            "caution",
            "upright",
            "Upright shafts: flange one pulley on both sides and the other at least below.",
            "input.upright",
        )
    if given.idler.startswith("outside"):
        least = 1.3 * min(given.z_1, given.z_2) * given.profile.pitch_mm / pi
        notice(
            "info",
            "idler",
            "An outside idler is flat, uncrowned and {least} in diameter or more, on the slack side.",
            "input.idler",
            least=(least, "length"),
        )


def work_sync_drive(given: SyncGiven) -> SyncDrive:
    """Work a drive through. Raises InputError and NoSolution.

    Source: ISO 5295 or the user's own tension; RMA IP-24 practice for the tension; geometry and statics.
    """
    of = given.profile
    k_up = speed_up_addition(given.z_1 / given.z_2)
    factor = mark("load_factor", summed_factor(given.load_factor, k_up, idler_addition(given.idler)))
    design = mark("design_power", design_power(given.power_kw, factor))
    length = work_sync_length(
        of,
        given.z_1,
        z_2=given.z_2,
        centre_mm=given.centre_mm,
        teeth=given.belt_teeth,
        angle_deg=given.angle_deg,
        clockwise=given.clockwise,
    )
    d_1, o_1 = pulley(of, given.z_1, "driver")
    d_2, o_2 = pulley(of, given.z_2, "driven")
    driven = mark("driven_speed", driven_speed(given.driver_rpm, d_1, d_2, 0.0))
    small = min(given.z_1, given.z_2)
    rating = rate_sync(
        of,
        given.width_mm,
        teeth=small,
        rpm=max(given.driver_rpm, float(driven)),
        mesh=length.mesh,
        own_tension_n=given.own_tension_n,
        own_mass_kg_m=given.own_mass_kg_m,
    )
    speed = rating.speed_m_s
    spare = 100 * (rating.power_kw / float(design) - 1)
    m_0, base = _mass_at_base(given)
    mass = mark("belt_mass", mass_at_width(m_0, given.width_mm, base))
    centrifugal = mark("centrifugal", belt_centrifugal(mass, speed))
    pull = mark("pull", effective_pull(design, speed))
    ratio = looked_up("R_T", STRAND_RATIO, "", RATIO_SOURCE)
    static = mark("static_tension", sync_static_tension(pull, ratio, centrifugal))
    duty_pull = mark("duty_pull", net_pull(given.power_kw, speed, 1.0))
    margin = mark("jump_margin", jump_margin(static, centrifugal, duty_pull))
    tight = mark("tight", tight_strand(static, duty_pull))
    slack = mark("slack", slack_strand(static, duty_pull))
    depth = to_mark(float(mark("deflection", deflection(length.span_mm))), given.tape_mark_mm)
    force = mark("force", string_force(static, depth, length.span_mm))
    frequency = mark("frequency", span_frequency(length.span_mm, static, mass)) if mass > 0 else None
    standing = mark("hub_standing", hub_load_standing(1.0, static, length.wrap_deg))
    running = mark("hub_running", hub_load_running(1.0, tight, slack, centrifugal, length.wrap_deg))
    _advise(given, speed, spare, rating, float(design))
    return SyncDrive(
        factor=float(factor),
        design_kw=float(design),
        driven_rpm=float(driven),
        driver_pitch_mm=d_1,
        driver_outside_mm=o_1,
        driven_pitch_mm=d_2,
        driven_outside_mm=o_2,
        length=length,
        rating=rating,
        spare_percent=spare,
        mass_kg_m=float(mass),
        static_n=float(static),
        tight_n=float(tight),
        slack_n=float(slack),
        jump_margin=float(margin),
        deflection_mm=depth,
        force_n=float(force),
        frequency_hz=None if frequency is None else float(frequency),
        hub_standing_n=float(standing),
        hub_running_n=float(running),
        shaft_load=shaft_load(standing_new_n=float(standing), running_n=float(running)),
        face_mm=face_mm(of, given.width_mm, True),
        room=room_mm(of, length.length_mm, 1),
        weight=pulleys_weight(o_1, o_2, pulley_face_mm(of, given.width_mm), of.pitch_mm).plus(
            float(mass) * length.length_mm / 1000
        ),
    )
