"""One flat belt drive worked by the textbook's method."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.duty.design import design_power
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.flat.formulas import (
    allowed_tight,
    belt_weight,
    developed_friction,
    dip_inches,
    hoop_tension,
    initial_tension,
    net_pull_pounds,
    pounds_to_newtons,
    slack_tension,
    slip_power,
    slip_power_kw,
    tight_needed,
    tight_to_set,
)
from tuyere.core.flat.tables import Material
from tuyere.core.flat.weight import pulley_face_mm, pulleys_weight
from tuyere.core.geometry.elevation import Elevation, two_wheel_elevation
from tuyere.core.geometry.two_pulleys import TwoPulleys, work_two_pulleys
from tuyere.core.notices import notice
from tuyere.core.sources import Source
from tuyere.core.speeds.formulas import belt_speed, driven_speed
from tuyere.core.steps import Num, looked_up, mark, quiet
from tuyere.core.tables import axis, table
from tuyere.core.tension.formulas import (
    design_horsepower,
    hub_load_running,
    hub_load_standing,
    net_pull,
    slack_strand,
    speed_in_feet,
    tight_strand,
)
from tuyere.core.tension.shaft_load import ShaftLoad, shaft_load
from tuyere.core.units import KG_PER_LB, M_PER_FT, MM_PER_IN
from tuyere.core.wheels.mass import Weight

LIKED_CENTRES = 3.5  # times the large pulley (common practice)
RIM_LIMIT_FPM = 6000.0
WIDE_IN = 8.0
CREEP_PERCENT = (1.0, 2.0)
# A belt set just at its slip limit slips as soon as it has stretched: a quarter more is set.
MARGIN = 1.25
MARGIN_SOURCE = Source(title="set tension a quarter over the slip limit", origin="common practice", confidence="medium")


@dataclass(frozen=True, slots=True, kw_only=True)
class FlatGiven:
    """A flat belt drive. kW, rpm, mm, degrees. Centre distance or belt length."""

    power_kw: float
    service_factor: float
    driver_rpm: float
    driver_mm: float
    driven_mm: float
    centre_mm: float | None
    length_mm: float | None
    material: Material
    width_mm: float
    crossed: bool = False
    angle_deg: float = 0.0
    clockwise: bool = True


@dataclass(frozen=True, slots=True, kw_only=True)
class Strands:
    """Both strands at design power, the initial tension they ask for (lbf, whole belt), and the friction they use."""

    tight_lbf: float
    slack_lbf: float
    initial_lbf: float
    friction_used: float


@dataclass(frozen=True, slots=True, kw_only=True)
class FlatDrive:
    """A worked flat belt drive. kW, rpm, m/s, mm, N, degrees; tensions for the whole belt.

    ``initial_n`` is what the duty needs; ``full`` is the textbook's, with the tight strand used to all it stands.
    ``tight_n`` and ``slack_n`` run at the duty's own power.
    """

    design_kw: float
    driven_rpm: float
    driven_rpm_low: float
    speed_m_s: float
    pulleys: TwoPulleys
    elevation: Elevation
    tight_n: float
    slack_n: float
    initial_n: float
    centrifugal_n: float
    full: Strands
    hub_standing_n: float
    hub_running_n: float
    shaft_load: ShaftLoad
    friction_used: float
    friction_there: float
    capacity_kw: float
    spare_percent: float
    dip_mm: float
    width_needed_mm: float
    mass_kg: float
    face_mm: float
    weight: Weight


def least_pulley_in(of: Material, width_in: Num) -> Num:
    """Least pulley in inches; wide double leather wants a larger one."""
    return of.least_pulley_in + of.wide_add_in * (width_in >= WIDE_IN)


def pulley_correction(of: Material, small_mm: Num) -> Num:
    """Correction for the smaller pulley, recorded. Source: Shigley."""
    t = table("pulley_correction")
    value = axis(t, "from", "C_p", material=of.correction).at(small_mm / MM_PER_IN, "driver_diameter")
    return looked_up("C_pul", value, t.id, t.source_of(), d=small_mm)


def velocity_correction(of: Material, feet: Num) -> Num:
    """Correction for the speed, recorded; 1 for materials that need none. Source: leather ratings of Marks."""
    if not of.velocity_row:
        return 1.0
    t = table("velocity_correction")
    line = axis(t, "speed", "C_v", thickness=of.velocity_row)
    slowest = float(line.xs[0])
    value = line.at(feet * (feet > slowest) + slowest * (feet <= slowest), "driver_speed")
    return looked_up("C_vel", value, t.id, t.source_of(), V=feet)


def _checked_pulley(of: Material, small_mm: float, width_mm: float) -> None:
    least = float(least_pulley_in(of, width_mm / MM_PER_IN))
    if small_mm < least * MM_PER_IN * (1 - 1e-9):
        raise InputError(
            "driver_diameter",
            small_mm,
            f"too small for {of.name}",
            "{least} or more",
            least=(least * MM_PER_IN, "length"),
        )


def _advise(given: FlatGiven, centre_mm: float, feet: float) -> None:
    if given.crossed and feet > 3000:
        notice(
            "caution",
            "crossed-fast",
            "A crossed belt rubs on itself: not over {most}.",
            "input.driver_speed",
            most=(15.24, "belt_speed"),
        )
    if given.crossed and centre_mm < 20 * given.width_mm:
        notice(
            "caution",
            "crossed-short",
            "A crossed belt wants centres of 20 times its width or more: {least} here.",
            "input.centre_distance",
            least=(20 * given.width_mm, "length"),
        )
    if centre_mm < LIKED_CENTRES * max(given.driver_mm, given.driven_mm):
        notice(
            "info",
            "short-centres",
            f"Flat belts like centres of {LIKED_CENTRES:g} times the large pulley or more.",
            "input.centre_distance",
        )
    steep = abs(given.angle_deg) % 180
    if min(steep, 180 - steep) > 60 or 60 < steep < 120:
        notice(
            "caution",
            "steep",
            "Over 60 degrees from level the belt's weight leaves the lower pulley: more initial tension or an idler.",
            "input.layout.angle",
        )
    else:
        notice(
            "info",
            "slack-side",
            "On level drives let the slack strand run on top: its sag adds wrap.",
            "input.centre_distance",
        )


def _strands(tight: float, slack: float, hoop: float, arc_deg: float, prefix: str) -> Strands:
    initial = initial_tension(tight, slack, hoop)
    used = mark(f"{prefix}friction_used", developed_friction(tight, slack, hoop, arc_deg))
    return Strands(
        tight_lbf=float(tight), slack_lbf=float(slack), initial_lbf=float(initial), friction_used=float(used)
    )


def work_flat_drive(given: FlatGiven) -> FlatDrive:
    """A flat belt by the textbook's method, set for what the duty needs with a margin, never over what it stands.

    Raises InputError for a pulley under the material's least or outside the tables, NoSolution where
    the belt's own mass takes its whole tension. Source: Shigley, flat belts.
    """
    of = given.material
    small = min(given.driver_mm, given.driven_mm)
    _checked_pulley(of, small, given.width_mm)
    design = mark("design_power", design_power(given.power_kw, given.service_factor))
    driven = mark("driven_speed", driven_speed(given.driver_rpm, given.driver_mm, given.driven_mm, 0.0))
    slipped = mark(
        "driven_speed_low", driven_speed(given.driver_rpm, given.driver_mm, given.driven_mm, CREEP_PERCENT[1])
    )
    speed = mark("belt_speed", belt_speed(given.driver_mm, given.driver_rpm))
    shape = work_two_pulleys(given.driver_mm, given.driven_mm, given.centre_mm, given.length_mm, given.crossed)
    feet = speed_in_feet(speed)
    if feet > RIM_LIMIT_FPM:
        raise InputError(
            "driver_speed",
            given.driver_rpm,
            "belt speed {speed} is over what plain cast-iron pulleys stand",
            "{most} at most",
            speed=(float(speed), "belt_speed"),
            most=(RIM_LIMIT_FPM * M_PER_FT / 60, "belt_speed"),
        )
    c_p, c_v = pulley_correction(of, small), velocity_correction(of, feet)
    width = given.width_mm / MM_PER_IN
    weight = belt_weight(of.weight_lbf_in3, width, of.thickness_in)
    hoop = hoop_tension(weight, feet)
    tight = allowed_tight(width, of.allowed_lbf_in, c_p, c_v)
    if tight <= hoop:
        raise NoSolution(
            "at this speed the belt's own weight takes all of its tension", "driver_speed", "a lower speed"
        )
    capacity = mark("capacity", slip_power_kw(slip_power(tight, hoop, of.friction, shape.small_arc_deg, feet)))
    pull = net_pull_pounds(design_horsepower(design), feet)
    slack = slack_tension(tight, pull)
    spare = 100 * (float(capacity) / float(design) - 1)
    needed = given.width_mm * float(design) / float(capacity)
    if spare < 0:
        notice(
            "danger" if capacity < given.power_kw else "caution",
            "slips",
            "Slips at {there}, needs {wanted}: about {width} wide would do.",
            "input.width",
            "A wider belt, larger pulleys, or more wrap.",
            there=(float(capacity), "power"),
            wanted=(float(design), "power"),
            width=(needed, "length"),
        )
        if slack <= hoop:
            raise NoSolution(
                "the belt is far too narrow for this power: the slack strand would be pushed",
                "width",
                "about {needed} or more",
                needed=(needed, "length"),
            )
    _advise(given, shape.centre_mm, float(feet))
    full = _strands(tight, slack, hoop, shape.small_arc_deg, "full_")
    # The duty may need less than the belt stands: bearings are spared what does not carry.
    grips = tight_needed(pull, hoop, of.friction, shape.small_arc_deg)
    margin = looked_up("k_fl", MARGIN, "", MARGIN_SOURCE)
    set_for = tight_to_set(grips, hoop, margin, tight)
    own = _strands(set_for, slack_tension(set_for, pull), hoop, shape.small_arc_deg, "")
    dip = dip_inches(shape.span_mm / MM_PER_IN / 12, weight, own.initial_lbf)

    def newtons(name: str, pounds: float) -> float:
        return float(mark(name, pounds_to_newtons(pounds)))

    t_i, t_c = newtons("initial", own.initial_lbf), newtons("centrifugal", hoop)
    newtons("initial_greatest", full.initial_lbf)
    # On fixed centres the centrifugal part is there at rest too; the duty's own pull is shared about it.
    mean = t_i + t_c
    duty_pull = mark("duty_pull", net_pull(given.power_kw, speed, 1.0))
    t_1, t_2 = mark("tight", tight_strand(mean, duty_pull)), mark("slack", slack_strand(mean, duty_pull))
    standing = mark("hub_standing", hub_load_standing(1.0, mean, shape.small_arc_deg))
    running = mark("hub_running", hub_load_running(1.0, t_1, t_2, t_c, shape.small_arc_deg))
    with quiet():
        drawing = two_wheel_elevation(
            "flat",
            "flat",
            counts=(1, 1),
            thickness_mm=of.thickness_in * MM_PER_IN,
            centre_mm=shape.centre_mm,
            driver_path_mm=given.driver_mm,
            driver_outside_mm=given.driver_mm,
            driven_path_mm=given.driven_mm,
            driven_outside_mm=given.driven_mm,
            angle_deg=given.angle_deg,
            clockwise=given.clockwise,
            crossed=given.crossed,
        )
    face = pulley_face_mm(given.width_mm)
    mass = float(weight) * KG_PER_LB * shape.length_mm / MM_PER_IN / 12
    return FlatDrive(
        design_kw=float(design),
        driven_rpm=float(driven),
        driven_rpm_low=float(slipped),
        speed_m_s=float(speed),
        pulleys=shape,
        elevation=drawing,
        tight_n=float(t_1),
        slack_n=float(t_2),
        initial_n=t_i,
        centrifugal_n=t_c,
        full=full,
        hub_standing_n=float(standing),
        hub_running_n=float(running),
        shaft_load=shaft_load(standing_new_n=float(standing), running_n=float(running)),
        friction_used=own.friction_used,
        friction_there=of.friction,
        capacity_kw=float(capacity),
        spare_percent=spare,
        dip_mm=float(dip) * MM_PER_IN,
        width_needed_mm=needed,
        mass_kg=mass,
        face_mm=face,
        weight=pulleys_weight(given.driver_mm, given.driven_mm, face).plus(mass),
    )
