"""`idler-cone`: motor, idler and spindle: two belts, and as many speeds as the steps of both multiply to."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Length, Size, Speed
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.calc.scene_out import SceneOut, scene_out
from tuyere.core.drawing.cones import cones_scene
from tuyere.core.drawing.scene import Scene
from tuyere.core.notices import notice
from tuyere.core.speeds.cones import Cones, idler_cones

GROUP = "Speeds"
Steps = Annotated[Whole, Field(ge=1, le=5)]


class PairSizeIn(Input):
    """One of both belts."""

    steps: Steps = Field(description="steps of this pair; the first may have one")
    centres: Length = Field(description="centre distance of this pair")
    first: Size = Field(description="diameter of its driving cone on the slowest step, pitch")


class IdlerConeIn(Input):
    """Lowest and highest speed, and both pairs."""

    driver_speed: Speed = Field(description="speed of the motor")
    lowest: Speed = Field(description="lowest speed of the spindle")
    highest: Speed = Field(description="highest speed of the spindle")
    to_idler: PairSizeIn = Field(description="motor to idler")
    to_spindle: PairSizeIn = Field(description="idler to spindle")
    made_in: Size | None = Field(default=None, description="sizes are made in steps of; exact where left open")


class ConeStepOut(Answer):
    """One step of one pair."""

    driver: Figure
    driven: Figure
    slack: Figure


class IdlerConeOut(Answer):
    """Both pairs, every speed, and by how much each is over the one before."""

    says: str
    speeds: list[Figure]
    factor: Figure
    to_idler: list[ConeStepOut]
    to_spindle: list[ConeStepOut]
    first_belt: Figure
    second_belt: Figure
    picture: SceneOut


def _steps(c: Cones, frame: Frame) -> list[ConeStepOut]:
    f = frame.figure
    return [
        ConeStepOut(
            driver=f(s.driver_mm, "length", "size"), driven=f(s.driven_mm, "length", "size"), slack=f(s.slack_mm, "gap")
        )
        for s in c.steps
    ]


def _picture(pairs: list[tuple[Cones, float]], frame: Frame, title: str) -> SceneOut:
    """Both pairs, the second over the first."""
    f = frame.figure
    high = 0.0
    wide = 0.0
    items = []
    for c, centres in pairs:
        words = [
            (f(s.driver_mm, "length", "size").shown, f(s.driven_mm, "length", "size").shown, f(s.rpm, "speed").number)
            for s in c.steps
        ]
        made, _ = cones_scene(c, centres_mm=centres, words=words, centres=f(centres, "length", "tape").shown)
        items += list(made.placed(0, high))
        high, wide = high + made.height + 4, max(wide, made.width)
    return scene_out(Scene(width=wide, height=high, title=title, items=tuple(items)))


@calculation(
    "idler-cone",
    "Step pulleys with an idler cone",
    summary="Motor, idler and spindle: both pairs of step pulleys for one even series of speeds; what a back gear would have to be.",
    source="textbook speed series; exact belt length",
    example={
        "units": "us",
        "input": {
            "driver_speed": "1725",
            "lowest": "250",
            "highest": "3000",
            "to_idler": {"steps": 3, "centres": "9 in", "first": "2 in"},
            "to_spindle": {"steps": 3, "centres": "10 in", "first": "2 in"},
            "made_in": "1/16 in",
        },
    },
    first=("says", "factor"),
)
def idler_cone(given: IdlerConeIn, frame: Frame) -> IdlerConeOut:
    """Work both pairs. Raises InputError for speeds, sizes and centres that make none."""
    a, b = given.to_idler, given.to_spindle
    found = idler_cones(
        given.driver_speed.value,
        given.lowest.value,
        given.highest.value,
        steps=(a.steps, b.steps),
        centres_mm=(a.centres.value, b.centres.value),
        first_mm=(a.first.value, b.first.value),
        make_mm=None if given.made_in is None else given.made_in.value,
    )
    f = frame.figure
    notice(
        "danger",
        "stopped-to-shift",
        "Belts are shifted on a machine that stands, isolated: never by hand while it turns.",
        "input",
    )
    speeds = [f(v, "speed") for v in found.rpm]
    factor = f(found.factor, "factor", "exact")
    says = f"{len(speeds)} speeds, {speeds[0].number} to {speeds[-1].shown}, each {factor.shown} times the one before."
    pairs = [(found.first, a.centres.value), (found.second, b.centres.value)]
    return IdlerConeOut(
        says=says,
        speeds=speeds,
        factor=factor,
        to_idler=_steps(found.first, frame),
        to_spindle=_steps(found.second, frame),
        first_belt=f(found.first.length_mm, "length", "tape"),
        second_belt=f(found.second.length_mm, "length", "tape"),
        picture=_picture(pairs, frame, f"Motor to idler below, idler to spindle above: {says}"),
    )
