"""`belt-joint`: the card of a flat belt's joint."""

from pydantic import Field

from tuyere.calc.answer import Band, Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Size, maybe
from tuyere.calc.families.flat.cut_length import Joint
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.flat.joints import work_joint
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN

GROUP = "Flat, round and link belts"


class JointIn(Input):
    """A joint and the belt it is for."""

    joint: Joint = Field(description="joint")
    thickness: Size = Field(description="belt thickness, by caliper")
    width: Size = Field(description="belt width")
    smallest_pulley: Size | None = Field(default=None, description="smallest pulley it runs over")


class JointOut(CardAnswer):
    """The card: what it keeps of the belt, its measures, the work in order, the cautions."""

    joint: str
    name: str
    efficiency: Band
    take_up: str
    lap_short: Figure | None
    lap_long: Figure | None
    hooks_for: Band | None
    least_pulley: Figure | None
    thickness: Figure
    width: Figure
    card: list[str]
    cautions: list[str]


@calculation(
    "belt-joint",
    "Joint of a flat belt",
    summary="How each joint is made, step by step, what it keeps of the belt's strength and what it needs. How long to cut: Cut length of a flat belt.",
    source="textbook joint table; shop handbooks and common practice",
    example={
        "units": "us",
        "input": {"joint": "hooks", "thickness": "0.2 in", "width": "4 in", "smallest_pulley": "6 in"},
    },
    card=Card(
        asks="How is the belt joined?",
        topic="Cut, join and set",
        sentence="{joint} join a belt {thickness} thick and {width} wide.|The smallest pulley it runs over is {smallest_pulley}.",
        figures=("efficiency", "least_pulley", "hooks_for"),
        picture="joint",
        names={"joint": {r[0]: r[1] for r in table("joints").rows}},
        then=("belt-cut-length", "How long to cut it?"),
    ),
)
def belt_joint(given: JointIn, frame: Frame) -> JointOut:
    """Look the card up."""
    small = maybe(given.smallest_pulley)
    r = work_joint(given.joint, given.thickness.value, given.width.value, small)
    f = frame.figure
    hooks = None
    if r.hook_band_in is not None:
        low, high = (x * MM_PER_IN for x in r.hook_band_in)
        hooks = Band(
            low=f(low, "length", "size"),
            high=f(high, "length", "size"),
            per=None,
            shown=f"{f(low, 'length', 'size').number} – {f(high, 'length', 'size').shown} thick",
        )
    keeps = frame.band(r.low_percent, r.high_percent, "percent")
    least = None if r.least_pulley_mm is None else f(r.least_pulley_mm, "length", "size")
    bends = "" if least is None else f" No pulley under {least.shown}."
    take_up = r.take_up[:1].upper() + r.take_up[1:].removesuffix(".")
    return JointOut(
        says=f"It keeps {keeps.shown} of the belt's strength. {take_up}.{bends}",
        joint=r.key,
        name=r.name,
        efficiency=keeps,
        take_up=r.take_up,
        lap_short=None if r.lap_low_mm is None else f(r.lap_low_mm, "length", "size"),
        lap_long=None if r.lap_high_mm is None else f(r.lap_high_mm, "length", "size"),
        hooks_for=hooks,
        least_pulley=least,
        thickness=f(given.thickness.value, "length", "size"),
        width=f(given.width.value, "length", "size"),
        card=list(r.steps),
        cautions=list(r.cautions),
    )
