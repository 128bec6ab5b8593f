"""A drive over a range of speeds: a frequency drive or an engine. The worst speed decides, and is named."""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from tuyere.core.errors import InputError
from tuyere.core.notices import collected_notices, notice
from tuyere.core.steps import quiet
from tuyere.core.v_belt.case import VBeltCase
from tuyere.core.v_belt.formulas import whole_belts
from tuyere.core.v_belt.method import work_v_belt

LOADS = ("constant torque", "constant power", "fan")
POINTS = 9
WIDEST = 100.0  # a frequency drive turns down to a tenth, an engine to a quarter


@dataclass(frozen=True, slots=True, kw_only=True)
class AtSpeed:
    """One speed of the range: rpm of the driver, kW it carries there and what a belt carries."""

    driver_rpm: float
    driven_rpm: float
    power_kw: float
    belt_kw: float
    belts_exact: float


@dataclass(frozen=True, slots=True)
class SpeedRange:
    """The range, point by point, and the worst of it."""

    points: tuple[AtSpeed, ...]
    worst: AtSpeed
    belts_needed: int


def power_at(load: str, power_kw: float, rpm: float, of_rpm: float) -> float:
    """Power at another speed: with it (torque), not at all (power), with its cube (fan law).

    >>> power_at("fan", 8.0, 500.0, 1000.0)
    1.0
    """
    if load not in LOADS:
        raise InputError("load", load, "not a kind of load", " ".join(LOADS))
    return float(power_kw * (rpm / of_rpm) ** {"constant torque": 1, "constant power": 0, "fan": 3}[load])


def speed_range(case: VBeltCase, low_rpm: float, high_rpm: float, load: str) -> SpeedRange:
    """Rate a drive at nine driver speeds from low to high; ``case.driver_rpm`` is the speed its power belongs to.

    Raises InputError where the range is none, or where a speed leaves the tables or the rim's limit: the speed is named.
    Source: the rating basis at each speed; load laws of the trade.
    """
    if not low_rpm < high_rpm:
        raise InputError("high", high_rpm, "not over the low speed", "more than the low speed")
    if high_rpm / low_rpm > WIDEST:
        raise InputError(
            "low", low_rpm, "too wide a range for one drive", f"a {WIDEST:.0f}th of the high speed or more"
        )
    points = []
    for rpm in np.geomspace(low_rpm, high_rpm, POINTS):
        power = power_at(load, case.power_kw, float(rpm), case.driver_rpm)
        one = replace(
            case,
            driver_rpm=float(rpm),
            power_kw=power,
            # Every shaft's share goes with the whole.
            loads=tuple(replace(p, power_kw=p.power_kw * power / case.power_kw) for p in case.loads),
            loop=replace(case.loop, count=None),
        )
        try:
            with quiet(), collected_notices():
                r = work_v_belt(one)
        except InputError as e:
            raise InputError(
                "high" if rpm > case.driver_rpm else "low",
                float(rpm),
                f"at {rpm:.0f} rpm: {e.why}",
                e.allowed,
                **e.quantities,
            ) from e
        # Sized anew at each speed, so it is rated or has been refused.
        assert r.rated.own is not None
        points.append(
            AtSpeed(
                driver_rpm=float(rpm),
                driven_rpm=r.driven_rpm,
                power_kw=one.power_kw,
                belt_kw=r.rated.own.one.corrected_kw,
                belts_exact=r.rated.own.belts_exact,
            )
        )
    worst = max(points, key=lambda p: p.belts_exact)
    if worst.driver_rpm < case.driver_rpm and load == "constant torque":
        notice(
            "info",
            "slow-is-worst",
            "At constant torque the slow end asks the same pull of the belt all the time; a motor's own fan "
            "cools it less there.",
            "low",
        )
    return SpeedRange(tuple(points), worst, int(whole_belts(worst.belts_exact)))
