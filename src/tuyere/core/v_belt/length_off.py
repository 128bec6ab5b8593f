"""A belt that is a little longer or shorter than the right one: where the shafts go, and is there still room."""

from __future__ import annotations

from dataclasses import dataclass
from math import sqrt

from tuyere.core.errors import InputError
from tuyere.core.geometry.centre import centre_of_length
from tuyere.core.notices import notice
from tuyere.core.v_belt.belts import Belt, length_mm_of
from tuyere.core.v_belt.formulas import length_gap
from tuyere.core.v_belt.sheaves import Sheave
from tuyere.core.v_belt.tables import allowance

LOOSE_SHARE = 0.01  # a released belt needs a hundredth of its length slack not to drag: common practice


@dataclass(frozen=True, slots=True, kw_only=True)
class LengthOff:
    """mm. Rooms are what is left beyond what the belt asks for, None where no range or no allowance is known;
    ``slack_mm`` is what a released belt hangs loose by, None where it was not asked."""

    longer_mm: float
    right_centre_mm: float
    offered_centre_mm: float
    idler_mm: float | None
    room_to_fit_mm: float | None
    room_to_tighten_mm: float | None
    slack_mm: float | None
    slack_needed_mm: float
    verdict: str
    reason: str


def _idler_depth(span_mm: float, depth_mm: float, more_mm: float) -> float:
    """How deep an idler at mid-span stands for a path that is longer by ``more_mm``. Plane geometry.

    Raises InputError where the belt is too short to reach round the straight span.
    """
    path = 2 * sqrt((span_mm / 2) ** 2 + depth_mm**2) + more_mm
    if path < span_mm:
        raise InputError("offered", None, "too short: it does not reach even with the idler off", "a longer belt")
    return sqrt((path / 2) ** 2 - (span_mm / 2) ** 2)


def length_off(
    right: Belt,
    offered: Belt,
    *,
    driver: Sheave,
    driven: Sheave,
    least_mm: float | None,
    most_mm: float | None,
    idler: tuple[float, float] | None,
    freed_mm: float | None,
) -> LengthOff:
    """Hold an offered belt against the right one of the same section.

    ``least_mm`` and ``most_mm`` are the centre distances that the slide allows; ``idler`` is (span it presses on,
    depth it stands in now) for fixed centres; ``freed_mm`` is the length that a release gives back.
    Raises InputError for another section or a belt too short for the sheaves.
    Source: plane geometry; room to fit and take up: ANSI/RMA IP-20, IP-22, DIN 7753 practice.
    """
    if offered.section.groove != right.section.groove:
        raise InputError(
            "offered", offered.designation, f"another section than {right.designation}", right.section.shown
        )
    small, large = sorted((driver.line_mm, driven.line_mm))
    longer = length_gap(length_mm_of(offered), length_mm_of(right))
    now = centre_of_length(length_mm_of(right), small, large, field="right")
    then = centre_of_length(length_mm_of(offered), small, large, field="offered")
    depth = None if idler is None else _idler_depth(idler[0], idler[1], longer)
    room = allowance(offered.section, offered.number, length_mm_of(offered))
    fit = tighten = None
    if idler is None and room is not None:
        fit = None if least_mm is None else then - least_mm - room.installation_mm
        tighten = None if most_mm is None else most_mm - then - room.take_up_mm
    needed = LOOSE_SHARE * length_mm_of(offered)
    slack = None if freed_mm is None else freed_mm + longer
    verdict, reason = _judge(
        then,
        least_mm,
        most=most_mm,
        fit=fit,
        tighten=tighten,
        slack=slack,
        needed=needed,
        fixed_centres=idler is not None,
    )
    if verdict != "will do":
        notice("danger" if verdict == "will not do" else "caution", "length-off", reason, "offered")
    return LengthOff(
        longer_mm=longer,
        right_centre_mm=now,
        offered_centre_mm=then,
        idler_mm=depth,
        room_to_fit_mm=fit,
        room_to_tighten_mm=tighten,
        slack_mm=slack,
        slack_needed_mm=needed,
        verdict=verdict,
        reason=reason,
    )


def _judge(
    then: float,
    least: float | None,
    *,
    most: float | None,
    fit: float | None,
    tighten: float | None,
    slack: float | None,
    needed: float,
    fixed_centres: bool,
) -> tuple[str, str]:
    if slack is not None and slack <= 0:
        return "will not do", "Released, it is still tight: the machine keeps turning."
    if not fixed_centres and least is not None and then < least:
        return "will not do", "Too short: the slide does not come in so far."
    if not fixed_centres and most is not None and then > most:
        return "will not do", "Too long: the slide ends before it is tight."
    if slack is not None and slack < needed:
        return "with care", "Released, it hangs loose by less than a hundredth of its length: it may drag and creep."
    if fit is not None and fit < 0:
        return "with care", "Too little room to lay it on: it would have to be prised over the rim, which breaks cords."
    if tighten is not None and tighten < 0:
        return "with care", "Too little take-up left: it will come to the end of the slide before it is worn out."
    return "will do", "It fits in the room that there is."
