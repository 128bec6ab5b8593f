"""What is known of a drive's start, shafts and maker's number: asked once, kept with the drive, used wherever a tension is judged."""

from dataclasses import replace
from typing import Literal

from pydantic import Field

from tuyere.calc.entry import Force, Hours, Length, Power, Size, Stress, maybe, value_of
from tuyere.calc.held import HeldDrive
from tuyere.calc.maker import MakerIn
from tuyere.calc.parts import Text
from tuyere.calc.registry import Input
from tuyere.core.drive.look_around import slips_under_n
from tuyere.core.errors import InputError
from tuyere.core.steps import quiet
from tuyere.core.tension.cliffs import Cliff, Cliffs, ShaftAsked, cliffs_of, start_multiple

Start = Literal[
    "across-the-line",
    "across-the-line-high-torque",
    "star-delta",
    "soft-start",
    "variable-speed",
    "single-phase",
    "engine-clutch",
]


class ShaftAskedIn(Input):
    """A shaft at its wheel, as far as it is known; every part left out is a figure less."""

    engine: bool = Field(default=False, description="an engine's crankshaft")
    overhang: Length | None = Field(default=None, description="middle of the wheel to the near bearing")
    spacing: Length | None = Field(default=None, description="bearings apart, middle to middle")
    diameter: Size | None = Field(default=None, description="shaft at the wheel")
    strength: Stress | None = Field(default=None, description="tensile strength of its steel")
    seat: Literal["keyway", "plain"] = Field(default="keyway", description="how the wheel sits on it")
    rating: Force | None = Field(default=None, description="basic dynamic rating C of the near bearing")
    bearing: Literal["ball", "roller"] = Field(default="ball", description="ball or roller bearing")
    hours: Hours | None = Field(default=None, description="life wanted of the bearing; 20,000 h are assumed")
    overhung: Force | None = Field(default=None, description="overhung or side load that its maker allows")


class EndsIn(Input):
    """What both ends of a tension are worked from besides the drive itself; every part left out is a figure less."""

    start: Start | None = Field(default=None, description="how it is started")
    motor_power: Power | None = Field(default=None, description="power on the motor's plate; the duty's is taken")
    driver_shaft: ShaftAskedIn | None = Field(default=None, description="the driver's shaft")
    driven_shaft: ShaftAskedIn | None = Field(default=None, description="the driven shaft")
    maker: MakerIn | None = Field(default=None, description="the machine maker's number")
    span: Text | None = Field(
        default=None,
        description="the strand that is pressed or sounded, such as driver-fan; the longest where left open",
    )


def _shaft(given: ShaftAskedIn | None, name: str, rpm: float, power_kw: float) -> ShaftAsked:
    if given is None:
        return ShaftAsked(name=name, rpm=rpm, power_kw=power_kw)
    return ShaftAsked(
        name=name,
        rpm=rpm,
        power_kw=power_kw,
        engine=given.engine,
        overhang_mm=maybe(given.overhang),
        diameter_mm=maybe(given.diameter),
        strength_mpa=maybe(given.strength),
        seat=given.seat,
        bearing_n=maybe(given.rating),
        spacing_mm=maybe(given.spacing),
        hours=value_of(given.hours, 20000.0),
        bearing=given.bearing,
        overhung_n=maybe(given.overhung),
    )


def cliffs_asked(given: EndsIn, held: HeldDrive) -> Cliffs:
    """Both ends for the shafts and the start as they are given. Raises InputError beside the shaft's field."""
    worked = held.worked
    shafts = (
        _shaft(given.driver_shaft, "driver", worked.case.driver_rpm, worked.case.power_kw),
        _shaft(given.driven_shaft, "driven", float(worked.driven_rpm), worked.case.power_kw),
    )
    for shaft in shafts:
        if shaft.overhang_mm is not None and shaft.overhang_mm <= 0:
            raise InputError(f"{shaft.name}_shaft.overhang", shaft.overhang_mm, "no overhang", "over nothing")
        if shaft.hours <= 0:
            raise InputError(f"{shaft.name}_shaft.hours", shaft.hours, "a life of no hours", "over nothing")
    cliffs = cliffs_of(held.hold, start=given.start, motor_kw=maybe(given.motor_power), shafts=shafts)
    return cliffs if worked.case.route.plain is not None else _round_all(cliffs, held, given)


def _round_all(cliffs: Cliffs, held: HeldDrive, given: EndsIn) -> Cliffs:
    """Where it slips round more than two wheels is read from its own strands: the first wheel to go, wherever it is."""
    worked, method, belts = held.worked, held.family.method, held.hold.belts
    start = 1.0
    if given.start is not None and worked.case.power_kw:
        with quiet():
            start = float(start_multiple(given.start)[0]) * (maybe(given.motor_power) or worked.case.power_kw)
        start /= worked.case.power_kw
    times = {"slip-duty": 1.0, "slip-design": worked.design_kw / (worked.case.power_kw or 1.0), "slip-start": start}

    def exact(c: Cliff) -> Cliff:
        if c.key not in times or c.tension_n is None:
            return c
        under = slips_under_n(method, worked, times[c.key])
        return replace(c, tension_n=None if under is None else under / belts)

    every = tuple(exact(c) for c in cliffs.every)
    duty = next((c.tension_n for c in every if c.key == "slip-duty"), None)
    return replace(cliffs, every=every, slips_under_n=duty)
