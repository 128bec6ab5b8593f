"""A reading over the days with its limit, the line through it, and the days between which it will cross."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from math import isfinite

from tuyere.core.drawing.ruler import even_step
from tuyere.core.drawing.scene import Circle, Hatch, Item, Line, Scene, Shape, Text, box

LONGEST_AHEAD = 1.5  # of what lies behind, so that the readings keep most of the picture


@dataclass(frozen=True, slots=True, kw_only=True)
class TrendDrawn:
    """Readings as (day from the first, value in the unit shown), the limit, the line (value at day 0, a day's change; None without
    one), and the crossing as days from the first reading (earliest, latest). ``marks`` are (day, words) on the axis.
    """

    points: Sequence[tuple[float, float]]
    limit: float
    line: tuple[float, float] | None
    crosses: tuple[float, float] | None
    marks: Sequence[tuple[float, str]]
    unit: str


def trend_scene(of: TrendDrawn, width: float, height: float) -> Scene:
    """Points, the limit dashed, the line thin, the wedge of crossing hatched on the axis."""
    left, right, base, top = 14.0, width - 4.0, 12.0, height - 8.0
    first, last = of.points[0][0], of.points[-1][0]
    span = max(last - first, 1.0)
    ends = [last + 0.05 * span]
    if of.crosses is not None:
        ends += [d for d in of.crosses if isfinite(d) and d <= last + LONGEST_AHEAD * span]
    x_low, x_high = first - 0.03 * span, max(ends) + 0.04 * span
    values = [v for _, v in of.points] + [of.limit]
    size = max(max(values) - min(values), 0.05 * max(abs(v) for v in values), 1e-9)
    y_low, y_high = min(values) - 0.15 * size, max(values) + 0.2 * size
    if min(values) >= 0:
        y_low = max(y_low, 0.0)

    def x(day: float) -> float:
        return left + (min(max(day, x_low), x_high) - x_low) / (x_high - x_low) * (right - left)

    def y(value: float) -> float:
        return base + (value - y_low) / (y_high - y_low) * (top - base)

    items: list[Item] = [
        Line(x1=left, y1=base, x2=right, y2=base, pen="thick"),
        Line(x1=left, y1=base, x2=left, y2=top, pen="thin"),
        Text(x=2.0, y=height - 3.6, text=of.unit, size=3.5, face="label", bold=True),
        Line(x1=left, y1=y(of.limit), x2=right, y2=y(of.limit), pen="dashed"),
        Text(x=right, y=y(of.limit) + 0.9, text="limit", size=3.5, align="right", face="label"),
    ]
    for day, words in of.marks:
        if x_low <= day <= x_high:
            items.append(Line(x1=x(day), y1=base, x2=x(day), y2=base - 1.4, pen="thin"))
            items.append(Text(x=x(day), y=base - 5.0, text=words, size=3.5, align="middle", face="figure"))
    step = even_step(y_high - y_low, 5)
    k = int(y_low / step) + 1
    while k * step < y_high:
        items.append(Line(x1=left, y1=y(k * step), x2=left - 1.4, y2=y(k * step), pen="thin"))
        items.append(
            Text(x=left - 2.2, y=y(k * step) - 1.0, text=f"{k * step:g}", size=3.5, align="right", face="figure")
        )
        k += 1
    if of.crosses is not None and isfinite(of.crosses[0]) and of.crosses[0] <= x_high:
        a, b = x(of.crosses[0]), x(of.crosses[1])
        points = box(a, base, max(b - a, 0.6), y(of.limit) - base if y(of.limit) > base else 1.0)
        items.append(Hatch(points=points, apart=1.4))
        items.append(Shape(points=box(a, base - 0.5, max(b - a, 0.6), 1.0), pen="thin", fill="ink"))
    if of.line is not None:
        zero, slope = of.line
        # As far as it stays in the picture.
        edges = [(edge - zero) / slope for edge in (y_low, y_high)] if slope else []
        until = min([x_high, *(d for d in edges if d > first)])
        items.append(Line(x1=x(first), y1=y(zero + slope * first), x2=x(until), y2=y(zero + slope * until), pen="hair"))
    for day, value in of.points:
        items.append(Circle(x=x(day), y=y(value), r=1.1, pen="thin", fill="ink"))
    return Scene(width=width, height=height, title="Where it goes", items=tuple(items))
