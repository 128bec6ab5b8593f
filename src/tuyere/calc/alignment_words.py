"""A move of the machine as it is told: which feet, which way, how much, and what it does besides."""

from __future__ import annotations

from typing import Literal

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.frame import Frame
from tuyere.core.alignment.corrections import ShimMove, SlideMove, SwingMove


class MoveOut(Answer):
    """One move: what it cures, which pair of feet or which way, the sentence, the figure in it, the equal move another way, and
    what else it does."""

    cures: str
    way: Literal["outboard", "inboard", "away", "toward", "outward", "inward"]
    says: str
    figure: Figure
    shims: list[Figure]
    turns: Figure | None
    centre: Figure | None
    other_way: str
    besides: list[str]


def _turned(turns: float) -> str:
    """Turns as a wrench makes them: whole ones and flats of the bolt, six to a turn.

    >>> _turned(1.5), _turned(0.34), _turned(2.0)
    ('1 turn and 3 flats', '2 flats', '2 turns')
    """
    flats = max(1, round(turns * 6))
    whole, rest = divmod(flats, 6)
    parts = []
    if whole:
        parts.append(f"{whole} turn{'' if whole == 1 else 's'}")
    if rest:
        parts.append(f"{rest} flat{'' if rest == 1 else 's'}")
    return " and ".join(parts)


def shim_move_out(move: ShimMove, frame: Frame) -> MoveOut:
    """Shims under one pair of feet."""
    f = frame.figure
    shim = f(move.shim_mm, "gap")
    shims = [f(s, "gap") for s in move.from_box.shims_mm]
    drop, other = f(move.drop_mm, "gap"), f(move.other_drop_mm, "gap")
    out = f(move.outward_mm, "gap")
    down = "down" if move.drop_mm > 0 else "up"
    return MoveOut(
        cures="twist",
        way="outboard" if move.pair == "outboard" else "inboard",
        says=f"Put {shim.shown} under both {move.pair} feet.",
        figure=shim,
        shims=shims,
        turns=None,
        centre=None,
        other_way=f"Or take {shim.shown} out from under both {move.other_pair} feet, if there are shims: "
        f"the wheel then goes {down} by {other.shown.lstrip('-')}. Never shim both pairs.",
        besides=[
            f"The wheel goes {down} by {drop.shown.lstrip('-')}.",
            f"It goes {'outward' if move.outward_mm > 0 else 'inward'} along its shaft by {out.shown.lstrip('-')}: "
            "offset comes last.",
        ],
    )


def swing_move_out(move: SwingMove, frame: Frame) -> MoveOut:
    """A swing of the back feet."""
    f = frame.figure
    back = f(abs(move.back_mm), "gap") if move.back_mm < 0 else f(move.back_mm, "gap")
    way = "away from" if move.away else "toward"
    turns = None if move.turns is None else f(move.turns, "turns")
    by_bolt = "" if move.turns is None else f" ({_turned(move.turns)} of the jack bolt)"
    centre = f(move.centre_mm, "gap")
    nearer = "closer: the loop slackens" if move.centre_mm < 0 else "further apart: the loop tightens"
    inboard, outboard = f(move.inboard_mm, "gap"), f(move.outboard_mm, "gap")
    return MoveOut(
        cures="toe",
        way="away" if move.away else "toward",
        says=f"Swing the outboard feet {back.shown} {way} the other machine, inboard feet held{by_bolt}.",
        figure=back,
        shims=[],
        turns=turns,
        centre=centre,
        other_way=f"Or swing it about the wheel, which keeps the tension: inboard feet {inboard.shown.lstrip('-')}, "
        f"outboard feet {outboard.shown.lstrip('-')}, both {way} the other machine.",
        besides=[f"The wheels come {centre.shown.lstrip('-')} {nearer}."],
    )


def offset_move_out(move: SlideMove, frame: Frame, *, after_shim: bool) -> MoveOut:
    """A slide along the shaft."""
    slide = frame.figure(move.outward_mm, "gap")
    way = "outward, to the free end of its shaft" if move.outward_mm > 0 else "inward, toward its machine"
    return MoveOut(
        cures="offset",
        way="outward" if move.outward_mm > 0 else "inward",
        says=f"Slide the wheel or its machine {slide.shown.lstrip('-')} {way}.",
        figure=slide,
        shims=[],
        turns=None,
        centre=None,
        other_way="Or slide the other wheel the other way.",
        besides=["What the shims do along the shaft is counted in."] if after_shim else [],
    )
