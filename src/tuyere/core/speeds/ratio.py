"""Speeds and diameters of a belt on two pulleys, whichever one is unknown."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.speeds.formulas import (
    belt_speed,
    driven_diameter,
    driven_speed,
    driver_diameter,
    driver_speed,
    ratio_of_speeds,
)

UNKNOWNS = ("driver_rpm", "driven_rpm", "driver_mm", "driven_mm")


@dataclass(frozen=True, slots=True, kw_only=True)
class SpeedRatio:
    """Both speeds (rpm), both pitch diameters (mm), turns of the driver per driven turn, belt speed (m/s)."""

    driver_rpm: float
    driven_rpm: float
    driver_mm: float
    driven_mm: float
    ratio: float
    belt_speed_m_s: float
    solved_for: str


def solve_speed_ratio(
    driver_rpm: float | None,
    driven_rpm: float | None,
    driver_mm: float | None,
    driven_mm: float | None,
    slip_percent: float = 0.0,
) -> SpeedRatio:
    """Find the one of the four that is None; diameters are pitch diameters.

    Raises InputError unless exactly one is None, or for slip outside 0..20 %.
    """
    given = dict(zip(UNKNOWNS, (driver_rpm, driven_rpm, driver_mm, driven_mm), strict=True))
    missing = [n for n, x in given.items() if x is None]
    if len(missing) != 1:
        raise InputError(
            "driven_speed",
            len(missing),
            f"{len(missing)} of the four are left open",
            "leave exactly one of both speeds and both diameters open",
        )
    if not 0 <= slip_percent <= 20:
        raise InputError("slip", slip_percent, "not a slip of a belt that still drives", "0 to 20 %")
    n1, n2, d1, d2 = (0.0 if x is None else x for x in given.values())
    unknown = missing[0]
    if unknown == "driven_rpm":
        n2 = driven_speed(n1, d1, d2, slip_percent)
    elif unknown == "driver_rpm":
        n1 = driver_speed(n2, d1, d2, slip_percent)
    elif unknown == "driver_mm":
        d1 = driver_diameter(n1, n2, d2, slip_percent)
    else:
        d2 = driven_diameter(n1, n2, d1, slip_percent)
    ratio = ratio_of_speeds(n1, n2)
    speed = belt_speed(d1, n1)
    return SpeedRatio(
        driver_rpm=n1, driven_rpm=n2, driver_mm=d1, driven_mm=d2, ratio=ratio, belt_speed_m_s=speed, solved_for=unknown
    )
