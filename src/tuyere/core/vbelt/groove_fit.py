"""One belt in one groove: where it rides, whether it touches the bottom, and the diameter it runs on.

The same model serves a right belt, a wrong one, a worn belt, a dished groove and an adjustable sheave
that has been opened: only the two widths differ.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import radians, tan

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.steps import looked_up, mark, quiet
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN
from tuyere.core.vbelt.formulas import belt_gap, opened_diameter, ridden_diameter, seat_depth
from tuyere.core.vbelt.sections import groove_at, groove_rows

# Standing or sinking more than this is a wrong or worn fit: common practice, 1/16 in.
PLAY_MM = MM_PER_IN / 16
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


@dataclass(frozen=True, slots=True)
class BeltProfile:
    """A new belt: top width and depth in mm, and the inch groove it is made for."""

    section: str
    family: str
    construction: str
    width_mm: float
    depth_mm: float
    groove: str


@dataclass(frozen=True, slots=True)
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
    return BeltProfile(section, family, construction, width, depth, groove)


def standard_groove(section: str, outside_mm: float, field: str = "groove") -> Groove:
    """The standard groove of a sheave of that outside diameter. Raises InputError for an unknown section."""
    rows = groove_rows(section)
    if not rows:
        raise InputError(
            field, section, "no standard groove in the table", "a belt section's name, or measure the groove"
        )
    row = groove_at(section, outside_mm - rows[0].to_outside_mm)
    assert row is not None
    return Groove(section, row.top_width_mm, row.depth_mm, row.angle_deg)


def _under_rim(groove: str) -> float | None:
    """How far a groove's pitch diameter is under its outside diameter, mm; None for an unknown groove."""
    rows = groove_rows(groove)
    return rows[0].to_outside_mm + rows[0].to_pitch_mm if rows else None


def _pitch_under_top(of: BeltProfile, outside_mm: float) -> float | None:
    """How far under a belt's top its pitch line runs, from its own standard groove; None without one."""
    under = _under_rim(of.groove)
    if under is None:
        return None
    own = standard_groove(of.groove, outside_mm)
    with quiet():
        return under / 2 - float(seat_depth(own.width_mm, of.width_mm, own.angle_deg))


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


def _judge(of: BeltProfile, groove: Groove, top: float, bottoms: bool, dish: float, worn: float) -> tuple[str, str]:
    if (of.section, groove.section) in EMERGENCY:
        return (
            "emergency",
            "A narrower belt in a wider groove gets you home: it rides low, changes the ratio and carries less. Temporary, with a date.",
        )
    if groove.section and of.groove and of.groove != groove.section and {of.groove, groove.section} not in ALIKE:
        narrow = {_wedge(of.groove), _wedge(groove.section)}
        if len(narrow) == 2:
            return "refused", "Classical and narrow belts never share a sheave: angle, depth and cord line differ."
        if top < -PLAY_MM:
            return (
                "refused",
                "Too wide for the groove: it rides on its edges, stands out and dies. Never, not even for a day.",
            )
        return "refused", "Not the belt of this groove."
    if bottoms:
        return (
            "refused",
            "It touches the bottom: no wedging, it slips and burns. Belt or groove is worn out, or the section is wrong.",
        )
    if dish > DISHED_MM:
        return "worn", "The groove is dished more than 1/32 in a side: a new belt in it dies early. Replace the sheave."
    if top > PLAY_MM:
        return (
            "worn" if worn > 0 or not groove.section else "refused",
            "It sits over 1/16 in under the rim: belt or groove worn, or the wrong section.",
        )
    if top < -PLAY_MM - (MM_PER_IN / 32 if of.family == "narrow" else 0.0):
        return "refused", "It stands out of the groove: too wide for it."
    return "right", "It sits where it should, driving on its flanks."


def work_fit(
    of: BeltProfile,
    groove: Groove,
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
    t = table("belt_profiles")
    width = looked_up("W_t", of.width_mm - 2 * belt_worn_mm, t.id, t.source_of())
    wide = groove.width_mm + 2 * groove_dish_mm + opened_mm
    seated = float(mark("top", seat_depth(wide, width, groove.angle_deg)))
    gap = float(mark("gap", belt_gap(groove.depth_mm, seated, of.depth_mm)))
    bottoms = gap < 0
    top = min(seated, groove.depth_mm - of.depth_mm) if bottoms else seated
    share = min(1.0, max(0.0, (of.depth_mm + min(top, 0.0)) / of.depth_mm))
    pitch = proper = None
    if outside_mm is not None:
        under = _pitch_under_top(of, outside_mm)
        if under is not None:
            pitch = float(mark("pitch", ridden_diameter(outside_mm, top, under)))
        if (rim := _under_rim(groove.section)) is not None:
            proper = outside_mm - rim
    worn_belt = BeltProfile(of.section, of.family, of.construction, float(width), of.depth_mm, of.groove)
    verdict, reason = _judge(worn_belt, groove, top, bottoms, groove_dish_mm, belt_worn_mm)
    if verdict != "right":
        notice("danger" if verdict == "refused" else "caution", "fit-" + verdict, reason, "input.belt")
    if {of.groove, groove.section} in ALIKE and of.groove != groove.section:
        notice("info", "light-duty", "Light-duty and industrial belts of this width share sheaves on small machines: the ride is judged "
               "here, the duty is not.", "input.belt")  # fmt: skip
    groove_points, belt_points = _points(groove, wide, worn_belt, top)
    return Fit(top, gap, bottoms, share, pitch, proper, verdict, reason, groove_points, belt_points)


def opened_pitch_change(thread_pitch_mm: float, turns: float, angle_deg: float) -> float:
    """What opening an adjustable sheave takes off its pitch diameter, mm. Source: geometry of the two flanks."""
    return float(mark("diameter_change", opened_diameter(thread_pitch_mm, turns, angle_deg)))
