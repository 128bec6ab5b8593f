"""How a belt's tension has fallen since it was fitted, over the logarithm of the hours, with the band it should stay in."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from math import log10

from tuyere.core.drawing.ruler import even_step
from tuyere.core.drawing.scene import Circle, Item, Line, Scene, Shape, Text, box

HOURS = (0.1, 1.0, 10.0, 100.0, 1000.0, 10000.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class Fall:
    """Readings as hours and values in the unit that is shown, a band (None without one), and the line they settle on: value at one hour and what is
    lost with every ten times the hours (None without one); ``until`` is how far it is drawn.
    """

    points: Sequence[tuple[float, float]]
    band: tuple[float, float] | None
    line: tuple[float, float] | None
    until: float
    unit: str


def fall_scene(fall: Fall, width: float, height: float) -> Scene:
    """Points, the band as a grey strip, the line dashed where it is predicted."""
    left, right, base, top = 14.0, width - 4.0, 12.0, height - 8.0
    first = min([h for h, _ in fall.points] + [1.0])
    x_low, x_high = log10(first) - 0.15, log10(max(fall.until, max(h for h, _ in fall.points))) + 0.1
    values = [v for _, v in fall.points] + list(fall.band or ())
    if fall.line is not None:
        values.append(fall.line[0] - fall.line[1] * log10(fall.until))
    span = max(max(values) - min(values), 0.05 * max(values))
    y_low, y_high = max(0.0, min(values) - 0.2 * span), max(values) + 0.2 * span

    def x(hours: float) -> float:
        return left + (log10(hours) - x_low) / (x_high - x_low) * (right - left)

    def y(value: float) -> float:
        return base + (value - y_low) / (y_high - y_low) * (top - base)

    items: list[Item] = [
        Line(x1=left, y1=base, x2=right, y2=base, pen="thick"),
        Line(x1=left, y1=base, x2=left, y2=top, pen="thin"),
        Text(x=2.0, y=height - 3.6, text=fall.unit, size=3.5, face="label", bold=True),
        Text(x=right, y=1.2, text="hours since it was fitted", size=3.5, align="right", face="label"),
    ]
    if fall.band is not None:
        low, high = fall.band
        items.insert(0, Shape(points=box(left, y(low), right - left, y(high) - y(low)), pen="hair", fill="grey"))
    for hours in HOURS:
        if x_low <= log10(hours) <= x_high:
            items.append(Line(x1=x(hours), y1=base, x2=x(hours), y2=base - 1.4, pen="thin"))
            items.append(Text(x=x(hours), y=base - 5.0, text=f"{hours:g}", size=3.5, align="middle", face="figure"))
    step = even_step(y_high - y_low, 5)
    k = int(y_low / step) + 1
    while k * step < y_high:
        v = k * step
        items.append(Line(x1=left, y1=y(v), x2=left - 1.4, y2=y(v), pen="thin"))
        items.append(Text(x=left - 2.2, y=y(v) - 1.0, text=f"{v:g}", size=3.5, align="right", face="figure"))
        k += 1
    if fall.line is not None:
        at_one, per_ten = fall.line
        ends = (10**x_low, fall.until)
        a, b = ((x(h), y(at_one - per_ten * log10(h))) for h in ends)
        items.append(Line(x1=a[0], y1=a[1], x2=b[0], y2=b[1], pen="dashed"))
    for hours, value in fall.points:
        items.append(Circle(x=x(hours), y=y(value), r=1.1, pen="thin", fill="ink"))
    return Scene(width=width, height=height, title="How the tension has fallen", items=tuple(items))
