"""`fan-speed` and `pump-speed`: what another speed does to flow, pressure and power, and whether the motor bears it."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Percent, Speed, value_of
from tuyere.calc.flow_chart_out import FAN_SHUT_OFF, flow_chart_out
from tuyere.calc.frame import Frame
from tuyere.calc.motor_now import AmpsOut, MotorNowIn, told_amps
from tuyere.calc.parts import Real
from tuyere.calc.registry import Input, calculation
from tuyere.calc.scene_out import SceneOut
from tuyere.core.notices import notice
from tuyere.core.speeds.flow import (
    check_ratio,
    flow_percent,
    power_at_density,
    power_percent,
    pressure_percent,
    pump_flow,
    sound_change_db,
    speed_for_power,
)

GROUP = "Speeds"
Density = Annotated[Real, Field(ge=0.1, le=10)]


class FanSpeedIn(Input):
    """A fan at the speed of now and at another."""

    speed: Speed = Field(description="speed of the fan now")
    new_speed: Speed = Field(description="speed that is thought of")
    motor: MotorNowIn | None = Field(default=None, description="what the motor draws now")
    most_speed: Speed | None = Field(default=None, description="greatest speed on the fan's plate")
    density: Density | None = Field(default=None, description="density of the air then, kg/m³; as now where left open")
    density_now: Density = Field(default=1.2, description="density of the air now, kg/m³")


class FanSpeedOut(CardAnswer):
    """Flow, pressure, power and sound against now."""

    flow: Figure
    pressure: Figure
    power: Figure
    louder_db: float
    amps: AmpsOut | None
    picture: SceneOut


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
    card=Card(
        asks="What does a fan do at another speed?",
        topic="Speeds and sizes",
        sentence="A fan turns at {speed} and is to turn at {new_speed}; its plate allows {most_speed}.|"
        "Its motor draws {motor.amps} A of {motor.full_load_amps} A on the plate.",
        figures=("power", "flow", "pressure"),
        picture="flow",
        then=("speed-ratio", "Which wheels give that speed?"),
    ),
)
def fan_speed(given: FanSpeedIn, frame: Frame) -> FanSpeedOut:
    """Work the laws. Raises InputError for a change they do not hold for, or currents that contradict each other."""
    ratio = check_ratio(given.new_speed.value / given.speed.value, "new_speed")
    f = frame.figure
    flow = flow_percent(given.new_speed.value, given.speed.value)
    pressure = pressure_percent(given.new_speed.value, given.speed.value)
    power = power_percent(given.new_speed.value, given.speed.value)
    heavier = 1.0
    if given.density is not None:
        heavier = given.density / given.density_now
        power = power_at_density(power, given.density, given.density_now)
        pressure = power_at_density(pressure, given.density, given.density_now)
    _over_plate(given)
    amps = None
    if given.motor is not None:
        amps = told_amps(
            given.motor,
            float(power) / 100,
            given.speed.value,
            frame,
            speed_ratio=lambda taken: (taken / heavier) ** (1 / 3),
        )
    said = (
        "" if amps is None else f" The motor will draw {amps.expected.shown}, {amps.share_of_plate.shown} of its plate."
    )
    says = (
        f"{f(flow, 'percent').shown} of the flow, {f(pressure, 'percent').shown} of the pressure, "
        f"{f(power, 'percent').shown} of the power.{said}"
    )
    notice(
        "info",
        "shape-drawn",
        "The curve is drawn as a usual fan's; where both meet is worked, and holds for any shape in the same ducts.",
        "input.speed",
    )
    return FanSpeedOut(
        says=says,
        picture=flow_chart_out(
            "fan",
            speeds=(given.speed.value, given.new_speed.value),
            heads=(FAN_SHUT_OFF, 0.0),
            motor=given.motor,
            amps=amps,
            says=says,
            frame=frame,
        ),
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


class PumpSpeedOut(CardAnswer):
    """Flow, head and power against now."""

    flow: Figure
    head: Figure
    power: Figure
    amps: AmpsOut | None
    picture: SceneOut | None


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
    card=Card(
        asks="What does a pump do at another speed?",
        topic="Speeds and sizes",
        sentence="A {kind} pump turns at {speed} and is to turn at {new_speed}.|"
        "Of its head now {static} is height alone, and {shut_off} stands against a shut valve. "
        "Its motor draws {motor.amps} A of {motor.full_load_amps} A on the plate.",
        figures=("power", "flow", "head"),
        picture="flow",
        fresh={"kind": "centrifugal"},
        then=("speed-ratio", "Which wheels give that speed?"),
    ),
)
def pump_speed(given: PumpSpeedIn, frame: Frame) -> PumpSpeedOut:
    """Work the pump against its pipe. Raises InputError where it then lifts nothing."""
    ratio = check_ratio(given.new_speed.value / given.speed.value, "new_speed")
    f = frame.figure
    heads = None
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
        heads = (shut_off, static)
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
        amps = told_amps(
            given.motor,
            power / 100,
            given.speed.value,
            frame,
            # A piston takes its power as it turns; a wheel against a static head by where both curves meet.
            speed_ratio=lambda taken: (
                taken if heads is None else speed_for_power(taken, shut_off=heads[0], static=heads[1])
            ),
        )
    said = (
        "" if amps is None else f" The motor will draw {amps.expected.shown}, {amps.share_of_plate.shown} of its plate."
    )
    says = (
        f"{f(flow, 'percent').shown} of the flow, {f(head, 'percent').shown} of the head, "
        f"{f(power, 'percent').shown} of the power.{said}"
    )
    return PumpSpeedOut(
        says=says,
        picture=None
        if heads is None
        else flow_chart_out(
            "pump",
            speeds=(given.speed.value, given.new_speed.value),
            heads=heads,
            motor=given.motor,
            amps=amps,
            says=says,
            frame=frame,
        ),
        flow=f(flow, "percent"),
        head=f(head, "percent"),
        power=f(power, "percent"),
        amps=amps,
    )
