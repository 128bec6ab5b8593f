"""`alignment`: how two wheels stand to each other, and what to move."""

from math import radians, tan
from typing import Literal

from pydantic import Field

from tuyere.calc.alignment_words import (
    MoveOut,
    offset_move_out,
    shim_move_out,
    swing_move_out,
)
from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Angle, Gap, Length, Size, maybe, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.alignment.corrections import Feet, corrections_of
from tuyere.core.alignment.formulas import slope_of_angle, walk_direction
from tuyere.core.alignment.limits import limits_of
from tuyere.core.alignment.pose import Fault, Observed, Pose, across, level_difference, on_moving, on_staying, pose_of
from tuyere.core.alignment.shims import usual_box
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.tables import table

GROUP = "Alignment and tension"
LoopKind = Literal[
    "v", "v-light", "v-joined", "v-ribbed", "v-link", "sync", "flat-belt", "round", "chain", "chain-dogged"
]
Tool = Literal["feeler", "tape", "string", "face laser", "groove laser", "dial"]
POINTS = ("near", "far", "top", "bottom")
MOST_DEG = 10.0
LEVEL_ERROR_DEG = 0.1  # a graduated level, millwright practice


class GapsIn(Input):
    """Gaps at points of a wheel's face; positive where the face lies behind the line, toward its own machine."""

    diameter: Size = Field(description="circle on which the gaps are read")
    near: Gap | None = Field(default=None, description="at the edge near the other wheel")
    far: Gap | None = Field(default=None, description="at the edge far from the other wheel")
    top: Gap | None = Field(default=None, description="at the top")
    bottom: Gap | None = Field(default=None, description="at the bottom")


class LevelsIn(Input):
    """A level against both faces; positive leans the top edge toward the machine."""

    staying: Angle = Field(description="lean of the wheel that stays")
    moving: Angle = Field(description="lean of the wheel that moves")


class FeetIn(Input):
    """Feet of the machine that moves."""

    inboard: Length = Field(description="middle of the wheel to the inboard feet, along the shaft")
    spacing: Length = Field(description="inboard to outboard feet, along the shaft")
    height: Length = Field(description="shaft above the soles of the feet")
    jack_pitch: Size | None = Field(default=None, description="one turn of its jack bolts moves it by")


class AlignmentIn(Input):
    """Readings of the line of two wheels, by any means; the machine that stays carries the reference."""

    kind: LoopKind = Field(default="v", description="kind of loop")
    centre: Length = Field(description="centre distance")
    tool: Tool = Field(default="feeler", description="what it is read with")
    moving: GapsIn | None = Field(default=None, description="gaps at the wheel that moves, edge or laser on the other")
    staying: GapsIn | None = Field(
        default=None,
        description="gaps at the wheel that stays: a line that touches nothing, or a laser carried by the one that moves",
    )
    carried_back: bool = Field(
        default=False, description="the gaps at the wheel that stays are from a laser on the one that moves"
    )
    levels: LevelsIn | None = Field(default=None, description="a level on both faces")
    rim_staying: Gap | None = Field(default=None, description="face to groove of the wheel that stays")
    rim_moving: Gap | None = Field(default=None, description="face to groove of the wheel that moves")
    feet: FeetIn | None = Field(default=None, description="feet of the machine that moves")
    shims: list[Size] = Field(default=[], max_length=24, description="thicknesses in the box; a usual box without them")


class FaultOut(Answer):
    """One fault: what it is, how sure, what is allowed, and in words."""

    name: str
    found: Figure
    error: Figure
    limit: Figure
    slope: Figure | None
    within: bool
    says: str


class AlignmentOut(Answer):
    """How the wheels stand, whether that will do, and what to move first."""

    says: str
    faults: list[FaultOut]
    moves: list[MoveOut]
    within: bool
    readings: str
    read_again: str
    walks: str


