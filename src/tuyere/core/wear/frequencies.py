"""What a drive shakes with: shafts, belt, teeth, and which of them a measured frequency points at."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.wear.formulas import belt_turns, multiple_of, shaft_turns, teeth_met

HARMONICS = (1, 2, 3)
NEAR_PERCENT = 3.0
POINTS_AT = {
    ("shaft", 1): "out of true, out of balance or a bent shaft",
    ("shaft", 2): "out of line, or something loose",
    ("shaft", 3): "something loose",
    ("belt", 1): "a place on the belt: lump, joint, chunk",
    ("belt", 2): "a place on the belt, felt at both wheels",
    ("belt", 3): "a place on the belt",
    ("teeth", 1): "teeth or links meeting: tension, wear, pitch",
    ("teeth", 2): "teeth or links meeting",
    ("teeth", 3): "teeth or links meeting",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Note:
    """A frequency that a drive makes: of what, which multiple, Hz, and what it points at when it is strong."""

    of: str
    kind: str
    times: int
    hertz: float
    points_at: str


def notes_of(
    shafts_rpm: dict[str, float], *, loop_m_s: float, length_mm: float, pitch_mm: float | None
) -> tuple[Note, ...]:
    """Every note, the lowest first. Raises InputError for a loop that has no length or stands still."""
    if length_mm <= 0 or loop_m_s <= 0:
        raise InputError("drive", None, "a loop that stands still makes no note", "a speed and a length")
    bases = [(name, "shaft", shaft_turns(rpm)) for name, rpm in shafts_rpm.items()]
    bases.append(("the belt", "belt", belt_turns(loop_m_s, length_mm)))
    if pitch_mm:
        bases.append(("teeth or links", "teeth", teeth_met(loop_m_s, pitch_mm)))
    made = [
        Note(of=of, kind=kind, times=k, hertz=hertz if k == 1 else multiple_of(hertz, k), points_at=POINTS_AT[kind, k])
        for of, kind, hertz in bases
        for k in HARMONICS
    ]
    return tuple(sorted(made, key=lambda m: m.hertz))


def nearest(notes: Sequence[Note], hertz: float) -> tuple[Note, ...]:
    """The notes that a measured frequency may be, the nearest first; none where it is near nothing. Raises InputError."""
    if not 0.1 <= hertz <= 20_000:
        raise InputError("measured", hertz, "not a frequency of a drive", "0.1 to 20,000 Hz")
    near = [m for m in notes if abs(m.hertz / hertz - 1) * 100 <= NEAR_PERCENT]
    return tuple(sorted(near, key=lambda m: abs(m.hertz - hertz)))
