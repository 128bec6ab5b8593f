"""A drive as it is stored: wheels on numbered shafts, loops with their stops, what takes them up; any number of each."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from math import atan2, degrees, hypot
from typing import Literal

from pydantic import JsonValue

from tuyere.core.drive.case import L, R, S, WorkedDrive
from tuyere.core.drive.route import Route, TakeUp
from tuyere.core.drive.wheel import Role, Side

# What only its family knows of a wheel or loop; its own model reads it back.
Spec = Mapping[str, JsonValue]
DiameterKind = Literal["outside", "effective", "datum", "pitch"]
WheelKind = Literal["sheave", "sprocket", "pulley", "idler", "guide"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Dim:
    """A length in mm: along which line it is measured, what was typed, where it came from."""

    mm: float
    kind: str
    typed: str | None = None
    origin: str = "user"


@dataclass(frozen=True, slots=True, kw_only=True)
class ShaftKey:
    """A shaft of a drive: its role, and which of that role it is."""

    role: Role
    no: int = 1


@dataclass(frozen=True, slots=True, kw_only=True)
class WheelPart:
    """A wheel by its id in the drive ("driver", "fan"); place in mm, the driver shaft at the origin."""

    id: str
    shaft: ShaftKey
    kind: str
    x_mm: float = 0.0
    y_mm: float = 0.0
    diameter: Dim
    profile: str
    grooves: int | None = None
    teeth: int | None = None
    spec: Spec = field(default_factory=dict)


@dataclass(frozen=True, slots=True, kw_only=True)
class StopPart:
    """A wheel on a loop's way, by its id; the face that touches it, and whether the strand before it crosses."""

    wheel: str
    side: Side = "inside"
    crossed: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class LoopPart:
    """A belt or chain: its stops in the order of travel, what it is, how many; ``take_up`` is what tensions it."""

    no: int = 1
    stops: tuple[StopPart, ...]
    section: str
    designation: str
    length: Dim
    strands: int = 1
    members: int = 1
    joined: bool = False
    take_up: TakeUp | None = None
    spec: Spec = field(default_factory=dict)


@dataclass(frozen=True, slots=True, kw_only=True)
class Parts:
    """Everything of a build but its duty; ``clockwise`` is the driver's turn as drawn."""

    wheels: tuple[WheelPart, ...]
    loops: tuple[LoopPart, ...]
    clockwise: bool = True

    @property
    def driver(self) -> WheelPart:
        """The first wheel of the driving shaft."""
        return next(w for w in self.wheels if w.shaft.role == "driver")

    @property
    def driven(self) -> WheelPart:
        """The first wheel of the first driven shaft."""
        driven = [w for w in self.wheels if w.shaft.role == "driven"]
        return min(driven, key=lambda w: w.shaft.no)

    @property
    def loop(self) -> LoopPart:
        """The first loop."""
        return self.loops[0]

    @property
    def centre_mm(self) -> float:
        """Driver to first driven shaft."""
        return hypot(self.driven.x_mm - self.driver.x_mm, self.driven.y_mm - self.driver.y_mm)

    @property
    def angle_deg(self) -> float:
        """From driver to first driven shaft above level; nine decimals, for the way there and back through sine and cosine."""
        a, b = self.driver, self.driven
        return round(degrees(atan2(b.y_mm - a.y_mm, b.x_mm - a.x_mm)), 9) + 0.0

    def layout(self) -> dict[str, JsonValue]:
        """How the plain drive stands, as the calculations take it."""
        return {"angle": self.angle_deg, "clockwise": self.clockwise}


def plain_wheels(worked: WorkedDrive[L, R, S], driver: WheelPart, driven: WheelPart) -> tuple[WheelPart, WheelPart]:
    """Both wheels of a plain drive where the worked drive puts them."""
    from dataclasses import replace

    at = worked.shape.path.route.driven
    return driver, replace(driven, x_mm=at.x_mm, y_mm=at.y_mm)


def stops_of(route: Route) -> tuple[StopPart, ...]:
    """The stops of a route by the ids of its wheels."""
    return tuple(StopPart(wheel=s.wheel.id, side=s.side, crossed=s.crossed) for s in route.stops)
