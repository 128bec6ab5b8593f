"""A V-belt drive worked in the order of the method: geometry, rating, belts, tension, shaft loads."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from tuyere.core.drive.around import shape_around
from tuyere.core.drive.case import Level, Rated, Shape, Speeds, WorkedDrive
from tuyere.core.drive.method import LoadedWheel, Method, WheelSaid
from tuyere.core.drive.path import Wrap, solve_route
from tuyere.core.drive.wheel import Side, Wheel
from tuyere.core.errors import InputError, NoSolution, fields_named
from tuyere.core.geometry.centre import centre_of_length
from tuyere.core.geometry.formulas import open_large_arc, open_length, open_small_arc, open_span
from tuyere.core.notices import notice
from tuyere.core.speeds.formulas import belt_speed, driven_speed, ratio_of_speeds, small_sheave_speed
from tuyere.core.steps import about, looked_up, quiet, solved
from tuyere.core.tables import table
from tuyere.core.tension.formulas import tension_ratio_limit
from tuyere.core.tension.hold import Hold, TensionBand
from tuyere.core.tension.reading_formulas import stretch_stiffness
from tuyere.core.v_belt.bases.protocol import Basis
from tuyere.core.v_belt.beside import back_grip, back_over_line_mm, remark_bends, wheel_beside
from tuyere.core.v_belt.case import VBeltCase, VBeltLoop, seated, sheave_at
from tuyere.core.v_belt.formulas import all_belts_power, belts_needed, length_mm, spare_power, whole_belts
from tuyere.core.v_belt.rating import BeltRating, check_section_limits, rate_one_belt, rated_as_link
from tuyere.core.v_belt.sections import groove_rows
from tuyere.core.v_belt.setting import FRICTION, TensionPlan, plan_tension
from tuyere.core.v_belt.sheaves import rim_pitch_mm
from tuyere.core.v_belt.tables import RIM_SPEED_LIMIT_M_S, Allowance, allowance
from tuyere.core.v_belt.v_flat import judge_ratio
from tuyere.core.v_belt.weight import face_mm, groove_area_mm2, sheaves_weight
from tuyere.core.wheels.mass import Weight

MOST_BELTS = 30
SLIP_PERCENT = 2.0  # a belt that is kept up slips no more (common practice)
USUAL_M_S = (5.08, 25.4)


@dataclass(frozen=True, slots=True, kw_only=True)
class VBeltRated:
    """One belt by its book, and how many of them the duty takes."""

    one: BeltRating
    belts_exact: float
    belts_needed: float
    all_kw: float


@dataclass(frozen=True, slots=True, kw_only=True)
class VBeltSet:
    """How the belts are set, the room to fit and take them up, and the ratio of the speeds."""

    plan: TensionPlan
    room: Allowance | None
    speed_ratio: float


VBeltDrive = WorkedDrive[VBeltLoop, VBeltRated, VBeltSet]


def small_and_large(case: VBeltCase) -> tuple[Wheel, Wheel]:
    """By size, not by role: the smallest and the largest of the sheaves that carry power; a back has no groove to be rated in."""
    stops = [s for s in case.route.stops if s.side == "inside" and s.wheel.role in ("driver", "driven")]
    carrying = sorted((s.wheel for s in stops), key=lambda w: w.path_mm)
    small, large = carrying[0], carrying[-1]
    return (case.route.driver, large) if small.path_mm == case.route.driver.path_mm else (small, large)


def _sheave_field(wheel: Wheel) -> str:
    return f"{wheel.role}.sheave"


def rate_by(case: VBeltCase, small_arc_deg: float, book: Basis) -> BeltRating:
    """One belt of a drive by a rating book: on its sheaves, its flat pulley, or as the link belt it is.

    ``case`` is seated. Raises InputError outside the book's tables, NoSolution where nothing is carried.
    """
    small, large = small_and_large(case)
    rpm = small_sheave_speed(case.driver_rpm, case.route.driver.pitch_mm, small.pitch_mm)
    one = rate_one_belt(
        case.loop.belt,
        small.pitch_mm,
        # The ratio's share is tabled for two sheaves; round more of them none is counted, which is the safe side.
        large_pitch_mm=large.pitch_mm if case.route.plain is not None else small.pitch_mm,
        small_rpm=rpm,
        arc_deg=small_arc_deg,
        asked=book,
        v_flat=case.loop.v_flat,
    )
    return rated_as_link(case.loop.belt, one) if case.loop.link else one


def _held_against(case: VBeltCase, one: BeltRating, design_kw: float) -> tuple[VBeltRated, int, float]:
    """(rating with belts needed, belts on the drive, percent to spare) of a rated belt; says where they are too few."""
    exact = belts_needed(design_kw, one.corrected_kw)
    needed = whole_belts(exact)
    count = case.loop.count or needed
    carried = all_belts_power(one.corrected_kw, count)
    if count < needed:
        notice(
            "danger" if carried < case.power_kw else "caution",
            "too-few-belts",
            "Carries {carried}, needs {wanted} with the service factor. {needed} belts would do.",
            "belt.count",
            "Add belts, or take a larger section or larger sheaves.",
            carried=(carried, "power"),
            wanted=(design_kw, "power"),
            needed=(float(needed), "count"),
        )
    rated = VBeltRated(one=one, belts_exact=exact, belts_needed=needed, all_kw=carried)
    return rated, int(count), spare_power(one.corrected_kw, count, design_kw)


class VBeltMethod(Method[VBeltLoop, VBeltRated, VBeltSet]):
    """By ANSI/RMA IP-20 and IP-22, or the book that the case names."""

    family = "v-belt"

    def prepared(self, case: VBeltCase) -> VBeltCase:
        """With the diameters the belt really runs on. Raises InputError for a belt in a foreign groove."""
        case = seated(case)
        section = case.loop.belt.section
        for stop in case.route.stops:
            wheel = stop.wheel
            if stop.side == "inside" and wheel.role in ("driver", "driven") and wheel.profile != section.groove:
                raise InputError(
                    f"{_sheave_field(wheel)}.groove",
                    wheel.profile,
                    f"a {section.shown} belt runs in {section.groove} grooves",
                    section.groove,
                )
        if case.loop.v_flat:
            judge_ratio(case.route.driven.pitch_mm / case.route.driver.pitch_mm)
        return case

    def speeds(self, case: VBeltCase) -> Speeds:
        """Belt slip up to 2 %, and the pitch line of the 1988 table at the rim: the speed lies within both."""
        driver, driven, slip = case.route.driver, case.route.driven, case.loop.slip_percent
        rpm = driven_speed(case.driver_rpm, driver.pitch_mm, driven.pitch_mm, slip)
        at_rim = [rim_pitch_mm(sheave_at(w)) for w in (driver, driven)]
        pairs = ((driver.pitch_mm, driven.pitch_mm), (at_rim[0], at_rim[1]))
        slower, faster = sorted(pairs, key=lambda d: d[0] / d[1])
        return Speeds(
            driven_rpm=rpm,
            low_rpm=driven_speed(case.driver_rpm, *slower, slip + SLIP_PERCENT),
            high_rpm=driven_speed(case.driver_rpm, *faster, slip),
            loop_m_s=belt_speed(driver.pitch_mm, case.driver_rpm),
        )

    def check(self, case: VBeltCase, speeds: Speeds) -> None:
        """Refuse a sheave that is too small where belts are still to be chosen, and a rim that may burst."""
        if self._too_small(case, speeds):
            notice(
                "danger",
                "sheave-too-small",
                "The small sheave is smaller than its section can bend round: the belt cracks early.",
                f"input.{_sheave_field(small_and_large(case)[0])}.diameter",
                "A cogged belt, a smaller section or a larger sheave.",
            )

    def _too_small(self, case: VBeltCase, speeds: Speeds) -> bool:
        """What stands there is worked, whatever one thinks of it; a rim that may burst is not."""
        small = small_and_large(case)[0]
        try:
            check_section_limits(
                case.loop.belt.section, sheave_at(small), speeds.loop_m_s, _sheave_field(small), case.loop.basis.id
            )
        except InputError:
            if case.loop.count is None or speeds.loop_m_s > RIM_SPEED_LIMIT_M_S:
                raise
            return True
        return False

    def shape(self, case: VBeltCase) -> Shape:
        """The belts round the sheaves. Raises InputError where the belt is too short."""
        length = length_mm(case.loop.belt.length_in)
        two = case.route.plain
        if two is None:
            return shape_around(case, length, "belt.designation")
        small, large = two.small, two.large
        centre = centre_of_length(length, small.path_mm, large.path_mm, field="belt.designation")
        clear = (small.outside_mm + large.outside_mm) / 2
        if centre <= clear:
            raise InputError(
                "belt.designation",
                case.loop.belt.designation,
                "the belt is too short: the rims would touch",
                "longer than about {least}",
                least=(float(length) + 2 * (clear - centre), "length"),
            )
        centre = solved("a", centre, open_length, a=centre, d=small.path_mm, D=large.path_mm)
        with about(small.id):
            arc = open_small_arc(centre, small.path_mm, large.path_mm)
        with about(large.id):
            large_arc = open_large_arc(centre, small.path_mm, large.path_mm)
        return Shape(
            path=solve_route(case.route, length, "belt.designation"),
            length_mm=length,
            centre_mm=centre,
            span_mm=open_span(centre, small.path_mm, large.path_mm),
            small_arc_deg=arc,
            large_arc_deg=large_arc,
        )

    def rated(self, case: VBeltCase, design_kw: float, *, speeds: Speeds, shape: Shape) -> Rated[VBeltRated]:
        """One belt by its book and the number of them; what stands there may be without a rating."""
        small = small_and_large(case)[0]
        own: VBeltRated | None = None
        count, spare = case.loop.count, None
        with quiet():
            unrated = self._too_small(case, speeds)
        if not unrated:
            try:
                names = {"driver.sheave.diameter": f"{_sheave_field(small)}.diameter"}
                with fields_named(names), about(small.id):
                    one = rate_by(case, shape.small_arc_deg, case.loop.basis)
            except InputError as e:
                if case.loop.count is None or e.field == "belt.construction":
                    raise
                notice(
                    "caution",
                    "not-rated",
                    f"Not rated: {e.why}.",
                    f"input.{e.field}",
                    "Geometry, tension and loads stand; whether it carries the duty is for the belt's own sheet to say.",
                    **e.quantities,
                )
            else:
                own, count, spare = _held_against(case, one, design_kw)
        assert count is not None
        if count > MOST_BELTS:
            raise NoSolution(
                f"{count} belts would be needed; no sheave has so many grooves",
                "belt.designation",
                f"up to {MOST_BELTS} belts: a larger section or larger sheaves",
            )
        return Rated(count=count, own=own, power_kw=None if own is None else own.all_kw, spare_percent=spare)

    def level(
        self, case: VBeltCase, design_kw: float, *, speeds: Speeds, shape: Shape, rated: Rated[VBeltRated]
    ) -> Level[VBeltSet]:
        """The association's static tension, the forces that show it, and what statics says of the shafts."""
        of = case.loop.belt.section
        t = table({"metric": "metric_sections", "light": "light_sections"}.get(of.family, "sections"))
        k_c = looked_up("K_c", of.K_c, t.id, t.source_of())
        y = looked_up("Y", of.Y or 0.0, t.id, t.source_of("low"))
        sized = case.loop.count is None and rated.own is not None
        plan = plan_tension(
            k_c,
            y,
            power_kw=case.power_kw,
            design_kw=design_kw,
            belts=rated.own.belts_needed if sized and rated.own else rated.count,
            speed_m_s=speeds.loop_m_s,
            arc_deg=shape.small_arc_deg,
            span_mm=shape.span_mm,
            length_mm=shape.length_mm,
            tape_mark_mm=case.loop.tape_mark_mm,
        )
        return Level(
            static_n=rated.count * plan.static_n,
            centrifugal_n=rated.count * plan.centrifugal_n,
            standing_n=plan.shaft_load_standing_new_n,
            running_n=plan.shaft_load_running_n,
            own=VBeltSet(
                plan=plan,
                room=allowance(of, case.loop.belt.number, shape.length_mm),
                speed_ratio=ratio_of_speeds(case.driver_rpm, speeds.driven_rpm),
            ),
        )

    def grip(self, case: VBeltCase, wrap: Wrap) -> float:
        """The belt equation with a groove's effective friction; a flat pulley has no groove to wedge in."""
        stop = next(s for s in case.route.stops if s.wheel.id == wrap.wheel.id)
        if stop.side == "outside":
            return back_grip(wrap.arc_deg)
        ratio: float = tension_ratio_limit(FRICTION, wrap.arc_deg)
        return ratio

    def hold(self, worked: VBeltDrive) -> Hold:
        """The association's bands; a single belt shares a stretch over its whole length, for a sheave is free to turn."""
        plan, section, count = worked.own.plan, worked.case.loop.belt.section, worked.rated.count
        with quiet():
            stiffness = None if section.Y is None else stretch_stiffness(section.Y)
            grip = tension_ratio_limit(FRICTION, worked.shape.small_arc_deg)
        return Hold(
            belts=count,
            span_mm=worked.shape.span_mm,
            length_mm=worked.shape.length_mm,
            share_mm=worked.shape.length_mm if count == 1 else worked.shape.span_mm,
            mass_kg_m=plan.mass_kg_m,
            stiffness_n=stiffness,
            static_n=plan.static_n,
            bands=tuple(
                TensionBand(state=state, low_n=low.tension_n, high_n=high.tension_n)
                for state, (low, high) in (("run in", plan.run_in), ("new", plan.new))
            ),
            centrifugal_n=plan.centrifugal_n,
            arc_deg=worked.shape.small_arc_deg,
            grip_ratio=grip,
            speed_m_s=worked.speed_m_s,
            power_kw=worked.case.power_kw,
            design_kw=worked.design_kw,
            width_mm=section.top_width_mm,
            tape_mark_mm=worked.case.loop.tape_mark_mm or 1.0,
        )

    def beside(self, case: VBeltCase, said: WheelSaid, field: str) -> Wheel:
        """Grooved where the belt's inside runs on it, plain where its back does: the back lies about flush with the rim."""
        return wheel_beside(case.loop.belt.section, said, field)

    def carries_at(self, worked: VBeltDrive, at: LoadedWheel) -> float | None:
        """By the drive's book, on this wheel's own diameter, speed and arc, without the ratio's share; a back drives unrated."""
        case = worked.case
        if at.side == "outside" or worked.rated.own is None:
            return None
        one = rate_one_belt(
            case.loop.belt,
            at.wheel.pitch_mm,
            large_pitch_mm=at.wheel.pitch_mm,
            small_rpm=at.rpm,
            arc_deg=min(at.arc_deg, 180.0),
            asked=case.loop.basis,
        )
        rated = rated_as_link(case.loop.belt, one) if case.loop.link else one
        return float(rated.corrected_kw) * worked.rated.count

    def least_idlers(self) -> Mapping[Side, float]:
        """Grooved ones as large as the small sheave, those on the back a third larger. Source: handbooks (IP-3 practice)."""
        return {"inside": 1.0, "outside": 1.33}

    def advise_around(self, worked: VBeltDrive) -> None:
        """Backward bends ask for a belt made for them."""
        remark_bends(worked.case, worked.shape.path)

    def character(self, case: VBeltCase) -> str:
        """Tabs of a link belt, notches of a cogged one."""
        return "link" if case.loop.link else "cogged" if case.loop.belt.section.cogged else "plain"

    def thickness_mm(self, case: VBeltCase) -> float:
        """The section's depth."""
        return case.loop.belt.section.depth_mm

    def faces_mm(self, case: VBeltCase) -> tuple[float, float]:
        """The length's line lies near the back, as far from it as the rim of a groove does."""
        back = back_over_line_mm(case.loop.belt.section)
        return case.loop.belt.section.depth_mm - back, back

    def drawn(self, wheel: Wheel, rated: Rated[VBeltRated]) -> Wheel:
        """With a groove for every belt."""
        return replace(wheel, count=rated.count) if wheel.role in ("driver", "driven") else wheel

    def size(
        self, case: VBeltCase, rated: Rated[VBeltRated], *, shape: Shape, level: Level[VBeltSet]
    ) -> tuple[float, Weight]:
        """Face width of the sheaves, and what sheaves and belts weigh."""
        groove = groove_rows(case.loop.belt.section.groove)[0]
        with quiet():
            face = face_mm(groove.pitch_mm, groove.edge_mm, rated.count)
            wheels = sheaves_weight(
                case.route.driver.outside_mm,
                case.route.driven.outside_mm,
                face=face,
                belts=float(rated.count),
                depth_mm=groove.depth_mm,
                area_mm2=groove_area_mm2(groove),
                driven_flat=case.loop.v_flat,
            )
        return float(face), wheels.plus(rated.count * level.own.plan.mass_kg_m * shape.length_mm / 1000)

    def advise(self, worked: VBeltDrive) -> None:
        """Arc, belt speed and what is not known of the section."""
        arc, speed, of = worked.shape.small_arc_deg, worked.speed_m_s, worked.case.loop.belt.section
        if arc < 120:
            notice(
                "caution",
                "short-arc",
                "Arc on the small sheave is {arc}: under 120 degrees a belt loses grip quickly.",
                "belt.designation",
                "Lengthen the centre distance or lessen the ratio.",
                arc=(float(arc), "angle"),
            )
        if not USUAL_M_S[0] <= speed <= USUAL_M_S[1]:
            notice(
                "info",
                "belt-speed",
                "Belt speed {speed} is outside the usual {low} to {high}.",
                "driver.sheave",
                speed=(float(speed), "belt_speed"),
                low=(USUAL_M_S[0], "belt_speed"),
                high=(USUAL_M_S[1], "belt_speed"),
            )
        if of.Y is None:
            notice(
                "info",
                "no-stiffness",
                f"No bending stiffness of {of.shown} is known for the deflection method: it is left out, "
                "and the true force is a little higher. The span's frequency is not affected.",
                "belt.designation",
            )


V_BELT_METHOD = VBeltMethod()


def work_v_belt(case: VBeltCase) -> VBeltDrive:
    """Work a V-belt drive through. Raises InputError where a value cannot be or leaves a table, NoSolution where nothing is carried.

    Source: ANSI/RMA IP-20 and IP-22.
    """
    return V_BELT_METHOD.work(case)
