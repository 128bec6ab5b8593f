"""A motor under a clamp: what it will draw when the power changes, and how fast its machine may run by it."""

from collections.abc import Callable
from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Band, Figure
from tuyere.calc.entry import Percent, Power, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Real
from tuyere.calc.registry import Input
from tuyere.core.errors import InputError
from tuyere.core.motors.formulas import shaft_from_load, shaft_from_supply
from tuyere.core.notices import notice
from tuyere.core.speeds.flow import Amps, amps_at

Ampere = Annotated[Real, Field(ge=0.01, le=5000)]
WATCH_PERCENT = 92.0


class MotorNowIn(Input):
    """What the motor draws now and what its plate says, A."""

    amps: Ampere = Field(description="highest of the three phases now, in service with doors closed, A")
    full_load_amps: Ampere = Field(description="full-load current on the plate, A")
    no_load_amps: Ampere | None = Field(default=None, description="current without load, belt off, A")
    power: Power | None = Field(default=None, description="power on the plate")
    volts: Annotated[Real, Field(ge=50, le=15000)] | None = Field(
        default=None, description="volts between two phases, read"
    )
    power_factor: Annotated[Real, Field(gt=0.1, le=1)] | None = Field(
        default=None, description="power factor at this load, where it is known"
    )
    efficiency: Percent | None = Field(default=None, description="efficiency at this load, where it is known")
    service_factor: Annotated[Real, Field(ge=1, le=1.5)] = Field(default=1.0, description="service factor on the plate")
    phases: Literal["three", "one"] = Field(default="three", description="supply of the motor")


class AmpsOut(Answer):
    """What the motor will draw, and how fast the machine may run by it."""

    expected: Band
    share_of_plate: Band
    most_speed: Band
    shaft_now: Band | None
    shaft_then: Band | None
    margin: Figure | None
    verdict: Literal["fine", "watch", "act"]


def worked_amps(motor: MotorNowIn, power_ratio: float) -> Amps:
    """The band of currents at so many times the power. Raises InputError beside the clamp's reading, or for one phase."""
    if motor.phases == "one":
        raise InputError(
            "motor.phases",
            motor.phases,
            "a single-phase motor's current says little of its load: its windings share it unevenly and its capacitor adds its own",
            "change the speed, then read the clamp against the plate",
        )
    try:
        return amps_at(motor.amps, full=motor.full_load_amps, power_ratio=power_ratio, no_load=motor.no_load_amps)
    except InputError as e:
        raise e.at("motor.no_load_amps" if e.field == "no_load" else "motor.amps") from e


def _shaft(motor: MotorNowIn, found: Amps) -> tuple[float, float] | None:
    """Power at the shaft now, least and most: by the supply where power factor and efficiency are known, else by the currents."""
    plate = maybe(motor.power)
    if motor.volts is not None and motor.power_factor is not None and motor.efficiency is not None:
        kw = float(shaft_from_supply(motor.volts, motor.amps, motor.power_factor, motor.efficiency.value))
        if plate is not None and kw > 2 * plate:
            raise InputError(
                "motor.volts",
                motor.volts,
                "volts and amps make twice the motor's power: read them again",
                "both between phases",
            )
        return kw, kw
    if plate is None:
        return None
    low, high = (float(shaft_from_load(x, plate)) for x in found.load_now)
    return low, high


def told_amps(
    motor: MotorNowIn,
    power_ratio: float,
    speed: float,
    frame: Frame,
    *,
    speed_ratio: Callable[[float], float],
    field: str = "new_speed",
) -> AmpsOut:
    """The same as figures, with what has to be said; ``speed_ratio`` gives the speed over that of now for a power over that of now."""
    found = worked_amps(motor, power_ratio)
    low, high = (100 * x / motor.full_load_amps for x in found.new)
    if motor.no_load_amps is None:
        notice(
            "info",
            "no-load-band",
            "The current without load is not known: a quarter to a half of full load is taken, so this is a band.",
            "input.motor.no_load_amps",
        )
    verdict: Literal["fine", "watch", "act"] = "act" if high > 100 else "watch" if high > WATCH_PERCENT else "fine"
    if verdict == "act":
        notice(
            "danger",
            "over-plate",
            "That is over the motor's plate. A service factor is no room to work in.",
            f"input.{field}",
        )
    notice(
        "info",
        "clamp-proves",
        "Only a clamp on every phase, in service with doors and panels closed, proves it.",
        "input.motor",
    )
    now = _shaft(motor, found)
    plate = maybe(motor.power)
    margin = None
    if now is not None and plate is not None:
        margin = frame.figure(100 * (1 - now[1] * power_ratio / plate), "percent")
    if high > 100 * motor.service_factor:
        notice(
            "danger",
            "over-service-factor",
            "Even its service factor does not bear that: it trips or burns.",
            f"input.{field}",
        )
    return AmpsOut(
        shaft_now=None if now is None else frame.band(now[0], now[1], "power"),
        shaft_then=None if now is None else frame.band(now[0] * power_ratio, now[1] * power_ratio, "power"),
        margin=margin,
        expected=frame.band(found.new[0], found.new[1], kind="current"),
        share_of_plate=frame.band(low, high, kind="percent"),
        most_speed=frame.band(
            speed * speed_ratio(found.top_ratio[0]), speed * speed_ratio(found.top_ratio[1]), kind="speed"
        ),
        verdict=verdict,
    )
