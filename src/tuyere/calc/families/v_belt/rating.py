"""`v-belt-rating`: what one belt carries."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Angle, Factor, Size, Speed, value_of
from tuyere.calc.families.v_belt.books import basis_of
from tuyere.calc.families.v_belt.parts import Kind, OwnRatings
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Text
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError, fields_named
from tuyere.core.notices import notice
from tuyere.core.speeds.formulas import belt_speed
from tuyere.core.v_belt.belts import belt
from tuyere.core.v_belt.rating import check_section_limits, rate_one_belt
from tuyere.core.v_belt.sheaves import sheave

GROUP = "V-belts"
# What the core calls by the names of a whole drive, by the names of this form.
OWN_FIELDS = {
    "driver.sheave.diameter": "diameter",
    "driver.sheave.kind": "kind",
    "driver.speed": "speed",
    "belt.designation": "designation",
    "centre_distance": "arc",
}


class RatingIn(Input):
    """One belt on its smaller sheave."""

    designation: Annotated[Text, Field(description="belt designation, such as B90 or 5VX1000")]
    speed: Speed = Field(description="speed of the smaller (faster) sheave")
    diameter: Size = Field(description="diameter of the smaller sheave")
    kind: Kind = Field(default="outside", description="which diameter that is")
    ratio: Factor | None = Field(default=None, description="speed ratio, 1 or more; 1 is assumed")
    arc: Angle | None = Field(default=None, description="arc of contact on the smaller sheave; 180 degrees is assumed")
    own_ratings: OwnRatings | None = Field(default=None, description="your own rating table, for the basis own-table")


class RatingOut(CardAnswer):
    """Power of one belt and its parts."""

    basis: str = Field(description="the book it is rated by")
    basis_source: str
    belt_power: Figure
    basic_power: Figure
    added_power: Figure
    arc_factor: Figure
    length_factor: Figure
    belt_speed: Figure
    pitch_diameter: Figure


@calculation(
    "v-belt-rating",
    "Power of one V-belt",
    summary="Basic rating, addition for the ratio, arc and length factors of one belt.",
    source="ANSI/RMA IP-20 and IP-22",
    example={
        "units": "us",
        "input": {
            "designation": "B90",
            "speed": "1750",
            "diameter": "5.4",
            "kind": "pitch",
            "ratio": 1.741,
            "arc": 173.3,
        },
    },
    card=Card(
        asks="What does one V-belt carry?",
        topic="What it carries and costs",
        sentence="A belt {designation} runs over a sheave of {diameter} {kind} diameter at {speed}.|"
        "The other sheave is {ratio} times as large, the arc of contact on this one {arc}.",
        figures=("belt_power", "belt_speed", "arc_factor"),
        picture="section",
        fresh={"kind": "outside"},
        then=("groove-fit", "Does it fit the groove?"),
    ),
)
def v_belt_rating(given: RatingIn, frame: Frame) -> RatingOut:
    """Rate one belt."""
    ratio, arc = value_of(given.ratio, 1.0), value_of(given.arc, 180.0)
    if given.ratio is None:
        notice("caution", "assumed", "Ratio 1 is assumed: no addition for the ratio.", "input.ratio")
    if given.arc is None:
        notice("caution", "assumed", "An arc of 180 degrees is assumed.", "input.arc")
    if ratio < 1:
        raise InputError("ratio", ratio, "the ratio is large over small here", "1 or more")
    if not 82.8 <= arc <= 180:
        raise InputError("arc", arc, "outside the arc table", "82.8 to 180 degrees")
    one = belt(given.designation, "designation")
    with fields_named(OWN_FIELDS):
        small = sheave(given.diameter.value, given.kind, one.section.groove, "driver.sheave")
        speed = belt_speed(small.pitch_mm, given.speed.value)
        check_section_limits(one.section, small, speed, "driver.sheave")
        r = rate_one_belt(
            one,
            small.pitch_mm,
            large_pitch_mm=ratio * small.pitch_mm,
            small_rpm=given.speed.value,
            arc_deg=arc,
            asked=basis_of(frame, given.own_ratings),
        )
    fig = frame.figure
    carries, runs = fig(r.corrected_kw, "power", per="belt"), fig(speed, "belt_speed")
    return RatingOut(
        says=f"{carries.shown} at {runs.shown}, by {r.basis_title}.",
        basis=r.basis_title,
        basis_source=r.basis_source,
        belt_power=carries,
        basic_power=fig(r.basic_kw, "power", per="belt"),
        added_power=fig(r.added_kw, "power", per="belt"),
        arc_factor=fig(r.arc_factor, "factor"),
        length_factor=fig(r.length_factor, "factor"),
        belt_speed=runs,
        pitch_diameter=fig(small.pitch_mm, "length", "size"),
    )
