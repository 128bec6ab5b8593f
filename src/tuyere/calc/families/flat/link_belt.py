"""`link-belt`: links to remove, and how it runs."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
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


class LinkBeltOut(Answer):
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
)
def link_belt(given: LinkBeltIn, frame: Frame) -> LinkBeltOut:
    """Count the links."""
    r = work_link_belt(given.section, given.links, maybe(given.path))
    f = frame.figure
    return LinkBeltOut(
        hand_tight=f(r.hand_tight, "count"),
        take_off=f(r.take_off, "count"),
        run=f(r.run, "count"),
        least_pulley=f(r.least_pulley_mm, "length", "size"),
    )
