"""The elevation: a to-scale side view of a drive as plain geometry, for any family.

Everything is in mm in the plane of the drive, x to the right, y up, driver shaft at the origin. The
page, the PDF and the DXF draw the same thing from it. A family fills in the wheels and says what
they are; the path, the strands and the frame are worked out here.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import cos, hypot, radians, sin

from tuyere.core.geometry.path import Arc, Span, Wheel, belt_path


@dataclass(frozen=True, slots=True, kw_only=True)
class WheelDrawing:
    """A wheel as drawn: ``role`` driver, driven or idler; radii in mm; ``grooves`` or teeth count."""

    role: str
    x: float
    y: float
    outside_radius: float
    path_radius: float
    turn: int
    profile: str
    count: int


@dataclass(frozen=True, slots=True, kw_only=True)
class StrandDrawing:
    """A free strand; ``side`` is "tight" or "slack"."""

    x1: float
    y1: float
    x2: float
    y2: float
    side: str
    length: float


@dataclass(frozen=True, slots=True, kw_only=True)
class ArcDrawing:
    """Belt in contact with a wheel; degrees counter-clockwise from the x axis."""

    x: float
    y: float
    r: float
    start_deg: float
    sweep_deg: float
    turn: int


@dataclass(frozen=True, slots=True, kw_only=True)
class Elevation:
    """The drawing: wheels, arcs, strands, belt thickness, and the frame that holds it all (mm).

    ``pitch`` is that of a chain or toothed belt, 0 for the others.
    """

    family: str
    wheels: tuple[WheelDrawing, ...]
    arcs: tuple[ArcDrawing, ...]
    strands: tuple[StrandDrawing, ...]
    thickness: float
    pitch: float
    centre_distance: float
    left: float
    bottom: float
    width: float
    height: float


def two_wheel_elevation(
    family: str,
    profile: str,
    *,
    counts: tuple[int, int],
    thickness_mm: float,
    centre_mm: float,
    driver_path_mm: float,
    driver_outside_mm: float,
    driven_path_mm: float,
    driven_outside_mm: float,
    angle_deg: float = 0.0,
    clockwise: bool = True,
    crossed: bool = False,
    pitch_mm: float = 0.0,
) -> Elevation:
    """Elevation of a belt on two wheels; diameters in mm, ``angle_deg`` from driver to driven shaft,
    ``counts`` grooves or teeth of driver and driven.

    The strand that arrives at the driver is the tight one. Raises InputError when the wheels overlap.
    """
    turn = -1 if clockwise else 1
    x, y = centre_mm * cos(radians(angle_deg)), centre_mm * sin(radians(angle_deg))
    wheels = [Wheel(0.0, 0.0, driver_path_mm / 2, turn), Wheel(x, y, driven_path_mm / 2, -turn if crossed else turn)]
    path = belt_path(wheels)
    drawn = (
        WheelDrawing(
            role="driver",
            x=0.0,
            y=0.0,
            outside_radius=driver_outside_mm / 2,
            path_radius=driver_path_mm / 2,
            turn=wheels[0].turn,
            profile=profile,
            count=counts[0],
        ),
        WheelDrawing(
            role="driven",
            x=x,
            y=y,
            outside_radius=driven_outside_mm / 2,
            path_radius=driven_path_mm / 2,
            turn=wheels[1].turn,
            profile=profile,
            count=counts[1],
        ),
    )
    arcs = tuple(
        ArcDrawing(x=p.x, y=p.y, r=p.r, start_deg=p.start_deg, sweep_deg=p.sweep_deg, turn=p.turn)
        for p in path
        if isinstance(p, Arc)
    )
    strands = tuple(
        StrandDrawing(
            x1=p.x1,
            y1=p.y1,
            x2=p.x2,
            y2=p.y2,
            side="tight" if p.end == 0 else "slack",
            length=hypot(p.x2 - p.x1, p.y2 - p.y1),
        )
        for p in path
        if isinstance(p, Span)
    )
    reach = [(w.x, w.y, max(w.outside_radius, w.path_radius) + thickness_mm / 2) for w in drawn]
    left, right = min(x - r for x, _, r in reach), max(x + r for x, _, r in reach)
    bottom, top = min(y - r for _, y, r in reach), max(y + r for _, y, r in reach)
    return Elevation(
        family=family,
        wheels=drawn,
        arcs=arcs,
        strands=strands,
        thickness=thickness_mm,
        pitch=pitch_mm,
        centre_distance=centre_mm,
        left=left,
        bottom=bottom,
        width=right - left,
        height=top - bottom,
    )
