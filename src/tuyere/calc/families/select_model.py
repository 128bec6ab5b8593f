"""What every search is asked, whatever will drive it: a duty, the room there is, the shelf, and how the order is made."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import BeforeValidator, Field, JsonValue

from tuyere.calc.answer import Answer, Band, ElevationOut, Figure
from tuyere.calc.centre import CentreIn
from tuyere.calc.duty import DutyIn
from tuyere.calc.entry import Force, Power, Size
from tuyere.calc.parts import LayoutIn, Real, Text, Whole
from tuyere.calc.registry import Input


class MotorLimitIn(Input):
    """A standard T-frame motor on the driver."""

    power: Power | None = Field(default=None, description="nameplate power; the duty's is taken where left open")
    frame: Text | None = Field(default=None, description="frame off the nameplate, such as 254T")


class BearingLimitIn(Input):
    """The bearing beside a wheel, which has to last."""

    shaft: Literal["driver", "driven"] = Field(default="driven", description="which shaft")
    rating: Force = Field(description="basic dynamic rating C")
    overhang: Size = Field(description="middle of the sheave to the near bearing")
    spacing: Size = Field(description="bearings apart, middle to middle")
    bearing: Literal["ball", "roller"] = Field(default="ball", description="ball or roller bearing")
    hours: Annotated[Real, Field(ge=100, le=500_000)] = Field(default=20_000, description="hours it has to reach (L10)")


class LimitsIn(Input):
    """What there is room for, and what motor, shafts and bearings stand."""

    belts: Annotated[Whole, Field(ge=1, le=20)] = Field(default=8, description="most belts or strands")
    largest: Size | None = Field(default=None, description="largest wheel that fits, outside diameter")
    driver_outside: Size | None = Field(default=None, description="largest driver that fits, outside diameter")
    driven_outside: Size | None = Field(default=None, description="largest driven that fits, outside diameter")
    width: Size | None = Field(default=None, description="widest belt, chain or sheave face that fits")
    motor: MotorLimitIn | None = Field(default=None, description="keep to the least sheave of a standard motor")
    driver_shaft: Size | None = Field(
        default=None, description="diameter of the driver's shaft: the wheel needs a hub round it"
    )
    driven_shaft: Size | None = Field(
        default=None, description="diameter of the driven shaft: the wheel needs a hub round it"
    )
    shaft_load: Force | None = Field(default=None, description="largest load that either shaft stands")
    bearing: BearingLimitIn | None = Field(default=None, description="the bearing beside a wheel, which has to last")


Count = Annotated[Real, Field(ge=0, le=10)]


class WeightsIn(Input):
    """How much each figure counts in the order; each is divided by the best one found.

    While all count alike, the three kinds of answer come first: fewest parts, smallest, lightest.
    """

    parts: Count = 1.0
    size: Count = 1.0
    width: Count = 1.0
    weight: Count = 1.0
    shaft_load: Count = 1.0
    speed: Count = 1.0
    spare: Count = 1.0
    common: Count = 1.0
    stock: Count = 1.0


class StockedWheelIn(Input):
    """A wheel on the shelf: by its diameter, or by its teeth."""

    groove: Text = Field(description="groove, chain or tooth profile it is made for")
    diameter: Size | None = Field(default=None, description="diameter of a sheave or pulley")
    kind: Literal["outside", "effective", "datum", "pitch"] = "outside"
    teeth: Annotated[Whole, Field(ge=5, le=500)] | None = Field(default=None, description="teeth of a toothed wheel")


class StockIn(Input):
    """What is on the shelf; parts that are there count for a drive."""

    belts: Annotated[list[Annotated[Text, Field(min_length=1)]], Field(max_length=1500)] = []
    sheaves: Annotated[list[StockedWheelIn], Field(max_length=400)] = []


def _about(value: Any) -> Any:
    """A plain length is the centre distance that is there."""
    return {"about": value} if isinstance(value, str | int | float) and not isinstance(value, bool) else value


class SelectIn(DutyIn):
    """A duty, and what a drive for it may look like."""

    centre: Annotated[CentreIn, BeforeValidator(_about)] = Field(description="centre distance")
    limits: LimitsIn = Field(default_factory=LimitsIn, description="room")
    weights: WeightsIn = Field(default_factory=WeightsIn, description="how the order is made")
    stock: StockIn | None = Field(default=None, description="what is on your shelf")
    days_a_year: Annotated[Whole, Field(ge=1, le=366)] | None = Field(
        default=None, description="days it runs; 250 are assumed"
    )
    energy_price: Annotated[Real, Field(ge=0, le=100)] | None = Field(
        default=None, description="price of a kilowatt-hour, in your money"
    )
    layout: LayoutIn = Field(default_factory=LayoutIn, description="for the drawing")
    keep: Annotated[Whole, Field(ge=1, le=24)] = Field(default=9, description="options wanted")


class LabelledFigure(Answer):
    """A figure with what it is called."""

    label: str
    shown: str


class OptionOut(Answer):
    """One drive of a family for the duty. ``input`` works again by ``calc``; numbers in the core's units."""

    name: str
    telling: str
    family: str
    calc: str
    input: dict[str, JsonValue]
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
    cost: float = Field(description="what makes the order; the least comes first")
    cost_parts: dict[str, float]
    on_shelf: int = Field(description="how many of driver, driven and loop are on your shelf")
    kinds: list[str] = Field(description="what it is first in among its family: fewest parts, smallest, lightest")
    reasons: list[str]
    more: list[LabelledFigure] = Field(description="figures that only this family has")
    elevation: ElevationOut


class RejectedOut(Answer):
    """A limit that others fell at: how many, the nearest of them, and by how much it misses."""

    limit: str
    count: int
    nearest: str
    says: str


class SelectOut(Answer):
    """Ranked options; empty when nothing fits, and then ``rejected`` says where they fell."""

    considered: int
    accepted: int
    best: str
    missing: str
    design_power: Figure
    centre_low: Figure
    centre_high: Figure
    spare: Figure | None
    options: list[OptionOut]
    rejected: list[RejectedOut]


class WhyNotLine(Answer):
    """One limit: does this drive meet it, and its figure."""

    limit: str
    passes: bool
    says: str


class WhyNotOut(Answer):
    """Every limit, the failed ones first; ``place`` among all that pass, 0 where it fails."""

    name: str
    design_power: Figure
    fits: bool
    place: int
    accepted: int
    cost: float | None
    best_cost: float | None
    heaviest: str = Field(description="what pulls it down most in the order; empty where it fails")
    lines: list[WhyNotLine]
