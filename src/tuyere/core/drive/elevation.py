"""The elevation: a to-scale side view of a drive as plain geometry, for any family and any number of wheels.

Everything is in mm in the plane of the drive, x to the right, y up, driver shaft at the origin. The page, the PDF and
the DXF draw the same thing from it. Wheels, strands and dimensions are known by id, so that a figure can be hung on any.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from math import inf

from tuyere.core.drive.guides import Guide
from tuyere.core.drive.path import Path
from tuyere.core.drive.route import Route
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
    """A free strand from the wheel ``after`` which it comes to the wheel ``before`` which it ends; mm.

    ``share`` is where its pull stands between the slackest (0) and the tightest (1).
    """

    id: str
    after: str
    before: str
    x1: float
    y1: float
    x2: float
    y2: float
    side: StrandSide
    length: float
    share: float


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
class GhostDrawing:
    """Where the take-up's wheel stands at one end of its travel; mm."""

    wheel: str
    x: float
    y: float
    r: float


@dataclass(frozen=True, slots=True, kw_only=True)
class ArmDrawing:
    """An arm from its pin to its wheel; ``pulled`` by a spring, a weight or a hand; mm."""

    wheel: str
    x1: float
    y1: float
    x2: float
    y2: float
    pulled: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class GuideDrawing:
    """A guide or keeper beside the loop; mm."""

    id: str
    x: float
    y: float
    r: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Elevation:
    """The drawing: wheels, arcs, strands, dimensions, loop thickness, and the frame that holds it all (mm).

    ``pitch`` is that of a chain or toothed belt, 0 for the others. ``character`` is what the loop is seen to be made of:
    plain, cogged, link, teeth or rollers. ``ghosts`` are the ends of the take-up's travel.
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
    character: str = "plain"
    ghosts: tuple[GhostDrawing, ...] = ()
    arms: tuple[ArmDrawing, ...] = ()
    guides: tuple[GuideDrawing, ...] = ()


def strand_sides(path: Path) -> dict[str, StrandSide]:
    """Tight is what arrives at the driver, slack what leaves it; the others are between."""
    driver = path.route.driver.id
    return {s.id: "tight" if s.before == driver else "slack" if s.after == driver else "between" for s in path.spans}


def _shares(sides: Mapping[str, StrandSide], strands: tuple[Strand, ...]) -> dict[str, float]:
    """Where each strand's pull stands between the slackest and the tightest."""
    pulls = [s.tension_n for s in strands]
    if not pulls or max(pulls) - min(pulls) <= 1e-9 * max(abs(max(pulls)), 1.0):
        return {k: 1.0 if side == "tight" else 0.0 for k, side in sides.items()}
    low, high = min(pulls), max(pulls)
    return {s.id: (s.tension_n - low) / (high - low) for s in strands}


def elevation_of(
    path: Path,
    family: str,
    *,
    thickness_mm: float,
    pitch_mm: float = 0.0,
    strands: tuple[Strand, ...] = (),
    character: str = "plain",
) -> Elevation:
    """The elevation of any path; ``strands`` say which is tight and which slack, else the driver's own two do."""
    with quiet():
        sides: Mapping[str, StrandSide] = {s.id: s.side for s in strands} or strand_sides(path)
        shares = _shares(sides, strands)
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
                share=shares[s.id],
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
            character=character,
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


def with_surroundings(drawing: Elevation, there: Route, placed: Route | None, guides: tuple[Guide, ...]) -> Elevation:
    """The same drawing with guides, the take-up's arm, and the ends of its travel from where it was ``placed``."""
    take_up = there.take_up
    arms: tuple[ArmDrawing, ...] = ()
    ghosts: tuple[GhostDrawing, ...] = ()
    if take_up is not None:
        wheel = there.wheel(take_up.wheel)
        if take_up.pivot is not None:
            px, py = take_up.pivot
            pulled = take_up.force_n is not None
            arms = (ArmDrawing(wheel=wheel.id, x1=px, y1=py, x2=wheel.x_mm, y2=wheel.y_mm, pulled=pulled),)
        if placed is not None and abs(take_up.low_mm) < inf and abs(take_up.high_mm) < inf:
            ends = [placed.moved(by).wheel(wheel.id) for by in (take_up.low_mm, take_up.high_mm)]
            ghosts = tuple(GhostDrawing(wheel=wheel.id, x=w.x_mm, y=w.y_mm, r=w.outside_mm / 2) for w in ends)
    pins = tuple(GuideDrawing(id=g.id, x=g.x_mm, y=g.y_mm, r=g.diameter_mm / 2) for g in guides)
    spots = [(g.x, g.y, g.r) for g in ghosts] + [(p.x, p.y, p.r) for p in pins] + [(a.x1, a.y1, 0.0) for a in arms]
    if not spots:
        return drawing
    left = min([drawing.left, *(x - r for x, _, r in spots)])
    bottom = min([drawing.bottom, *(y - r for _, y, r in spots)])
    right = max([drawing.left + drawing.width, *(x + r for x, _, r in spots)])
    top = max([drawing.bottom + drawing.height, *(y + r for _, y, r in spots)])
    return replace(
        drawing,
        ghosts=ghosts,
        arms=arms,
        guides=pins,
        left=left,
        bottom=bottom,
        width=right - left,
        height=top - bottom,
    )
