"""Worn teeth of a synchronous drive: the pulley by its outside diameter, the belt by what shows."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.sources import Source
from tuyere.core.steps import looked_up, quiet
from tuyere.core.synchronous.tables import Profile, pulley
from tuyere.core.wear.formulas import pitch_short

TOLERANCE = Source(title="ISO 5294, tolerance of the outside diameter", origin="recalled", confidence="medium")
# Outside diameter up to so many mm, and how much over its nominal size a new one may be; never under it.
OVER = ((25.4, 0.05), (50.8, 0.08), (101.6, 0.10), (177.8, 0.13), (304.8, 0.15), (508.0, 0.18), (float("inf"), 0.20))
# What shows on a belt and cannot stay, and what is only watched; common practice.
# Of the tolerance, from where it is gauged again soon; common practice, no source.
WATCH_SHARE = 0.5
MUST_GO = {"tooth-missing", "cord-shows", "tooth-cracked", "back-cracked"}
WATCHED = {"lands-polished", "teeth-rounded", "edge-frayed"}


@dataclass(frozen=True, slots=True, kw_only=True)
class ToothWear:
    """New outside diameter, what is lost of it, from where it is watched and a new one's tolerance, mm; pitch short in percent; what to do with each."""

    new_mm: float | None
    lost_mm: float | None
    watch_mm: float | None
    tolerance_mm: float | None
    short_percent: float | None
    pulley: str | None
    belt: str


def tooth_wear(of: Profile, teeth: int, *, outside_mm: float | None, signs: Iterable[str] = ()) -> ToothWear:
    """A pulley by its outside diameter (None: not measured) and the belt by what shows.

    Raises InputError for a diameter that is none of this pulley, or a sign that is not known.
    """
    seen = set(signs)
    if unknown := seen - MUST_GO - WATCHED:
        raise InputError("signs", sorted(unknown)[0], "not a sign of worn teeth", ", ".join(sorted(MUST_GO | WATCHED)))
    belt = "act" if seen & MUST_GO else "watch" if seen else "fine"
    if outside_mm is None:
        return ToothWear(
            new_mm=None, lost_mm=None, watch_mm=None, tolerance_mm=None, short_percent=None, pulley=None, belt=belt
        )
    with quiet():
        pitch_mm, new = pulley(of, teeth)
    tolerance = looked_up("d_tol", next(t for most, t in OVER if new <= most), "", TOLERANCE)
    lost = new - outside_mm
    if not -3 * tolerance <= lost <= of.height_mm:
        raise InputError(
            "outside",
            outside_mm,
            f"a pulley of {teeth} teeth {of.name} is {{new}} outside when it is new; count the teeth again",
            "{low} to {new}",
            new=(new, "length"),
            low=(new - of.height_mm, "length"),
        )
    lost = max(lost, 0.0)
    watch = WATCH_SHARE * tolerance
    verdict = "act" if lost > tolerance else "watch" if lost > watch else "fine"
    return ToothWear(
        new_mm=new,
        lost_mm=lost,
        watch_mm=watch,
        tolerance_mm=tolerance,
        short_percent=pitch_short(lost, pitch_mm),
        pulley=verdict,
        belt=belt,
    )
