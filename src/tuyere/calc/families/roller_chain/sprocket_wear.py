"""`sprocket-wear`: a worn sprocket, and whether a new chain may run on it."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer, wear_bar
from tuyere.calc.entry import Size
from tuyere.calc.families.roller_chain.parts import Number, Teeth
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.notices import notice
from tuyere.core.roller_chain.sprocket_wear import sprocket_wear
from tuyere.core.roller_chain.tables import chain

GROUP = "Roller chain"


class SprocketWearIn(Input):
    """A sprocket by a caliper over its roots, and what is seen on its teeth."""

    chain: Number = Field(description="chain number")
    teeth: Teeth = Field(description="teeth")
    caliper: Size = Field(description="over two roots that lie across, with a caliper, where it is worn most")
    hooked: bool = Field(default=False, description="the tips lean, or a ridge stands beside the rollers' track")


class SprocketWearOut(CardAnswer):
    """What is lost, what a new chain would find, and what to do."""

    verdict: Literal["fine", "watch", "act"]
    new: Figure
    lost: Figure
    tolerance: Figure
    pitch_short: Figure
    limit: Figure


@calculation(
    "sprocket-wear",
    "Worn sprocket",
    summary="How far the rollers have sunk into a sprocket, and whether a new chain may run on it.",
    source="geometry; ASME B29.1, recalled; common practice",
    example={"units": "us", "input": {"chain": "60", "teeth": 17, "caliper": "3.58"}},
    first=("says", "lost"),
    card=Card(
        asks="Is the sprocket worn?",
        topic="Is it worn",
        sentence="A sprocket of {teeth} teeth for chain {chain} measures {caliper} over its roots; "
        "its teeth {hooked?stand upright:lean, or have a ridge}.",
        figures=("lost", "new", "pitch_short"),
        picture="sprocket",
        fresh={"chain": "60"},
        on_picture=("caliper",),
        then=("chain-wear", "And the chain?"),
    ),
)
def sprocket_wear_entry(given: SprocketWearIn, frame: Frame) -> SprocketWearOut:
    """Judge the sprocket. Raises InputError for a diameter that is none of this sprocket's."""
    found = sprocket_wear(chain(given.chain), given.teeth, caliper_mm=given.caliper.value, hooked=given.hooked)
    f = frame.figure
    lost, short = f(found.lost_mm, "gap"), f(found.short_percent, "percent")
    does = {
        "fine": "it may stay",
        "watch": "look at it again with the next chain, and get the next one",
        "act": "change it with its chain and the other sprocket",
    }[found.verdict]
    if found.verdict == "act":
        notice(
            "caution",
            "with-its-chain",
            "A new chain on a worn sprocket wears out with it: change them together.",
            "input.caliper",
        )
    return SprocketWearOut(
        says=f"{lost.shown} is lost across: a new chain finds its pitch {short.shown} short; {does}.",
        bar=wear_bar(
            lost,
            f(min(found.tolerance_mm, found.most_mm), "gap"),
            f(found.most_mm, "gap"),
            words=("watch", "change it"),
        ),
        verdict=found.verdict,
        new=f(found.new_mm, "length", "size"),
        lost=lost,
        tolerance=f(found.tolerance_mm, "gap"),
        pitch_short=short,
        limit=f(found.limit_percent, "percent"),
    )
