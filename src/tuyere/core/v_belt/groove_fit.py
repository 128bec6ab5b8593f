"""One belt in one groove: where it rides, whether it touches the bottom, and the diameter it runs on.

The same model serves a right belt, a wrong one, a worn belt, a dished groove and an adjustable sheave
that has been opened: only the two widths differ.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from math import radians, tan

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.steps import looked_up, quiet
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN
from tuyere.core.v_belt.formulas import belt_gap, opened_diameter, ridden_diameter, seat_depth
from tuyere.core.v_belt.rules import rule
from tuyere.core.v_belt.sections import belt_groove, groove_of_outside

# Standing or sinking more than this is a wrong or worn fit: common practice, 1/16 in.
PLAY_MM = MM_PER_IN / 16
USUAL_MM = 8 * MM_PER_IN  # a sheave of this size stands in where none is given
DISHED_MM = MM_PER_IN / 32
BELT_ANGLE = 40.0
EMERGENCY = {("A", "B"), ("AX", "B")}
# Light-duty and industrial belts of one width share sheaves on small machines: only the ride is judged.
ALIKE = ({"A", "4L"}, {"B", "5L"})


@dataclass(frozen=True, slots=True)
class Groove:
    """A groove: width at the rim and depth in mm, angle in degrees, section it is made for ("" for a measured one)."""

    section: str
    width_mm: float
    depth_mm: float
    angle_deg: float


@dataclass(frozen=True, slots=True, kw_only=True)
class BeltProfile:
    """A new belt: top width and depth in mm, and the inch groove it is made for."""

    section: str
    family: str
    construction: str
    width_mm: float
    depth_mm: float
    groove: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Fit:
    """How it sits. mm; ``top_mm`` is the belt's top under the rim, negative when it stands out.

    ``pitch_mm`` is None where the belt's pitch line is not known; ``proper_mm`` is the right belt's diameter
    in a sound groove of that section.
    """

    top_mm: float
    gap_mm: float
    bottoms: bool
    contact_share: float
    pitch_mm: float | None
    proper_mm: float | None
    verdict: str
    reason: str
    instead: str
    groove_points: tuple[tuple[float, float], ...]
    belt_points: tuple[tuple[float, float], ...]


def belt_profile(name: str, field: str = "belt") -> BeltProfile:
    """A belt by its section; metric cogged belts by either name. Raises InputError naming ``field``."""
    key = name.strip().upper().replace(" COGGED", "")
    if name.strip().upper().endswith("COGGED") and key.startswith("SP"):
        key = "X" + key[1:]
    rows = table("belt_profiles").select(section=key)
    if not rows:
        raise InputError(
            field,
            name,
            "not a belt section in the table",
            " ".join(str(x) for x in table("belt_profiles").column("section")),
        )
    section, family, construction, width, depth, groove = rows[0][:6]
    return BeltProfile(
        section=section, family=family, construction=construction, width_mm=width, depth_mm=depth, groove=groove
    )


def standard_groove(section: str, outside_mm: float, field: str = "groove") -> Groove:
    """The standard groove of a sheave of that outside diameter. Raises InputError for an unknown section."""
    row = groove_of_outside(section, outside_mm)
    if row is None:
        raise InputError(
            field, section, "no standard groove in the table", "a belt section's name, or measure the groove"
        )
    return Groove(section, row.top_width_mm, row.depth_mm, row.angle_deg)


def _under_rim(groove: str, outside_mm: float) -> float | None:
    """How far a groove's pitch diameter is under its outside diameter, mm; None for an unknown groove."""
    row = groove_of_outside(groove, outside_mm)
    return None if row is None else row.to_outside_mm + row.to_pitch_mm


def pitch_under_top(of: BeltProfile, outside_mm: float) -> float | None:
    """How far under a belt's top its pitch line runs, from its own standard groove; None without one."""
    under = _under_rim(of.groove, outside_mm)
    if under is None:
        return None
    own = standard_groove(of.groove, outside_mm)
    with quiet():
        return under / 2 - seat_depth(own.width_mm, of.width_mm, own.angle_deg)


def _points(
    groove: Groove, width: float, of: BeltProfile, top: float
) -> tuple[tuple[tuple[float, float], ...], tuple[tuple[float, float], ...]]:
    """Outlines of groove and belt, mm, y down from the rim, symmetric about x = 0."""
    half = width / 2
    low = max(half - groove.depth_mm * tan(radians(groove.angle_deg / 2)), 0.0)
    sides = (
        (-half - 6, 0.0),
        (-half, 0.0),
        (-low, groove.depth_mm),
        (low, groove.depth_mm),
        (half, 0.0),
        (half + 6, 0.0),
    )
    foot = of.width_mm / 2 - of.depth_mm * tan(radians(BELT_ANGLE / 2))
    belt = ((-of.width_mm / 2, top), (of.width_mm / 2, top), (foot, top + of.depth_mm), (-foot, top + of.depth_mm))
    return sides, belt


def _wedge(groove: str) -> bool:
    """A groove of narrow (wedge) belts."""
    return groove.endswith("V") or groove.startswith("SP")


def _for_belt(section: str, of: BeltProfile) -> str:
    """A combination groove is one groove with a diameter for each of its two belts."""
    return f"{of.groove} in A/B" if section.endswith(" in A/B") and of.groove in ("A", "B") else section


BOTTOMS = (
    "refused",
    "It touches the bottom: no wedging, it slips and burns. Belt or groove is worn out, or the section is wrong.",
    "A new belt, a new sheave, or the right section.",
)
DISHED = (
    "worn",
    "The groove is dished more than 1/32 in a side: a new belt in it dies early.",
    "A new sheave; a worn belt in it can run until then.",
)
OPENED_TOO_FAR = (
    "refused",
    "Opened so far it touches the bottom: no wedging there.",
    "Close the sheave by a turn or more, or use another fixed sheave.",
)
DEEP = "It sits over 1/16 in deeper than it should: belt or groove worn, or the wrong section."
PROUD = (
    "refused",
    "It stands out of the groove: too wide for it.",
    "The belt of this groove, or a sheave of this belt.",
)


