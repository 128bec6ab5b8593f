"""A synchronous drive worked in the order of the method.

Source: ISO 5295 or the user's own tension; RMA IP-24 practice for the tension; geometry and statics.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from math import inf, pi

from tuyere.core.drive.case import Level, Rated, Shape, Speeds, WorkedDrive
from tuyere.core.drive.method import LoadedWheel, Method, WheelSaid
from tuyere.core.drive.wheel import Side, Wheel, plain_wheel
from tuyere.core.duty.carried import power_to_spare
from tuyere.core.duty.design import design_power
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.sources import Source
from tuyere.core.speeds.formulas import driven_speed
from tuyere.core.steps import about, looked_up, quiet
from tuyere.core.synchronous.case import SyncCase, SyncLoop, toothed_wheel
from tuyere.core.synchronous.formulas import (
    belt_centrifugal,
    effective_pull,
    jump_margin,
    mass_at_width,
    string_force,
    summed_factor,
    sync_static_tension,
    synchronous_speed,
    teeth_in_mesh,
)
from tuyere.core.synchronous.length import advise_length, mesh_of, small_pulley_teeth, sync_shape
from tuyere.core.synchronous.rate import YOURS, SyncRating, rate_sync
from tuyere.core.synchronous.service import idler_addition, speed_up_addition
from tuyere.core.synchronous.tables import face_mm, pulley, room_mm
from tuyere.core.synchronous.weight import pulley_face_mm, pulleys_weight
from tuyere.core.tables import table
from tuyere.core.tension.formulas import (
    deflection,
    deflection_at_mark,
    net_pull,
    shaft_load_running,
    shaft_load_standing,
    slack_strand,
    span_frequency,
    tight_strand,
)
from tuyere.core.tension.hold import Hold, TensionBand
from tuyere.core.wheels.mass import Weight

STRAND_RATIO = 8.0
RATIO_SOURCE = Source(title="RMA IP-24 practice", confidence="medium")
STOCK_RIM_M_S = 33.0
# How far the belt's back lies over its pitch line, as a share of its height; from the trapezoidal belts' sizes, recalled.
BACK_OVER_PITCH_LINE = 0.3


@dataclass(frozen=True, slots=True, kw_only=True)
class SyncRated:
    """The rating, and the load factor with its additions."""

    rating: SyncRating
    factor: float
    mesh: float


@dataclass(frozen=True, slots=True, kw_only=True)
class SyncSet:
    """How the belt is set. N, mm, Hz, kg/m; ``mass_kg_m`` is 0 where it is not known."""

    mass_kg_m: float
    static_n: float
    tight_n: float
    slack_n: float
    jump_margin: float
    deflection_mm: float
    force_n: float
    frequency_hz: float | None
    shaft_load_standing_n: float
    shaft_load_running_n: float
    face_mm: float | None
    room: tuple[float, float] | None
    pulleys: tuple[tuple[float, float], tuple[float, float]]


SyncDrive = WorkedDrive[SyncLoop, SyncRated, SyncSet]


def _mass_at_base(case: SyncCase) -> tuple[float, float]:
    """(mass per metre, width it belongs to): the table's, or the user's own at this width; 0 where unknown."""
    rows = table("iso5295").select(profile=case.loop.profile.name)
    if case.loop.own_tension_n is None and rows:
        t = table("iso5295")
        return looked_up("m_0", float(rows[0][3]), t.id, t.source_of()), float(rows[0][1])
    return looked_up("m_0", case.loop.own_mass_kg_m or 0.0, "", YOURS), case.loop.width_mm


# How near to the worked tension it is set: common practice, no source.
SET_BAND = (0.9, 1.1)


class SyncMethod(Method[SyncLoop, SyncRated, SyncSet]):
    """By ISO 5295."""

    family = "synchronous"

    def factor(self, case: SyncCase) -> float:
        """Load factor with what a speed-up and an idler add."""
        ratio = case.route.driver.count / case.route.driven.count
        k: float = summed_factor(case.service_factor, speed_up_addition(ratio), idler_addition(case.loop.idler))
        return k

    def design_kw(self, case: SyncCase) -> float:
        """Power with the summed factor."""
        kw: float = design_power(case.power_kw, self.factor(case))
        return kw

    def speeds(self, case: SyncCase) -> Speeds:
        """Teeth leave no slip."""
        driver, driven = case.route.driver, case.route.driven
        rpm = driven_speed(case.driver_rpm, driver.pitch_mm, driven.pitch_mm, 0.0)
        v = synchronous_speed(case.loop.profile.pitch_mm, driver.count, case.driver_rpm)
        return Speeds(driven_rpm=rpm, low_rpm=rpm, high_rpm=rpm, loop_m_s=v)

    def shape(self, case: SyncCase) -> Shape:
        """The belt on its pulleys."""
        return sync_shape(case)

    def rated(self, case: SyncCase, design_kw: float, *, speeds: Speeds, shape: Shape) -> Rated[SyncRated]:
        """The smallest pulley that carries power governs."""
        loop, driver, small = case.loop, case.route.driver, small_pulley_teeth(case)
        two = case.route.plain
        rpm = (
            max(case.driver_rpm, float(speeds.driven_rpm))
            if two is not None
            else case.driver_rpm * driver.count / small
        )
        mesh = mesh_of(case, shape)
        with about(next(w.id for w in case.route.wheels if w.count == small)):
            rating = rate_sync(
                loop.profile,
                loop.width_mm,
                teeth=small,
                rpm=rpm,
                mesh=mesh,
                own_tension_n=loop.own_tension_n,
                own_mass_kg_m=loop.own_mass_kg_m,
            )
        with quiet():
            factor = self.factor(case)
        return Rated(
            count=1,
            own=SyncRated(rating=rating, factor=factor, mesh=mesh),
            power_kw=rating.power_kw,
            spare_percent=power_to_spare(rating.power_kw, design_kw),
        )

    def level(
        self, case: SyncCase, design_kw: float, *, speeds: Speeds, shape: Shape, rated: Rated[SyncRated]
    ) -> Level[SyncSet]:
        """Set so that at design power the tight strand pulls eight times as hard as the slack one."""
        loop, of = case.loop, case.loop.profile
        assert rated.own is not None
        speed = rated.own.rating.speed_m_s
        pulleys = []
        for wheel in (case.route.driver, case.route.driven):
            with about(wheel.id):
                pulleys.append(pulley(of, wheel.count))
        m_0, base = _mass_at_base(case)
        mass = mass_at_width(m_0, loop.width_mm, base)
        centrifugal = belt_centrifugal(mass, speed)
        ratio = looked_up("R_T", STRAND_RATIO, "", RATIO_SOURCE)
        static = sync_static_tension(effective_pull(design_kw, speed), ratio, centrifugal)
        pull = net_pull(case.power_kw, speed, 1.0)
        margin = jump_margin(static, centrifugal, pull)
        tight, slack = tight_strand(static, pull), slack_strand(static, pull)
        depth = deflection_at_mark(deflection(shape.span_mm), loop.tape_mark_mm)
        standing = shaft_load_standing(1.0, static, shape.small_arc_deg)
        running = shaft_load_running(1.0, tight, slack, centrifugal, shape.small_arc_deg)
        return Level(
            static_n=static,
            centrifugal_n=centrifugal,
            standing_n=standing,
            running_n=running,
            own=SyncSet(
                mass_kg_m=mass,
                static_n=static,
                tight_n=tight,
                slack_n=slack,
                jump_margin=margin,
                deflection_mm=depth,
                force_n=string_force(static, depth, shape.span_mm),
                frequency_hz=span_frequency(shape.span_mm, static, mass) if mass > 0 else None,
                shaft_load_standing_n=standing,
                shaft_load_running_n=running,
                face_mm=face_mm(of, loop.width_mm, True),
                room=room_mm(of, shape.length_mm, 1),
                pulleys=(pulleys[0], pulleys[1]),
            ),
        )

    def hold(self, worked: SyncDrive) -> Hold:
        """One band: a toothed belt hardly relaxes. Its stretch is not in our sources."""
        own = worked.own
        low, high = SET_BAND
        return Hold(
            belts=1,
            span_mm=worked.shape.span_mm,
            length_mm=worked.shape.length_mm,
            share_mm=worked.shape.span_mm,
            mass_kg_m=own.mass_kg_m if own.mass_kg_m > 0 else None,
            stiffness_n=None,
            static_n=own.static_n,
            bands=(TensionBand(state="set", low_n=low * own.static_n, high_n=high * own.static_n),),
            centrifugal_n=worked.level.centrifugal_n,
            arc_deg=worked.shape.small_arc_deg,
            grip_ratio=inf,
            speed_m_s=worked.speed_m_s,
            power_kw=worked.case.power_kw,
            design_kw=worked.design_kw,
            width_mm=worked.case.loop.width_mm,
            tape_mark_mm=worked.case.loop.tape_mark_mm,
        )

    def beside(self, case: SyncCase, said: WheelSaid, field: str) -> Wheel:
        """Toothed, or plain at the belt's back."""
        of = case.loop.profile
        if said.teeth is not None:
            return toothed_wheel(of, said.teeth, said.ident, said.role)
        if said.side == "inside" or said.role == "driven":
            raise InputError(
                f"{field}.teeth", None, "the belt has teeth on this face: so must this wheel", "count its teeth"
            )
        if said.outside_mm is None:
            raise InputError(f"{field}.diameter", None, "how large is it?", "outside diameter by tape or caliper")
        path = said.outside_mm + 2 * BACK_OVER_PITCH_LINE * self.thickness_mm(case)
        plain = plain_wheel(said.ident, said.role, said.outside_mm)
        return replace(plain, path_mm=path, pitch_mm=path)

    def carries_at(self, worked: SyncDrive, at: LoadedWheel) -> float | None:
        """By the teeth in mesh on this very pulley."""
        loop = worked.case.loop
        rating = rate_sync(
            loop.profile,
            loop.width_mm,
            teeth=at.wheel.count,
            rpm=at.rpm,
            mesh=teeth_in_mesh(at.wheel.count, at.arc_deg),
            own_tension_n=loop.own_tension_n,
            own_mass_kg_m=loop.own_mass_kg_m,
        )
        return float(rating.power_kw)

    def least_idlers(self) -> Mapping[Side, float]:
        """Toothed ones as large as the small pulley, plain ones at the back 1.3 times. Source: common practice of the trade."""
        return {"inside": 1.0, "outside": 1.3}

    def advise_around(self, worked: SyncDrive) -> None:
        """Teeth on both faces where a back drives."""
        if any(s.side == "outside" and s.wheel.role == "driven" for s in worked.case.route.stops):
            notice(
                "caution",
                "teeth-on-both-sides",
                "A wheel that is driven by the back of a toothed belt wants a belt with teeth on both sides.",
                "input.around",
            )

    def character(self, case: SyncCase) -> str:
        """Teeth."""
        return "teeth"

    def thickness_mm(self, case: SyncCase) -> float:
        """The belt's height; four tenths of the pitch where it is not recalled."""
        return case.loop.profile.height_mm or 0.4 * case.loop.profile.pitch_mm

    def faces_mm(self, case: SyncCase) -> tuple[float, float]:
        """The pitch line lies near the back."""
        back = BACK_OVER_PITCH_LINE * self.thickness_mm(case)
        return self.thickness_mm(case) - back, back

    def pitch_mm(self, case: SyncCase) -> float:
        """The belt's."""
        return case.loop.profile.pitch_mm

    def size(
        self, case: SyncCase, rated: Rated[SyncRated], *, shape: Shape, level: Level[SyncSet]
    ) -> tuple[float, Weight]:
        """Face between flanges, and what pulleys and belt weigh."""
        of, loop = case.loop.profile, case.loop
        (_, o_1), (_, o_2) = level.own.pulleys
        face = pulley_face_mm(of, loop.width_mm)
        weight = pulleys_weight(o_1, o_2, face, of.pitch_mm)
        return loop.width_mm, weight.plus(float(level.own.mass_kg_m) * shape.length_mm / 1000)

    def advise(self, worked: SyncDrive) -> None:
        """Mesh, flanges, strength, rim speed, upright shafts, idlers."""
        case, rated, of = worked.case, worked.rated.own, worked.case.loop.profile
        assert rated is not None and worked.spare_percent is not None
        advise_length(case, worked.shape, rated.mesh)
        if worked.spare_percent < 0:
            notice(
                "danger" if rated.rating.power_kw < case.power_kw else "caution",
                "sync-short",
                "Carries {carried}, needs {wanted} with the load factor.",
                "input.width",
                "A wider belt, larger pulleys or a larger pitch.",
                carried=(rated.rating.power_kw, "power"),
                wanted=(worked.design_kw, "power"),
            )
        if rated.rating.speed_m_s > STOCK_RIM_M_S:
            notice(
                "caution",
                "rim",
                "Over {limit} stock cast-iron pulleys are not made for it: balanced, special ones are needed.",
                "input.speed",
                limit=(STOCK_RIM_M_S, "belt_speed"),
            )
        if case.loop.upright:
            notice(
                "caution",
                "upright",
                "Upright shafts: flange one pulley on both sides and the other at least below.",
                "input.upright",
            )
        if case.loop.idler.startswith("outside"):
            least = 1.3 * small_pulley_teeth(case) * of.pitch_mm / pi
            notice(
                "info",
                "idler",
                "An outside idler is flat, uncrowned and {least} in diameter or more, on the slack side.",
                "input.idler",
                least=(least, "length"),
            )


SYNC_METHOD = SyncMethod()


def work_sync(case: SyncCase) -> SyncDrive:
    """Work a synchronous drive through. Raises InputError and NoSolution."""
    return SYNC_METHOD.work(case)
