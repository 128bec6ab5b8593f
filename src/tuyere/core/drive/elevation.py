"""The elevation: a to-scale side view of a drive as plain geometry, for any family and any number of wheels.

Everything is in mm in the plane of the drive, x to the right, y up, driver shaft at the origin. The page, the PDF and
the DXF draw the same thing from it. Wheels, strands and dimensions are known by id, so that a figure can be hung on any.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from tuyere.core.drive.path import Path
from tuyere.core.drive.strands import Strand, StrandSide
from tuyere.core.steps import quiet


@dataclass(frozen=True, slots=True, kw_only=True)
class WheelDrawing:
    """A wheel as drawn: radii in mm; ``count`` grooves or teeth; ``turn`` +1 counter-clockwise."""

    id: str
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
    """A free strand from the wheel ``after`` which it comes to the wheel ``before`` which it ends; mm."""

    id: str
    after: str
    before: str
    x1: float
    y1: float
    x2: float
    y2: float
    side: StrandSide
    length: float


@dataclass(frozen=True, slots=True, kw_only=True)
class ArcDrawing:
    """Loop in contact with a wheel; degrees counter-clockwise from the x axis."""

    wheel: str
    x: float
    y: float
    r: float
    start_deg: float
    sweep_deg: float
    turn: int


@dataclass(frozen=True, slots=True, kw_only=True)
class DimensionDrawing:
    """A distance between two shafts, mm."""

    id: str
    x1: float
    y1: float
    x2: float
    y2: float
    length: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Elevation:
    """The drawing: wheels, arcs, strands, dimensions, loop thickness, and the frame that holds it all (mm).

    ``pitch`` is that of a chain or toothed belt, 0 for the others.
    """

    family: str
    wheels: tuple[WheelDrawing, ...]
    arcs: tuple[ArcDrawing, ...]
    strands: tuple[StrandDrawing, ...]
    dimensions: tuple[DimensionDrawing, ...]
    thickness: float
    pitch: float
    left: float
    bottom: float
    width: float
    height: float


def strand_sides(path: Path) -> dict[str, StrandSide]:
    """Tight is what arrives at the driver, slack what leaves it; the others are between."""
    driver = path.route.driver.id
    return {s.id: "tight" if s.before == driver else "slack" if s.after == driver else "between" for s in path.spans}


def elevation_of(
    path: Path, family: str, *, thickness_mm: float, pitch_mm: float = 0.0, strands: tuple[Strand, ...] = ()
) -> Elevation:
    """The elevation of any path; ``strands`` say which is tight and which slack, else the driver's own two do."""
    with quiet():
        sides: Mapping[str, StrandSide] = {s.id: s.side for s in strands} or strand_sides(path)
        wheels = tuple(
            WheelDrawing(
                id=w.wheel.id,
                role=w.wheel.role,
                x=w.wheel.x_mm,
                y=w.wheel.y_mm,
                outside_radius=w.wheel.outside_mm / 2,
                path_radius=w.wheel.path_mm / 2,
                turn=w.turn,
                profile=w.wheel.profile,
                count=w.wheel.count,
            )
            for w in path.wraps
        )
        arcs = tuple(
            ArcDrawing(
                wheel=w.wheel.id,
                x=w.wheel.x_mm,
                y=w.wheel.y_mm,
                r=w.wheel.path_mm / 2,
                start_deg=w.start_deg,
                sweep_deg=w.arc_deg,
                turn=w.turn,
            )
            for w in path.wraps
        )
        drawn = tuple(
            StrandDrawing(
                id=s.id,
                after=s.after,
                before=s.before,
                x1=s.x1,
                y1=s.y1,
                x2=s.x2,
                y2=s.y2,
                side=sides[s.id],
                length=s.length_mm,
            )
            for s in path.spans
        )
        reach = [(w.x, w.y, max(w.outside_radius, w.path_radius) + thickness_mm / 2) for w in wheels]
        left, right = min(x - r for x, _, r in reach), max(x + r for x, _, r in reach)
        bottom, top = min(y - r for _, y, r in reach), max(y + r for _, y, r in reach)
        return Elevation(
            family=family,
            wheels=wheels,
            arcs=arcs,
            strands=drawn,
            dimensions=_dimensions(path),
            thickness=thickness_mm,
            pitch=pitch_mm,
            left=left,
            bottom=bottom,
            width=right - left,
            height=top - bottom,
        )


def _dimensions(path: Path) -> tuple[DimensionDrawing, ...]:
    """From the driver to every other shaft; two wheels have the one centre distance."""
    driver, *others = path.route.wheels
    return tuple(
        DimensionDrawing(
            id=f"{driver.id}-{w.id}",
            x1=driver.x_mm,
            y1=driver.y_mm,
            x2=w.x_mm,
            y2=w.y_mm,
            length=driver.distance_mm(w),
        )
        for w in others
    )
