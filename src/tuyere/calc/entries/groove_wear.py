"""`groove-wear`: worn grooves, what they do to the belt and the speed, and whether the wheel still does."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.card import Card, CardAnswer, wear_bar
from tuyere.calc.entry import Angle, Gap, Size, Speed, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.sources import PRACTICE
from tuyere.core.steps import looked_up
from tuyere.core.wear.groove import DISH_LIMIT_MM, WATCH_SHARE, GrooveWear, groove_wear, speed_change_percent

GROUP = "Upkeep"


class GrooveIn(Input):
    """One wheel's worst groove under the gauge."""

    gap: Gap = Field(description="gap of light between gauge and flank, at its widest")
    angle: Angle = Field(description="angle of the groove, as the gauge says")
    diameter: Size = Field(description="diameter as it was new")
    belt_less: Gap | None = Field(default=None, description="what the belt has lost across its top")


class GrooveWearIn(Input):
    """The worn wheel, the other one where it was gauged too, and the driver's speed to see what the speed has lost."""

    driver: GrooveIn | None = Field(default=None, description="the driver")
    driven: GrooveIn | None = Field(default=None, description="the driven wheel")
    driver_speed: Speed | None = Field(default=None, description="speed of the driver")


class GrooveOut(Answer):
    """One wheel: how much of the limit its wear has used, how much deeper the belt sits, what to do."""

    wheel: Literal["driver", "driven"]
    used: Figure = Field(title="Of the limit used")
    drop: Figure
    worn_diameter: Figure
    verdict: Literal["fine", "watch", "act"]


class GrooveWearOut(CardAnswer):
    """What the gauge says of the wheels, and what to do; the worse of two stands for both."""

    used: Figure = Field(title="Of the limit used")
    verdict: Literal["fine", "watch", "act"]
    limit: Figure
    wheels: list[GrooveOut]
    speed_change: Figure | None


def _worked(given: GrooveIn, field: str) -> GrooveWear:
    try:
        return groove_wear(
            given.gap.value,
            angle_deg=given.angle.value,
            diameter_mm=given.diameter.value,
            belt_less_mm=value_of(given.belt_less),
        )
    except InputError as e:
        raise e.at(f"{field}.{e.field}") from e


@calculation(
    "groove-wear",
    "Wear of grooves",
    summary="Gap of a groove gauge against the limit of 1/32 in; how much deeper the belt sits, and what that does to the speed.",
    source="geometry of the groove; limit of association and shop practice",
    example={
        "units": "us",
        "input": {
            "driver": {"gap": "0.024", "angle": "34", "diameter": "5.4", "belt_less": "0.010"},
            "driven": {"gap": "0.008", "angle": "38", "diameter": "18.4", "belt_less": "0.010"},
            "driver_speed": "1750",
        },
    },
    first=("says", "verdict", "wheels"),
    card=Card(
        asks="Are the grooves worn?",
        topic="Is it worn",
        sentence="The driver was {driver.diameter} across when new; the gauge for {driver.angle} shows {driver.gap} of light at its worst, "
        "and the belt has lost {driver.belt_less} across its top.|The driven wheel was {driven.diameter}, gauge {driven.angle}, "
        "light {driven.gap}, belt {driven.belt_less}; the driver turns at {driver_speed}.",
        figures=("used", "limit", "speed_change"),
        picture="groove-gauge",
        on_picture=("driver.gap",),
        then=("groove-fit", "Does the belt still sit right?"),
    ),
)
def groove_wear_entry(given: GrooveWearIn, frame: Frame) -> GrooveWearOut:
    """Work both wheels. Raises InputError where none was gauged."""
    f = frame.figure
    wheels: list[GrooveOut] = []
    worked: dict[str, GrooveWear] = {}
    for name, side in (("driver", given.driver), ("driven", given.driven)):
        if side is None:
            continue
        found = _worked(side, name)
        worked[name] = found
        wheels.append(
            GrooveOut(
                wheel=name,
                used=f(100 * found.share, "percent"),
                drop=f(found.drop_mm, "gap"),
                worn_diameter=f(found.worn_mm, "length", "size"),
                verdict=found.verdict,
            )
        )
    if not wheels:
        raise InputError("driver", None, "no groove was gauged", "one wheel at least")
    worst = max(wheels, key=lambda w: w.used.value)
    verdict = worst.verdict
    change = None
    if len(worked) == 2 and given.driver is not None and given.driven is not None:
        change = f(
            speed_change_percent(
                value_of(given.driver_speed, 1000.0),
                (given.driver.diameter.value, given.driven.diameter.value),
                (worked["driver"].worn_mm, worked["driven"].worn_mm),
            ),
            "percent",
        )
    if verdict == "act":
        notice(
            "caution",
            "both-wheels",
            "A new belt in a worn groove lasts weeks: change the wheels with it, the driver and the driven one.",
            f"input.{worst.wheel}.gap",
        )
    does = {
        "fine": "it may stay",
        "watch": "half of it is used: get the next one",
        "act": "change it, with its partner and the belts",
    }[verdict]
    limit = f(looked_up("g_dish", DISH_LIMIT_MM, "", PRACTICE), "gap")
    return GrooveWearOut(
        says=f"The {worst.wheel}'s groove has used {worst.used.shown} of the {limit.shown} it may lose: {does}.",
        bar=wear_bar(worst.used, f(100 * WATCH_SHARE, "percent"), f(100.0, "percent"), words=("get one", "change it")),
        used=worst.used,
        verdict=verdict,
        limit=limit,
        wheels=wheels,
        speed_change=change,
    )
