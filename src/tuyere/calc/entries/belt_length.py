"""`belt-length`: length from centres, or centres from length, open or crossed."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Length, Size, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Text
from tuyere.calc.registry import Input, calculation
from tuyere.core.drive.two_pulleys import work_two_pulleys
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.v_belt.marking import read_marking


class BeltLengthIn(Input):
    """Two pulleys and either the centre distance or the length, all along the same line of the belt."""

    driver_diameter: Size = Field(
        description="diameter of the driver along the belt's line (datum with datum length, "
        "effective with effective length)"
    )
    driven_diameter: Size = Field(description="diameter of the driven along the same line")
    centre_distance: Length | None = Field(default=None, description="centre distance; leave open to get it")
    belt_length: Length | None = Field(default=None, description="belt length; leave open to get it")
    belt: Annotated[Text, Field(min_length=1)] | None = Field(
        default=None, description="or the belt by what stands on it, such as B75; its length along the line is taken"
    )
    crossed: bool = Field(default=False, description="the belt is crossed")


def _like_a_number(typed: str | None) -> bool:
    """A bare whole number could as well be the one on a belt."""
    return typed is not None and typed.strip().isdecimal()


def _line_of(marking: str) -> float:
    """Length in mm along a belt's own line. Raises InputError where the marking does not give one."""
    first = read_marking(marking, "belt")[0]
    if first.line_mm is None:
        raise InputError(
            "belt",
            marking,
            "the marking gives no length along the pulleys' line",
            "the length itself, by tape or from the belt's sheet",
        )
    notice(
        "info",
        "length-line",
        f"{first.designation}: {{length}}, {first.line_kind} length; the diameters are taken along the same line.",
        "input.belt",
        length=(first.line_mm, "length"),
    )
    return first.line_mm


class BeltLengthOut(CardAnswer):
    """Exact geometry."""

    belt_length: Figure
    centre_distance: Figure
    small_arc: Figure
    large_arc: Figure
    span: Figure


@calculation(
    "belt-length",
    "Belt length and centre distance",
    summary="Exact length of an open or crossed belt on two pulleys, or the centre distance a length gives.",
    source="plane geometry, exact",
    example={
        "units": "us",
        "input": {"driver_diameter": "5.4 in", "driven_diameter": "9.4 in", "belt_length": "91.8 in"},
    },
    first=("centre_distance", "belt_length", "small_arc"),
    card=Card(
        asks="How long a belt, or how far apart?",
        topic="Speeds and sizes",
        sentence="Wheels of {driver_diameter} and {driven_diameter} along the belt's line stand {centre_distance} apart; "
        "the belt is {belt_length} long, or marked {belt}, and {crossed?open:crossed}. Leave the centres or the belt open.",
        figures=("centre_distance", "belt_length", "small_arc"),
        picture="wheels",
        on_picture=("driver_diameter", "driven_diameter", "centre_distance"),
    ),
)
def belt_length(given: BeltLengthIn, frame: Frame) -> BeltLengthOut:
    """Work the two pulleys."""
    length = maybe(given.belt_length)
    if given.belt is not None:
        if length is not None:
            raise InputError("belt", given.belt, "give the belt or its length, not both", "one of the two")
        length = _line_of(given.belt)
    elif given.belt_length is not None and _like_a_number(given.belt_length.typed):
        notice(
            "caution",
            "length-line",
            "Taken as the length along the line of the diameters. The number on a classical belt is its inside length: "
            "give the belt by its marking, and its own line is taken.",
            "input.belt_length",
        )
    r = work_two_pulleys(
        given.driver_diameter.value,
        given.driven_diameter.value,
        maybe(given.centre_distance),
        length,
        given.crossed,
    )
    frame.elevation = r.elevation
    fig = frame.figure
    long, apart = fig(r.length_mm, "length", "tape"), fig(r.centre_mm, "length", "tape")
    return BeltLengthOut(
        says=f"The belt's line is {long.shown} long."
        if given.centre_distance is not None
        else f"The shafts stand {apart.shown} apart.",
        belt_length=long,
        centre_distance=apart,
        small_arc=fig(r.small_arc_deg, "angle"),
        large_arc=fig(r.large_arc_deg, "angle"),
        span=fig(r.span_mm, "length", "tape"),
    )
