"""Joints of flat belts: what each keeps of the belt, its lap or hooks, and the work step by step."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.flat.joint_steps import CAUTIONS, STEPS
from tuyere.core.notices import notice
from tuyere.core.steps import looked_up
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN

HOOKED = ("hooks", "hooks-hand")


@dataclass(frozen=True, slots=True, kw_only=True)
class JointCard:
    """A joint: efficiency in percent, lap (mm) or hook band (in) where it has one, steps in order."""

    key: str
    name: str
    low_percent: float
    high_percent: float
    take_up: str
    lap_low_mm: float | None
    lap_high_mm: float | None
    hook_band_in: tuple[float, float] | None
    least_pulley_mm: float | None
    steps: tuple[str, ...]
    cautions: tuple[str, ...]
    confidence: str


def lap_range_mm(joint: str, thickness_mm: float, width_mm: float) -> tuple[float, float] | None:
    """Shortest and longest usual lap, mm; None for joints without one. Source: shop handbooks, common practice, low."""
    if joint == "lap-leather":
        if thickness_mm > 0.26 * MM_PER_IN:  # double leather
            return 8 * MM_PER_IN, 10 * MM_PER_IN
        # As long as the belt is wide, but 4 to 8 in.
        lap = min(max(width_mm, 4 * MM_PER_IN), 8 * MM_PER_IN)
        return lap, lap
    if joint == "lap-polyamide":
        return 20 * thickness_mm, 30 * thickness_mm
    if joint == "instrument":
        return 8 * thickness_mm, 12 * thickness_mm
    return None


def work_joint(joint: str, thickness_mm: float, width_mm: float, smallest_pulley_mm: float | None) -> JointCard:
    """The card of a joint. Raises InputError for an unknown joint or a thickness no hook is made for.

    Source: joint table of the handbook page; laps and hooks are trade practice of low confidence.
    """
    t = table("joints")
    try:
        row = t.row(key=joint)
    except KeyError as e:
        raise InputError("joint", joint, "not in the table", " ".join(str(k) for k in t.column("key"))) from e
    source = t.source_of(str(row["confidence"]))
    low = looked_up("eta_j", float(row["low"]), t.id, source)
    high = looked_up("eta_j", float(row["high"]), t.id, source)
    band, least = None, None
    if joint in HOOKED:
        inches = thickness_mm / MM_PER_IN
        fits = [r for r in table("hooks").rows if r[0] <= inches <= r[1]]
        if not fits:
            raise InputError(
                "thickness", thickness_mm, "no wire hook is made for this thickness", "0.04 to 0.44 in (1 to 11 mm)"
            )
        band, least = (float(fits[0][0]), float(fits[0][1])), max(float(fits[0][2]), 20 * inches) * MM_PER_IN
    if least is not None and smallest_pulley_mm is not None and smallest_pulley_mm < least:
        notice(
            "caution",
            "small-pulley",
            "These hooks want a pulley of {least} or more.",
            "input.smallest_pulley",
            "A glued lap bends further.",
            least=(least, "length"),
        )
    if row["confidence"] == "low":
        notice(
            "caution",
            "judged",
            f"The efficiency of this joint is recalled with low confidence ({row['basis']}).",
            "input.joint",
        )
    lap = lap_range_mm(joint, thickness_mm, width_mm)
    return JointCard(
        key=joint,
        name=str(row["name"]),
        low_percent=low,
        high_percent=high,
        take_up=str(row["take_up"]),
        lap_low_mm=lap[0] if lap else None,
        lap_high_mm=lap[1] if lap else None,
        hook_band_in=band,
        least_pulley_mm=least,
        steps=STEPS[joint],
        cautions=CAUTIONS[joint],
        confidence=str(row["confidence"]),
    )
