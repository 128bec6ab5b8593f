"""One V-belt drive, worked in the order of the method: geometry, rating, belts, tension, shaft loads."""

from __future__ import annotations

from dataclasses import dataclass, replace

from tuyere.core.duty.design import design_power
from tuyere.core.errors import InputError, NoSolution, fields_named
from tuyere.core.geometry.centre import centre_of_length
from tuyere.core.geometry.elevation import Elevation, two_wheel_elevation
from tuyere.core.geometry.formulas import open_large_arc, open_length, open_small_arc, open_span
from tuyere.core.notices import notice
from tuyere.core.sources import Source
from tuyere.core.speeds.formulas import (
    belt_speed,
    driven_speed,
    ratio_of_diameters,
    ratio_of_speeds,
    small_sheave_speed,
)
from tuyere.core.steps import looked_up, mark, quiet, solved
from tuyere.core.tables import table
from tuyere.core.tension.set_tension import TensionPlan, plan_tension
from tuyere.core.v_belt.bases.pick import DEFAULT, basis_for
from tuyere.core.v_belt.bases.protocol import Basis
from tuyere.core.v_belt.belts import Belt
from tuyere.core.v_belt.formulas import belts_needed, length_mm, link_power, spare_power, whole_belts
from tuyere.core.v_belt.groove_fit import EMERGENCY, belt_profile, standard_groove, work_fit
from tuyere.core.v_belt.sections import Section, groove_rows, least_diameter_mm
from tuyere.core.v_belt.sheaves import Sheave, rim_pitch_mm
from tuyere.core.v_belt.tables import RIM_SPEED_LIMIT_M_S, Allowance, allowance
from tuyere.core.v_belt.v_flat import flat_arc_factor, judge_ratio
from tuyere.core.v_belt.weight import face_mm, groove_area_mm2, sheaves_weight
from tuyere.core.wheels.mass import Weight

