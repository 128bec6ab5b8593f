"""A sheave's diameters: outside, effective, datum and pitch are four numbers of one part."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.steps import looked_up
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN
from tuyere.core.vbelt.formulas import (
    datum_from_outside,
    effective_from_pitch,
    outside_from_datum,
    pitch_from_effective,
)

KINDS = ("outside", "effective", "datum", "pitch")
NARROW_GROOVES = ("3V", "5V", "8V")
CLASSICAL_GROOVES = ("A", "B", "C", "D")
GROOVES = CLASSICAL_GROOVES + NARROW_GROOVES


@dataclass(frozen=True, slots=True)
class Sheave:
    """``line_mm`` pairs with the belt length (datum or effective); ``pitch_mm`` with speed and rating."""

    groove: str
    line_mm: float
    pitch_mm: float
    outside_mm: float


def differences_in(groove: str) -> tuple[float, float]:
    """(added for the outside diameter, taken off for the pitch diameter), inches, standard grooves."""
    t = table("grooves")
    rows = t.select(section=groove)
    return float(rows[0][t.index("to_outside")]), float(rows[0][t.index("to_pitch")])


def sheave(diameter_mm: float, kind: str, groove: str, field: str = "sheave") -> Sheave:
    """All diameters of a standard-depth sheave from one of them.

    Raises InputError for an unknown groove, for a kind the groove does not have (classical grooves
    have no effective diameter, narrow ones no datum diameter) and for a diameter that leaves nothing.
    Source: ANSI/RMA IP-20 and IP-22.
    """
    if groove not in GROOVES:
        raise InputError(f"{field}.groove", groove, "unknown groove", "one of " + " ".join(GROOVES))
    narrow = groove in NARROW_GROOVES
    wrong = "datum" if narrow else "effective"
    if kind not in KINDS or kind == wrong:
        good = [k for k in KINDS if k != wrong]
        raise InputError(f"{field}.kind", kind, f"{groove} grooves have no {kind} diameter", "one of " + " ".join(good))
    t = table("grooves")
    to_outside, to_pitch = (x * MM_PER_IN for x in differences_in(groove))
    if not diameter_mm > 2 * to_outside + 2 * to_pitch:
        raise InputError(
            f"{field}.diameter",
            diameter_mm,
            "too small to be a sheave with this groove",
            f"over {2 * (to_outside + to_pitch) / MM_PER_IN:.2f} in",
        )
    if narrow:
        h_p = looked_up("h_p", to_pitch, t.id, t.source_of())
        line = float(effective_from_pitch(diameter_mm, h_p)) if kind == "pitch" else diameter_mm
        pitch = diameter_mm if kind == "pitch" else float(pitch_from_effective(line, h_p))
        return Sheave(groove, line, pitch, line)
    h_o = looked_up("h_o", to_outside, t.id, t.source_of())
    line = float(datum_from_outside(diameter_mm, h_o)) if kind == "outside" else diameter_mm
    outside = diameter_mm if kind == "outside" else float(outside_from_datum(line, h_o))
    return Sheave(groove, line, line, outside)
