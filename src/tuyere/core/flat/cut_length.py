"""Length to cut a flat belt: the loop, what it is cut short, what the joint takes or gives."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.flat.formulas import cut_short_length, relative_shortening
from tuyere.core.geometry.two_pulleys import TwoPulleys, work_two_pulleys
from tuyere.core.notices import notice
from tuyere.core.steps import looked_up, mark
from tuyere.core.tables import table

LAPPED = ("lap-leather", "lap-polyamide", "instrument")


@dataclass(frozen=True, slots=True)
class CutLength:
    """Loop by tape or geometry, cut length, and the range that judgement leaves; mm."""

    loop_mm: float
    short_mm: float
    lap_mm: float
    cut_mm: float
    cut_least_mm: float
    cut_most_mm: float
    pulleys: TwoPulleys | None


def work_cut_length(material: str, joint: str, taped_mm: float | None, driver_mm: float | None, driven_mm: float | None,
                    centre_mm: float | None, crossed: bool, lap_mm: float, gap_mm: float) -> CutLength:  # fmt: skip
    """Length to cut. Give the taped length, or both pulleys and the centres.

    Raises InputError for half a geometry, an unknown material, a lap on a joint that has none or none
    on one that needs it. Source: geometry exact; cut-short shares: shop handbooks and common practice.
    """
    geometry = (driver_mm, driven_mm, centre_mm)
    pulleys = None
    if taped_mm is None:
        if driver_mm is None or driven_mm is None or centre_mm is None:
            missing = next(
                n
                for n, v in zip(("driver_diameter", "driven_diameter", "centre_distance"), geometry, strict=True)
                if v is None
            )
            raise InputError(missing, None, "give the taped length, or both pulleys and the centres", "a length")
        pulleys = work_two_pulleys(driver_mm, driven_mm, centre_mm, None, crossed)
        loop = pulleys.length_mm
    elif any(v is not None for v in geometry):
        raise InputError("taped_length", taped_mm, "give the taped length or the geometry, not both", "one of the two")
    else:
        loop = taped_mm
    t = table("cut_short")
    try:
        row = t.row(key=material)
    except KeyError as e:
        raise InputError("material", material, "not in the table", " ".join(str(k) for k in t.column("key"))) from e
    if joint in LAPPED and lap_mm <= 0:
        raise InputError("lap", lap_mm, "a lapped joint needs its lap length", "see the joint's card for how long")
    if joint not in LAPPED and lap_mm > 0:
        raise InputError("lap", lap_mm, "only a lapped joint has a lap", "leave it open")
    source = t.source_of(str(row["confidence"]))
    short = looked_up("c_s", float(row["usual"]), t.id, source)
    cut = float(mark("cut", cut_short_length(loop, short, lap_mm, gap_mm)))
    shortened = float(mark("short", relative_shortening(loop, short)))
    ends = [loop * (1 - float(row[k]) / 100) + lap_mm - gap_mm for k in ("high", "low")]
    if row["confidence"] == "low":
        notice("caution", "judged", f"How much shorter {row['name']} is cut is recalled with low confidence: {row['basis']}.", "input.material",
               "Ask the belt's maker, or cut long and shorten.")  # fmt: skip
    notice(
        "info",
        "take-up",
        "Set the take-up at its shortest and a quarter of its travel out, aligned, before taping the path.",
        "input.taped_length",
    )
    return CutLength(loop, shortened, lap_mm, cut, ends[0], ends[1], pulleys)
