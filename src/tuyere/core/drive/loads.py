"""What each shaft takes or gives, and how fast it turns."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from tuyere.core.drive.route import Route
from tuyere.core.errors import InputError


@dataclass(frozen=True, slots=True, kw_only=True)
class PowerAt:
    """Power in kW at a wheel: more than nothing is taken from the loop; what the driver gives is the sum of the rest."""

    wheel: str
    power_kw: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Turning:
    """A shaft's speed in rpm and its sense as drawn."""

    wheel: str
    rpm: float
    clockwise: bool


def shared(route: Route, power_kw: float, loads: Sequence[PowerAt] = ()) -> dict[str, float]:
    """kW taken at each wheel in the order of travel, the driver's as what it gives (negative): the sum is nothing.

    Without loads the one driven wheel takes it all. Raises InputError where loads are at a wheel that is not there, at
    the driver or an idler, or do not make up the power.
    """
    ids = {w.id: w.role for w in route.wheels}
    if not loads:
        driven = [w.id for w in route.wheels if w.role == "driven"]
        if len(driven) != 1:
            raise InputError("power", power_kw, "several shafts are driven: each needs its power", "kW at each shaft")
        loads = (PowerAt(wheel=driven[0], power_kw=power_kw),)
    out = dict.fromkeys(ids, 0.0)
    for load in loads:
        if ids.get(load.wheel) != "driven":
            raise InputError(
                "power", load.wheel, "no driven wheel of that name", " ".join(i for i in ids if ids[i] == "driven")
            )
        out[load.wheel] += load.power_kw
    total = sum(out.values())
    if abs(total - power_kw) > 1e-9 * max(abs(power_kw), 1.0):
        raise InputError(
            "power", total, "the shafts' powers do not make up the power of the drive", f"{power_kw:g} kW in all"
        )
    out[route.driver.id] = -total
    return out


def turning(route: Route, driver_rpm: float) -> tuple[Turning, ...]:
    """Speed of every wheel without slip: all rims run with the loop, each by its pitch diameter."""
    return tuple(
        Turning(wheel=w.id, rpm=driver_rpm * route.driver.pitch_mm / w.pitch_mm, clockwise=turn < 0)
        for w, turn in zip(route.wheels, route.turns, strict=True)
    )
