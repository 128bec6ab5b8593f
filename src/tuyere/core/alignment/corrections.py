"""What to move so that two wheels stand in line, in the order that does not spoil itself: twist, toe, offset.

Everything is told for the machine that moves. What a move does to the other two faults, to the height of the wheel and to
the centre distance is told with it, and the next move is worked from what is left.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from tuyere.core.alignment.formulas import (
    centre_change_by_swing,
    drop_inboard_lowered,
    drop_outboard_raised,
    inboard_feet_about_wheel,
    jack_turns,
    offset_after_shim,
    outboard_feet_about_wheel,
    outward_by_shim,
    shim_for_twist,
    swing_of_back_feet,
)
from tuyere.core.alignment.limits import Limits
from tuyere.core.alignment.pose import Pose
from tuyere.core.alignment.shims import Stack, stack
from tuyere.core.errors import InputError


@dataclass(frozen=True, slots=True, kw_only=True)
class Feet:
    """Feet of the machine that moves, mm: wheel to the inboard pair, inboard to outboard pair, shaft above the soles.

    ``jack_pitch_mm`` is one turn of its jack bolts, where it has some.
    """

    inboard_mm: float
    spacing_mm: float
    height_mm: float
    jack_pitch_mm: float | None = None

    def check(self) -> None:
        """Refuse feet that cannot be. Raises InputError."""
        if self.spacing_mm <= 0:
            raise InputError("spacing", self.spacing_mm, "the feet have no distance to tilt over", "over nothing")


@dataclass(frozen=True, slots=True, kw_only=True)
class ShimMove:
    """Shims under both feet of one pair: mm, the stack from the box, how far the wheel comes down and goes outward.

    ``other_mm`` out from under the other pair does the same, with ``other_drop_mm``.
    """

    pair: str
    other_pair: str
    shim_mm: float
    from_box: Stack
    drop_mm: float
    other_drop_mm: float
    outward_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class SwingMove:
    """Swing of the machine, mm, positive away from the other one: the back feet alone, or about the wheel.

    The back feet alone change the centre distance by ``centre_mm``; about the wheel nothing changes.
    """

    back_mm: float
    centre_mm: float
    inboard_mm: float
    outboard_mm: float
    turns: float | None
    away: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class SlideMove:
    """Slide along the shaft in mm, positive outward: of the wheel on its shaft, or of the whole machine."""

    outward_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Corrections:
    """Moves that are needed; None where that fault is inside its limit or was not read. ``worst`` is the greatest share of a limit."""

    shim: ShimMove | None
    swing: SwingMove | None
    slide: SlideMove | None
    offset_left_mm: float | None
    worst: float
    within: bool


def shim_move(twist_deg: float, feet: Feet, box_mm: Sequence[float]) -> ShimMove:
    """Shims that take a twist away. A nose that points up wants the outboard feet raised.

    Source: small rotations of a rigid body about the pair of feet that is left alone.
    """
    shim = shim_for_twist(feet.spacing_mm, twist_deg)
    raised = drop_outboard_raised(feet.inboard_mm, twist_deg)
    lowered = drop_inboard_lowered(feet.inboard_mm, feet.spacing_mm, twist_deg)
    up = twist_deg > 0
    return ShimMove(
        pair="outboard" if up else "inboard",
        other_pair="inboard" if up else "outboard",
        shim_mm=shim,
        from_box=stack(shim, box_mm),
        # Raising the inboard pair turns the machine about the outboard one, as lowering it does.
        drop_mm=raised if up else lowered,
        other_drop_mm=lowered if up else raised,
        outward_mm=outward_by_shim(feet.height_mm, twist_deg),
    )


def swing_move(toe_deg: float, feet: Feet) -> SwingMove:
    """Swing that takes a toe away: the back feet away from the other machine when the nose points away from it.

    Source: small rotations of a rigid body.
    """
    back = swing_of_back_feet(feet.spacing_mm, toe_deg)
    return SwingMove(
        back_mm=back,
        centre_mm=centre_change_by_swing(feet.inboard_mm, toe_deg),
        inboard_mm=inboard_feet_about_wheel(feet.inboard_mm, toe_deg),
        outboard_mm=outboard_feet_about_wheel(feet.inboard_mm, feet.spacing_mm, toe_deg),
        turns=None if feet.jack_pitch_mm is None else jack_turns(back, feet.jack_pitch_mm),
        away=toe_deg > 0,
    )


def corrections_of(pose: Pose, limits: Limits, feet: Feet | None, box_mm: Sequence[float]) -> Corrections:
    """What to move. Without feet the faults are judged and only the slide is told. Raises InputError for feet that cannot be."""
    if feet is not None:
        feet.check()
    shares = []
    for fault, limit in ((pose.twist, limits.angle_deg), (pose.toe, limits.angle_deg), (pose.offset, limits.offset_mm)):
        if fault is not None:
            shares.append(abs(fault.value) / limit)
    twisted = pose.twist is not None and abs(pose.twist.value) > limits.angle_deg
    toed = pose.toe is not None and abs(pose.toe.value) > limits.angle_deg
    shim = shim_move(pose.twist.value, feet, box_mm) if twisted and pose.twist and feet else None
    swing = swing_move(pose.toe.value, feet) if toed and pose.toe and feet else None
    left: float | None = None
    if pose.offset is not None:
        # The shim moves the wheel along its shaft: the slide is worked for what is left of the offset.
        left = pose.offset.value if shim is None else offset_after_shim(pose.offset.value, shim.outward_mm)
    slide = SlideMove(outward_mm=left) if left is not None and abs(left) > limits.offset_mm else None
    worst = max(shares, default=0.0)
    return Corrections(
        shim=shim, swing=swing, slide=slide, offset_left_mm=left, worst=worst, within=bool(shares) and worst <= 1
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class SoftFoot:
    """Lift of each foot in mm by its name, which is over the limit, and what goes under it."""

    lifts_mm: dict[str, float]
    over: tuple[str, ...]
    shims: dict[str, Stack]
    rocks: bool


def soft_foot(lifts_mm: dict[str, float], limit_mm: float, box_mm: Sequence[float]) -> SoftFoot:
    """Feet that lift when their bolt alone is loosened. Two at opposite corners that lift alike are one rocking frame.

    Raises InputError where nothing was read. Source: ANSI/ASA S2.75-1, general practice, recalled.
    """
    if not lifts_mm:
        raise InputError("feet", None, "no foot was read", "one foot at least")
    over = tuple(name for name, lift in lifts_mm.items() if lift > limit_mm)
    diagonals = (
        ("inboard near", "outboard far"),
        ("inboard far", "outboard near"),
    )
    rocks = any(set(pair) == set(over) for pair in diagonals)
    return SoftFoot(
        lifts_mm=lifts_mm,
        over=over,
        shims={name: stack(lifts_mm[name], box_mm) for name in over},
        rocks=rocks,
    )