def _observed(given: AlignmentIn) -> list[Observed]:
    """Every gap as a reading. Raises InputError for a gap that cannot be, or readings that say nothing."""
    row = table("alignment_tools").row(tool=given.tool)
    error = float(row["error"])
    rim = 0.0
    if row["grooves"] == "no" and (given.rim_moving is not None or given.rim_staying is not None):
        rim = value_of(given.rim_moving) - value_of(given.rim_staying)
    out: list[Observed] = []
    line = given.staying is not None and not given.carried_back
    for at in POINTS:
        gap = maybe(getattr(given.moving, at)) if given.moving is not None else None
        if gap is None or given.moving is None:
            continue
        x, y = across(given.moving.diameter.value, at)
        seen = on_moving(at, gap, x_mm=x, y_mm=y, rim_mm=rim, error_mm=error)
        out.append(_on_a_line(seen, at, given.centre.value + x) if line else _on_a_dial(seen, given.tool))
    for at in POINTS:
        gap = maybe(getattr(given.staying, at)) if given.staying is not None else None
        if gap is None or given.staying is None:
            continue
        x, y = across(given.staying.diameter.value, at)
        name = f"{at}, wheel that stays"
        if given.carried_back:
            out.append(on_staying(name, gap - rim, x_mm=-x, y_mm=y, centre_mm=given.centre.value, error_mm=error))
        elif at in ("near", "far"):
            # Seen from the wheel that stays, the edge near the other wheel lies toward it.
            bare = Observed(name=name, value_mm=gap, twist=0.0, toe=0.0, offset=0.0, error_mm=error)
            out.append(_on_a_line(bare, at, -x))
        else:
            raise InputError(
                f"staying.{at}", gap, "a line along the drive is read at the near and the far edge", "near and far"
            )
    if given.levels is not None:
        lean = given.levels.moving.value - given.levels.staying.value
        out.append(level_difference("level", radians(lean), radians(LEVEL_ERROR_DEG)))
    return out


def _on_a_line(seen: Observed, at: str, x_mm: float) -> Observed:
    """A gap to a string that touches nothing: where it lies and how it runs are two unknowns more."""
    if at not in ("near", "far"):
        raise InputError(
            f"moving.{at}", seen.value_mm, "a line along the drive is read at the near and the far edge", "near and far"
        )
    return Observed(
        name=seen.name,
        value_mm=seen.value_mm,
        twist=seen.twist,
        toe=seen.toe,
        offset=seen.offset,
        error_mm=seen.error_mm,
        unknown={"place of the line": 1.0, "run of the line": x_mm / 1000},
    )


def _on_a_dial(seen: Observed, tool: str) -> Observed:
    """A dial reads how much more or less than where it was set to zero."""
    if tool != "dial":
        return seen
    return Observed(
        name=seen.name,
        value_mm=seen.value_mm,
        twist=seen.twist,
        toe=seen.toe,
        offset=seen.offset,
        error_mm=seen.error_mm,
        unknown={"zero of the dial": 1.0},
    )


def _check(given: AlignmentIn) -> None:
    """Refuse gaps that no wheel of that size can have. Raises InputError beside the gap."""
    for name, gaps in (("moving", given.moving), ("staying", given.staying)):
        if gaps is None:
            continue
        for at in POINTS:
            gap = maybe(getattr(gaps, at))
            if gap is not None and abs(gap) > gaps.diameter.value:
                raise InputError(
                    f"{name}.{at}",
                    gap,
                    "a gap larger than the wheel",
                    "up to {d}",
                    d=(gaps.diameter.value, "length"),
                )
        for a, b in (("far", "near"), ("top", "bottom")):
            first, second = maybe(getattr(gaps, a)), maybe(getattr(gaps, b))
            if first is None or second is None:
                continue
            if abs(first - second) > gaps.diameter.value * tan(radians(MOST_DEG)):
                raise InputError(
                    f"{name}.{a}",
                    first,
                    f"over {MOST_DEG:.0f} degrees against the gap at the {b}: one of the two is not right",
                    "read both again",
                )


def _fault(
    fault: Fault | None, name: str, *, limit: float, kind: str, words: tuple[str, str], frame: Frame
) -> list[FaultOut]:
    """A fault as it is told, none where it is not seen; ``words`` are for either sign."""
    if fault is None:
        return []
    f = frame.figure
    fine = "fine" if kind == "angle" else ""
    within = abs(fault.value) <= limit
    side = words[0] if fault.value > 0 else words[1]
    slope = None
    if kind == "angle":
        slope = f(slope_of_angle(abs(fault.value)), "slope")
    found = f(fault.value, kind, fine)
    return [
        FaultOut(
            name=name,
            found=found,
            error=f(fault.error, kind, fine),
            limit=f(limit, kind, fine),
            slope=slope,
            within=within,
            says=f"{found.shown.lstrip('-')} {side}" if abs(fault.value) > limit / 20 else "none to speak of",
        )
    ]


