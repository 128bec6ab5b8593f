"""`retrofit`: gears or a coupling replaced by a belt of one or more ranges."""

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
from tuyere.core.speeds.formulas import belt_speed
from tuyere.core.speeds.retrofit import Gears, Retrofit, retrofit
from tuyere.core.steps import quiet

GROUP = "Speeds"
CHECKS = (
    "Guard over belt and both wheels before it runs; the gear case closed where it is open.",
    "Shaft ends: diameter and length for the pulleys, no thread where the wheel sits.",
    "Keys: full length, tight at the sides; keyseats not beaten out by the gears.",
    "Bearings: a belt pulls the shafts together, gears pushed them apart; look at the bearing beside each wheel.",
    "Something else that the gears drove, feed or lubrication, is not forgotten.",
)


class GearsIn(Input):
    """One range as it is now."""

    pinion: Annotated[Whole, Field(ge=4, le=400)] = Field(description="teeth of the driving gear")
    gear: Annotated[Whole, Field(ge=4, le=400)] = Field(description="teeth of the driven gear")
    meshes: Annotated[Whole, Field(ge=0, le=6)] = Field(
        default=1, description="pairs of gears between both shafts; 0 for a coupling"
    )


class RetrofitIn(Input):
    """What is there, what is wanted, and what room there is."""

    driver_speed: Speed = Field(description="speed of the driver")
    gears: Annotated[list[GearsIn], Field(min_length=1, max_length=6)] = Field(
        description="the ranges as they are, one after the other"
    )
    speeds: Annotated[list[Speed], Field(max_length=6)] = Field(
        default_factory=list, description="wanted speeds in the same order; those of the gears where left open"
    )
    centres: Length = Field(description="centre distance there is room for")
    first: Size = Field(description="driver's diameter for the first range, pitch")
    belt: Literal["open", "crossed"] = Field(default="open", description="how the belt runs; crossed: flat belts only")
    made_in: Size | None = Field(default=None, description="sizes are made in steps of; exact where left open")
    within: Percent | None = Field(
        title="Near enough, within", default=None, description="how far a speed may be off; 2 % where left open"
    )
    safe_speed: Speed | None = Field(
        default=None, description="greatest safe speed of tool, wheel or work on the spindle"
    )
    tool: Size | None = Field(default=None, description="largest tool, wheel or work, across")
    thread: Literal["none", "right", "left"] = Field(default="none", description="thread that holds tool or chuck")


class GearRangeOut(Answer):
    """One range before and after."""

    before: Figure
    after: Figure
    off: Figure
    driver: Figure
    driven: Figure
    slack: Figure
    edge: Figure | None


class RetrofitOut(Answer):
    """The pulleys, the direction, and what has to be looked at."""

    says: str
    belt_length: Figure
    direction: Literal["as before", "turned about", "some ranges turned about"]
    turn_back: list[str]
    ranges: list[GearRangeOut]
    checks: list[str]
    picture: SceneOut


def _refuse_fast(given: RetrofitIn, found: Retrofit) -> None:
    if given.safe_speed is None:
        notice(
            "caution",
            "safe-speed-unknown",
            "What is the greatest safe speed of the tool, wheel or work? It stands on it: no range may be faster.",
            "input.safe_speed",
        )
        return
    fastest = max(s.rpm for s in found.cones.steps)
    if fastest > given.safe_speed.value * 1.0001:
        raise InputError(
            "safe_speed",
            given.safe_speed.value,
            "the fastest range would turn the tool at {fastest}, over its greatest safe speed: it may burst",
            "a lower range, or a tool for that speed",
            fastest=(fastest, "speed"),
        )


def _turn_back(given: RetrofitIn, found: Retrofit) -> list[str]:
    if not found.reverses:
        return []
    ways = [
        "A three-phase motor: two of its three leads changed over, by whoever may work on the supply.",
        "A single-phase motor: only where its plate shows how; the switch may want changing with it.",
        "One pair of gears kept behind the belt.",
    ]
    if given.belt == "open":
        ways.insert(1, "A crossed flat belt, slow and with long centres; no crossed V-belt.")
    if found.mixed:
        ways.insert(0, "The ranges do not all turn one way: one direction of the motor does not serve them all.")
    if given.thread != "none":
        notice(
            "danger",
            "thread-unscrews",
            "Turned about, the thread that holds tool or chuck unscrews itself: it flies off. No run before the direction is right.",
            "input.thread",
        )
    notice(
        "danger",
        "direction-reversed",
        "A pair of gears reverses the direction, an open belt keeps it: look which way the machine must turn before it is started.",
        "input.belt",
    )
    return ways


@calculation(
    "retrofit",
    "Instead of gears",
    summary="Gears or a coupling replaced by a belt: pulleys for every range, speeds before and after, and which way it then turns.",
    source="kinematics; exact belt length; common practice of millwrights",
    example={
        "units": "us",
        "input": {
            "driver_speed": "1725",
            "gears": [{"pinion": 18, "gear": 72}, {"pinion": 30, "gear": 60}],
            "centres": "16 in",
            "first": "2.5 in",
            "made_in": "1/16 in",
            "safe_speed": "1200",
            "tool": "8 in",
            "thread": "right",
        },
    },
    first=("says", "belt_length"),
)
def retrofit_entry(given: RetrofitIn, frame: Frame) -> RetrofitOut:
    """Work the pulleys. Raises InputError for a tool that would turn faster than it may."""
    found = retrofit(
        given.driver_speed.value,
        [Gears(g.pinion, g.gear, g.meshes) for g in given.gears],
        wanted=[s.value for s in given.speeds],
        centres_mm=given.centres.value,
        first_mm=given.first.value,
        crossed=given.belt == "crossed",
        make_mm=None if given.made_in is None else given.made_in.value,
        within_percent=value_of(given.within, 2.0),
    )
    _refuse_fast(given, found)
    ways = _turn_back(given, found)
    f = frame.figure
    direction: Literal["as before", "turned about", "some ranges turned about"] = (
        "as before" if not found.reverses else "some ranges turned about" if found.mixed else "turned about"
    )
    wanted = [s.value for s in given.speeds] or list(found.old_rpm)
    words = [
        (f(s.driver_mm, "length", "size").shown, f(s.driven_mm, "length", "size").shown, f(s.rpm, "speed").number)
        for s in found.cones.steps
    ]
    centres = f(given.centres.value, "length", "tape").shown
    drawn, _ = cones_scene(found.cones, centres_mm=given.centres.value, words=words, centres=centres)
    ranges = []
    for old, want, s in zip(found.old_rpm, wanted, found.cones.steps, strict=True):
        with quiet():
            edge = None if given.tool is None else float(belt_speed(given.tool.value, s.rpm))
        ranges.append(
            GearRangeOut(
                before=f(old, "speed"),
                after=f(s.rpm, "speed"),
                off=f(100 * (s.rpm / want - 1), "percent"),
                driver=f(s.driver_mm, "length", "size"),
                driven=f(s.driven_mm, "length", "size"),
                slack=f(s.slack_mm, "gap"),
                edge=None if edge is None else f(edge, "belt_speed"),
            )
        )
    speeds = ", ".join(r.after.number for r in ranges)
    turned = {"as before": "It turns as before", "turned about": "It turns the other way"}.get(
        direction, "Some ranges turn the other way"
    )
    return RetrofitOut(
        says=f"{speeds} rpm by belt in place of the gears. {turned}.",
        belt_length=f(found.cones.length_mm, "length", "tape"),
        direction=direction,
        turn_back=ways,
        ranges=ranges,
        checks=list(CHECKS),
        picture=scene_out(drawn),
    )
