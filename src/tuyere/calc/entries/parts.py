"""Inputs that several V-belt calculations share."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import BeforeValidator, Field

from tuyere.calc.entry import Factor, Hours, Percent, Size, Speed, value_of
from tuyere.calc.registry import Input
from tuyere.core.duty.service import ServiceFactor, service_factor
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.sources import Source
from tuyere.core.steps import looked_up, mark
from tuyere.core.tables import table
from tuyere.core.vbelt.sheaves import Sheave, sheave

Kind = Literal["outside", "effective", "datum", "pitch"]
Groove = Literal["A", "B", "C", "D", "3V", "5V", "8V"]
DRIVERS = [str(k) for k in table("drivers").column("key")]
MACHINES = [str(k) for k in table("driven_machines").column("key")]


def _no_truth(value: Any) -> Any:
    if isinstance(value, bool):
        raise ValueError("a number is wanted, not yes or no")
    return value


Whole = Annotated[int, BeforeValidator(_no_truth)]
Real = Annotated[float, BeforeValidator(_no_truth)]
# No NUL or other control character: the store cannot keep it and nobody types it.
Text = Annotated[str, Field(max_length=80, pattern=r"^[^\x00-\x1f]*$")]


class ServiceFactorIn(Input):
    """Either a factor taken as given, or what it follows from."""

    assume: Factor | None = Field(default=None, description="a factor you take as given")
    driver: Text | None = Field(
        default=None, description="what drives and how it is started", json_schema_extra={"x-choices": "drivers"}
    )
    machine: Text | None = Field(
        default=None, description="the driven machine", json_schema_extra={"x-choices": "driven_machines"}
    )
    hours_a_day: Hours | None = Field(default=None, description="running hours a day")
    chokes: bool | None = Field(default=None, description="can it jam and stall the drive?")


class SheaveIn(Input):
    """A grooved sheave: one diameter, which diameter that is, and its groove."""

    diameter: Size = Field(description="diameter of the sheave")
    kind: Kind | None = Field(
        default=None,
        description="which diameter: outside by tape or caliper (the default), "
        "datum or pitch (classical), effective (narrow)",
    )
    groove: Groove = Field(description="groove section")


class ShaftIn(Input):
    """The driving shaft: its speed and its sheave."""

    speed: Speed = Field(description="speed under load, from nameplate or tachometer")
    sheave: SheaveIn


class DrivenIn(Input):
    """The driven shaft's sheave."""

    sheave: SheaveIn


class LayoutIn(Input):
    """How the drive stands, for the drawing only."""

    angle: Real = Field(
        default=0.0, ge=-180, le=180, description="direction from driver to driven shaft, degrees above horizontal"
    )
    clockwise: bool = Field(default=True, description="the driver turns clockwise as drawn")


def sheave_of(given: SheaveIn, field: str) -> Sheave:
    """The core's sheave; an outside diameter is taken where the kind is left open, and said."""
    kind = given.kind
    if kind is None:
        kind = "outside"
        notice(
            "info",
            "kind-assumed",
            "The diameter is taken as the outside diameter.",
            f"input.{field}.kind",
            "Say which diameter it is.",
        )
    return sheave(given.diameter.value, kind, given.groove, field)


def factor_of(given: ServiceFactorIn | None) -> float:
    """The service factor to use, recorded as a step; assumptions are said. Raises InputError on half an answer."""
    if given is not None and given.assume is not None:
        value = given.assume.value
        if value < 0.8 or value > 5:
            raise InputError("service_factor.assume", value, "not a service factor", "0.8 to 5")
        notice(
            "caution",
            "assumed",
            f"Service factor {value:g} is assumed.",
            "input.service_factor",
            "Choose the driver, the driven machine and the hours.",
        )
        return float(
            mark(
                "service_factor", looked_up("K_s", value, "", Source("as given", origin="assumed", confidence="medium"))
            )
        )
    if given is None or (given.driver is None and given.machine is None):
        notice(
            "caution",
            "assumed",
            "Service factor 1.2 is assumed: a medium machine, normal hours.",
            "input.service_factor",
            "Choose the driver, the driven machine and the hours.",
        )
        return float(
            mark(
                "service_factor",
                looked_up("K_s", 1.2, "", Source("assumed for a medium machine", origin="assumed", confidence="low")),
            )
        )
    if given.machine is None:
        raise InputError(
            "service_factor.machine",
            None,
            "the driven machine is needed beside the driver",
            "a key of the handbook table",
        )
    return worked_factor(given).factor


def worked_factor(given: ServiceFactorIn) -> ServiceFactor:
    """The factor from driver, machine and hours; ten hours are assumed where none are given."""
    hours = value_of(given.hours_a_day, 10.0)
    if given.hours_a_day is None:
        notice(
            "caution",
            "assumed",
            "10 hours a day are assumed.",
            "input.service_factor.hours_a_day",
            "Say how long it runs.",
        )
    driver = given.driver
    if driver is None:
        driver = "motor-nema-b"
        notice(
            "caution",
            "driver-assumed",
            "A squirrel-cage motor with an easy start is assumed.",
            "input.service_factor.driver",
            "Say what drives and how it starts.",
        )
    try:
        found = service_factor(driver, given.machine or "", hours, given.chokes)
    except InputError as e:
        raise InputError(f"service_factor.{e.field}", e.value, e.why, e.allowed) from e
    mark("service_factor", found.factor)
    return found


def slip_of(slip: Any) -> float:
    """Slip in percent, none assumed; raises InputError beyond what a driving belt does."""
    value = value_of(slip, 0.0)
    if not 0 <= value <= 20:
        raise InputError("slip", value, "not a slip of a belt that still drives", "0 to 20 %")
    return value


SlipIn = Annotated[Percent | None, Field(default=None, description="belt slip; none is assumed, up to 2 % is shown")]