def _by_rule(key: str, verdict: str) -> tuple[str, str, str]:
    r = rule(key)
    return verdict, f"{r.words} {r.why}", r.instead


def _judge(
    of: BeltProfile, groove: Groove, *, off: float, bottoms: bool, dish: float, worn: float
) -> tuple[str, str, str]:
    """Verdict, reason, and what would make it possible; ``off`` is how far the belt sits under where it should, mm."""
    base = belt_groove(groove.section)
    if (of.section, groove.section) in EMERGENCY:
        return _by_rule("a-in-b", "emergency")
    if groove.section and of.groove and of.groove != base and {of.groove, base} not in ALIKE:
        if _wedge(of.groove) != _wedge(base):
            return _by_rule("classical-wedge", "refused")
        return _by_rule("b-in-a" if off < -PLAY_MM else "narrow-in-wide", "refused")
    if bottoms:
        return BOTTOMS
    if dish > DISHED_MM:
        return DISHED
    if off > PLAY_MM:
        return (
            "worn" if worn > 0 or not groove.section else "refused",
            DEEP,
            "A new belt first; if it still sits deep, a new sheave." if worn > 0 else "The belt of this groove.",
        )
    if off < -PLAY_MM - (MM_PER_IN / 32 if of.family == "narrow" and not groove.section else 0.0):
        return PROUD
    if groove.section.endswith(" in A/B"):
        return _by_rule("a-in-ab", "right")
    return "right", "It sits where it should, driving on its flanks.", ""


def work_fit(
    of: BeltProfile,
    groove: Groove,
    *,
    outside_mm: float | None,
    belt_worn_mm: float,
    groove_dish_mm: float,
    opened_mm: float,
) -> Fit:
    """Seat a belt in a groove. Wear and dish are per side, mm; ``opened_mm`` widens an adjustable sheave's groove.

    Raises InputError where the wear leaves no belt. Source: plane geometry of a trapezoid in a groove.
    """
    if 2 * belt_worn_mm >= of.width_mm / 2:
        raise InputError(
            "belt_wear", belt_worn_mm, "that much wear leaves no belt", f"under {of.width_mm / 4:.1f} mm a side"
        )
    groove = replace(groove, section=_for_belt(groove.section, of))
    t = table("belt_profiles")
    width = looked_up("W_t", of.width_mm - 2 * belt_worn_mm, t.id, t.source_of())
    wide = groove.width_mm + 2 * groove_dish_mm + opened_mm
    seated = seat_depth(wide, width, groove.angle_deg)
    gap = belt_gap(groove.depth_mm, seated, of.depth_mm)
    # A sheave made to be opened is deeper than the standard groove: how deep is its own, so only a measured one is judged.
    bottoms = gap < 0 and not (opened_mm > 0 and groove.section)
    top = min(seated, groove.depth_mm - of.depth_mm) if bottoms else seated
    share = min(1.0, max(0.0, (of.depth_mm + min(top, 0.0)) / of.depth_mm))
    pitch = proper = None
    should = 0.0
    size = USUAL_MM if outside_mm is None else outside_mm
    rim, under = _under_rim(groove.section, size), pitch_under_top(of, size)
    if rim is not None and under is not None and belt_groove(groove.section) == of.groove:
        should = rim / 2 - under
    if outside_mm is not None:
        if under is not None:
            pitch = ridden_diameter(outside_mm, top, under)
        if rim is not None:
            proper = outside_mm - rim
    worn_belt = BeltProfile(
        section=of.section,
        family=of.family,
        construction=of.construction,
        width_mm=width,
        depth_mm=of.depth_mm,
        groove=of.groove,
    )
    # An opened sheave lets its belt down on purpose: that depth is no wear.
    lowered = (wide - groove.width_mm - 2 * groove_dish_mm) / 2 / tan(radians(groove.angle_deg / 2))
    verdict, reason, instead = _judge(
        worn_belt, groove, off=top - should - lowered, bottoms=bottoms, dish=groove_dish_mm, worn=belt_worn_mm
    )
    if opened_mm > 0 and bottoms and groove_dish_mm == 0 and belt_worn_mm == 0:
        verdict, reason, instead = OPENED_TOO_FAR
    elif opened_mm > 0 and verdict == "right":
        reason = "It drives on its flanks, lower by what the sheave is opened."
    if verdict != "right":
        notice("danger" if verdict == "refused" else "caution", "fit-" + verdict, reason, "input.belt", instead)
    if {of.groove, groove.section} in ALIKE and of.groove != groove.section:
        notice(
            "info",
            "light-duty",
            "Light-duty and industrial belts of this width share sheaves on small machines: the ride is judged "
            "here, the duty is not.",
            "input.belt",
        )
    groove_points, belt_points = _points(groove, wide, worn_belt, top)
    return Fit(
        top_mm=top,
        gap_mm=gap,
        bottoms=bottoms,
        contact_share=share,
        pitch_mm=pitch,
        proper_mm=proper,
        verdict=verdict,
        reason=reason,
        instead=instead,
        groove_points=groove_points,
        belt_points=belt_points,
    )


def opened_pitch_change(thread_pitch_mm: float, turns: float, angle_deg: float) -> float:
    """What opening an adjustable sheave takes off its pitch diameter, mm. Source: geometry of the two flanks."""
    return opened_diameter(thread_pitch_mm, turns, angle_deg)
