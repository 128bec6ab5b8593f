"""Inputs and answers of the V-belt search."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Band, ElevationOut, Figure
from tuyere.calc.centre import CentreIn
from tuyere.calc.duty import DutyIn
from tuyere.calc.entry import Force, Power, Size
from tuyere.calc.families.v_belt.drive_model import VBeltDriveOut
from tuyere.calc.families.v_belt.parts import Groove, Kind, OwnRatings, SheaveIn
from tuyere.calc.parts import LayoutIn, Real, SlipIn, Text, Whole
from tuyere.calc.registry import Input


class FixedIn(Input):
    """Parts that stay."""

    driver: SheaveIn | None = Field(default=None, description="the driver sheave that stays")
    driven: SheaveIn | None = Field(default=None, description="the driven sheave that stays")
    section: Text | None = Field(default=None, description="the belt section that stays, such as B, 5VX or SPB")
    belt: Text | None = Field(default=None, description="the belt that stays, such as B90")


class MotorLimitIn(Input):
    """A standard T-frame motor on the driver."""

    power: Power | None = Field(default=None, description="nameplate power; the duty's is taken where left open")
    frame: Text | None = Field(default=None, description="frame off the nameplate, such as 254T")


class BearingLimitIn(Input):
    """The bearing beside a sheave, which has to last."""

    shaft: Literal["driver", "driven"] = Field(default="driven", description="which shaft")
    rating: Force = Field(description="basic dynamic rating C")
    overhang: Size = Field(description="middle of the sheave to the near bearing")
    spacing: Size = Field(description="bearings apart, middle to middle")
    bearing: Literal["ball", "roller"] = Field(default="ball", description="ball or roller bearing")
    hours: Annotated[Real, Field(ge=100, le=500_000)] = Field(default=20_000, description="hours it has to reach (L10)")


class LimitsIn(Input):
    """What there is room for, and what motor, shafts and bearings stand."""

    belts: Annotated[Whole, Field(ge=1, le=20)] = Field(default=8, description="most belts")
    driver_outside: Size | None = Field(default=None, description="largest driver that fits, outside diameter")
    driven_outside: Size | None = Field(default=None, description="largest driven that fits, outside diameter")
    width: Size | None = Field(default=None, description="widest sheave face that fits")
    motor: MotorLimitIn | None = Field(default=None, description="keep to the least sheave of a standard motor")
    driver_shaft: Size | None = Field(
        default=None, description="diameter of the driver's shaft: the sheave needs a hub round it"
    )
    driven_shaft: Size | None = Field(
        default=None, description="diameter of the driven shaft: the sheave needs a hub round it"
    )
    shaft_pull: Force | None = Field(default=None, description="largest pull that either shaft stands")
    bearing: BearingLimitIn | None = Field(default=None, description="the bearing beside a sheave, which has to last")


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


class StockedSheaveIn(Input):
    """A sheave on the shelf."""

    groove: Groove
    diameter: Size
    kind: Kind = "outside"


class StockIn(Input):
    """What is on the shelf; parts that are there count for a drive."""

    belts: Annotated[list[Annotated[Text, Field(min_length=1)]], Field(max_length=1500)] = []
    sheaves: Annotated[list[StockedSheaveIn], Field(max_length=400)] = []


class VBeltSelectIn(DutyIn):
    """A duty and what a drive for it may look like."""

    centre: CentreIn = Field(description="centre distance")
    fixed: FixedIn = Field(default_factory=FixedIn, description="parts that stay")
    limits: LimitsIn = Field(default_factory=LimitsIn, description="room")
    weights: WeightsIn = Field(default_factory=WeightsIn, description="how the order is made")
    stock: StockIn | None = Field(default=None, description="what is on your shelf")
    slip: SlipIn
    series: Literal["all", "inch", "metric"] = Field(default="inch", description="inch or metric sections, or all")
    own_ratings: OwnRatings | None = Field(default=None, description="your own rating table, for the basis own-table")
    layout: LayoutIn = Field(default_factory=LayoutIn, description="for the drawing")
    keep: Annotated[Whole, Field(ge=1, le=24)] = Field(default=9, description="options wanted")


class OptionOut(Answer):
    """One drive that does the duty, with what sets it apart."""

    name: str
    section: str
    groove: Groove
    driver_diameter: Figure
    driven_diameter: Figure
    diameter_kind: Literal["datum", "effective"]
    belts: Figure
    speed_error: Figure
    shaft_load: Figure
    width: Figure
    cost: float
    cost_parts: dict[str, float]
    stocked: bool
    on_shelf: int = Field(description="how many of driver, driven and belt are on your shelf")
    kinds: list[str] = Field(description="what it is first in: fewest parts, smallest, lightest")
    weight: Band
    reasons: list[str]
    drive: VBeltDriveOut
    elevation: ElevationOut


class RejectedOut(Answer):
    """A limit that others fell at."""

    limit: str
    count: int
    nearest: str
    says: str


class VBeltSelectOut(Answer):
    """Ranked options; empty when nothing fits, and then ``rejected`` says why."""

    considered: int
    accepted: int
    design_power: Figure
    centre_low: Figure
    centre_high: Figure
    options: list[OptionOut]
    rejected: list[RejectedOut]
