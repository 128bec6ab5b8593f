"""A wheel of a drive: sheave, sprocket, pulley or idler; of any family."""

from __future__ import annotations

from dataclasses import dataclass, replace
from math import hypot
from typing import Literal

Role = Literal["driver", "driven", "idler", "guide"]
Side = Literal["inside", "outside"]
DRIVER, DRIVEN = "driver", "driven"


@dataclass(frozen=True, slots=True, kw_only=True)
class Wheel:
    """A wheel by its ``id`` ("driver", "fan", "idler-1"), its role, place and sizes; mm.

    ``path_mm`` is the diameter along the loop's length line, ``pitch_mm`` that of speed and rating; ``count`` is
    grooves or teeth, ``profile`` the groove, chain or tooth it is made for.
    """

    id: str
    role: Role
    x_mm: float = 0.0
    y_mm: float = 0.0
    path_mm: float
    pitch_mm: float
    outside_mm: float
    count: int = 1
    profile: str = ""

    def at(self, x_mm: float, y_mm: float) -> Wheel:
        """The same wheel at another place."""
        return replace(self, x_mm=x_mm, y_mm=y_mm)

    def distance_mm(self, other: Wheel) -> float:
        """Between both shafts."""
        return hypot(other.x_mm - self.x_mm, other.y_mm - self.y_mm)


def plain_wheel(ident: str, role: Role, diameter_mm: float, *, profile: str = "flat", count: int = 1) -> Wheel:
    """A wheel whose path, pitch and outside diameter are one."""
    return Wheel(
        id=ident,
        role=role,
        path_mm=diameter_mm,
        pitch_mm=diameter_mm,
        outside_mm=diameter_mm,
        count=count,
        profile=profile,
    )
