"""`chain-match`: a drive chain against the conveyor chain it drives."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer, wear_bar
from tuyere.calc.entry import Length, Size, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.roller_chain.match import work_match

GROUP = "Roller chain"


class ChainMatchIn(Input):
    """Two chains of one pitch, measured over the same number of pitches, pulled straight."""

    pitch: Size = Field(description="nominal pitch")
    pitches: Annotated[Whole, Field(ge=4, le=200)] = Field(description="pitches measured")
    drive_length: Length = Field(description="drive chain over those pitches")
    driven_length: Length = Field(description="conveyor chain over those pitches")
    engaged: Annotated[Whole, Field(ge=1, le=200)] | None = Field(
        default=None, description="pitches of both that are engaged at once, counted where they run together"
    )
    room: Size | None = Field(default=None, description="room a dog has in its gap")


class ChainMatchOut(CardAnswer):
    """How far they have grown apart."""

    advice: str
    difference: Figure
    mismatch: Figure | None
    drive_growth: Figure
    driven_growth: Figure


@calculation(
    "chain-match",
    "Drive chain against the chain it drives",
    summary="Pitch growth of a drive chain against the chain it drives, of any pitch, and what it adds up to.",
    source="geometry; common practice",
    example={
        "units": "us",
        "input": {
            "pitch": "6 in",
            "pitches": 10,
            "drive_length": "60 1/2",
            "driven_length": "61 1/4",
            "engaged": 6,
            "room": "3/8",
        },
    },
    card=Card(
        asks="Do the two chains still match?",
        topic="Is it worn",
        sentence="Two chains of {pitch} pitch, pulled straight: over {pitches} pitches the drive chain measures {drive_length}, "
        "the chain that it drives {driven_length}.|{engaged} pitches run together; a dog has {room} in its gap.",
        figures=("driven_growth", "drive_growth", "mismatch"),
        picture="two-chains",
        on_picture=("drive_length", "driven_length"),
        then=("chain-wear", "Is a chain worn by itself?"),
    ),
)
def chain_match(given: ChainMatchIn, frame: Frame) -> ChainMatchOut:
    """Compare them."""
    r = work_match(
        given.pitch.value,
        given.pitches,
        drive_mm=given.drive_length.value,
        driven_mm=given.driven_length.value,
        engaged=given.engaged,
        room_mm=maybe(given.room),
    )
    f = frame.figure
    drive, driven = f(r.drive_percent, "percent"), f(r.driven_percent, "percent")
    mismatch, adds, bar = None, "", None
    if r.mismatch_mm is not None:
        mismatch = f(r.mismatch_mm, "length", "size")
        # Which of them is ahead the figure says by its sign; a dog jams either way.
        off = f(abs(r.mismatch_mm), "length", "size")
        adds = f": {off.shown} at the last dog"
        if given.room is not None:
            most = f(given.room.value, "length", "size")
            bar = wear_bar(off, most, most, words=("", "jams"))
    return ChainMatchOut(
        says=f"The drive chain has grown {drive.shown}, the chain that it drives {driven.shown}{adds}. {r.advice}",
        bar=bar,
        advice=r.advice,
        difference=f(r.difference_percent, "percent"),
        mismatch=mismatch,
        drive_growth=drive,
        driven_growth=driven,
    )
