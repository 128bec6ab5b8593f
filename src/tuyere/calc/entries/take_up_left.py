"""`take-up-left`: what is left of a take-up's travel, and what the loop has grown."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer, wear_bar
from tuyere.calc.entry import Length, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.wear.take_up import CHANGE_AT, ORDER_AT, take_up_left

GROUP = "Upkeep"


class TakeUpLeftIn(Input):
    """A take-up as it stands, and the length of the loop to say how much it has grown."""

    left: Length = Field(description="travel left before its stop")
    whole: Length = Field(description="travel there was with a new loop, after it was tensioned")
    length: Length | None = Field(default=None, description="length of the loop")


class TakeUpLeftOut(CardAnswer):
    """How much is left, and what to do."""

    verdict: Literal["fine", "watch", "act"]
    growth_left: Figure
    grown: Figure | None
    used: Figure


@calculation(
    "take-up-left",
    "Take-up that is left",
    summary="Growth a take-up can still take in, how much the loop has grown, when to order the next one and when to change it.",
    source="geometry of two strands; shares of common practice",
    example={"units": "us", "input": {"left": "1 1/8", "whole": "3", "length": "93"}},
    first=("says", "growth_left"),
    card=Card(
        asks="Is the take-up used up?",
        topic="Is it worn",
        sentence="Of {whole} of travel with a new loop {left} is left before the stop; the loop is {length} long.",
        figures=("growth_left", "used", "grown"),
        picture="take-up",
        on_picture=("left",),
    ),
)
def take_up_left_entry(given: TakeUpLeftIn, frame: Frame) -> TakeUpLeftOut:
    """Work what is left."""
    found = take_up_left(given.left.value, whole_mm=given.whole.value, length_mm=maybe(given.length))
    f = frame.figure
    room = f(found.growth_left_mm, "length", "tape")
    does = {
        "fine": "nothing is to be done",
        "watch": "order the next one",
        "act": "change it before it slips at its stop",
    }[found.verdict]
    return TakeUpLeftOut(
        says=f"It can grow {room.shown} more; {100 * found.used:.0f} % of the travel is used: {does}.",
        bar=wear_bar(f(100 * found.used, "percent"), f(100 * ORDER_AT, "percent"), f(100 * CHANGE_AT, "percent")),
        verdict=found.verdict,
        growth_left=room,
        grown=None if found.grown_percent is None else f(found.grown_percent, "percent"),
        used=f(100 * found.used, "percent"),
    )
