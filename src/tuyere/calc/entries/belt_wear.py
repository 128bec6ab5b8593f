"""`belt-wear`: how much a loop has grown, and how long its take-up lasts at that rate."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer, wear_bar
from tuyere.calc.entry import Hours, Length, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.steps import quiet
from tuyere.core.wear.formulas import growth_left
from tuyere.core.wear.growth import grown
from tuyere.core.wear.take_up import CHANGE_AT, ORDER_AT

GROUP = "Upkeep"


class BeltWearIn(Input):
    """A loop by its length and either its length now or how far its take-up has moved since the fit."""

    length: Length = Field(description="length of the loop when it was fitted and tensioned")
    now: Length | None = Field(default=None, description="length measured now, in the same way")
    moved: Length | None = Field(default=None, description="how far the take-up has moved since the fit")
    left: Length = Field(description="travel left before the take-up's stop")
    hours: Hours | None = Field(default=None, description="running hours since the fit")


class BeltWearOut(CardAnswer):
    """Growth, what can still be taken in, and until when."""

    verdict: Literal["fine", "watch", "act"]
    grown: Figure
    grown_percent: Figure
    growth_left: Figure
    used: Figure
    hours_left: Figure | None


@calculation(
    "belt-wear",
    "Growth of a belt",
    summary="How much a loop has grown since it was fitted, what its take-up can still take in, and how many hours that lasts.",
    source="geometry of two strands; shares of common practice",
    example={"units": "us", "input": {"length": "93", "moved": "5/8", "left": "7/8", "hours": "4200"}},
    first=("says", "hours_left"),
    card=Card(
        asks="How long does the belt last?",
        topic="Is it worn",
        sentence="A loop of {length} when it was fitted; since then its take-up has moved {moved}, or it measures {now}.|"
        "{left} of travel is left; it has run {hours}.",
        figures=("grown_percent", "growth_left", "hours_left"),
        picture="take-up",
        on_picture=("moved", "left"),
    ),
)
def belt_wear(given: BeltWearIn, frame: Frame) -> BeltWearOut:
    """Work the growth. Raises InputError where neither or both ways of measuring it are given."""
    if (given.now is None) == (given.moved is None):
        raise InputError(
            "moved", None, "one way to say how much it has grown", "the length now, or how far the take-up moved"
        )
    if given.moved is not None:
        with quiet():
            by = float(growth_left(given.moved.value))
    else:
        by = given.now.value - given.length.value if given.now else 0.0
    try:
        found = grown(given.length.value, grown_mm=by, left_mm=given.left.value, hours=maybe(given.hours))
    except InputError as e:
        raise e.at("moved" if e.field == "grown" and given.moved else "now" if e.field == "grown" else e.field) from e
    f = frame.figure
    lasts = None if found.hours_left is None else f(found.hours_left, "hours", "about")
    does = {
        "fine": "nothing is to be done",
        "watch": "order the next one",
        "act": "change it before its take-up stands at the stop",
    }[found.verdict]
    until = (
        ""
        if lasts is None
        else f" At the rate so far that lasts about {lasts.shown} more; new belts grow fastest, so rather longer."
    )
    return BeltWearOut(
        says=f"It has grown by {f(found.percent, 'percent').shown}, {100 * found.used:.0f} % of what there is room for: {does}.{until}",
        bar=wear_bar(f(100 * found.used, "percent"), f(100 * ORDER_AT, "percent"), f(100 * CHANGE_AT, "percent")),
        verdict=found.verdict,
        grown=f(found.grown_mm, "length", "tape"),
        grown_percent=f(found.percent, "percent"),
        growth_left=f(found.left_mm, "length", "tape"),
        used=f(100 * found.used, "percent"),
        hours_left=lasts,
    )
