"""Length to cut a flat belt: the loop, what it is cut short, what the joint takes or gives."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.drive.two_pulleys import TwoPulleys, work_two_pulleys
from tuyere.core.errors import InputError
from tuyere.core.flat.formulas import cut_short_length, relative_shortening
from tuyere.core.flat.joints import lap_range_mm
from tuyere.core.notices import notice
from tuyere.core.steps import looked_up
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN

# The one word on where the take-up stands, for this card and for the joints' own.
TAKE_UP = "Take-up at its shortest and then a quarter of its travel out, shafts aligned, before the path is taped."
LAPPED = ("lap-leather", "lap-polyamide", "instrument")


@dataclass(frozen=True, slots=True, kw_only=True)
class CutLength:
    """Loop by tape or geometry, cut length, and the range that judgement leaves; mm."""

    loop_mm: float
    short_mm: float
    lap_mm: float
    cut_mm: float
    cut_least_mm: float
    cut_most_mm: float
    pulleys: TwoPulleys | None


def work_cut_length(
    material: str,
    joint: str,
    *,
    taped_mm: float | None,
    driver_mm: float | None,
    driven_mm: float | None,
    centre_mm: float | None,
    crossed: bool,
    lap_mm: float,
    gap_mm: float,
    thickness_mm: float | None = None,
    width_mm: float | None = None,
) -> CutLength:
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
    usual = None if thickness_mm is None else lap_range_mm(joint, thickness_mm, width_mm or 4 * MM_PER_IN)
    if joint in LAPPED and lap_mm <= 0:
        if usual is None:
            raise InputError(
                "lap", lap_mm, "a lapped joint needs its lap length", "the lap, or the belt's thickness to work it from"
            )
        lap_mm = usual[1]
        notice("info", "lap-assumed", "The joint's usual lap of {lap} is taken.", "input.lap", lap=(lap_mm, "length"))
    elif usual is not None and not 0.75 * usual[0] <= lap_mm <= 1.5 * usual[1]:
        raise InputError(
            "lap",
            lap_mm,
            "not a lap for this joint and thickness",
            "{low} to {high}, as on the joint's card",
            low=(usual[0], "length"),
            high=(usual[1], "length"),
        )
    if joint not in LAPPED and lap_mm > 0:
        raise InputError("lap", lap_mm, "only a lapped joint has a lap", "leave it open")
    source = t.source_of(str(row["confidence"]))
    short = looked_up("c_s", float(row["usual"]), t.id, source)
    cut = cut_short_length(loop, short, lap_mm, gap_mm)
    shortened = relative_shortening(loop, short)
    ends = [loop * (1 - float(row[k]) / 100) + lap_mm - gap_mm for k in ("high", "low")]
    if row["confidence"] == "low":
        notice(
            "caution",
            "judged",
            f"How much shorter {row['name']} is cut is recalled with low confidence: {row['basis']}.",
            "input.material",
            "Ask the belt's maker, or cut long and shorten.",
        )
    notice(
        "info",
        "take-up",
        TAKE_UP,
        "input.taped_length",
    )
    return CutLength(
        loop_mm=loop,
        short_mm=shortened,
        lap_mm=lap_mm,
        cut_mm=cut,
        cut_least_mm=ends[0],
        cut_most_mm=ends[1],
        pulleys=pulleys,
    )
