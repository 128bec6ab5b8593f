"""`fan-speed` and `pump-speed`: what another speed does to flow, pressure and power, and whether the motor bears it."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Band, Figure
from tuyere.calc.entry import Percent, Speed, maybe, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Real
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.speeds.flow import (
    Amps,
    amps_at,
    check_ratio,
    flow_percent,
    power_percent,
    pressure_percent,
    pump_flow,
    sound_change_db,
)

GROUP = "Speeds"
Ampere = Annotated[Real, Field(ge=0.01, le=5000)]


class MotorNowIn(Input):
    """What the motor draws now and what its plate says, A."""

    amps: Ampere = Field(description="highest of the three phases now, in service with doors closed, A")
    full_load_amps: Ampere = Field(description="full-load current on the plate, A")
    no_load_amps: Ampere | None = Field(default=None, description="current without load, belt off, A")


class AmpsOut(Answer):
    """What the motor will draw, and how fast the machine may run by it."""

    expected: Band
    share_of_plate: Band
    most_speed: Band
    verdict: Literal["fine", "watch", "act"]


class FanSpeedIn(Input):
    """A fan at the speed of now and at another."""

    speed: Speed = Field(description="speed of the fan now")
    new_speed: Speed = Field(description="speed that is thought of")
    motor: MotorNowIn | None = Field(default=None, description="what the motor draws now")
    most_speed: Speed | None = Field(default=None, description="greatest speed on the fan's plate")


class FanSpeedOut(Answer):
    """Flow, pressure, power and sound against now."""

    says: str
    flow: Figure
    pressure: Figure
    power: Figure
    louder_db: float
    amps: AmpsOut | None


def _amps(motor: MotorNowIn, ratio: float, speed: float, frame: Frame, *, cube: bool = True) -> AmpsOut:
    try:
        found: Amps = amps_at(motor.amps, full=motor.full_load_amps, power_ratio=ratio, no_load=motor.no_load_amps)
    except InputError as e:
        raise e.at("motor.no_load_amps" if e.field == "no_load" else "motor.amps") from e
    low, high = (100 * x / motor.full_load_amps for x in found.new)
    exponent = 1 / 3 if cube else 1.0
    if motor.no_load_amps is None:
        notice(
            "info",
            "no-load-band",
            "The current without load is not known: a quarter to a half of full load is taken, so this is a band.",
            "input.motor.no_load_amps",
        )
    verdict: Literal["fine", "watch", "act"] = "act" if high > 100 else "watch" if high > 92 else "fine"
    if verdict == "act":
        notice(
            "danger",
            "over-plate",
            "That is over the motor's plate. A service factor is no room to work in.",
            "input.new_speed",
        )
    notice(
        "info",
        "clamp-proves",
        "Only a clamp on every phase, in service with doors and panels closed, proves it.",
        "input.motor",
    )
    return AmpsOut(
        expected=frame.band(found.new[0], found.new[1], kind="current"),
        share_of_plate=frame.band(low, high, kind="percent"),
        most_speed=frame.band(
            speed * found.top_ratio[0] ** exponent, speed * found.top_ratio[1] ** exponent, kind="speed"
        ),
        verdict=verdict,
    )


def _over_plate(given: FanSpeedIn) -> None:
    if given.most_speed is not None and given.new_speed.value > given.most_speed.value:
        notice(
            "danger",
            "over-most-speed",
            "That is over the fan's own greatest speed: its wheel may burst.",
            "input.new_speed",
        )


@calculation(
    "fan-speed",
    "Fan at another speed",
    summary="Flow, pressure, power and sound of a fan at another speed, and what its motor will draw.",
    source="fan laws (AMCA, ASHRAE), recalled; two currents of a motor",
    example={
        "units": "us",
        "input": {"speed": "640", "new_speed": "678", "motor": {"amps": 17.4, "full_load_amps": 20.0}},
    },
    first=("says", "power"),
)
def fan_speed(given: FanSpeedIn, frame: Frame) -> FanSpeedOut:
    """Work the laws. Raises InputError for a change they do not hold for, or currents that contradict each other."""
    ratio = check_ratio(given.new_speed.value / given.speed.value, "new_speed")
    f = frame.figure
    flow = flow_percent(given.new_speed.value, given.speed.value)
    pressure = pressure_percent(given.new_speed.value, given.speed.value)
    power = power_percent(given.new_speed.value, given.speed.value)
    _over_plate(given)
    amps = None if given.motor is None else _amps(given.motor, float(power) / 100, given.speed.value, frame)
    said = (
        "" if amps is None else f" The motor will draw {amps.expected.shown}, {amps.share_of_plate.shown} of its plate."
    )
    return FanSpeedOut(
        says=f"{f(flow, 'percent').shown} of the flow, {f(pressure, 'percent').shown} of the pressure, "
        f"{f(power, 'percent').shown} of the power.{said}",
        flow=f(flow, "percent"),
        pressure=f(pressure, "percent"),
        power=f(power, "percent"),
        louder_db=round(sound_change_db(ratio), 1),
        amps=amps,
    )


class PumpSpeedIn(Input):
    """A pump at the speed of now and at another; heads as shares of the head of now."""

    kind: Literal["centrifugal", "positive displacement"] = Field(description="kind of pump")
    speed: Speed = Field(description="speed of the pump now")
    new_speed: Speed = Field(description="speed that is thought of")
    static: Percent | None = Field(
        default=None, description="static head, as a share of the head of now; none is taken"
    )
    shut_off: Percent | None = Field(
        default=None, description="head against a shut valve, share of now; 130 % is taken"
    )
    motor: MotorNowIn | None = Field(default=None, description="what the motor draws now")


class PumpSpeedOut(Answer):
    """Flow, head and power against now."""

    says: str
    flow: Figure
    head: Figure
    power: Figure
    amps: AmpsOut | None


@calculation(
    "pump-speed",
    "Pump at another speed",
    summary="Flow, head and power of a pump at another speed, with the static head of its pipe; what its motor will draw.",
    source="affinity laws on the parabolas of pump and pipe; two currents of a motor",
    example={
        "units": "us",
        "input": {"kind": "centrifugal", "speed": "1750", "new_speed": "1600", "static": "40", "shut_off": "125"},
    },
    first=("says", "power"),
)
def pump_speed(given: PumpSpeedIn, frame: Frame) -> PumpSpeedOut:
    """Work the pump against its pipe. Raises InputError where it then lifts nothing."""
    ratio = check_ratio(given.new_speed.value / given.speed.value, "new_speed")
    f = frame.figure
    if given.kind == "centrifugal":
        if given.static is None or given.shut_off is None:
            notice(
                "info",
                "pump-assumed",
                "No static head and 130 % against a shut valve are taken where they are left open; with a lift the flow falls more.",
                "input.static",
            )
        static, shut_off = value_of(given.static, 0.0) / 100, value_of(given.shut_off, 130.0) / 100
        flow, head, power = pump_flow(ratio, shut_off=shut_off, static=static)
    else:
        flow, head, power = float(flow_percent(given.new_speed.value, given.speed.value)), 100.0, 100 * ratio
        notice(
            "info",
            "suction",
            "Flow goes with the speed, pressure with what the pipe holds against it; a slower pump draws more easily.",
            "input.kind",
        )
    amps = None
    if given.motor is not None:
        amps = _amps(
            given.motor,
            power / 100,
            given.speed.value,
            frame,
            cube=given.kind == "centrifugal" and maybe(given.static) in (None, 0.0),
        )
    said = (
        "" if amps is None else f" The motor will draw {amps.expected.shown}, {amps.share_of_plate.shown} of its plate."
    )
    return PumpSpeedOut(
        says=f"{f(flow, 'percent').shown} of the flow, {f(head, 'percent').shown} of the head, "
        f"{f(power, 'percent').shown} of the power.{said}",
        flow=f(flow, "percent"),
        head=f(head, "percent"),
        power=f(power, "percent"),
        amps=amps,
    )