MOST_BELTS = 30
SLIP_PERCENT = 2.0  # a belt that is kept up slips no more (common practice)
LINK_SECTIONS = ("A", "B", "C")
LINK_SHARE = 0.9
LINK_SOURCE = Source(
    title="practice with link belts, 0.9 to 1.0 of the plain belt", origin="common practice", confidence="low"
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Given:
    """A V-belt drive as it stands or is meant. kW, rpm, mm; ``count`` None sizes the number of belts."""

    power_kw: float
    service_factor: float
    driver_rpm: float
    driver: Sheave
    driven: Sheave
    belt: Belt
    count: int | None = None
    slip_percent: float = 0.0
    basis: Basis = DEFAULT
    angle_deg: float = 0.0
    clockwise: bool = True
    tape_mark_mm: float | None = None
    link: bool = False
    v_flat: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class BeltRating:
    """Power of one belt in kW: basic, added for the ratio, corrected for arc and length; and the book it is from."""

    basic_kw: float
    added_kw: float
    arc_factor: float
    length_factor: float
    corrected_kw: float
    basis: str
    basis_title: str
    basis_source: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Rating:
    """A worked V-belt drive. mm, rpm, m/s, kW, N, degrees.

    A drive that stands with its belts counted is worked without a rating where no book has one: geometry and statics
    do not need it. Then ``one_belt`` and what follows from it are None.
    """

    design_kw: float
    ratio: float
    driven_rpm: float
    driven_rpm_low: float
    driven_rpm_high: float
    belt_speed_m_s: float
    length_mm: float
    centre_mm: float
    span_mm: float
    small_arc_deg: float
    large_arc_deg: float
    one_belt: BeltRating | None
    belts_exact: float | None
    belts_needed: int | None
    belts: int
    spare_percent: float | None
    tension: TensionPlan
    room: Allowance | None
    elevation: Elevation
    face_mm: float
    weight: Weight


def small_and_large(driver: Sheave, driven: Sheave) -> tuple[Sheave, Sheave]:
    """By size, not by role."""
    return (driver, driven) if driver.line_mm <= driven.line_mm else (driven, driver)


def check_section_limits(belt: Section, small: Sheave, speed_m_s: float, field: str, book: str = "") -> None:
    """Refuse a sheave under the section's least diameter and a rim faster than cast iron stands."""
    size = small.pitch_mm if belt.min_kind == "pitch" else small.line_mm
    least = least_diameter_mm(belt, book)
    if size < least * (1 - 1e-9):
        other = "a cogged belt, a smaller section or a larger sheave would make it possible"
        raise InputError(
            f"{field}.diameter",
            size,
            f"smaller than section {belt.shown} can bend round; {other}",
            "{least} " + f"{belt.min_kind} diameter or more",
            least=(least, "length"),
        )
    if speed_m_s > RIM_SPEED_LIMIT_M_S:
        raise InputError(
            f"{field}.diameter",
            size,
            "belt speed {speed} is over the limit of cast-iron sheaves",
            "{most} at most",
            speed=(speed_m_s, "belt_speed"),
            most=(RIM_SPEED_LIMIT_M_S, "belt_speed"),
        )
    if belt.min_confidence == "low":
        stands = "the smallest standard sheave of its groove ({least}) stands in." if least else "none is checked."
        notice(
            "info",
            "least-diameter-assumed",
            f"No published least diameter of {belt.shown} is on hand; " + stands,
            "belt.designation",
            least=(least, "length"),
        )


def rate_one_belt(
    belt: Belt,
    small_pitch_mm: float,
    *,
    large_pitch_mm: float,
    small_rpm: float,
    arc_deg: float,
    asked: Basis = DEFAULT,
    v_flat: bool = False,
) -> BeltRating:
    """Power of one belt on a drive, by a rating basis; ``v_flat`` on a flat driven pulley. Raises InputError outside its tables."""
    basis = basis_for(asked, belt.section)
    ratio = mark("ratio", ratio_of_diameters(large_pitch_mm, small_pitch_mm))
    k_theta = mark("arc_factor", flat_arc_factor(arc_deg) if v_flat else basis.arc_factor(arc_deg))
    k_l = mark("length_factor", basis.length_factor(belt))
    p = basis.powers(belt.section, small_pitch_mm, ratio=ratio, rpm=small_rpm, K_theta=k_theta, K_L=k_l)
    if p.belt_kw <= 0:
        raise NoSolution(
            "at this speed the belt carries nothing: all its strength goes into its own weight and bending",
            "driver.speed",
            "a larger sheave or a lower speed",
        )
    return BeltRating(
        basic_kw=float(p.basic_kw),
        added_kw=float(p.added_kw),
        arc_factor=float(k_theta),
        length_factor=float(k_l),
        corrected_kw=float(p.belt_kw),
        basis=basis.id,
        basis_title=basis.title,
        basis_source=basis.source,
    )


def rated_as_link(belt: Belt, one: BeltRating) -> BeltRating:
    """A link belt of the section in place of the plain belt. Raises InputError on narrow, cogged and large sections.

    Source: common practice, 0.9 to 1.0 of the plain belt; the low end is taken.
    """
    if belt.section.name not in LINK_SECTIONS:
        raise InputError(
            "belt.construction",
            "link",
            f"no link belt is known to run in place of {belt.section.name}",
            " ".join(LINK_SECTIONS),
        )
    share = looked_up("K_link", LINK_SHARE, "", LINK_SOURCE)
    notice(
        "caution",
        "link-belt",
        "A link belt counts as 0.9 of the plain belt (common practice, low confidence): tabs trailing, retension after 24 h, "
        "never beside an endless belt, not as a clutch.",
        "belt.construction",
        "Its own sheet comes first.",
    )
    kw = mark("belt_power", link_power(one.corrected_kw, share))
    return replace(one, corrected_kw=float(kw))


def rate_by(given: Given, small_arc_deg: float, book: Basis) -> BeltRating:
    """One belt of a drive by a rating book: on its sheaves, its flat pulley, or as the link belt it is.

    ``given`` is seated. Raises InputError outside the book's tables, NoSolution where nothing is carried.
    """
    small, large = small_and_large(given.driver, given.driven)
    rpm = float(small_sheave_speed(given.driver_rpm, given.driver.pitch_mm, small.pitch_mm))
    one = rate_one_belt(
        given.belt,
        small.pitch_mm,
        large_pitch_mm=large.pitch_mm,
        small_rpm=rpm,
        arc_deg=small_arc_deg,
        asked=book,
        v_flat=given.v_flat,
    )
    return rated_as_link(given.belt, one) if given.link else one


def emergency(given: Given) -> bool:
    """A narrower belt stands in a wider groove, as it may for a day only."""
    return any((given.belt.section.name, w.groove) in EMERGENCY for w in (given.driver, given.driven))


def seated(given: Given) -> Given:
    """The drive with the diameters the belt really runs on: an A belt in B grooves rides low. Others are left alone.

    Source: plane geometry; that it may stand for a while only: common practice.
    """
    if not emergency(given):
        return given
    belt_made = belt_profile(given.belt.section.name)
    wheels = []
    for wheel in (given.driver, given.driven):
        if (given.belt.section.name, wheel.groove) not in EMERGENCY:
            wheels.append(wheel)
            continue
        fit = work_fit(
            belt_made,
            standard_groove(wheel.groove, wheel.outside_mm),
            outside_mm=wheel.outside_mm,
            belt_worn_mm=0.0,
            groove_dish_mm=0.0,
            opened_mm=0.0,
        )
        assert fit.pitch_mm is not None
        wheels.append(Sheave(given.belt.section.groove, fit.pitch_mm, fit.pitch_mm, wheel.outside_mm))
    return replace(given, driver=wheels[0], driven=wheels[1])


def _held_against(given: Given, one: BeltRating, design_kw: float) -> tuple[float, int, float]:
    """(belts needed exactly, whole belts, percent to spare) of a rated belt; says where the belts are too few."""
    exact = mark("belts_exact", belts_needed(design_kw, one.corrected_kw))
    needed = int(mark("belts_needed", whole_belts(exact)))
    count = given.count or needed
    spare = mark("spare", spare_power(one.corrected_kw, count, design_kw))
    if count < needed:
        carried = one.corrected_kw * count
        notice(
            "danger" if carried < given.power_kw else "caution",
            "too-few-belts",
            "Carries {carried}, needs {wanted} with the service factor. {needed} belts would do.",
            "belt.count",
            "Add belts, or take a larger section or larger sheaves.",
            carried=(carried, "power"),
            wanted=(design_kw, "power"),
            needed=(float(needed), "count"),
        )
    return float(exact), needed, float(spare)


def rate(given: Given) -> Rating:
    """Work a V-belt drive through. The order of the lines is the order of the method.

    Raises InputError where a value cannot be or leaves a table, NoSolution where nothing is carried.
    Source: ANSI/RMA IP-20 and IP-22.
    """
    given = seated(given)
    for role, wheel in (("driver", given.driver), ("driven", given.driven)):
        if wheel.groove != given.belt.section.groove:
            raise InputError(
                f"{role}.sheave.groove",
                wheel.groove,
                f"a {given.belt.section.shown} belt runs in {given.belt.section.groove} grooves",
                given.belt.section.groove,
            )
    if given.v_flat:
        judge_ratio(given.driven.pitch_mm / given.driver.pitch_mm)
    design = mark("design_power", design_power(given.power_kw, given.service_factor))
    small, large = small_and_large(given.driver, given.driven)
    small_field = "driver.sheave" if small is given.driver else "driven.sheave"

    driven_rpm = mark(
        "driven_speed", driven_speed(given.driver_rpm, given.driver.pitch_mm, given.driven.pitch_mm, given.slip_percent)
    )
    # Belt slip up to 2 %, and the pitch line of the 1988 table at the rim: the speed lies within both.
    at_rim = [rim_pitch_mm(w) for w in (given.driver, given.driven)]
    pairs = ((given.driver.pitch_mm, given.driven.pitch_mm), (at_rim[0], at_rim[1]))
    slower, faster = sorted(pairs, key=lambda d: d[0] / d[1])
    low_rpm = mark("driven_speed_low", driven_speed(given.driver_rpm, *slower, given.slip_percent + SLIP_PERCENT))
    high_rpm = mark("driven_speed_high", driven_speed(given.driver_rpm, *faster, given.slip_percent))
    mark("speed_ratio", ratio_of_speeds(given.driver_rpm, driven_rpm))
    speed = mark("belt_speed", belt_speed(given.driver.pitch_mm, given.driver_rpm))
    unrated = ""
    try:
        check_section_limits(given.belt.section, small, float(speed), small_field, given.basis.id)
    except InputError as e:
        # What stands there is worked, whatever one thinks of it; a rim that may burst is not.
        if given.count is None or speed > RIM_SPEED_LIMIT_M_S:
            raise
        unrated = "The small sheave is smaller than its section can bend round: the belt cracks early."
        notice(
            "danger",
            "sheave-too-small",
            unrated,
            f"input.{e.field}",
            "A cogged belt, a smaller section or a larger sheave.",
        )

    length = mark("belt_length", length_mm(given.belt.length_in))
    centre = centre_of_length(float(length), small.line_mm, large.line_mm, field="belt.designation")
    clear = (small.outside_mm + large.outside_mm) / 2
    if centre <= clear:
        raise InputError(
            "belt.designation",
            given.belt.designation,
            "the belt is too short: the rims would touch",
            "longer than about {least}",
            least=(float(length) + 2 * (clear - centre), "length"),
        )
    mark("centre_distance", solved("a", centre, open_length, a=centre, d=small.line_mm, D=large.line_mm))
    arc = mark("small_arc", open_small_arc(centre, small.line_mm, large.line_mm))
    large_arc = mark("large_arc", open_large_arc(centre, small.line_mm, large.line_mm))
    span = mark("span", open_span(centre, small.line_mm, large.line_mm))

    one: BeltRating | None = None
    if not unrated:
        try:
            with fields_named({"driver.sheave.diameter": f"{small_field}.diameter"}):
                one = rate_by(given, float(arc), given.basis)
        except InputError as e:
            if given.count is None or e.field == "belt.construction":
                raise
            unrated = f"Not rated: {e.why}."
            notice(
                "caution",
                "not-rated",
                unrated,
                f"input.{e.field}",
                "Geometry, tension and loads stand; whether it carries the duty is for the belt's own sheet to say.",
                **e.quantities,
            )
    exact, needed, spare = (None, None, None) if one is None else _held_against(given, one, float(design))
    count = given.count or needed
    assert count is not None
    if count > MOST_BELTS:
        raise NoSolution(
            f"{count} belts would be needed; no sheave has so many grooves",
            "belt.designation",
            f"up to {MOST_BELTS} belts: a larger section or larger sheaves",
        )
    if arc < 120:
        notice(
            "caution",
            "short-arc",
            "Arc on the small sheave is {arc}: under 120 degrees a belt loses grip quickly.",
            "belt.designation",
            "Lengthen the centre distance or lessen the ratio.",
            arc=(float(arc), "angle"),
        )
    if not 5.08 <= speed <= 25.4:
        notice(
            "info",
            "belt-speed",
            "Belt speed {speed} is outside the usual {low} to {high}.",
            "driver.sheave",
            speed=(float(speed), "belt_speed"),
            low=(5.08, "belt_speed"),
            high=(25.4, "belt_speed"),
        )

    of = given.belt.section
    t = table({"metric": "metric_sections", "light": "light_sections"}.get(of.family, "sections"))
    k_c = looked_up("K_c", of.K_c, t.id, t.source_of())
    if of.Y is None:
        notice(
            "info",
            "no-stiffness",
            f"No bending stiffness of {of.shown} is known for the deflection method: it is left out, "
            "and the true force is a little higher. The span's frequency is not affected.",
            "belt.designation",
        )
    y = looked_up("Y", of.Y or 0.0, t.id, t.source_of("low"))
    plan = plan_tension(
        k_c,
        y,
        power_kw=given.power_kw,
        design_kw=float(design),
        belts=count,
        speed_m_s=float(speed),
        arc_deg=float(arc),
        span_mm=float(span),
        length_mm=float(length),
        tape_mark_mm=given.tape_mark_mm,
    )
    room = allowance(of, given.belt.number, float(length))
    groove = groove_rows(of.groove)[0]
    face = float(face_mm(groove.pitch_mm, groove.edge_mm, count))
    with quiet():
        wheels = sheaves_weight(
            given.driver.outside_mm,
            given.driven.outside_mm,
            face=face,
            belts=float(count),
            depth_mm=groove.depth_mm,
            area_mm2=groove_area_mm2(groove),
            driven_flat=given.v_flat,
        )
    drawing = two_wheel_elevation(
        "v-belt",
        given.belt.section.groove,
        counts=(count, count),
        thickness_mm=of.depth_mm,
        centre_mm=centre,
        driver_path_mm=given.driver.line_mm,
        driver_outside_mm=given.driver.outside_mm,
        driven_path_mm=given.driven.line_mm,
        driven_outside_mm=given.driven.outside_mm,
        angle_deg=given.angle_deg,
        clockwise=given.clockwise,
    )
    return Rating(
        design_kw=float(design),
        ratio=float(given.driver_rpm / driven_rpm),
        driven_rpm=float(driven_rpm),
        driven_rpm_low=float(low_rpm),
        driven_rpm_high=float(high_rpm),
        belt_speed_m_s=float(speed),
        length_mm=float(length),
        centre_mm=centre,
        span_mm=float(span),
        small_arc_deg=float(arc),
        large_arc_deg=float(large_arc),
        one_belt=one,
        belts_exact=exact,
        belts_needed=needed,
        belts=count,
        spare_percent=spare,
        tension=plan,
        room=room,
        elevation=drawing,
        face_mm=face,
        weight=wheels.plus(count * plan.mass_kg_m * float(length) / 1000),
    )
