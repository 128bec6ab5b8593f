"""Inputs that the calculations of several families share."""

from __future__ import annotations

from collections.abc import Callable
from typing import Annotated, Any, Literal

from pydantic import BeforeValidator, Field

from tuyere.calc.entry import Factor, HoursADay, Percent, value_of
from tuyere.calc.registry import Input
from tuyere.core.duty.service import Conditions, association_factor, conditions
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.sources import Source
from tuyere.core.steps import looked_up


def _no_truth(value: Any) -> Any:
    if isinstance(value, bool):
        raise ValueError("a number is wanted, not yes or no")
    return value


Whole = Annotated[int, BeforeValidator(_no_truth)]
Real = Annotated[float, BeforeValidator(_no_truth)]
# No NUL or other control character: the store cannot keep it and nobody types it.
Text = Annotated[str, Field(max_length=80, pattern=r"^[^\x00-\x1f]*$")]
Load = Literal["light", "medium", "heavy", "extra heavy"]


class ServiceFactorIn(Input):
    """Either a factor taken as given, or what it follows from; each family has its own factors for it."""

    assume: Factor | None = Field(default=None, description="a factor you take as given")
    driver: Text | None = Field(
        default=None, description="what drives and how it is started", json_schema_extra={"x-choices": "drivers"}
    )
    machine: Text | None = Field(
        default=None, description="the driven machine", json_schema_extra={"x-choices": "driven_machines"}
    )
    load: Load | None = Field(default=None, description="how it runs, where no machine of the list fits")
    hours_a_day: HoursADay | None = Field(default=None, description="running hours a day")
    chokes: bool | None = Field(default=None, description="can it jam and stall the drive?")


class LayoutIn(Input):
    """How the drive stands, for the drawing only."""

    angle: Real = Field(
        default=0.0, ge=-180, le=180, description="direction from driver to driven shaft, degrees above horizontal"
    )
    clockwise: bool = Field(default=True, description="the driver turns clockwise as drawn")


def factor_of(given: ServiceFactorIn | None, family: Callable[[Conditions], float] = association_factor) -> float:
    """The service factor to use, recorded as a step; assumptions are said. Raises InputError on half an answer.

    ``family`` gives the family's own factor for the conditions.
    """
    if given is not None and given.assume is not None:
        value = given.assume.value
        if value < 0.8 or value > 5:
            raise InputError("service_factor.assume", value, "not a service factor", "0.8 to 5")
        notice(
            "caution",
            "assumed",
            "Service factor {factor} is assumed.",
            "input.service_factor",
            "Choose the driver, the driven machine and the hours.",
            factor=(value, "factor"),
        )
        source = Source(title="as given", origin="assumed", confidence="medium")
        return looked_up("K_s", value, "", source)
    if given is None or (given.driver is None and given.machine is None and given.load is None):
        hours = value_of(given.hours_a_day if given else None, 10.0)
        chokes = given.chokes if given else None
        try:
            found = family(conditions("motor-nema-b", None, hours, chokes, "medium"))
        except InputError as e:
            raise e.at(f"service_factor.{e.field}") from e
        factor = found
        notice(
            "caution",
            "assumed",
            "Service factor {factor} is assumed: "
            + ("a medium machine, normal hours." if hours == 10.0 else "a medium machine."),
            "input.service_factor",
            "Choose the driver, the driven machine and the hours.",
            factor=(factor, "factor"),
        )
        return factor
    try:
        return family(conditions_of(given))
    except InputError as e:
        raise e.at(f"service_factor.{e.field}".replace("factor.service_factor.", "factor.")) from e


def conditions_of(given: ServiceFactorIn) -> Conditions:
    """Conditions from driver, machine and hours; ten hours and an easy start are assumed where not given, and said."""
    if given.machine is None and given.load is None:
        raise InputError(
            "machine", None, "the driven machine is needed beside the driver", "a key of the handbook table"
        )
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
    return conditions(driver, given.machine, hours, given.chokes, given.load)


def tolerance_of(given: Any) -> float:
    """Allowed speed error in percent, 3 assumed and said; raises InputError for none at all or half the speed."""
    value = value_of(given, 3.0)
    if given is None:
        notice(
            "caution",
            "assumed",
            "3 % either way on the driven speed is assumed.",
            "input.tolerance",
            "Say how exact it must be.",
        )
    if not 0 < value <= 50:
        raise InputError("tolerance", value, "not a speed tolerance", "over 0 to 50 %")
    return value


def slip_of(slip: Any) -> float:
    """Slip in percent, none assumed; raises InputError beyond what a driving belt does."""
    value = value_of(slip, 0.0)
    if not 0 <= value <= 20:
        raise InputError("slip", value, "not a slip of a belt that still drives", "0 to 20 %")
    return value


SlipIn = Annotated[Percent | None, Field(default=None, description="belt slip; none is assumed, up to 2 % is shown")]
