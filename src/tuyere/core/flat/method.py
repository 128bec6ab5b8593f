"""A flat belt drive worked by the textbook's method: set for what the duty needs with a margin, never over what it stands.

Source: Shigley, flat belts.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from tuyere.core.drive.around import shape_around
from tuyere.core.drive.case import Level, Rated, Shape, Speeds, WorkedDrive
from tuyere.core.drive.method import LoadedWheel, Method, WheelSaid
from tuyere.core.drive.path import Wrap, solve_route
from tuyere.core.drive.two_pulleys import work_two_pulleys
from tuyere.core.drive.wheel import Side, Wheel, plain_wheel
from tuyere.core.duty.carried import millimetres, pounds_to_newtons, power_to_spare
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.flat.case import FlatCase, FlatLoop
from tuyere.core.flat.formulas import (
    allowed_tight,
    belt_mass_kg,
    belt_weight,
    developed_friction,
    dip_inches,
    hoop_tension,
    initial_tension,
    mean_strand,
    net_pull_pounds,
    slack_tension,
    slip_power,
    slip_power_kw,
    span_feet,
    tight_needed,
    tight_to_set,
    width_that_does,
)
from tuyere.core.flat.strength import least_pulley_in, pulley_correction, velocity_correction
from tuyere.core.flat.weight import pulley_face_mm, pulleys_weight
from tuyere.core.notices import notice
from tuyere.core.sources import Source
from tuyere.core.speeds.formulas import belt_speed, driven_speed
from tuyere.core.steps import about, looked_up, quiet
from tuyere.core.tables import table
from tuyere.core.tension.formulas import (
    design_horsepower,
    net_pull,
    shaft_load_running,
    shaft_load_standing,
    slack_strand,
    span_inches,
    speed_in_feet,
    tension_ratio_limit,
    tight_strand,
)
from tuyere.core.tension.hold import Hold, TensionBand
from tuyere.core.units import M_PER_FT, MM_PER_IN
from tuyere.core.wheels.mass import Weight

LIKED_CENTRES = 3.5  # times the large pulley (common practice)
RIM_LIMIT_FPM = 6000.0
CREEP_PERCENT = (1.0, 2.0)
# A belt set just at its slip limit slips as soon as it has stretched: a quarter more is set.
MARGIN = 1.25
MARGIN_SOURCE = Source(title="set tension a quarter over the slip limit", origin="common practice", confidence="medium")


@dataclass(frozen=True, slots=True, kw_only=True)
class StrandsLbf:
    """Both strands at design power, the initial tension they ask for (lbf, whole belt), and the friction they use."""

    tight_lbf: float
    slack_lbf: float
    initial_lbf: float
    friction_used: float


@dataclass(frozen=True, slots=True, kw_only=True)
class FlatRated:
    """Power at the slip limit with the tight strand fully used, and the strands behind it in pounds."""

    capacity_kw: float
    width_needed_mm: float
    tight_lbf: float
    hoop_lbf: float
    pull_lbf: float
    weight_lbf_ft: float


@dataclass(frozen=True, slots=True, kw_only=True)
class FlatSet:
    """How the belt is set, whole belt. N, mm, kg.

    ``initial_n`` is what the duty needs; ``full`` is the textbook's, with the tight strand used to all it stands.
    ``tight_n`` and ``slack_n`` run at the duty's own power.
    """

    tight_n: float
    slack_n: float
    initial_n: float
    initial_greatest_n: float
    centrifugal_n: float
    full: StrandsLbf
    shaft_load_standing_n: float
    shaft_load_running_n: float
    friction_used: float
    friction_there: float
    dip_mm: float
    mass_kg: float


FlatDrive = WorkedDrive[FlatLoop, FlatRated, FlatSet]


def _small_mm(case: FlatCase) -> float:
    return min(w.path_mm for w in case.route.wheels if w.role in ("driver", "driven"))


def _large_mm(case: FlatCase) -> float:
    return max(w.path_mm for w in case.route.wheels if w.role in ("driver", "driven"))


def _strands(tight: float, slack: float, hoop: float, arc_deg: float) -> StrandsLbf:
    initial = initial_tension(tight, slack, hoop)
    used = developed_friction(tight, slack, hoop, arc_deg)
    return StrandsLbf(tight_lbf=tight, slack_lbf=slack, initial_lbf=initial, friction_used=used)


# How near to the worked tension it is set: common practice, no source.
SET_BAND = (0.95, 1.15)


class FlatMethod(Method[FlatLoop, FlatRated, FlatSet]):
    """By the textbook."""

    family = "flat"

    def prepared(self, case: FlatCase) -> FlatCase:
        """Raises InputError for a pulley under the material's least."""
        of, small = case.loop.material, _small_mm(case)
        least = float(least_pulley_in(of, case.loop.width_mm / MM_PER_IN))
        if small < least * MM_PER_IN * (1 - 1e-9):
            raise InputError(
                "driver_diameter",
                small,
                f"too small for {of.name}",
                "{least} or more",
                least=(least * MM_PER_IN, "length"),
            )
        return case

    def speeds(self, case: FlatCase) -> Speeds:
        """A flat belt creeps by one to two per cent."""
        d_1, d_2 = case.route.driver.pitch_mm, case.route.driven.pitch_mm
        rpm = driven_speed(case.driver_rpm, d_1, d_2, 0.0)
        return Speeds(
            driven_rpm=rpm,
            low_rpm=driven_speed(case.driver_rpm, d_1, d_2, CREEP_PERCENT[1]),
            high_rpm=rpm,
            loop_m_s=belt_speed(d_1, case.driver_rpm),
        )

    def shape(self, case: FlatCase) -> Shape:
        """The belt on its pulleys, open or crossed."""
        two = case.route.plain
        if two is None:
            return shape_around(case, case.loop.length_mm, "belt_length")
        made = work_two_pulleys(
            case.route.driver.path_mm, case.route.driven.path_mm, case.centre_mm, case.loop.length_mm, two.crossed
        )
        return Shape(
            path=solve_route(case.route, None if case.loop.length_mm is None else made.length_mm, "belt_length"),
            length_mm=made.length_mm,
            centre_mm=made.centre_mm,
            span_mm=made.span_mm,
            small_arc_deg=made.small_arc_deg,
            large_arc_deg=made.large_arc_deg,
        )

    def rated(self, case: FlatCase, design_kw: float, *, speeds: Speeds, shape: Shape) -> Rated[FlatRated]:
        """Power at which the belt slips with its tight strand used to all it stands."""
        of, small = case.loop.material, _small_mm(case)
        feet = speed_in_feet(speeds.loop_m_s)
        if feet > RIM_LIMIT_FPM:
            raise InputError(
                "driver_speed",
                case.driver_rpm,
                "belt speed {speed} is over what plain cast-iron pulleys stand",
                "{most} at most",
                speed=(float(speeds.loop_m_s), "belt_speed"),
                most=(RIM_LIMIT_FPM * M_PER_FT / 60, "belt_speed"),
            )
        with about(next(w.id for w in case.route.wheels if w.path_mm == small)):
            c_p, c_v = pulley_correction(of, small), velocity_correction(of, feet)
        width = case.loop.width_mm / MM_PER_IN
        weight = belt_weight(of.weight_lbf_in3, width, of.thickness_in)
        hoop = hoop_tension(weight, feet)
        tight = allowed_tight(width, of.allowed_lbf_in, c_p, c_v)
        if tight <= hoop:
            raise NoSolution(
                "at this speed the belt's own weight takes all of its tension", "driver_speed", "a lower speed"
            )
        capacity = slip_power_kw(slip_power(tight, hoop, of.friction, shape.small_arc_deg, feet))
        pull = net_pull_pounds(design_horsepower(design_kw), feet)
        spare = power_to_spare(capacity, design_kw)
        needed = width_that_does(case.loop.width_mm, design_kw, capacity)
        if spare < 0:
            notice(
                "danger" if capacity < case.power_kw else "caution",
                "slips",
                "Slips at {there}, needs {wanted}: about {width} wide would do.",
                "input.width",
                "A wider belt, larger pulleys, or more wrap.",
                there=(float(capacity), "power"),
                wanted=(float(design_kw), "power"),
                width=(needed, "length"),
            )
            if tight - pull <= hoop:
                raise NoSolution(
                    "the belt is far too narrow for this power: the slack strand would be pushed",
                    "width",
                    "about {needed} or more",
                    needed=(needed, "length"),
                )
        rated = FlatRated(
            capacity_kw=capacity,
            width_needed_mm=needed,
            tight_lbf=tight,
            hoop_lbf=hoop,
            pull_lbf=pull,
            weight_lbf_ft=weight,
        )
        return Rated(count=1, own=rated, power_kw=capacity, spare_percent=spare)

    def level(
        self, case: FlatCase, design_kw: float, *, speeds: Speeds, shape: Shape, rated: Rated[FlatRated]
    ) -> Level[FlatSet]:
        """The duty may need less than the belt stands: bearings are spared what does not carry."""
        of, r, arc, t = case.loop.material, rated.own, shape.small_arc_deg, table("flat_materials")
        assert r is not None
        full = _strands(r.tight_lbf, slack_tension(r.tight_lbf, r.pull_lbf), r.hoop_lbf, arc)
        grips = tight_needed(r.pull_lbf, r.hoop_lbf, of.friction, arc)
        margin = looked_up("k_fl", MARGIN, "", MARGIN_SOURCE)
        set_for = tight_to_set(grips, r.hoop_lbf, margin, r.tight_lbf)
        own = _strands(set_for, slack_tension(set_for, r.pull_lbf), r.hoop_lbf, arc)
        dip = dip_inches(span_feet(span_inches(shape.span_mm)), r.weight_lbf_ft, own.initial_lbf)
        t_i, t_c = pounds_to_newtons(own.initial_lbf), pounds_to_newtons(r.hoop_lbf)
        greatest = pounds_to_newtons(full.initial_lbf)
        # On fixed centres the centrifugal part is there at rest too; the duty's own pull is shared about it.
        mean = mean_strand(t_i, t_c)
        duty_pull = net_pull(case.power_kw, speeds.loop_m_s, 1.0)
        t_1, t_2 = tight_strand(mean, duty_pull), slack_strand(mean, duty_pull)
        standing = shaft_load_standing(1.0, mean, arc)
        running = shaft_load_running(1.0, t_1, t_2, t_c, arc)
        return Level(
            static_n=mean,
            centrifugal_n=t_c,
            standing_n=standing,
            running_n=running,
            own=FlatSet(
                tight_n=t_1,
                slack_n=t_2,
                initial_n=t_i,
                initial_greatest_n=greatest,
                centrifugal_n=t_c,
                full=full,
                shaft_load_standing_n=standing,
                shaft_load_running_n=running,
                friction_used=own.friction_used,
                friction_there=looked_up("mu", of.friction, t.id, t.source_of()),
                dip_mm=millimetres(dip),
                mass_kg=belt_mass_kg(r.weight_lbf_ft, shape.length_mm),
            ),
        )

    def grip(self, case: FlatCase, wrap: Wrap) -> float:
        """The belt equation."""
        ratio: float = tension_ratio_limit(case.loop.material.friction, wrap.arc_deg)
        return ratio

    def hold(self, worked: FlatDrive) -> Hold:
        """Set for the duty with a margin over the slip limit; the belt's own limit is what its tight strand stands."""
        own, low, high = worked.own, *SET_BAND
        with quiet():
            grip = tension_ratio_limit(worked.case.loop.material.friction, worked.shape.small_arc_deg)
        mass = float(own.mass_kg) / (worked.shape.length_mm / 1000)
        return Hold(
            belts=1,
            span_mm=worked.shape.span_mm,
            length_mm=worked.shape.length_mm,
            share_mm=worked.shape.span_mm,
            mass_kg_m=mass,
            stiffness_n=None,
            static_n=worked.level.static_n,
            bands=(TensionBand(state="set", low_n=low * worked.level.static_n, high_n=high * worked.level.static_n),),
            centrifugal_n=worked.level.centrifugal_n,
            arc_deg=worked.shape.small_arc_deg,
            grip_ratio=grip,
            speed_m_s=worked.speed_m_s,
            power_kw=worked.case.power_kw,
            design_kw=worked.design_kw,
            width_mm=worked.case.loop.width_mm,
            tape_mark_mm=MM_PER_IN / 32,
            most_n=float(own.initial_greatest_n) + worked.level.centrifugal_n,
            most_why="with the tight strand used to all that its material allows",
        )

    def beside(self, case: FlatCase, said: WheelSaid, field: str) -> Wheel:
        """A plain pulley; at the belt's back its path runs on the other face."""
        if said.outside_mm is None:
            raise InputError(f"{field}.diameter", None, "how large is it?", "diameter by tape or caliper")
        plain = plain_wheel(said.ident, said.role, said.outside_mm)
        thick = case.loop.material.thickness_in * MM_PER_IN
        return plain if said.side == "inside" else replace(plain, path_mm=said.outside_mm + 2 * thick)

    def carries_at(self, worked: FlatDrive, at: LoadedWheel) -> float | None:
        """The slip limit on this pulley's own arc, its tight strand used to all the belt stands there."""
        of, width = worked.case.loop.material, worked.case.loop.width_mm / MM_PER_IN
        feet = speed_in_feet(worked.speed_m_s)
        hoop = hoop_tension(belt_weight(of.weight_lbf_in3, width, of.thickness_in), feet)
        c_p, c_v = pulley_correction(of, at.wheel.outside_mm), velocity_correction(of, feet)
        tight = allowed_tight(width, of.allowed_lbf_in, c_p, c_v)
        return float(slip_power_kw(slip_power(tight, hoop, of.friction, at.arc_deg, feet)))

    def least_idlers(self) -> Mapping[Side, float]:
        """As large as the small pulley at least, on either face. Source: handbook practice."""
        return {"inside": 1.0, "outside": 1.0}

    def thickness_mm(self, case: FlatCase) -> float:
        """The belt's."""
        return case.loop.material.thickness_in * MM_PER_IN

    def faces_mm(self, case: FlatCase) -> tuple[float, float]:
        """A flat belt's length is that of its inside."""
        return 0.0, self.thickness_mm(case)

    def size(
        self, case: FlatCase, rated: Rated[FlatRated], *, shape: Shape, level: Level[FlatSet]
    ) -> tuple[float, Weight]:
        """Face of the pulleys, and what pulleys and belt weigh."""
        face = pulley_face_mm(case.loop.width_mm)
        weight = pulleys_weight(case.route.driver.outside_mm, case.route.driven.outside_mm, face)
        return face, weight.plus(float(level.own.mass_kg))

    def advise(self, worked: FlatDrive) -> None:
        """Crossed belts, short centres, steep drives, where the slack strand runs."""
        case, centre_mm = worked.case, worked.centre_mm
        crossed = any(s.crossed for s in case.route.stops)
        width = case.loop.width_mm
        if crossed and speed_in_feet(worked.speed_m_s) > 3000:
            notice(
                "caution",
                "crossed-fast",
                "A crossed belt rubs on itself: not over {most}.",
                "input.driver_speed",
                most=(15.24, "belt_speed"),
            )
        if crossed and centre_mm < 20 * width:
            notice(
                "caution",
                "crossed-short",
                "A crossed belt wants centres of 20 times its width or more: {least} here.",
                "input.centre_distance",
                least=(20 * width, "length"),
            )
        if centre_mm < LIKED_CENTRES * _large_mm(case):
            notice(
                "info",
                "short-centres",
                f"Flat belts like centres of {LIKED_CENTRES:g} times the large pulley or more.",
                "input.centre_distance",
            )
        steep = abs(case.route.angle_deg) % 180
        if min(steep, 180 - steep) > 60:
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


FLAT_METHOD = FlatMethod()


def work_flat(case: FlatCase) -> FlatDrive:
    """Work a flat belt drive through. Raises InputError and NoSolution."""
    return FLAT_METHOD.work(case)
