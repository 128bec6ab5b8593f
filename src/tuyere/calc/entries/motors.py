"""`motor-speed` and `motor-min-sheave`."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Power, Speed, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Real, Text, Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.motors.motor import least_motor_sheave, motor_speed

GROUP = "Motors and shafts"
Hertz = Annotated[Real, Field(ge=1, le=400)]


class MotorSpeedIn(Input):
    """An induction motor."""

    poles: Annotated[Whole, Field(ge=2, le=24)] = Field(description="poles")
    frequency: Hertz = Field(default=60.0, description="frequency of the supply, Hz")
    nameplate_speed: Speed | None = Field(default=None, description="speed on the nameplate, at full load")
    low_frequency: Hertz | None = Field(default=None, description="least frequency of a variable drive, Hz")
    high_frequency: Hertz | None = Field(default=None, description="greatest frequency of a variable drive, Hz")


class MotorSpeedOut(Answer):
    """Its speeds."""

    full_load_low: Figure
    full_load_high: Figure
    synchronous: Figure
    slip: Figure
    at_low_frequency: Figure | None
    at_high_frequency: Figure | None


@calculation(
    "motor-speed",
    "Speed of a motor",
    summary="Synchronous and full-load speed by poles and frequency, slip, and the range of a variable frequency.",
    source="kinematics; NEMA MG 1 and IEC practice",
    example={"units": "us", "input": {"poles": 4, "frequency": 60, "nameplate_speed": "1750"}},
)
def motor_speed_entry(given: MotorSpeedIn, frame: Frame) -> MotorSpeedOut:
    """Work the speeds."""
    r = motor_speed(
        given.poles, given.frequency, maybe(given.nameplate_speed), given.low_frequency, given.high_frequency
    )
    f = frame.figure
    return MotorSpeedOut(
        full_load_low=f(r.low_rpm, "speed"),
        full_load_high=f(r.high_rpm, "speed"),
        synchronous=f(r.synchronous_rpm, "speed"),
        slip=f(r.slip_percent, "percent"),
        at_low_frequency=None if r.at_low_rpm is None else f(r.at_low_rpm, "speed"),
        at_high_frequency=None if r.at_high_rpm is None else f(r.at_high_rpm, "speed"),
    )


class MinSheaveIn(Input):
    """A motor and the kind of belt."""

    power: Power = Field(description="motor power")
    speed: Speed = Field(description="full-load speed")
    belts: Literal["classical", "narrow"] = Field(default="narrow", description="kind of V-belt")
    frame: Annotated[Text, Field(max_length=10)] | None = Field(
        default=None, description="frame on the nameplate, such as 215T"
    )


class MinSheaveOut(Answer):
    """The least sheave its shaft and bearings stand."""

    least_sheave: Figure
    measured_as: str
    widest_face: Figure
    frame: str


@calculation(
    "motor-min-sheave",
    "Least sheave on a motor",
    summary="The smallest sheave and the widest face a NEMA T-frame motor may carry.",
    source="NEMA MG 1-14.42",
    example={"units": "us", "input": {"power": "15hp", "speed": "1750", "belts": "narrow"}},
)
def motor_min_sheave(given: MinSheaveIn, frame: Frame) -> MinSheaveOut:
    """Look it up."""
    narrow = given.belts == "narrow"
    r = least_motor_sheave(
        given.power.value, given.speed.value, narrow, given.frame.strip().upper() if given.frame else None
    )
    f = frame.figure
    return MinSheaveOut(
        least_sheave=f(r.least_mm, "length", "size"),
        measured_as="outside diameter" if narrow else "pitch diameter",
        widest_face=f(r.widest_mm, "length", "size"),
        frame=r.frame,
    )
