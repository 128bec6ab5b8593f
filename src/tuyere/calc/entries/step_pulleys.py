"""`step-pulleys`: several speeds from one belt: both cones, so that the belt fits on every step."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Length, Percent, Size, Speed, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.calc.scene_out import SceneOut, scene_out
from tuyere.core.drawing.cones import cones_scene
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.speeds.cones import Cones, check_cones, exact_cones, geometric, rounded_cones

GROUP = "Speeds"


class PairIn(Input):
    """One step of a pair that is there."""

    driver: Size = Field(description="driver's diameter on this step, pitch")
    driven: Size = Field(description="driven wheel's diameter on this step, pitch")


class StepPulleysIn(Input):
    """Wanted speeds, or the lowest and highest with the number of steps, or a pair that is there."""

    driver_speed: Speed = Field(description="speed of the driver")
    centres: Length = Field(description="centre distance")
    belt: Literal["open", "crossed"] = Field(default="open", description="how the belt runs")
    speeds: Annotated[list[Speed], Field(max_length=8)] = Field(
        default_factory=list, description="driven speeds, step by step, or leave open"
    )
    lowest: Speed | None = Field(default=None, description="lowest driven speed")
    highest: Speed | None = Field(default=None, description="highest driven speed")
    steps: Annotated[Whole, Field(ge=2, le=8)] | None = Field(default=None, description="how many steps")
    first: Size | None = Field(default=None, description="driver's diameter on the first step, pitch")
    least: Size | None = Field(default=None, description="least diameter that the belt bears, pitch")
    largest: Size | None = Field(default=None, description="largest that there is room for, pitch")
    made_in: Size | None = Field(default=None, description="sizes are made in steps of; exact where left open")
    within: Percent | None = Field(default=None, description="how far a speed may be off; 2 % where left open")
    pairs: Annotated[list[PairIn], Field(max_length=8)] = Field(
        default_factory=list, description="a pair that is there, to be checked"
    )


class StepOut(Answer):
    """One step."""

    driver: Figure
    driven: Figure
    speed: Figure
    slack: Figure


class StepPulleysOut(Answer):
    """The pair, the belt's length, and how well it fits."""

    says: str
    steps: list[StepOut]
    belt_length: Figure
    most_slack: Figure
    picture: SceneOut


def _wanted(given: StepPulleysIn) -> tuple[float, ...]:
    if given.speeds:
        return tuple(s.value for s in given.speeds)
    if given.lowest is None or given.highest is None or given.steps is None:
        raise InputError(
            "speeds", None, "which speeds?", "the speeds, or lowest, highest and how many steps, or a pair to check"
        )
    return geometric(given.lowest.value, given.highest.value, given.steps)


def _cones(given: StepPulleysIn) -> Cones:
    crossed, centres = given.belt == "crossed", given.centres.value
    if given.pairs:
        pairs = [(p.driver.value, p.driven.value) for p in given.pairs]
        return check_cones(given.driver_speed.value, pairs, centres_mm=centres, crossed=crossed)
    if given.first is None:
        raise InputError("first", None, "how large is the driver on the first step?", "its pitch diameter")
    exact = exact_cones(
        given.driver_speed.value, _wanted(given), centres_mm=centres, first_mm=given.first.value, crossed=crossed
    )
    if given.made_in is None:
        return exact
    return rounded_cones(
        given.driver_speed.value,
        exact,
        centres_mm=centres,
        make_mm=given.made_in.value,
        speed_percent=value_of(given.within, 2.0),
    )


def _limits(given: StepPulleysIn, found: Cones) -> None:
    """Refuse sizes beyond what the belt bears or there is room for. Raises InputError beside the limit."""
    sizes = [x for s in found.steps for x in (s.driver_mm, s.driven_mm)]
    if given.least is not None and min(sizes) < given.least.value:
        raise InputError(
            "least",
            given.least.value,
            "a step would be {size}: smaller than the belt bears",
            "a larger first step, or a narrower range of speeds",
            size=(min(sizes), "length"),
        )
    if given.largest is not None and max(sizes) > given.largest.value:
        raise InputError(
            "largest",
            given.largest.value,
            "a step would be {size}: there is no room for it",
            "a smaller first step, or a narrower range of speeds",
            size=(max(sizes), "length"),
        )


@calculation(
    "step-pulleys",
    "Step pulleys",
    summary="Several speeds from one belt: both cones so that it fits on every step, in sizes that can be made; or a pair checked.",
    source="exact belt length; crossed: constant sum of diameters",
    example={
        "units": "us",
        "input": {
            "driver_speed": "1725",
            "centres": "14",
            "lowest": "600",
            "highest": "2800",
            "steps": 4,
            "first": "2.5",
            "made_in": "1/16",
        },
    },
    first=("says", "belt_length"),
)
def step_pulleys(given: StepPulleysIn, frame: Frame) -> StepPulleysOut:
    """Work or check the pair. Raises InputError for speeds, sizes and centres that make none."""
    found = _cones(given)
    _limits(given, found)
    f = frame.figure
    slack = f(found.most_slack_mm, "gap")
    # Half of what the belt is long or short shows as travel of the shafts.
    fits = found.most_slack_mm <= 0.002 * found.length_mm
    if not fits:
        notice(
            "caution",
            "does-not-fit",
            "One belt does not fit every step: it slips on one and is bar-tight on another, unless the shafts move with the step.",
            "input.pairs" if given.pairs else "input.made_in",
        )
    notice(
        "danger",
        "stopped-to-shift",
        "The belt is shifted on a machine that stands, isolated: never by hand while it turns.",
        "input",
    )
    words = [
        (f(s.driver_mm, "length", "size").shown, f(s.driven_mm, "length", "size").shown, f(s.rpm, "speed").number)
        for s in found.steps
    ]
    centres = f(given.centres.value, "length", "tape").shown
    drawn, _ = cones_scene(found, centres_mm=given.centres.value, words=words, centres=centres)
    speeds = ", ".join(f(s.rpm, "speed").number for s in found.steps)
    return StepPulleysOut(
        says=f"{speeds} rpm from one belt; on every step it is within {slack.shown} of its length"
        + (": it fits." if fits else ": it does not fit all of them."),
        steps=[
            StepOut(
                driver=f(s.driver_mm, "length", "size"),
                driven=f(s.driven_mm, "length", "size"),
                speed=f(s.rpm, "speed"),
                slack=f(s.slack_mm, "gap"),
            )
            for s in found.steps
        ],
        belt_length=f(found.length_mm, "length", "tape"),
        most_slack=slack,
        picture=scene_out(drawn),
    )
