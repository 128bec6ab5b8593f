"""What a person says of a loop that goes round more than two wheels."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.entry import Angle, Force, Gap, Length, Place, Power, Size
from tuyere.calc.parts import Text, Whole
from tuyere.calc.registry import Input

Name = Annotated[Text, Field(min_length=1, max_length=30)]
# The two strands of the plain drive, in the sense of travel: a further wheel stands on one of them.
Between = Literal["driver-driven", "driven-driver"]
GOING: Between = "driver-driven"
COMING: Between = "driven-driver"
MOST_MORE = 58


class TakeUpIn(Input):
    """The one part that moves: a wheel that slides, or swings on an arm; a spring, a weight or a pull at a lever."""

    wheel: Name = Field(description="which wheel moves")
    direction: Angle | None = Field(
        title="Slides towards", default=None, description="slides in this direction, degrees over level"
    )
    pin_x: Place | None = Field(default=None, description="or swings about a pin: to the right of the driver's shaft")
    pin_y: Place | None = Field(default=None, description="and over it")
    pin_from_driver: Length | None = Field(default=None, description="or the pin by tape: from the driver's shaft")
    pin_from_driven: Length | None = Field(default=None, description="and from the driven shaft")
    pin_above: bool = Field(default=True, description="of the two places where the tapes meet, the upper one")
    low: Place = Field(title="Travel to one stop", description="travel to one stop, from where it stands")
    high: Place = Field(title="Travel to the other stop", description="travel to the other stop")
    pull: Force | None = Field(default=None, description="spring or weight: pull at the wheel, towards the second stop")
    hand: Force | None = Field(default=None, description="or pull at the lever's end")
    hand_arm: Length | None = Field(default=None, description="lever, from its pin to where it is pulled")
    wheel_arm: Length | None = Field(
        default=None, description="lever, from its pin to the wheel; as it is drawn where left open"
    )
    held_by: Literal["spring", "weight", "lever"] = Field(default="spring", description="what pulls it")


class AroundWheelIn(Input):
    """An idler or a further driven shaft: on which strand, which face of the loop touches it, where it is, how large."""

    name: Name = Field(description="what it is called")
    role: Literal["idler", "driven"] = Field(default="idler", description="what it is")
    between: Between = Field(description="the strand it stands on: from driver to driven, or back")
    side: Literal["inside", "outside"] = Field(default="inside", description="face of the loop that touches it")
    x: Place | None = Field(default=None, description="shaft, to the right of the driver's")
    y: Place | None = Field(default=None, description="shaft, over the driver's")
    from_driver: Length | None = Field(default=None, description="or by tape: from the driver's shaft")
    from_driven: Length | None = Field(default=None, description="and from the driven shaft")
    above: bool = Field(default=True, description="of the two places where the tapes meet, the upper one")
    along: Length | None = Field(default=None, description="or on its strand: so far along from where it begins")
    pushed: Length | None = Field(default=None, description="and pushed in so far")
    diameter: Size | None = Field(default=None, description="outside diameter")
    teeth: Annotated[Whole, Field(ge=4, le=300)] | None = Field(default=None, description="teeth, where it has them")
    power: Power | None = Field(default=None, description="power that is taken from it")


class GuideIn(Input):
    """A fixed pin or keeper beside the loop, and the gap it is set to."""

    name: Name = Field(description="what it is called")
    x: Place = Field(description="its middle, to the right of the driver's shaft")
    y: Place = Field(description="its middle, over the driver's shaft")
    diameter: Size = Field(description="diameter of the pin")
    side: Literal["inside", "outside"] = Field(default="outside", description="stands within the loop or round it")
    least: Gap | None = Field(default=None, description="least gap to the belt; usual where left open")
    most: Gap | None = Field(default=None, description="greatest gap to the belt; usual where left open")


class AroundIn(Input):
    """What is on the loop beside driver and driven."""

    driven_x: Place = Field(description="driven shaft, to the right of the driver's")
    driven_y: Place = Field(description="driven shaft, over the driver's")
    driven_side: Literal["inside", "outside"] = Field(
        default="inside", description="face of the loop that touches the driven wheel"
    )
    wheels: Annotated[list[AroundWheelIn], Field(max_length=MOST_MORE)] = Field(
        default=[], description="further wheels, each strand's in the order in which the loop meets them"
    )
    guides: Annotated[list[GuideIn], Field(max_length=20)] = Field(default=[], description="guides and keepers")
    take_up: TakeUpIn | None = Field(default=None, description="what takes up; left open, the driven shaft slides")
    engages: bool = Field(default=False, description="the loop is the clutch: let go, it must not drag")


class DriveIn(Input):
    """What every family's whole drive may say beside its own."""

    around: AroundIn | None = Field(default=None, description="more than two wheels: idlers, guides, further shafts")


def around_said(given: Input) -> AroundIn | None:
    """What an input says of a loop of more than two wheels; None where it says nothing or cannot."""
    return given.around if isinstance(given, DriveIn) else None
