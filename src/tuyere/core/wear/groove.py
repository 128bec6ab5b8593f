"""Worn grooves: how deep the belt sits, what that does to the speed, and whether the wheel still does."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.steps import quiet
from tuyere.core.wear.formulas import diameter_worn, drop_in_groove, speed_worn, width_of_dish

DISH_LIMIT_MM = 25.4 / 32  # 1/32 in: association and shop practice
WATCH_SHARE = 0.5


@dataclass(frozen=True, slots=True, kw_only=True)
class GrooveWear:
    """Gap of the gauge as a share of what is allowed, how much deeper the belt sits by it, and what to do: fine, watch, act."""

    share: float
    drop_mm: float
    worn_mm: float
    verdict: str


def judge_gap(gap_mm: float) -> tuple[float, str]:
    """(share of what is allowed, what to do: fine, watch, act) of a gap under a groove gauge. Raises InputError for no such gap."""
    if not 0 <= gap_mm <= 6:
        raise InputError("gap", gap_mm, "not a gap of a groove gauge", "0 to 6 mm", most=(6.0, "gap"))
    share = gap_mm / DISH_LIMIT_MM
    return share, "act" if share >= 1 - 1e-9 else "watch" if share >= WATCH_SHARE else "fine"


def groove_wear(gap_mm: float, *, angle_deg: float, diameter_mm: float, belt_less_mm: float = 0.0) -> GrooveWear:
    """A groove by the gap that light shows under a gauge, and what the belt has lost in width besides.

    Raises InputError for a gap that no gauge shows or a groove that is none. Source: geometry; limit 1/32 in of practice.
    """
    share, verdict = judge_gap(gap_mm)
    if not 20 <= angle_deg <= 60:
        raise InputError("angle", angle_deg, "not the angle of a groove", "20 to 60 degrees")
    drop = drop_in_groove(width_of_dish(gap_mm, angle_deg) + belt_less_mm, angle_deg)
    worn = diameter_worn(diameter_mm, drop)
    if worn <= 0:
        raise InputError("diameter", diameter_mm, "so much wear leaves no wheel", "a larger wheel, or a smaller gap")
    return GrooveWear(share=share, drop_mm=drop, worn_mm=worn, verdict=verdict)


def speed_change_percent(driver_rpm: float, new: tuple[float, float], worn: tuple[float, float]) -> float:
    """How much the driven speed changes when both wheels are worn: (driver, driven) diameters, new and worn."""
    with quiet():
        before = float(speed_worn(driver_rpm, new[0], new[1]))
        after = float(speed_worn(driver_rpm, worn[0], worn[1]))
    return 100 * (after / before - 1)
