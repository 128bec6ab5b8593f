"""The trail of a trim: driven speed over the wheel's diameter, what was measured, the target, and where its wheel is."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

from tuyere.core.drawing.scene import Circle, Item, Line, Scene, Text

WIDTH, HEIGHT, LEFT, RIGHT, BASE, TOP, LABEL = 190.0, 104.0, 26.0, 12.0, 20.0, 14.0, 4.8


@dataclass(frozen=True, slots=True, kw_only=True)
class Mark:
    """A point of the trail: diameter (mm), speed (rpm), the speed's error, and both as a person reads them."""

    diameter_mm: float
    rpm: float
    error: float
    size: str
    speed: str


def trail_scene(
    marks: Sequence[Mark], *, target: Mark, law: Callable[[float], float], tolerance_percent: float, wheel: str
) -> Scene:
    """Rings are measured rounds, the last one filled; the band is the target with its tolerance, the dashed line the law."""
    every = [*marks, target]
    xs = [m.diameter_mm for m in every]
    ys = [m.rpm for m in every]
    pad_x = max(0.18 * (max(xs) - min(xs)), 0.02 * max(xs))
    pad_y = max(0.22 * (max(ys) - min(ys)), 0.03 * max(ys))
    x0, x1, y0, y1 = min(xs) - pad_x, max(xs) + pad_x, min(ys) - pad_y, max(ys) + pad_y

    def x(v: float) -> float:
        return LEFT + (v - x0) / (x1 - x0) * (WIDTH - LEFT - RIGHT)

    def y(v: float) -> float:
        return BASE + (v - y0) / (y1 - y0) * (HEIGHT - BASE - TOP)

    def inside(v: float) -> float:
        return min(max(v, BASE), HEIGHT - TOP + 4)

    items: list[Item] = [
        Line(x1=LEFT, y1=BASE, x2=WIDTH - RIGHT, y2=BASE, layer="frame"),
        Line(x1=LEFT, y1=BASE, x2=LEFT, y2=HEIGHT - TOP + 4, layer="frame"),
        Text(x=WIDTH - RIGHT, y=3, text=wheel, size=LABEL, align="right", face="label"),
        Text(x=3, y=HEIGHT - 6, text="driven rpm", size=LABEL, face="label"),
    ]
    low, high = (inside(y(target.rpm * (1 + s * tolerance_percent / 100))) for s in (-1, 1))
    for at in (low, high):
        items.append(Line(x1=LEFT, y1=at, x2=WIDTH - RIGHT, y2=at, layer="dimensions", pen="hair"))
    items.append(Line(x1=LEFT, y1=y(target.rpm), x2=WIDTH - RIGHT, y2=y(target.rpm), layer="dimensions", pen="thick"))
    items.append(
        Text(
            x=LEFT - 1.5, y=y(target.rpm) - 1.6, text=target.speed, size=LABEL, align="right", face="figure", bold=True
        )
    )
    steps = 24
    line = [(x0 + (x1 - x0) * k / steps) for k in range(steps + 1)]
    for a, b in zip(line, line[1:], strict=False):
        ya, yb = y(law(a)), y(law(b))
        if BASE <= ya <= HEIGHT - TOP + 4 and BASE <= yb <= HEIGHT - TOP + 4:
            items.append(Line(x1=x(a), y1=ya, x2=x(b), y2=yb, pen="dashed"))
    for k, m in enumerate(marks):
        at, up = x(m.diameter_mm), y(m.rpm)
        half = max(abs(y(m.rpm + m.error) - up), 0.0)
        items.append(Line(x1=at, y1=inside(up - half), x2=at, y2=inside(up + half), pen="thick"))
        items.append(Circle(x=at, y=up, r=2.0, pen="thick", fill="ink" if k == len(marks) - 1 else "paper"))
        over = m.rpm < target.rpm
        items.append(
            Text(
                x=at,
                y=up - 8 if over else up + 4.5,
                text=f"{k + 1}: {m.speed}",
                size=LABEL,
                align="middle",
                face="figure",
                bold=True,
            )
        )
        items.append(Line(x1=at, y1=BASE, x2=at, y2=BASE - 2, layer="frame"))
    at, up = x(target.diameter_mm), y(target.rpm)
    items.append(Line(x1=at, y1=up, x2=at, y2=BASE - 2, layer="dimensions", pen="dashed"))
    items.append(Circle(x=at, y=up, r=2.6, pen="heavy"))
    items.append(Text(x=at, y=BASE - 8, text=target.size, size=LABEL + 0.6, align="middle", face="figure", bold=True))
    apart = [m for m in marks if abs(x(m.diameter_mm) - at) > 30]
    for m in apart:
        items.append(Text(x=x(m.diameter_mm), y=BASE - 8, text=m.size, size=LABEL, align="middle", face="figure"))
    said = "; ".join(f"{m.size} gave {m.speed} rpm" for m in marks)
    return Scene(
        width=WIDTH,
        height=HEIGHT,
        title=f"{said}; {target.speed} rpm wants {target.size}",
        items=tuple(items),
    )
