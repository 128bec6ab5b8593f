"""`motor-speed` and `motor-min-sheave`."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Power, Speed, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Real, Text, Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.motors.engine import engine_speed, generator
from tuyere.core.motors.motor import MotorSpeed, least_motor_sheave, motor_speed
from tuyere.core.speeds.formulas import ratio_of_speeds

GROUP = "Motors and shafts"
Hertz = Annotated[Real, Field(ge=1, le=400)]


class EngineIn(Input):
    """An engine with a governor."""

    full_speed: Speed = Field(description="governed speed under load")
    no_load_speed: Speed = Field(description="speed without load, throttle set")
    torque_speed: Speed | None = Field(default=None, description="speed of greatest torque, from its manual")


class GeneratorIn(Input):
    """A generator that is driven and has to hold its frequency."""

    frequency: Hertz = Field(default=60.0, description="frequency it has to give, Hz")
    poles: Annotated[Whole, Field(ge=2, le=24)] = Field(default=4, description="its poles")


class MotorSpeedIn(Input):
    """An induction motor by its poles, an engine by its governor, or a generator by its frequency."""

    poles: Annotated[Whole, Field(ge=2, le=24)] | None = Field(default=None, description="poles of a motor")
    frequency: Hertz = Field(default=60.0, description="frequency of the supply, Hz")
    nameplate_speed: Speed | None = Field(default=None, description="speed on the nameplate, at full load")
    low_frequency: Hertz | None = Field(default=None, description="least frequency of a variable drive, Hz")
    high_frequency: Hertz | None = Field(default=None, description="greatest frequency of a variable drive, Hz")
    engine: EngineIn | None = Field(default=None, description="or an engine")
    generator: GeneratorIn | None = Field(default=None, description="a generator that is driven")


class EngineOut(Answer):
    """An engine's speeds."""

    full_load: Figure
    no_load: Figure
    droop: Figure
    greatest_torque: Figure | None


class GeneratorOut(Answer):
    """What the generator asks for; the ratio to the driver that was said."""

    speed: Figure
    lowest: Figure
    highest: Figure
    ratio: Figure | None


class MotorSpeedOut(CardAnswer):
    """Its speeds."""

    full_load_low: Figure | None
    full_load_high: Figure | None
    synchronous: Figure | None
    slip: Figure | None
    at_low_frequency: Figure | None
    at_high_frequency: Figure | None
    engine: EngineOut | None
    generator: GeneratorOut | None


def _engine(given: EngineIn, frame: Frame) -> EngineOut:
    try:
        r = engine_speed(given.full_speed.value, given.no_load_speed.value, maybe(given.torque_speed))
    except InputError as e:
        raise e.at(f"engine.{e.field}") from e
    f = frame.figure
    return EngineOut(
        full_load=f(r.full_rpm, "speed"),
        no_load=f(r.idle_rpm, "speed"),
        droop=f(r.droop_percent, "percent"),
        greatest_torque=None if r.torque_rpm is None else f(r.torque_rpm, "speed"),
    )


def _generator(given: GeneratorIn, driver_rpm: float | None, frame: Frame) -> GeneratorOut:
    try:
        r = generator(given.frequency, given.poles)
    except InputError as e:
        raise e.at(f"generator.{e.field}") from e
    f = frame.figure
    return GeneratorOut(
        speed=f(r.rpm, "speed"),
        lowest=f(r.low_rpm, "speed"),
        highest=f(r.high_rpm, "speed"),
        ratio=None if driver_rpm is None else f(ratio_of_speeds(driver_rpm, r.rpm), "factor", "exact"),
    )


def _says(motor: MotorSpeed | None, engine: EngineOut | None, generates: GeneratorOut | None, frame: Frame) -> str:
    """What was asked for, one sentence each."""
    out = []
    if motor is not None:
        low, high = frame.figure(motor.low_rpm, "speed"), frame.figure(motor.high_rpm, "speed")
        loaded = low.shown if low.number == high.number else f"{low.number} to {high.shown}"
        out.append(
            f"About {loaded} under full load; its field turns at {frame.figure(motor.synchronous_rpm, 'speed').shown}."
        )
    if engine is not None:
        out.append(f"The engine turns at {engine.full_load.shown} loaded and {engine.no_load.shown} without load.")
    if generates is not None:
        out.append(
            f"The generator wants {generates.speed.shown}, {generates.lowest.number} to {generates.highest.shown}."
        )
    return " ".join(out)


