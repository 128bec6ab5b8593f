"""`belt-length`: length from centres, or centres from length, open or crossed."""

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Length, Size, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.geometry.two_pulleys import work_two_pulleys


class BeltLengthIn(Input):
    """Two pulleys and either the centre distance or the length, all along the same line of the belt."""

    driver_diameter: Size = Field(
        description="diameter of the driver along the belt's line (datum with datum length, "
        "effective with effective length)"
    )
    driven_diameter: Size = Field(description="diameter of the driven along the same line")
    centre_distance: Length | None = Field(default=None, description="centre distance; leave open to get it")
    belt_length: Length | None = Field(default=None, description="belt length; leave open to get it")
    crossed: bool = Field(default=False, description="the belt is crossed")


class BeltLengthOut(Answer):
    """Exact geometry."""

    belt_length: Figure
    centre_distance: Figure
    small_arc: Figure
    large_arc: Figure
    span: Figure


@calculation(
    "belt-length",
    "Belt length and centre distance",
    "Exact length of an open or crossed belt on two pulleys, or the centre distance a length gives.",
    "plane geometry, exact",
    {"units": "us", "input": {"driver_diameter": "5.4 in", "driven_diameter": "9.4 in", "belt_length": "91.8 in"}},
)
def belt_length(given: BeltLengthIn, frame: Frame) -> BeltLengthOut:
    """Work the two pulleys."""
    r = work_two_pulleys(
        given.driver_diameter.value,
        given.driven_diameter.value,
        maybe(given.centre_distance),
        maybe(given.belt_length),
        given.crossed,
    )
    frame.elevation = r.elevation
    fig = frame.figure
    return BeltLengthOut(
        belt_length=fig(r.length_mm, "length", "tape", "belt_length"),
        centre_distance=fig(r.centre_mm, "length", "tape", "centre_distance"),
        small_arc=fig(r.small_arc_deg, "angle", step="small_arc"),
        large_arc=fig(r.large_arc_deg, "angle", step="small_arc" if given.crossed else "large_arc"),
        span=fig(r.span_mm, "length", "tape", "span"),
    )
