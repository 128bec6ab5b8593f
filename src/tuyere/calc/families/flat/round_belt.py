"""`round-belt`: a round urethane belt."""

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Length, Size, Speed
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.flat.round_belt import work_round_belt

GROUP = "Flat, round and link belts"


class RoundBeltIn(Input):
    """A round urethane belt on its path."""

    diameter: Size = Field(description="belt diameter: 1/4, 3/8, 1/2 or 3/4 in")
    path: Length = Field(description="length of the path round the pulleys, by tape")
    speed: Speed = Field(description="speed of the smaller pulley")


class RoundBeltOut(CardAnswer):
    """What to cut and what it pulls."""

    cut_length: Figure
    strand_tension: Figure
    least_pulley: Figure | None


@calculation(
    "round-belt",
    "Round urethane belt",
    summary="Length to cut for 6 % stretch with the weld, tension of a strand, least pulley.",
    source="Shigley; weld: common practice",
    example={"units": "us", "input": {"diameter": "3/8", "path": "62 in", "speed": "500"}},
    card=Card(
        asks="How long is the round belt cut?",
        topic="Cut, join and set",
        sentence="A round belt {diameter} thick runs on a path of {path} by tape.|The smaller pulley turns at {speed}.",
        figures=("cut_length", "strand_tension", "least_pulley"),
        picture="loop",
        on_picture=("diameter", "path"),
    ),
)
def round_belt(given: RoundBeltIn, frame: Frame) -> RoundBeltOut:
    """Work the belt."""
    r = work_round_belt(given.diameter.value, given.path.value, given.speed.value)
    f = frame.figure
    cut, pull = f(r.cut_mm, "length", "tape"), f(r.tension_n, "force")
    least = None if r.least_pulley_mm is None else f(r.least_pulley_mm, "length", "size")
    small = "" if least is None else f", on pulleys of {least.shown} or more"
    return RoundBeltOut(
        says=f"Cut it {cut.shown}, square, and weld it: stretched on it pulls {pull.shown} in a strand{small}.",
        cut_length=cut,
        strand_tension=pull,
        least_pulley=least,
    )