@calculation(
    "motor-speed",
    "Speed of a motor",
    summary="Motors by poles and frequency, engines by their governor, and the speed at which a generator holds its frequency.",
    source="kinematics; NEMA MG 1 and IEC practice",
    example={"units": "us", "input": {"poles": 4, "frequency": 60, "nameplate_speed": "1750"}},
    card=Card(
        asks="How fast does the motor turn?",
        topic="Speeds and sizes",
        sentence="A motor of {poles} poles on {frequency} Hz; its plate says {nameplate_speed}.|"
        "A frequency drive takes it from {low_frequency} to {high_frequency} Hz.",
        figures=("full_load_low", "slip", "at_high_frequency"),
        picture="plate",
        fresh={"frequency": "60"},
        then=("motor-min-sheave", "How small a sheave may it carry?"),
    ),
)
def motor_speed_entry(given: MotorSpeedIn, frame: Frame) -> MotorSpeedOut:
    """Work the speeds. Raises InputError where neither motor, engine nor generator is said."""
    if given.poles is None and given.engine is None and given.generator is None:
        raise InputError("poles", None, "which motor?", "its poles, or an engine, or a generator")
    f = frame.figure
    engine = None if given.engine is None else _engine(given.engine, frame)
    r = None
    if given.poles is not None:
        r = motor_speed(
            given.poles, given.frequency, maybe(given.nameplate_speed), given.low_frequency, given.high_frequency
        )
    driver = given.engine.full_speed.value if given.engine is not None else None if r is None else r.low_rpm
    generates = None if given.generator is None else _generator(given.generator, driver, frame)
    return MotorSpeedOut(
        says=_says(r, engine, generates, frame),
        full_load_low=None if r is None else f(r.low_rpm, "speed"),
        full_load_high=None if r is None else f(r.high_rpm, "speed"),
        synchronous=None if r is None else f(r.synchronous_rpm, "speed"),
        slip=None if r is None else f(r.slip_percent, "percent"),
        at_low_frequency=None if r is None or r.at_low_rpm is None else f(r.at_low_rpm, "speed"),
        at_high_frequency=None if r is None or r.at_high_rpm is None else f(r.at_high_rpm, "speed"),
        engine=engine,
        generator=generates,
    )


class MinSheaveIn(Input):
    """A motor and the kind of belt."""

    power: Power = Field(description="motor power")
    speed: Speed = Field(description="full-load speed")
    belts: Literal["classical", "narrow"] = Field(default="narrow", description="kind of V-belt")
    frame: Annotated[Text, Field(max_length=10)] | None = Field(
        default=None, description="frame on the nameplate, such as 215T"
    )


class MinSheaveOut(CardAnswer):
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
    card=Card(
        asks="How small a sheave may the motor carry?",
        topic="Speeds and sizes",
        sentence="A motor of {power} at {speed}, frame {frame}, drives {belts}.",
        figures=("least_sheave", "widest_face", "frame"),
        picture="motor",
        fresh={"belts": "narrow"},
        on_picture=("power", "speed"),
        names={"belts": {"narrow": "narrow V-belts (3V, 5V, 8V)", "classical": "classical V-belts (A, B, C, D)"}},
    ),
)
def motor_min_sheave(given: MinSheaveIn, frame: Frame) -> MinSheaveOut:
    """Look it up."""
    narrow = given.belts == "narrow"
    r = least_motor_sheave(
        given.power.value, given.speed.value, narrow, given.frame.strip().upper() if given.frame else None
    )
    f = frame.figure
    least, face = f(r.least_mm, "length", "size"), f(r.widest_mm, "length", "size")
    return MinSheaveOut(
        says=f"No smaller than {least.shown} {'outside' if narrow else 'pitch'} diameter, no wider than {face.shown}, frame {r.frame}.",
        least_sheave=least,
        measured_as="outside diameter" if narrow else "pitch diameter",
        widest_face=face,
        frame=r.frame,
    )
