"""`groove-fit`: one belt in one groove."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Angle, Size, maybe, value_of
from tuyere.calc.families.v_belt.parts import Groove as GrooveName
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Real, Text
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.units import MM_PER_IN
from tuyere.core.v_belt.formulas import ride_speed_change
from tuyere.core.v_belt.groove_fit import Groove, belt_profile, opened_pitch_change, standard_groove, work_fit

GROUP = "V-belts"
ASSUMED_OUTSIDE_MM = 8 * MM_PER_IN
ASSUMED_THREAD_MM = MM_PER_IN / 20


class OwnGrooveIn(Input):
    """A groove as measured."""

    width: Size = Field(description="width at the rim")
    angle: Angle = Field(description="angle between the flanks")
    depth: Size = Field(description="depth")


class FitIn(Input):
    """A belt and a groove; wear and an opened adjustable sheave widen or narrow them."""

    belt: Annotated[Text, Field(min_length=1, description="belt section, such as A, BX, 5VX, 4L, SPB")]
    groove: GrooveName | None = Field(default=None, description="standard groove of that section")
    own_groove: OwnGrooveIn | None = Field(default=None, description="or the groove as measured")
    outside_diameter: Size | None = Field(default=None, description="outside diameter of the sheave")
    belt_wear: Size | None = Field(default=None, description="belt worn, each side")
    groove_dish: Size | None = Field(default=None, description="groove dished, each side, by gauge")
    turns: Annotated[Real, Field(ge=0, le=20)] | None = Field(
        default=None, description="turns an adjustable sheave is opened from closed"
    )
    thread_pitch: Size | None = Field(default=None, description="thread pitch of its hub; 1/20 in is assumed")


class FitOut(CardAnswer):
    """How it sits; ``groove`` and ``belt`` are outlines in mm, y down from the rim."""

    verdict: Literal["right", "emergency", "worn", "refused"]
    reason: str
    instead: str = Field(description="what would make it possible; empty where it is right")
    under_rim: Figure = Field(description="belt's top under the rim; negative: it stands out")
    gap_below: Figure
    bottoms: bool
    flank_contact: Figure | None = Field(description="only where the flanks lie on each other")
    pitch_diameter: Figure | None
    proper_pitch_diameter: Figure | None
    speed_change: Figure | None = Field(description="what this does to the driven speed when it is the driver's groove")
    groove: list[tuple[float, float]]
    belt: list[tuple[float, float]]


@calculation(
    "groove-fit",
    "Does this belt fit this groove?",
    summary="Where a belt rides, whether it touches the bottom, the diameter it runs on; worn, wrong or in an opened adjustable sheave.",
    source="plane geometry; rules: common practice",
    example={"units": "us", "input": {"belt": "A", "groove": "B", "outside_diameter": "6 in"}},
    card=Card(
        asks="Does this belt fit this groove?",
        topic="What is it, does it fit",
        sentence="A belt of section {belt} in a groove of section {groove}, the sheave {outside_diameter} in outside diameter. "
        "The belt is worn {belt_wear} each side, the groove dished {groove_dish}.",
        figures=("under_rim", "gap_below", "pitch_diameter"),
        picture="section",
        fresh={"belt": "B", "groove": "B"},
    ),
)
def groove_fit(given: FitIn, frame: Frame) -> FitOut:
    """Seat the belt."""
    profile = belt_profile(given.belt)
    outside = maybe(given.outside_diameter)
    if (given.groove is None) == (given.own_groove is None):
        raise InputError(
            "groove", given.groove, "give a standard groove or the groove as measured", "exactly one of the two"
        )
    if given.own_groove is not None:
        own = given.own_groove
        if not 20 <= own.angle.value <= 60:
            raise InputError(
                "own_groove.angle",
                own.angle.value,
                "not the angle of a V-groove",
                "20 to 60 degrees; 32 to 42 is usual",
            )
        groove = Groove("", own.width.value, own.depth.value, own.angle.value)
    else:
        if outside is None:
            notice(
                "caution",
                "assumed",
                "A sheave of 8 in outside diameter is assumed: the groove angle goes with the size.",
                "input.outside_diameter",
                "Measure the sheave's outside diameter.",
            )
        groove = standard_groove(str(given.groove), ASSUMED_OUTSIDE_MM if outside is None else outside)
    opened = 0.0
    if given.turns is None and given.thread_pitch is not None:
        raise InputError(
            "turns", None, "a thread pitch says nothing without the turns", "turns opened, counted from closed"
        )
    if given.turns is not None:
        thread = value_of(given.thread_pitch, ASSUMED_THREAD_MM)
        if given.thread_pitch is None:
            notice(
                "caution",
                "assumed",
                "20 threads to the inch are assumed on the adjustable half (common practice, low confidence).",
                "input.thread_pitch",
                "Measure the shift of the half over ten turns and give a tenth of it.",
            )
        opened = given.turns * thread
        opened_pitch_change(thread, given.turns, groove.angle_deg)
    r = work_fit(
        profile,
        groove,
        outside_mm=outside,
        belt_worn_mm=value_of(given.belt_wear),
        groove_dish_mm=value_of(given.groove_dish),
        opened_mm=opened,
    )
    f = frame.figure
    change = (
        None if r.pitch_mm is None or r.proper_mm is None else f(ride_speed_change(r.pitch_mm, r.proper_mm), "percent")
    )
    top, gap = f(r.top_mm, "length", "size"), f(r.gap_mm, "length", "size")
    where = f"{top.shown} under the rim" if r.top_mm >= 0 else f"{f(-r.top_mm, 'length', 'size').shown} out of it"
    word = {
        "right": "It fits",
        "emergency": "For an emergency only",
        "worn": "Worn",
        "refused": "It does not fit",
    }[r.verdict]
    return FitOut(
        says=f"{word}: it rides {where}, "
        + ("on the bottom of the groove." if r.bottoms else f"{gap.shown} over the bottom."),
        verdict=r.verdict,
        reason=r.reason,
        instead=r.instead,
        under_rim=top,
        gap_below=gap,
        bottoms=r.bottoms,
        flank_contact=f(100 * r.contact_share, "percent") if r.verdict in ("right", "worn") else None,
        pitch_diameter=None if r.pitch_mm is None else f(r.pitch_mm, "length", "size"),
        proper_pitch_diameter=None if r.proper_mm is None else f(r.proper_mm, "length", "size"),
        speed_change=change,
        groove=[(round(x, 3), round(y, 3)) for x, y in r.groove_points],
        belt=[(round(x, 3), round(y, 3)) for x, y in r.belt_points],
    )
