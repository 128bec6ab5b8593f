"""`flat-belt-wear`: a worn flat belt, and whether it still carries what is asked."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer, wear_bar
from tuyere.calc.entry import Percent, Size, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.flat.wear import CHANGE_AT, WATCH_AT, flat_wear

GROUP = "Flat, round and link belts"


class FlatWearIn(Input):
    """Thickness and width, new and now, at the worst place; its face and its joint."""

    thickness_new: Size = Field(description="thickness when new")
    thickness: Size = Field(description="thickness now, at the worst place")
    width_new: Size = Field(description="width when new")
    width: Size = Field(description="width now, at the worst place")
    asked: Percent | None = Field(default=None, description="how much of what the new belt could carry the duty asks")
    face_worn: bool = Field(default=False, description="the driving face is worn through or glazed")
    joint: Literal["whole", "opening", "pulled"] = Field(default="whole", description="state of the joint")


class FlatWearOut(CardAnswer):
    """What is left and what to do."""

    verdict: Literal["fine", "watch", "act"]
    left: Figure = Field(title="Section left")
    gone: Figure = Field(title="Section gone")
    asked: Figure | None = Field(title="Asked of what is left")


@calculation(
    "flat-belt-wear",
    "Worn flat belt",
    summary="What is left of a flat belt's section, whether that carries what is asked, and what its face and joint say.",
    source="pull goes with the section; shares of common practice",
    example={
        "units": "us",
        "input": {
            "thickness_new": "0.25",
            "thickness": "0.23",
            "width_new": "6",
            "width": "5 3/4",
            "asked": "80",
            "joint": "opening",
        },
    },
    first=("says", "left"),
    card=Card(
        asks="Is the flat belt worn?",
        topic="Is it worn",
        sentence="A belt of {thickness_new} by {width_new} when new is {thickness} by {width} now, at its worst place.|"
        "Its face is {face_worn?sound:worn through or glazed}, its joint is {joint}; the duty asks {asked} of what a new one carries.",
        figures=("left", "gone", "asked"),
        picture="strip",
        fresh={"joint": "whole"},
        on_picture=("thickness", "width"),
        names={"joint": {"whole": "whole", "opening": "beginning to open", "pulled": "pulling out"}},
    ),
)
def flat_belt_wear(given: FlatWearIn, frame: Frame) -> FlatWearOut:
    """Judge the belt. Raises InputError for one that is larger than new."""
    found = flat_wear(
        (given.thickness.value, given.width.value),
        new_mm=(given.thickness_new.value, given.width_new.value),
        asked_percent=maybe(given.asked),
        face_worn=given.face_worn,
        joint=given.joint,
    )
    f = frame.figure
    left, gone = f(found.left_percent, "percent"), f(100 - found.left_percent, "percent")
    does = {"fine": "it may stay", "watch": "watch it, and have the next one ready", "act": "change it"}[found.verdict]
    asked = None if found.asked_percent is None else f(found.asked_percent, "percent")
    more = "" if asked is None else f" The duty asks {asked.shown} of what is left."
    return FlatWearOut(
        says=f"{left.shown} of its section is left; {found.because}: {does}.{more}",
        bar=wear_bar(gone, f(100 - WATCH_AT, "percent"), f(100 - CHANGE_AT, "percent"), words=("watch", "change it")),
        verdict=found.verdict,
        left=left,
        gone=gone,
        asked=asked,
    )
