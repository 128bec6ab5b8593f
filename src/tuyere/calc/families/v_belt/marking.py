"""`belt-marking`: what stands on a belt."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Text
from tuyere.calc.registry import Input, calculation
from tuyere.core.v_belt.marking import read_marking
from tuyere.core.v_belt.reading import Reading

GROUP = "V-belts"


class MarkingIn(Input):
    """A marking as far as it can be read."""

    marking: Annotated[Text, Field(min_length=1, description="as it stands on the belt; ? for a worn digit")]


class ReadingOut(Answer):
    """One way to read it."""

    designation: str
    section: str
    construction: str
    joined: int
    inside_length: Figure | None
    belt_length: Figure | None
    length_kind: str
    outside_length: Figure | None
    length_words: str = Field(
        description="the length as the marking counts it, with the person's units where they differ"
    )
    words: str
    sure: str


class MarkingOut(CardAnswer):
    """Readings, likeliest first."""

    best: str = Field(title="Likeliest")
    words: str
    inside_length: Figure | None
    belt_length: Figure | None
    outside_length: Figure | None
    readings: list[ReadingOut]


def _length_words(r: Reading, frame: Frame) -> str:
    """92.91 in of a metric belt is no B93: what counts in millimetres is said in millimetres first."""
    mm, kind = (r.line_mm, r.line_kind) if r.line_mm is not None else (r.outside_mm, "outside")
    if mm is None:
        return ""
    here = frame.figure(mm, "length", "size").shown
    return f"{mm:.0f} mm ({here}) {kind}" if r.metric and frame.units == "us" else f"{here} {kind}"


def reading_out(r: Reading, frame: Frame) -> ReadingOut:
    """A reading with its lengths."""

    def length(mm: float | None) -> Figure | None:
        return None if mm is None else frame.figure(mm, "length", "size")

    return ReadingOut(
        designation=r.designation,
        section=r.section,
        construction=r.construction,
        joined=r.joined,
        inside_length=length(r.inside_mm),
        belt_length=length(r.line_mm),
        length_kind=r.line_kind,
        outside_length=length(r.outside_mm),
        length_words=_length_words(r, frame),
        words=r.words,
        sure=r.sure,
    )


@calculation(
    "belt-marking",
    "What does the marking say?",
    summary="Section, construction, joined count and the length in its own convention; worn digits as ?; several readings ranked.",
    source="IP-20, IP-22, IP-23, ISO 4184, DIN 2215 and 7753 conventions",
    example={"units": "us", "input": {"marking": "3/B9?"}},
    card=Card(
        asks="What does the print say?",
        topic="What is it, does it fit",
        sentence="On its back or its side it says {marking}; a worn sign is typed as ?.",
        figures=("best", "belt_length", "outside_length"),
        picture="printed",
        then=("belt-length-off", "Will another length do?"),
    ),
)
def belt_marking(given: MarkingIn, frame: Frame) -> MarkingOut:
    """Read it."""
    readings = [reading_out(r, frame) for r in read_marking(given.marking)]
    first = readings[0]
    words = first.words.removesuffix(".")
    others = len(readings) - 1
    more = "" if not others else f"; it can be read {others} more way{'s' if others > 1 else ''}, under all figures"
    return MarkingOut(
        says=f"Likeliest {first.designation}: {words}{more}.",
        best=first.designation,
        words=first.words,
        inside_length=first.inside_length,
        belt_length=first.belt_length,
        outside_length=first.outside_length,
        readings=readings,
    )
