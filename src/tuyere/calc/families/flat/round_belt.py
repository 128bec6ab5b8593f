"""`round-belt`: a round urethane belt."""

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
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


class RoundBeltOut(Answer):
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
)
def round_belt(given: RoundBeltIn, frame: Frame) -> RoundBeltOut:
    """Work the belt."""
    r = work_round_belt(given.diameter.value, given.path.value, given.speed.value)
    f = frame.figure
    return RoundBeltOut(
        cut_length=f(r.cut_mm, "length", "tape"),
        strand_tension=f(r.tension_n, "force"),
        least_pulley=None if r.least_pulley_mm is None else f(r.least_pulley_mm, "length", "size"),
    )
