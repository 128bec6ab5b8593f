"""How long a V-belt lasts by the textbook: an estimate with bounds, never a promise."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from tuyere.core.duty.carried import pounds_to_newtons
from tuyere.core.notices import notice
from tuyere.core.sources import TEXTBOOK
from tuyere.core.steps import looked_up
from tuyere.core.tables import table
from tuyere.core.tension.formulas import (
    centrifugal_tension,
    design_horsepower,
    speed_in_feet,
    tension_ratio_limit,
)
from tuyere.core.units import MM_PER_IN
from tuyere.core.v_belt.formulas import inch_diameter
from tuyere.core.v_belt.life_formulas import large_peak, life_hours, passes, pull_per_belt, small_peak, tight_pull
from tuyere.core.v_belt.setting import FRICTION

PEAKS = (1e8, 1e9)  # where the textbook's durability figures hold


@dataclass(frozen=True, slots=True, kw_only=True)
class BeltLife:
    """Peaks in N; passes and hours, held to the bounds of the figures: ``bound`` is "over", "under" or ""."""

    small_peak_n: float
    large_peak_n: float
    passes: float
    hours: float
    bound: Literal["over", "under", ""]


def belt_life(
    section: str,
    design_kw: float,
    *,
    belts: int,
    speed_m_s: float,
    arc_deg: float,
    small_mm: float,
    large_mm: float,
    length_in: float,
) -> BeltLife | None:
    """Life of one belt of a drive at its design power; None where the textbook has no figures of the section.

    Source: Shigley, Mechanical Engineering Design, V-belt durability. Good from 1e8 to 1e9 force peaks only: beyond
    it the answer is "over", and the bound itself is given.
    """
    t = table("belt_life")
    if not t.select(section=section):
        return None
    row = t.row(section=section)
    k_b, k_t, b_t = (looked_up(n, row[c], t.id, t.source_of()) for n, c in (("K_b", "K_b"), ("K_T", "K"), ("b_T", "b")))
    s = table("sections")
    k_c = looked_up("K_c", s.row(section=section)["K_c"], s.id, s.source_of())
    feet = speed_in_feet(speed_m_s)
    pull = pull_per_belt(design_horsepower(design_kw), belts, feet)
    grip = tension_ratio_limit(looked_up("f", FRICTION, "", TEXTBOOK), arc_deg)
    tight = tight_pull(centrifugal_tension(k_c, feet), pull, grip)
    small = small_peak(tight, k_b, inch_diameter(small_mm))
    large = large_peak(tight, k_b, large_mm / MM_PER_IN)
    count = passes(k_t, b_t, small, large)
    held = min(max(count, PEAKS[0]), PEAKS[1])
    bound: Literal["over", "under", ""] = "over" if count > PEAKS[1] else "under" if count < PEAKS[0] else ""
    hours = life_hours(held, length_in, feet)
    notice(
        "info",
        "life-estimate",
        "A belt's life by the textbook is an estimate for a clean, aligned, rightly tensioned drive; "
        "it holds from 100 million to 1000 million passes only.",
        "result.life",
    )
    return BeltLife(
        small_peak_n=pounds_to_newtons(small),
        large_peak_n=pounds_to_newtons(large),
        passes=held,
        hours=hours,
        bound=bound,
    )