def _quality(pose: Pose, frame: Frame) -> str:
    if pose.spare == 0:
        return "Just enough readings: nothing checks them. One more point would."
    if pose.agree:
        return "The readings agree."
    most = max(abs(r) for r in pose.residuals_mm.values())
    what = pose.again or "them"
    return f"The readings do not agree, by {frame.figure(most, 'gap').shown}: read {what} again."


@calculation(
    "alignment",
    "Line of two wheels",
    summary="Twist, toe and offset from gaps, laser, dials or levels by least squares; which feet to shim, swing and slide.",
    source="small rotations of a rigid body; association and handbook limits",
    example={
        "units": "us",
        "input": {
            "kind": "v",
            "centre": "32",
            "tool": "feeler",
            "moving": {"diameter": "6", "near": "0.020", "far": "0.110", "top": "0.130", "bottom": "0.002"},
            "feet": {"inboard": "4 1/2", "spacing": "5 1/2", "height": "5 1/4", "jack_pitch": "0.077"},
            "shims": ["0.002", "0.005", "0.010", "0.015", "0.025", "0.050", "0.100"],
        },
    },
    first=("says", "moves", "readings"),
)
def alignment(given: AlignmentIn, frame: Frame) -> AlignmentOut:
    """Work the pose and the moves."""
    _check(given)
    observed = _observed(given)
    if not observed:
        raise InputError("moving", None, "nothing was read", "two gaps across the wheel that moves, or a level on both")
    pose = pose_of(observed)
    if pose.twist is None and pose.toe is None and pose.offset is None:
        raise InputError("moving", None, "one gap alone says nothing", "two gaps across the wheel that moves")
    limits = limits_of(given.kind, given.centre.value)
    feet = None
    if given.feet is not None:
        feet = Feet(
            inboard_mm=given.feet.inboard.value,
            spacing_mm=given.feet.spacing.value,
            height_mm=given.feet.height.value,
            jack_pitch_mm=maybe(given.feet.jack_pitch),
        )
    box = tuple(s.value for s in given.shims) or usual_box(frame.units)
    moves = corrections_of(pose, limits, feet, box)
    for missing, how in (
        (pose.twist, "Twist is not seen: read top and bottom too, or hold a level to both faces."),
        (pose.toe, "Toe is not seen: read the near and the far edge too."),
        (pose.offset, "Offset is not seen: read gaps from a line, not only how much they differ."),
    ):
        if missing is None:
            notice("caution", "not-seen", how, "input.moving")
    rims = table("alignment_tools").row(tool=given.tool)["grooves"] == "no"
    if rims and given.rim_moving is None and given.rim_staying is None and pose.offset is not None:
        notice(
            "caution",
            "rims",
            "The faces were lined up, not the grooves: rims are taken as equally thick.",
            "input.rim_moving",
            "Measure face to groove on both wheels.",
        )
    angle, offset = limits.angle_deg, limits.offset_mm
    faults = [
        *_fault(pose.twist, "Twist", limit=angle, kind="angle", words=("nose up", "nose down"), frame=frame),
        *_fault(
            pose.toe,
            "Toe",
            limit=angle,
            kind="angle",
            words=("nose away from the other machine", "nose toward the other machine"),
            frame=frame,
        ),
        *_fault(pose.offset, "Offset", limit=offset, kind="gap", words=("behind", "in front"), frame=frame),
    ]
    out: list[MoveOut] = []
    if moves.shim is not None:
        out.append(shim_move_out(moves.shim, frame))
    if moves.swing is not None:
        out.append(swing_move_out(moves.swing, frame))
    if moves.slide is not None:
        out.append(offset_move_out(moves.slide, frame, after_shim=moves.shim is not None))
    if not moves.within and feet is None and not out:
        notice("info", "no-feet", "Say where the feet stand and the shims and the swing are worked.", "input.feet")
    first = "In line: leave it, tighten, set the tension and read once more." if moves.within else "Out of line."
    if out:
        first = out[0].says
    elif not moves.within:
        first = "Out of line: give the feet of the machine that moves, to be told what to move."
    walks = ""
    if given.kind == "flat-belt" and pose.toe is not None and abs(pose.toe.value) > angle / 20:
        inward = walk_direction(pose.toe.value) > 0
        walks = (
            "It walks inward, toward the machine: there the pulleys are closer."
            if inward
            else "It walks outward, to the free end of the shaft: there the pulleys are closer."
        )
    return AlignmentOut(
        says=first,
        faults=faults,
        moves=out,
        within=moves.within,
        readings=_quality(pose, frame),
        read_again=pose.again if pose.agree is False else "",
        walks=walks,
    )
