"""`link-belt`: links to remove, and how it runs."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Length, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.flat.link_belt import work_link_belt

GROUP = "Flat, round and link belts"


class LinkBeltIn(Input):
    """A link belt in place of a V-belt."""

    section: Literal["Z", "A", "B", "C"] = Field(description="V-belt section it replaces")
    links: Annotated[Whole, Field(ge=1, le=10_000)] | None = Field(
        default=None, description="links, pulled hand-tight round the sheaves"
    )
    path: Length | None = Field(default=None, description="or the outside length of the path by tape")


class LinkBeltOut(CardAnswer):
    """How many links to run."""

    hand_tight: Figure
    take_off: Figure
    run: Figure
    least_pulley: Figure


@calculation(
    "link-belt",
    "Link belt",
    summary="Links to remove from hand-tight, and how it runs.",
    source="common practice, no source",
    example={"units": "us", "input": {"section": "A", "path": "84 in"}},
    card=Card(
        asks="How many links does the belt run with?",
        topic="Cut, join and set",
        sentence="A link belt runs in the place of section {section}.|Pulled hand-tight round the sheaves it has {links} links, "
        "or a tape round their outside reads {path}.",
        figures=("run", "take_off", "least_pulley"),
        picture="link",
        fresh={"section": "A"},
        on_picture=("path",),
    ),
)
def link_belt(given: LinkBeltIn, frame: Frame) -> LinkBeltOut:
    """Count the links."""
    r = work_link_belt(given.section, given.links, maybe(given.path))
    f = frame.figure
    tight, off, run = f(r.hand_tight, "count"), f(r.take_off, "count"), f(r.run, "count")
    least = f(r.least_pulley_mm, "length", "size")
    return LinkBeltOut(
        says=f"Run it with {run.number} links: {tight.number} hand-tight, {off.number} of them taken out; "
        f"no pulley under {least.shown}.",
        hand_tight=tight,
        take_off=off,
        run=run,
        least_pulley=least,
    )
