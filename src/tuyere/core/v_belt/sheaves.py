"""A sheave's diameters: outside, effective, datum and pitch are four numbers of one part."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.steps import looked_up
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN
from tuyere.core.v_belt.formulas import (
    datum_from_outside,
    effective_from_pitch,
    outside_from_datum,
    pitch_from_effective,
)
from tuyere.core.v_belt.sections import METRIC_GROOVES, belt_groove, groove_at, groove_of_outside

KINDS = ("outside", "effective", "datum", "pitch")
NARROW_GROOVES = ("3V", "5V", "8V")
LIGHT_GROOVES = ("2L", "3L", "4L", "5L")
CLASSICAL_GROOVES = ("A", "B", "C", "D", "E")
DEEP_GROOVES = ("A deep", "B deep", "C deep", "D deep", "A in A/B", "B in A/B", "3V deep", "5V deep", "8V deep")
GROOVES = CLASSICAL_GROOVES + NARROW_GROOVES + METRIC_GROOVES + LIGHT_GROOVES + DEEP_GROOVES


@dataclass(frozen=True, slots=True)
class Sheave:
    """``groove`` is that of the belts it holds; ``line_mm`` pairs with the belt length (datum or effective); ``pitch_mm`` with speed and rating."""

    groove: str
    line_mm: float
    pitch_mm: float
    outside_mm: float


def sheave(diameter_mm: float, kind: str, groove: str, field: str = "sheave") -> Sheave:
    """All diameters of a standard-depth sheave from one of them.

    Raises InputError for an unknown groove, for a kind the groove does not have (classical and metric grooves
    have no effective diameter, narrow and light-duty ones no datum diameter) and for a diameter that leaves nothing.
    Source: ANSI/RMA IP-20, IP-22 and IP-23; ISO 4183.
    """
    if groove not in GROOVES:
        raise InputError(f"{field}.groove", groove, "unknown groove", "one of " + " ".join(GROOVES))
    effective = belt_groove(groove) in NARROW_GROOVES + LIGHT_GROOVES
    wrong = "datum" if effective else "effective"
    if kind not in KINDS or kind == wrong:
        good = [k for k in KINDS if k != wrong]
        raise InputError(f"{field}.kind", kind, f"{groove} grooves have no {kind} diameter", "one of " + " ".join(good))
    row = groove_of_outside(groove, diameter_mm) if kind == "outside" else groove_at(groove, diameter_mm)
    assert row is not None
    least = 2 * (row.to_outside_mm + row.to_pitch_mm)
    if not diameter_mm > least:
        raise InputError(
            f"{field}.diameter",
            diameter_mm,
            "too small to be a sheave with this groove",
            "over {least}",
            least=(least, "length"),
        )
    own = belt_groove(groove)
    h_o = looked_up("h_o", row.to_outside_mm, row.table_id, row.source)
    if effective:
        h_p = looked_up("h_p", row.to_pitch_mm, row.table_id, row.source)
        line = float(
            effective_from_pitch(diameter_mm, h_p)
            if kind == "pitch"
            else datum_from_outside(diameter_mm, h_o)
            if kind == "outside"
            else diameter_mm
        )
        pitch = diameter_mm if kind == "pitch" else pitch_from_effective(line, h_p)
        return Sheave(own, line, pitch, diameter_mm if kind == "outside" else outside_from_datum(line, h_o))
    line = datum_from_outside(diameter_mm, h_o) if kind == "outside" else diameter_mm
    outside = diameter_mm if kind == "outside" else outside_from_datum(line, h_o)
    return Sheave(own, line, line, outside)


def rim_pitch_mm(wheel: Sheave) -> float:
    """Pitch diameter by the 1988 groove table, which puts a classical belt's pitch line a_p under the rim (2 a_p = 0).

    The datum diameter, which is the pitch diameter of the older books, is what rating and length use. For other
    grooves the two are one. Source: ANSI/RMA IP-20, 1988, recalled.
    """
    if wheel.groove not in CLASSICAL_GROOVES:
        return wheel.pitch_mm
    row = groove_at(wheel.groove, wheel.line_mm)
    return wheel.outside_mm - 2 * row.to_pitch_mm if row is not None else wheel.pitch_mm


def standard_diameters(groove: str) -> list[tuple[float, str, bool]]:
    """(mm, kind, often on the shelf) of the standard sheaves of a groove; empty where no series is recalled."""
    t = table("metric_diameters")
    if rows := t.select(section=groove):
        return [(float(r[1]), str(r[2]), bool(r[3])) for r in rows]
    return [(float(r[1]) * MM_PER_IN, str(r[2]), bool(r[3])) for r in table("diameters").select(section=groove)]
