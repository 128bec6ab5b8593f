"""A scale with bands and cliffs: what is too slack, what is right, what is too tight, and where the readings lie."""

from __future__ import annotations

from dataclasses import dataclass
from math import ceil, floor, log10

from tuyere.core.drawing.scene import Hatch, Item, Line, Scene, Shape, Text, box


@dataclass(frozen=True, slots=True, kw_only=True)
class Zone:
    """A stretch of the scale with a name; hatched where nothing should be."""

    low: float
    high: float
    name: str
    bad: bool = False


def even_step(span: float, at_most: int = 10) -> float:
    """A round step that divides a span into no more than so many.

    >>> even_step(14.0, 8), even_step(0.9, 10)
    (2.0, 0.1)
    """
    raw = span / at_most
    ten = 10.0 ** floor(log10(raw))
    return next(round(k * ten, 10) for k in (1.0, 2.0, 5.0, 10.0) if k * ten >= raw * (1 - 1e-9))


def ruler_scene(
    zones: tuple[Zone, ...], *, low: float, high: float, unit: str, width: float, marks: tuple[float, ...] = ()
) -> Scene:
    """A ruler from low to high with its zones over it and a mark for every reading."""
    left, right, base = 3.0, width - 3.0, 8.0

    def x(v: float) -> float:
        return left + (min(max(v, low), high) - low) / (high - low) * (right - left)

    items: list[Item] = []
    for z in zones:
        a, b = x(z.low), x(z.high)
        if b - a < 0.2:
            continue
        if z.bad:
            items.append(Hatch(points=box(a, base, b - a, 7), apart=1.4))
        else:
            items.append(Shape(points=box(a, base, b - a, 7), pen="thick", fill="grey" if z.name == "new" else "paper"))
        if z.name:
            # A name that has no room in its zone stands over it, where the bad ones stand.
            over = z.bad or 0.5 * 2.8 * len(z.name) >= b - a
            up = 8.2 if over else 4.0
            items.append(
                Text(x=(a + b) / 2, y=base + up, text=z.name, size=2.8, align="middle", face="label", bold=True)
            )
    items.append(Line(x1=left, y1=base, x2=right, y2=base, pen="thick"))
    step = even_step(high - low)
    k = ceil(low / step - 1e-9)
    while k * step <= high + 1e-9:
        v = k * step
        items.append(Line(x1=x(v), y1=base, x2=x(v), y2=base - 1.8, pen="thin"))
        items.append(Text(x=x(v), y=base - 5.4, text=f"{v:g}", size=3.0, align="middle", face="figure", bold=True))
        k += 1
    for m in marks:
        items.append(Shape(points=((x(m), base + 0.4), (x(m) - 1.2, base + 3.4), (x(m) + 1.2, base + 3.4)), fill="ink"))
    items.append(Text(x=right, y=base + 8.6, text=unit, size=2.8, align="right", face="label"))
    return Scene(width=width, height=20.0, title=f"Scale in {unit}", items=tuple(items))
