"""A drawing as plain primitives on layers, in millimetres of the sheet: x to the right, y up, origin at the lower left corner."""

from __future__ import annotations

from dataclasses import dataclass, replace
from math import cos, hypot, radians, sin
from typing import Literal

Layer = Literal["parts", "loop", "dimensions", "words", "faults", "frame"]
Pen = Literal["hair", "thin", "thick", "heavy", "dashed"]
Fill = Literal["none", "paper", "ink", "grey"]
Align = Literal["left", "middle", "right"]
Face = Literal["text", "label", "figure"]
Point = tuple[float, float]
# Widths of the pens, mm.
PENS: dict[str, float] = {"hair": 0.15, "thin": 0.25, "thick": 0.5, "heavy": 1.0, "dashed": 0.25}
TICK, GAP = 1.6, 0.8


@dataclass(frozen=True, slots=True, kw_only=True)
class Line:
    """A straight line."""

    x1: float
    y1: float
    x2: float
    y2: float
    layer: Layer = "parts"
    pen: Pen = "thin"


@dataclass(frozen=True, slots=True, kw_only=True)
class Circle:
    """A whole circle."""

    x: float
    y: float
    r: float
    layer: Layer = "parts"
    pen: Pen = "thin"
    fill: Fill = "none"


@dataclass(frozen=True, slots=True, kw_only=True)
class Arc:
    """A part of a circle, degrees counter-clockwise from the x axis; ``sweep_deg`` is positive counter-clockwise."""

    x: float
    y: float
    r: float
    start_deg: float
    sweep_deg: float
    layer: Layer = "parts"
    pen: Pen = "thin"


@dataclass(frozen=True, slots=True, kw_only=True)
class Shape:
    """A closed outline of straight lines."""

    points: tuple[Point, ...]
    layer: Layer = "parts"
    pen: Pen = "thin"
    fill: Fill = "none"


@dataclass(frozen=True, slots=True, kw_only=True)
class Hatch:
    """Lines at an angle that fill an outline, so far apart."""

    points: tuple[Point, ...]
    apart: float = 1.2
    angle_deg: float = 45.0
    layer: Layer = "parts"
    pen: Pen = "hair"


@dataclass(frozen=True, slots=True, kw_only=True)
class Text:
    """Words whose base line begins (or is centred, or ends) at a place; ``size`` is the height of a capital and a bit more, mm."""

    x: float
    y: float
    text: str
    size: float
    align: Align = "left"
    face: Face = "text"
    bold: bool = False
    layer: Layer = "words"
    light: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class Dimension:
    """A distance with ticks at both ends and its figure in the middle; ``off`` is how far the line lies from both points."""

    x1: float
    y1: float
    x2: float
    y2: float
    text: str
    off: float = 0.0
    size: float = 3.0
    layer: Layer = "dimensions"


Item = Line | Circle | Arc | Shape | Hatch | Text | Dimension
Plain = Line | Circle | Arc | Shape | Text


@dataclass(frozen=True, slots=True, kw_only=True)
class Scene:
    """A drawing of a size, mm; ``title`` says in words what it shows.

    ``scale`` is how many millimetres of the thing one of the sheet is, 0 where it is not drawn to scale.
    """

    width: float
    height: float
    title: str
    items: tuple[Item, ...]
    scale: float = 0.0

    @property
    def plain(self) -> tuple[Plain, ...]:
        """Dimensions and hatches taken apart into lines and words, for writers that know no others."""
        out: list[Plain] = []
        for i in self.items:
            if isinstance(i, Dimension):
                out += dimension_lines(i)
            elif isinstance(i, Hatch):
                out += hatch_lines(i)
            else:
                out.append(i)
        return tuple(out)

    def placed(self, dx: float, dy: float) -> tuple[Item, ...]:
        """Its items moved on another sheet."""
        return tuple(_moved(i, dx, dy) for i in self.items)


def _moved(i: Item, dx: float, dy: float) -> Item:
    if isinstance(i, Line | Dimension):
        return replace(i, x1=i.x1 + dx, y1=i.y1 + dy, x2=i.x2 + dx, y2=i.y2 + dy)
    if isinstance(i, Shape | Hatch):
        return replace(i, points=tuple((x + dx, y + dy) for x, y in i.points))
    return replace(i, x=i.x + dx, y=i.y + dy)


