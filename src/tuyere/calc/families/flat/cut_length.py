"""`belt-cut-length`: what to cut off the roll."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Length, Size, maybe, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.flat.cut_length import work_cut_length
from tuyere.core.tables import table

GROUP = "Flat, round and link belts"
Stock = Literal[
    "leather-new",
    "leather-stretched",
    "rubber-fabric",
    "canvas",
    "balata",
    "polyamide",
    "polyester",
    "aramid",
    "urethane",
]
Joint = Literal["hooks", "hooks-hand", "rawhide", "plates", "lap-leather", "lap-polyamide", "weld", "instrument"]


class CutLengthIn(Input):
    """A flat belt's path, its material and its joint."""

    material: Stock = Field(description="belt material")
    joint: Joint = Field(description="joint")
    taped_length: Length | None = Field(
        default=None, description="length of the path by tape; or the pulleys and the centres"
    )
    driver_diameter: Size | None = Field(default=None, description="diameter of the driver pulley")
    driven_diameter: Size | None = Field(default=None, description="diameter of the driven pulley")
    centre_distance: Length | None = Field(
        default=None, description="centre distance, take-up a quarter of its travel out"
    )
    crossed: bool = Field(default=False, description="the belt is crossed")
    lap: Size | None = Field(default=None, description="lap of a glued joint")
    thickness: Size | None = Field(
        default=None, description="belt thickness, by caliper: the lap of a glued joint goes with it"
    )
    width: Size | None = Field(default=None, description="belt width, for the lap of leather")
    gap: Size | None = Field(default=None, description="gap that hooks or plates bridge; none is assumed")


class CutLengthOut(CardAnswer):
    """Loop and cut length; between least and most is the judgement that the material leaves."""

    cut_length: Figure
    cut_least: Figure
    cut_most: Figure
    loop_length: Figure
    cut_short: Figure
    lap: Figure


@calculation(
    "belt-cut-length",
    "Cut length of a flat belt",
    summary="Loop length, how much shorter it is cut for its stretch, what the joint adds. How the joint is made: Joint of a flat belt.",
    source="geometry exact; shop handbooks and common practice, row by row",
    example={
        "units": "us",
        "input": {
            "material": "leather-new",
            "joint": "lap-leather",
            "driver_diameter": "12 in",
            "driven_diameter": "30 in",
            "centre_distance": "14 ft",
            "lap": "6 in",
        },
    },
    card=Card(
        asks="How long do I cut it?",
        topic="Cut, join and set",
        sentence="A belt of {material}, joined by {joint}, runs round pulleys of {driver_diameter} and {driven_diameter}, "
        "{centre_distance} apart, {crossed?open:crossed}.|Or the path by tape is {taped_length}. It is {thickness} thick and {width} wide.",
        figures=("cut_length", "loop_length", "cut_short"),
        picture="cut",
        fresh={"material": "leather-new", "joint": "lap-leather"},
        on_picture=("driver_diameter", "driven_diameter", "centre_distance"),
        names={
            "material": {r[0]: r[1] for r in table("cut_short").rows},
            "joint": {r[0]: r[1] for r in table("joints").rows},
        },
        then=("belt-joint", "How the joint is made"),
    ),
)
def belt_cut_length(given: CutLengthIn, frame: Frame) -> CutLengthOut:
    """Work the length."""
    r = work_cut_length(
        given.material,
        given.joint,
        taped_mm=maybe(given.taped_length),
        driver_mm=maybe(given.driver_diameter),
        driven_mm=maybe(given.driven_diameter),
        centre_mm=maybe(given.centre_distance),
        crossed=given.crossed,
        lap_mm=value_of(given.lap),
        gap_mm=value_of(given.gap),
        thickness_mm=maybe(given.thickness),
        width_mm=maybe(given.width),
    )
    if r.pulleys is not None:
        frame.elevation = r.pulleys.elevation
    f = frame.figure
    cut, short = f(r.cut_mm, "length", "tape"), f(r.short_mm, "length", "tape")
    low, high = f(r.cut_least_mm, "length", "tape"), f(r.cut_most_mm, "length", "tape")
    between = "" if low.number == high.number else f" (between {low.number} and {high.shown})"
    return CutLengthOut(
        says=f"Cut it {cut.shown} long{between}: {short.shown} shorter than its path"
        + (f", and {f(r.lap_mm, 'length', 'tape').shown} for the lap." if r.lap_mm > 0 else "."),
        cut_length=cut,
        cut_least=low,
        cut_most=high,
        loop_length=f(r.loop_mm, "length", "tape"),
        cut_short=short,
        lap=f(r.lap_mm, "length", "size"),
    )
