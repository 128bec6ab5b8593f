"""A duty for any family, and the drives a family offers for it, as they are sent."""

from __future__ import annotations

from typing import Annotated, Any

from pydantic import Field

from tuyere.calc.answer import Answer, Band, ElevationOut, Figure
from tuyere.calc.centre import CentreIn, centre_range
from tuyere.calc.duty import DutyIn
from tuyere.calc.entry import Size, value_of
from tuyere.calc.families.beside import DAYS, beside
from tuyere.calc.families.protocol import Family, Offer, Offered, Wanted
from tuyere.calc.frame import Frame, elevation_out
from tuyere.calc.parts import LayoutIn, Real, Whole, tolerance_of
from tuyere.calc.registry import Input
from tuyere.core.errors import InputError
from tuyere.core.notices import notice

MOST_RATIO = 15.0


class RoomIn(Input):
    """What there is room for."""

    largest: Size | None = Field(default=None, description="largest wheel that fits, outside diameter")
    width: Size | None = Field(default=None, description="widest belt, chain or sheave face that fits")


class AnyDutyIn(DutyIn):
    """A duty, whatever will drive it."""

    centre: CentreIn = Field(description="centre distance")
    limits: RoomIn = Field(default_factory=RoomIn, description="room")
    days_a_year: Annotated[Whole, Field(ge=1, le=366)] | None = Field(
        default=None, description="days it runs; 250 are assumed"
    )
    energy_price: Annotated[Real, Field(ge=0, le=100)] | None = Field(
        default=None, description="price of a kilowatt-hour, in your money"
    )
    layout: LayoutIn = Field(default_factory=LayoutIn, description="for the drawing")
    keep: Annotated[Whole, Field(ge=1, le=9)] = Field(default=3, description="options wanted of each family")


class FamilyOption(Answer):
    """One drive of a family for the duty. ``input`` works again by ``calc``; numbers in the core's units."""

    name: str
    telling: str
    calc: str
    input: dict[str, Any]
    driven_speed: Figure
    speed_error: Figure
    centre_distance: Figure
    spare: Figure
    width: Figure
    shaft_load: Figure
    weight: Band
    parts: Figure
    efficiency: Band
    yearly_loss: Band
    yearly_cost: Band | None
    kinds: list[str] = Field(description="what it is first in among its family: fewest parts, smallest, lightest")
    elevation: ElevationOut


class FellOut(Answer):
    """A limit and how many fell at it first."""

    limit: str
    count: int


def wanted_of(given: AnyDutyIn, basis: str, own: dict[str, Any] | None = None) -> Wanted:
    """The duty as the families take it; assumptions are said. Raises InputError beside the field."""
    low, high = centre_range(given.centre)
    tolerance = tolerance_of(given.tolerance)
    ratio = given.driver_speed.value / given.driven_speed.value
    if not 1 / MOST_RATIO <= ratio <= MOST_RATIO:
        raise InputError(
            "driven_speed",
            given.driven_speed.value,
            f"a ratio of {max(ratio, 1 / ratio):.0f} : 1 is beyond one drive of any kind",
            f"up to {MOST_RATIO:.0f} : 1; use two stages or a gearbox",
        )
    about = given.centre.about.value if given.centre.about is not None else (low + high) / 2
    inf = float("inf")
    return Wanted(
        power_kw=given.power.value,
        service=given.service_factor,
        driver_rpm=given.driver_speed.value,
        driven_rpm=given.driven_speed.value,
        tolerance_percent=tolerance,
        centre_mm=about,
        centre_low_mm=low,
        centre_high_mm=high,
        largest_mm=value_of(given.limits.largest, inf),
        widest_mm=value_of(given.limits.width, inf),
        angle=given.layout.angle,
        clockwise=given.layout.clockwise,
        basis=basis,
        own=own or {},
    )


def days_of(given: AnyDutyIn) -> float:
    """Days a year for the losses; assumptions are said."""
    if given.days_a_year is None:
        notice("info", "days-assumed", "250 days a year are assumed for the losses.", "input.days_a_year")
    service = given.service_factor
    # Where the service factor follows from the hours, it says itself that they are assumed.
    if service is not None and service.assume is not None and service.hours_a_day is None:
        notice(
            "info", "hours-assumed", "10 hours a day are assumed for the losses.", "input.service_factor.hours_a_day"
        )
    return float(given.days_a_year or DAYS)


def option_out(o: Offered, family: Family[Any], given: AnyDutyIn, days: float, frame: Frame) -> FamilyOption:
    """An offered drive as figures."""
    f = frame.figure
    service = given.service_factor
    asked = {} if service is None else service.model_dump(exclude_none=True, mode="json")
    side = beside(
        frame,
        efficiency=o.efficiency,
        power_kw=given.power.value,
        service=service,
        centre_mm=o.centre_mm,
        width_mm=o.width_mm,
        weight=o.weight,
        parts=o.parts,
        days=days,
    )
    lost, price = side.yearly_loss, given.energy_price
    cost = (
        None
        if price is None
        else frame.band(lost.low.value * price, lost.high.value * price, kind="money", steps=("", ""), style="about")
    )
    return FamilyOption(
        name=o.name,
        telling=o.telling,
        calc=family.calc,
        input=o.input | ({"service_factor": asked} if asked else {}),
        driven_speed=f(o.driven_rpm, "speed"),
        speed_error=f(o.error_percent, "percent"),
        centre_distance=side.centre_distance,
        spare=f(o.spare_percent, "percent"),
        width=side.width,
        shaft_load=f(o.shaft_load_n, "force", per="hub"),
        weight=side.weight,
        parts=side.parts,
        efficiency=side.efficiency,
        yearly_loss=lost,
        yearly_cost=cost,
        kinds=list(o.kinds),
        elevation=elevation_out(o.elevation),
    )


def fell_out(offer: Offer) -> list[FellOut]:
    """Where the others fell."""
    return [FellOut(limit=n, count=k) for n, k in offer.rejected]
