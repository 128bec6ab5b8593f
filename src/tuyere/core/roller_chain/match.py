"""A drive chain against the chain it drives: pitches that have grown apart."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.roller_chain.formulas import dog_mismatch, elongation_centres, pitch_difference

WORN_PERCENT = 3.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Match:
    """Growth of each chain and their difference (percent), mismatch at the last dog engaged (mm), what to do."""

    drive_percent: float
    driven_percent: float
    difference_percent: float
    mismatch_mm: float | None
    advice: str


def work_match(
    pitch_mm: float, pitches: int, *, drive_mm: float, driven_mm: float, engaged: int | None, room_mm: float | None
) -> Match:
    """Compare two chains of one pitch, measured over the same pitches. Raises InputError for lengths that are no such chain.

    Source: geometry; replacing both together: common practice.
    """
    nominal = pitch_mm * pitches
    for field, length in (("drive_length", drive_mm), ("driven_length", driven_mm)):
        if not 0.985 * nominal <= length <= 1.12 * nominal:
            raise InputError(
                field,
                length,
                f"not {pitches} pitches of this chain",
                "{nominal} new, to 12 % more",
                nominal=(nominal, "length"),
            )
    drive = elongation_centres(drive_mm, float(pitches), pitch_mm)
    driven = elongation_centres(driven_mm, float(pitches), pitch_mm)
    apart = pitch_difference(drive_mm, driven_mm)
    mismatch = None if engaged is None else dog_mismatch(apart, pitch_mm, float(engaged))
    worn = max(drive, driven) > WORN_PERCENT
    jams = room_mm is not None and mismatch is not None and abs(mismatch) > room_mm
    if mismatch is None:
        notice(
            "info",
            "engaged-open",
            "What the difference adds up to follows from the pitches engaged at once: count them where both run together.",
            "input.engaged",
        )
    elif room_mm is None:
        notice(
            "caution",
            "room-assumed",
            "Nothing is said of the room a dog has in its gap: measure it, the mismatch must stay under it.",
            "input.room",
        )
    advice = (
        "Replace both chains and their sprockets together: the dogs no longer fall into their gaps."
        if jams
        else "Replace both chains together: a new one on a worn one no longer matches."
        if worn
        else "Both may run on; measure again together."
    )
    if jams or worn:
        notice(
            "danger" if jams else "caution",
            "match",
            advice,
            "input.drive_length",
            "The slack must leave on the slack side: a take-up at the drive's exit, never pushed.",
        )
    return Match(
        drive_percent=drive, driven_percent=driven, difference_percent=apart, mismatch_mm=mismatch, advice=advice
    )
