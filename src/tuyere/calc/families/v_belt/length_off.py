"""`belt-length-off`: a belt that is a little longer or shorter than the right one."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Size, maybe
from tuyere.calc.families.v_belt.parts import SheaveIn, sheave_of
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Text
from tuyere.calc.registry import Input, calculation
from tuyere.core.v_belt.belts import belt
from tuyere.core.v_belt.length_off import length_off

GROUP = "V-belts"


class IdlerIn(Input):
    """An idler at the middle of a span, on fixed centres."""

    span: Size = Field(description="length of the span it presses on")
    depth: Size = Field(description="how deep it pushes the belt in now, from the straight line")


class LengthOffIn(Input):
    """The right belt, the offered one, and the room."""

    right: Annotated[
        Text, Field(title="The belt that belongs there", description="the belt that belongs there, such as B46")
    ]
    offered: Annotated[Text, Field(description="the belt at hand, such as B48")]
    driver: SheaveIn
    driven: SheaveIn
    least_centre: Size | None = Field(default=None, description="shafts as close as the slide lets them")
    most_centre: Size | None = Field(default=None, description="shafts as far apart as the slide lets them")
    idler: IdlerIn | None = Field(default=None, description="for fixed centres with an idler")
    freed: Size | None = Field(default=None, description="for a belt that clutches: length that the release gives back")


class LengthOffOut(CardAnswer):
    """Where it would run and what room is left; negative room is lacking."""

    verdict: Literal["will do", "with care", "will not do"]
    reason: str
    longer: Figure
    right_centre: Figure
    offered_centre: Figure
    centre_change: Figure
    idler_depth: Figure | None
    room_to_fit: Figure | None = Field(description="beyond what laying the belt on asks for")
    room_to_tighten: Figure | None = Field(description="beyond the take-up it asks for")
    slack: Figure | None = Field(title="Hangs loose by", description="how loose it hangs when released")
    slack_needed: Figure


@calculation(
    "belt-length-off",
    "Belt a little too long or short",
    summary="What another length does to the centre distance or the idler, and whether room to fit, to tighten and to release is left.",
    source="plane geometry; room: ANSI/RMA IP-20 and IP-22",
    example={
        "units": "us",
        "input": {
            "right": "B46",
            "offered": "B48",
            "driver": {"diameter": "5 in", "kind": "outside", "groove": "B"},
            "driven": {"diameter": "8 in", "kind": "outside", "groove": "B"},
            "least_centre": "12 in",
            "most_centre": "18 in",
        },
    },
    card=Card(
        asks="Will a belt of another length do?",
        topic="What is it, does it fit",
        sentence="A {offered} lies at hand, a {right} belongs there.|"
        "The driver is {driver.diameter} {driver.kind} in groove {driver.groove}, the driven sheave {driven.diameter} {driven.kind} "
        "in groove {driven.groove}.|The slide lets the shafts stand {least_centre} to {most_centre} apart.",
        figures=("offered_centre", "longer", "room_to_tighten"),
        picture="take-up",
        fresh={"driver.kind": "outside", "driven.kind": "outside"},
        then=("belt-length", "How far apart?"),
    ),
)
def belt_length_off(given: LengthOffIn, frame: Frame) -> LengthOffOut:
    """Hold the one against the other."""
    idler = None if given.idler is None else (given.idler.span.value, given.idler.depth.value)
    r = length_off(
        belt(given.right, "right"),
        belt(given.offered, "offered"),
        driver=sheave_of(given.driver, "driver"),
        driven=sheave_of(given.driven, "driven"),
        least_mm=maybe(given.least_centre),
        most_mm=maybe(given.most_centre),
        idler=idler,
        freed_mm=maybe(given.freed),
    )

    def tape(mm: float | None) -> Figure | None:
        return None if mm is None else frame.figure(mm, "length", "tape")

    f = frame.figure
    centre = f(r.offered_centre_mm, "length", "tape")
    where = "" if idler is not None else f" The shafts would stand {centre.shown} apart."
    return LengthOffOut(
        says=f"{r.verdict[:1].upper()}{r.verdict[1:]}. {r.reason}{where}",
        verdict=r.verdict,
        reason=r.reason,
        longer=f(r.longer_mm, "length", "tape"),
        right_centre=f(r.right_centre_mm, "length", "tape"),
        offered_centre=centre,
        centre_change=f(r.offered_centre_mm - r.right_centre_mm, "length", "tape"),
        idler_depth=tape(r.idler_mm),
        room_to_fit=tape(r.room_to_fit_mm),
        room_to_tighten=tape(r.room_to_tighten_mm),
        slack=tape(r.slack_mm),
        slack_needed=f(r.slack_needed_mm, "length", "tape"),
    )
