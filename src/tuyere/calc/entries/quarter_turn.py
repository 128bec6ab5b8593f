"""`quarter-turn`: a belt between shafts at right angles: how far apart, how wide the pulleys, what to ask for."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer, least_bar
from tuyere.calc.entry import Length, Size
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.drive.twist import quarter_turn
from tuyere.core.notices import notice

GROUP = "Any drive"
ASK_FOR = {
    "flat belt": "Straight faces without a crown, a belt that is pliable across; a jointed belt with its joint flush on both faces.",
    "V-belts": "Deep-grooved sheaves, single endless belts: no joined ones, no cogged ones, no link belts.",
}


class QuarterTurnIn(Input):
    """Two shafts at right angles and the belt between them."""

    belt: Literal["flat belt", "V-belts"] = Field(description="what runs between them")
    large: Size = Field(description="diameter of the larger wheel")
    width: Size = Field(description="width of the flat belt, or of all V-belts together")
    centre: Length = Field(description="distance of the shafts")
    face: Size | None = Field(default=None, description="face of the pulleys")
    both_ways: bool = Field(default=False, description="it is to run in both senses")


class QuarterTurnOut(CardAnswer):
    """The limits and whether they are kept."""

    least_centre: Figure | None
    least_face: Figure | None
    ask_for: str


@calculation(
    "quarter-turn",
    "A belt turned a quarter",
    summary="Shafts at right angles: least centres, least face, one sense only, what construction to ask for.",
    source="law of belting; Khurmi; RMA engineering practice, recalled",
    example={
        "units": "us",
        "input": {"belt": "V-belts", "large": "12 in", "width": "3 in", "centre": "90 in"},
    },
    first=("says",),
    card=Card(
        asks="Can the belt be turned a quarter?",
        topic="What is it, does it fit",
        sentence="{belt} run between shafts at right angles, {centre} apart.|"
        "The larger wheel is {large} across; {width} wide they lie on faces of {face}, {both_ways?turning one way only:turning both ways}.",
        figures=("least_centre", "least_face"),
        picture="quarter",
        on_picture=("large", "centre"),
        names={"belt": {"flat belt": "A flat belt", "V-belts": "V-belts"}},
    ),
)
def a_quarter_turn(given: QuarterTurnIn, frame: Frame) -> QuarterTurnOut:
    """Hold the drive against its limits. Raises InputError where it cannot run."""
    r = quarter_turn(given.belt, large_mm=given.large.value, width_mm=given.width.value, both_ways=given.both_ways)
    f = frame.figure
    short = r.least_centre_mm is not None and given.centre.value < r.least_centre_mm
    narrow = r.least_face_mm is not None and given.face is not None and given.face.value < r.least_face_mm
    if short and r.least_centre_mm is not None:
        notice(
            "danger",
            "too-short",
            "The shafts stand too near: the belts turn over in their grooves under {least}.",
            "input.centre",
            "Shafts further apart, or a right-angle gearbox.",
            least=(float(r.least_centre_mm), "length"),
        )
    if narrow and r.least_face_mm is not None:
        notice(
            "danger",
            "too-narrow",
            "The pulleys are too narrow: the belt runs off under {least} of face.",
            "input.face",
            least=(float(r.least_face_mm), "length"),
        )
    notice(
        "caution",
        "one-sense",
        "It runs in one sense only; turned back by hand or by its load, the belt leaves its pulleys.",
        "input.both_ways",
    )
    least = None if r.least_centre_mm is None else f(r.least_centre_mm, "length", "tape")
    least_face = None if r.least_face_mm is None else f(r.least_face_mm, "length", "size")
    limit, bar = "", None
    if least is not None:
        limit = f"Shafts {least.shown} apart or more."
        bar = least_bar(f(given.centre.value, "length", "tape"), least, "too near")
    if least_face is not None:
        limit = f"Pulley faces {least_face.shown} or more."
        if given.face is not None:
            bar = least_bar(f(given.face.value, "length", "size"), least_face, "too narrow")
    return QuarterTurnOut(
        says=f"{limit} {'These do not: it will not run.' if short or narrow else 'It will run.'}",
        bar=bar,
        least_centre=least,
        least_face=least_face,
        ask_for=ASK_FOR[given.belt],
    )
