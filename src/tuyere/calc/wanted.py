"""The driven speed of a drive held against the speed that is wanted, and what a fan's power does there."""

from __future__ import annotations

from pydantic import Field

from tuyere.calc.entry import Percent, Speed
from tuyere.calc.frame import Frame
from tuyere.calc.parts import ServiceFactorIn
from tuyere.calc.registry import Input
from tuyere.calc.sheet import SheetOut, SpeedHeld
from tuyere.core.duty.fan_law import grows_with_cube, power_at_speed
from tuyere.core.errors import InputError
from tuyere.core.notices import notice

TOLERANCE = 3.0


class WantedIn(Input):
    """The driven speed that is wanted, and how exactly."""

    speed: Speed = Field(description="driven speed that is wanted; the power belongs to it")
    tolerance: Percent | None = Field(default=None, description="allowed error either way; 3 % is assumed")


def hold_speed(
    sheet: SheetOut,
    wanted: WantedIn | None,
    *,
    service: ServiceFactorIn | None,
    driven_rpm: float,
    power_kw: float,
    frame: Frame,
) -> SheetOut:
    """The sheet with its speed held against the wanted one; says so when it is off.

    A fan or centrifugal pump that turns faster than wanted takes the cube of that in power: then the power to spare is
    worked for what it takes there. Raises InputError for a tolerance that is none.
    """
    if wanted is None:
        return sheet
    tolerance = TOLERANCE if wanted.tolerance is None else wanted.tolerance.value
    if not 0 < tolerance <= 50:
        raise InputError("wanted.tolerance", tolerance, "not a speed tolerance", "over 0 to 50 %")
    aim = wanted.speed.value
    error = 100 * (driven_rpm / aim - 1)
    within = abs(error) <= tolerance * (1 + 1e-9)
    then: float | None = None
    changes: dict[str, object] = {}
    if grows_with_cube(service.machine if service else None) and not within:
        then = power_at_speed(power_kw, driven_rpm, aim)
        if error > 0:
            if sheet.spare is not None:
                spare = (1 + sheet.spare.value / 100) * power_kw / then * 100 - 100
                changes["spare"] = frame.figure(spare, "percent")
            notice(
                "danger",
                "cube-law",
                "At {got} instead of {aim} the fan or pump takes about {times} times the power: {then} instead of {power}.",
                "input.wanted.speed",
                "Held against that, this drive, its motor and the wiring may be too small. Prove it by the ammeter, doors closed.",
                got=(driven_rpm, "speed"),
                aim=(aim, "speed"),
                times=(then / power_kw, "factor"),
                then=(then, "power"),
                power=(power_kw, "power"),
            )
        else:
            notice(
                "info",
                "cube-law",
                "At {got} instead of {aim} the fan or pump takes about {then} instead of {power}.",
                "input.wanted.speed",
                got=(driven_rpm, "speed"),
                aim=(aim, "speed"),
                then=(then, "power"),
                power=(power_kw, "power"),
            )
    if not within:
        notice(
            "caution",
            "speed-off",
            "Driven speed {got}, wanted {aim} within {tolerance}: "
            + ("{off} too fast." if error > 0 else "{off} too slow."),
            "input.wanted.speed",
            "Change a wheel, or the speed that is wanted.",
            got=(driven_rpm, "speed"),
            aim=(aim, "speed"),
            tolerance=(tolerance, "percent"),
            off=(abs(error), "percent"),
        )
    f = frame.figure
    off = f(abs(error), "percent").shown
    return sheet.model_copy(
        update={
            **changes,
            "wanted": SpeedHeld(
                speed=f(aim, "speed"),
                error=f(error, "percent"),
                tolerance=f(tolerance, "percent"),
                within=within,
                says="on speed" if within else f"{off} too {'fast' if error > 0 else 'slow'}",
                power_then=None if then is None else f(then, "power"),
            ),
        }
    )
