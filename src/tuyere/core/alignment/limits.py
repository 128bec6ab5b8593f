"""What is allowed between two wheels, by the kind of loop."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.alignment.formulas import gap_of_limit, offset_limit, run_out_limit, run_out_mm, slope_of_angle
from tuyere.core.errors import InputError
from tuyere.core.steps import looked_up
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN

SOFT_FOOT_MM = 0.0508  # 0.002 in; metric practice rounds it to 0.05


@dataclass(frozen=True, slots=True, kw_only=True)
class Limits:
    """Degrees for twist and for toe each, the same as a slope in mm/m, and offset in mm; ``good_deg`` is worth aiming for.

    ``gap_mm`` is the difference of two gaps across the wheel that the angle amounts to, where its diameter is known.
    """

    kind: str
    label: str
    angle_deg: float
    good_deg: float
    slope_mm_m: float
    offset_mm: float
    gap_mm: float | None
    comes_from: str
    confidence: str


def kinds() -> dict[str, str]:
    """Kinds of loop that have limits, with their names."""
    t = table("alignment_limits")
    return dict(zip(t.column("kind"), t.column("label"), strict=True))


def limits_of(kind: str, centre_mm: float, diameter_mm: float | None = None) -> Limits:
    """Limits of a kind of loop at a centre distance. Raises InputError for a kind that is not in the table.

    Source: association and handbook practice, row by row.
    """
    t = table("alignment_limits")
    if kind not in kinds():
        raise InputError("kind", kind, "not a kind of loop with limits", ", ".join(kinds()))
    row = t.row(kind=kind)
    source = t.source_of(row["confidence"])
    angle = looked_up("beta", row["angle"], t.id, source)
    slope = slope_of_angle(angle)
    by_metre = looked_up("c_off", row["offset"], t.id, source)
    offset = offset_limit(by_metre, centre_mm, row["least_offset"], row["most_offset"])
    return Limits(
        kind=kind,
        label=row["label"],
        angle_deg=angle,
        good_deg=looked_up("beta", row["good"], t.id, source),
        slope_mm_m=slope,
        offset_mm=offset,
        gap_mm=None if diameter_mm is None else gap_of_limit(slope, diameter_mm),
        comes_from=row["from"],
        confidence=row["confidence"],
    )


def run_out_kinds() -> dict[str, str]:
    """Places where run-out is read, with their names."""
    t = table("run_out_limits")
    return dict(zip(t.column("what"), t.column("label"), strict=True))


def run_out_limit_mm(what: str, diameter_mm: float) -> tuple[float, str]:
    """(total indicator reading allowed in mm, where that comes from). Raises InputError for a place that is not known."""
    t = table("run_out_limits")
    if what not in run_out_kinds():
        raise InputError("what", what, "not a place where run-out is read", ", ".join(run_out_kinds()))
    row = t.row(what=what)
    base = looked_up("tir_0", row["base"], t.id, t.source_of(row["confidence"]))
    inches = run_out_limit(base, row["per_inch"], diameter_mm / MM_PER_IN, row["upto"])
    return run_out_mm(inches), row["from"]