def dimension_lines(d: Dimension) -> list[Plain]:
    """A dimension as two extension lines, the line broken for its figure, a tick at each end, and the figure."""
    long = hypot(d.x2 - d.x1, d.y2 - d.y1)
    if not long:
        return []
    ux, uy = (d.x2 - d.x1) / long, (d.y2 - d.y1) / long
    nx, ny = -uy, ux
    a, b = (d.x1 + nx * d.off, d.y1 + ny * d.off), (d.x2 + nx * d.off, d.y2 + ny * d.off)
    half = 0.33 * d.size * len(d.text) + GAP if d.text else 0.0
    out: list[Plain] = []
    if abs(d.off) > GAP:
        reach = d.off + (TICK if d.off > 0 else -TICK)
        for x, y in ((d.x1, d.y1), (d.x2, d.y2)):
            out.append(
                Line(x1=x + nx * GAP, y1=y + ny * GAP, x2=x + nx * reach, y2=y + ny * reach, layer=d.layer, pen="hair")
            )
    mid = ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)
    if long > 2 * half + 2 * TICK:
        out.append(Line(x1=a[0], y1=a[1], x2=mid[0] - ux * half, y2=mid[1] - uy * half, layer=d.layer, pen="hair"))
        out.append(Line(x1=mid[0] + ux * half, y1=mid[1] + uy * half, x2=b[0], y2=b[1], layer=d.layer, pen="hair"))
        at = (mid[0], mid[1] - 0.35 * d.size)
    else:
        out.append(Line(x1=a[0], y1=a[1], x2=b[0], y2=b[1], layer=d.layer, pen="hair"))
        at = (mid[0], mid[1] + GAP)
    tx, ty = (ux + nx) / 2**0.5 * TICK / 2, (uy + ny) / 2**0.5 * TICK / 2
    for x, y in (a, b):
        out.append(Line(x1=x - tx, y1=y - ty, x2=x + tx, y2=y + ty, layer=d.layer, pen="thick"))
    if d.text:
        out.append(
            Text(x=at[0], y=at[1], text=d.text, size=d.size, align="middle", face="figure", bold=True, layer=d.layer)
        )
    return out


def hatch_lines(h: Hatch) -> list[Plain]:
    """The pieces of parallel lines inside an outline, by the even-odd rule."""
    a = radians(h.angle_deg)
    ux, uy, nx, ny = cos(a), sin(a), -sin(a), cos(a)
    turned = [(x * ux + y * uy, x * nx + y * ny) for x, y in h.points]
    low, high = min(v for _, v in turned), max(v for _, v in turned)
    out: list[Plain] = []
    at = low + h.apart / 2
    edges = list(zip(turned, turned[1:] + turned[:1], strict=True))
    while at < high:
        cuts = sorted(
            p[0] + (at - p[1]) / (q[1] - p[1]) * (q[0] - p[0]) for p, q in edges if (p[1] <= at) != (q[1] <= at)
        )
        for s, e in zip(cuts[::2], cuts[1::2], strict=False):
            out.append(
                Line(
                    x1=s * ux + at * nx,
                    y1=s * uy + at * ny,
                    x2=e * ux + at * nx,
                    y2=e * uy + at * ny,
                    layer=h.layer,
                    pen=h.pen,
                )
            )
        at += h.apart
    return out


def box(x: float, y: float, width: float, height: float) -> tuple[Point, ...]:
    """The corners of an upright rectangle."""
    return ((x, y), (x + width, y), (x + width, y + height), (x, y + height))


def round_outline(x: float, y: float, r: float, corners: int = 24) -> tuple[Point, ...]:
    """A circle as an outline, to be hatched."""
    return tuple(
        (x + r * cos(radians(360 * k / corners)), y + r * sin(radians(360 * k / corners))) for k in range(corners)
    )


def turned_about(points: tuple[Point, ...], x: float, y: float, angle_deg: float) -> tuple[Point, ...]:
    """An outline turned about a place, counter-clockwise."""
    a = radians(angle_deg)
    return tuple(
        (x + (px - x) * cos(a) - (py - y) * sin(a), y + (px - x) * sin(a) + (py - y) * cos(a)) for px, py in points
    )
