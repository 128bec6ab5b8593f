"""`speed-ratio`: speeds and diameters, whichever one is unknown."""

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Percent, Size, Speed, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.speeds.ratio import solve_speed_ratio


class SpeedRatioIn(Input):
    """Give three of the first four."""

    driver_speed: Speed | None = Field(default=None, description="speed of the driver")
    driven_speed: Speed | None = Field(default=None, description="speed of the driven shaft")
    driver_diameter: Size | None = Field(default=None, description="pitch (or datum) diameter of the driver")
    driven_diameter: Size | None = Field(default=None, description="pitch (or datum) diameter of the driven")
    slip: Percent | None = Field(default=None, description="belt slip; none is assumed")


class SpeedRatioOut(CardAnswer):
    """All four, the ratio and the belt speed."""

    driver_speed: Figure
    driven_speed: Figure
    driver_diameter: Figure
    driven_diameter: Figure
    ratio: Figure
    belt_speed: Figure
    solved_for: str


@calculation(
    "speed-ratio",
    "Speeds and diameters",
    summary="Driver and driven speed and both pitch diameters: give three, get the fourth.",
    source="kinematics of a belt on two pulleys",
    example={
        "units": "us",
        "input": {"driver_speed": "1750 rpm", "driver_diameter": "5.4 in", "driven_diameter": "9.4 in"},
    },
    card=Card(
        asks="How fast does it turn, or which size must it be?",
        topic="Speeds and sizes",
        sentence="A driver of {driver_diameter} at {driver_speed} turns a wheel of {driven_diameter} at {driven_speed}. "
        "Leave one open; slip {slip}.",
        figures=("driven_speed", "ratio", "belt_speed"),
        picture="wheels",
        on_picture=("driver_diameter", "driver_speed", "driven_diameter", "driven_speed"),
    ),
)
def speed_ratio(given: SpeedRatioIn, frame: Frame) -> SpeedRatioOut:
    """Solve for the one left open."""
    n1, n2, d1, d2 = (
        None if e is None else e.value
        for e in (given.driver_speed, given.driven_speed, given.driver_diameter, given.driven_diameter)
    )
    r = solve_speed_ratio(n1, n2, d1, d2, value_of(given.slip))
    fig = frame.figure
    solved = {
        "driver_rpm": ("driver must turn at", fig(r.driver_rpm, "speed")),
        "driven_rpm": ("driven wheel turns at", fig(r.driven_rpm, "speed")),
        "driver_mm": ("driver must measure", fig(r.driver_mm, "length", "size")),
        "driven_mm": ("driven wheel must measure", fig(r.driven_mm, "length", "size")),
    }[r.solved_for]
    along = "" if solved[1].unit == "rpm" else " along the belt's line"
    return SpeedRatioOut(
        says=f"The {solved[0]} {solved[1].shown}{along}.",
        driver_speed=fig(r.driver_rpm, "speed"),
        driven_speed=fig(r.driven_rpm, "speed"),
        driver_diameter=fig(r.driver_mm, "length", "size"),
        driven_diameter=fig(r.driven_mm, "length", "size"),
        ratio=fig(r.ratio, "factor", "exact"),
        belt_speed=fig(r.belt_speed_m_s, "belt_speed"),
        solved_for={
            "driver_rpm": "driver_speed",
            "driven_rpm": "driven_speed",
            "driver_mm": "driver_diameter",
            "driven_mm": "driven_diameter",
        }[r.solved_for],
    )
