"""A fan or pump at two speeds: its curve now and then, what duct or pipe asks, where both meet, and how near the motor is to its plate."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from math import sqrt

from tuyere.core.drawing.scene import Align, Circle, Item, Layer, Line, Pen, Scene, Shape, Text, box

WIDTH, LEFT, RIGHT, BASE, TALL, LABEL = 190.0, 24.0, 10.0, 44.0, 92.0, 4.8
STEPS = 40
BAR_LEFT, BAR_Y, BAR_HIGH = 24.0, 14.0, 7.0


@dataclass(frozen=True, slots=True, kw_only=True)
class FlowChart:
    """Heads over that of now: against a shut valve, and static; speed ratio; ratio at which the motor is at its plate (None: not known).

    ``amps`` are percent of the plate: now, and the band expected. ``speeds`` are both as a person reads them.
    """

    shut_off: float
    static: float
    ratio: float
    most_ratio: float | None
    amps: tuple[float, float, float] | None
    machine: str
    speeds: tuple[str, str]
    most_speed: str
    title: str


def flow_scene(c: FlowChart) -> Scene:
    """Flow across, pressure or head up, both in percent of now; a bar of amps below where they are known."""
    shape, pipe = c.shut_off - 1, 1 - c.static
    top_ratio = max(1.0, c.ratio, min(c.most_ratio or 1.0, 1.6))
    high = 1.12 * c.shut_off * top_ratio**2
    far = 1.25 * max(1.0, _meets(c, c.ratio), _meets(c, top_ratio))
    base = BASE if c.amps is not None else 20.0

    def x(q: float) -> float:
        return LEFT + q / far * (WIDTH - LEFT - RIGHT)

    def y(h: float) -> float:
        return base + h / high * TALL

    def curve(at: float) -> list[tuple[float, float]]:
        end = sqrt(c.shut_off / shape) * at
        points = [(q, c.shut_off * at**2 - shape * q**2) for q in (end * k / STEPS for k in range(STEPS + 1))]
        return [(q, h) for q, h in points if q <= far and h >= 0]

    items: list[Item] = [
        Line(x1=LEFT, y1=base, x2=WIDTH - RIGHT, y2=base, layer="frame"),
        Line(x1=LEFT, y1=base, x2=LEFT, y2=base + TALL, layer="frame"),
        Text(x=WIDTH - RIGHT, y=base - 11, text="flow, % of now", size=LABEL - 0.4, align="right", face="label"),
        Text(
            x=3,
            y=base + TALL + 3,
            text=f"{'pressure' if c.machine == 'fan' else 'head'}, % of now",
            size=LABEL - 0.4,
            face="label",
        ),
    ]
    for k in range(1, 10):
        if 0.25 * k * 1.0 < far:
            items.append(Line(x1=x(0.25 * k), y1=base, x2=x(0.25 * k), y2=base - 1.4, layer="frame"))
            if k % 2 == 0:
                items.append(
                    Text(x=x(0.25 * k), y=base - 6, text=f"{25 * k}", size=LABEL - 0.6, align="middle", face="figure")
                )
        if 0.25 * k < high and k % 2 == 0:
            items.append(
                Text(x=LEFT - 2, y=y(0.25 * k) - 1.5, text=f"{25 * k}", size=LABEL - 0.6, align="right", face="figure")
            )
    items += _line(curve(1.0), "thin", x, y) + _line(curve(c.ratio), "heavy", x, y)
    asked = [(q, c.static + pipe * q**2) for q in (far * k / STEPS for k in range(STEPS + 1))]
    items += _line([(q, h) for q, h in asked if h <= high], "dashed", x, y)
    if c.most_ratio is not None and 0.4 < c.most_ratio < 1.6:
        q = _meets(c, c.most_ratio)
        h = c.static + pipe * q**2
        items += _line(curve(c.most_ratio), "hair", x, y, layer="faults")
        items.append(Line(x1=x(q) - 2, y1=y(h) - 2, x2=x(q) + 2, y2=y(h) + 2, layer="faults", pen="thick"))
        items.append(Line(x1=x(q) - 2, y1=y(h) + 2, x2=x(q) + 2, y2=y(h) - 2, layer="faults", pen="thick"))
    q_new = _meets(c, c.ratio)
    h_new = c.static + pipe * q_new**2
    items.append(Circle(x=x(1.0), y=y(1.0), r=2.2, pen="thick", fill="paper"))
    items.append(Circle(x=x(q_new), y=y(h_new), r=2.2, pen="thick", fill="ink"))
    up = c.ratio >= 1
    items.append(
        _words(
            x(1.0) + (4 if not up else -4),
            y(1.0) - (6 if up else -3),
            f"now {c.speeds[0]}",
            "left" if not up else "right",
        )
    )
    items.append(
        _words(
            x(q_new) + (4 if up else -4),
            y(h_new) + (2 if up else -6),
            f"then {c.speeds[1]}",
            "left" if up else "right",
            bold=True,
        )
    )
    if c.amps is not None:
        items += _bar(c.amps, c.most_speed)
    return Scene(width=WIDTH, height=base + TALL + 10, title=c.title, items=tuple(items))


def _meets(c: FlowChart, at: float) -> float:
    """Flow where the moved curve meets what is asked, 0 where it does not."""
    over = c.shut_off * at**2 - c.static
    return sqrt(over / (c.shut_off - 1 + 1 - c.static)) if over > 0 else 0.0


def _line(
    points: list[tuple[float, float]],
    pen: Pen,
    x: Callable[[float], float],
    y: Callable[[float], float],
    *,
    layer: Layer = "parts",
) -> list[Item]:
    return [
        Line(x1=x(a[0]), y1=y(a[1]), x2=x(b[0]), y2=y(b[1]), pen=pen, layer=layer)
        for a, b in zip(points, points[1:], strict=False)
    ]


def _words(x: float, y: float, text: str, align: Align, *, bold: bool = False) -> Text:
    return Text(x=x, y=y, text=text, size=LABEL, align=align, face="figure", bold=bold)


def _bar(amps: tuple[float, float, float], most_speed: str) -> list[Item]:
    """Amps as a share of the plate: what is drawn now, the band that is expected, the plate as a line."""
    wide = WIDTH - BAR_LEFT - RIGHT

    def at(percent: float) -> float:
        return BAR_LEFT + min(percent, 130) / 130 * wide

    now, low, high = amps
    out: list[Item] = [
        Text(x=3, y=BAR_Y + 1.6, text="amps", size=LABEL - 0.4, face="label"),
        Shape(points=box(BAR_LEFT, BAR_Y, wide, BAR_HIGH), pen="hair", layer="frame"),
        Shape(points=box(BAR_LEFT, BAR_Y, at(now) - BAR_LEFT, BAR_HIGH), pen="hair", fill="grey"),
        Shape(points=box(at(low), BAR_Y + 1.5, max(at(high) - at(low), 1.2), BAR_HIGH - 3), pen="thin", fill="ink"),
        Line(x1=at(100), y1=BAR_Y - 2.5, x2=at(100), y2=BAR_Y + BAR_HIGH + 2.5, layer="faults", pen="heavy"),
        Text(x=at(100) - 3, y=BAR_Y - 8, text=f"plate, at {most_speed}", size=LABEL - 0.4, align="left", face="label"),
        Text(x=at(now), y=BAR_Y + BAR_HIGH + 1.6, text="now", size=LABEL - 0.6, align="right", face="label"),
    ]
    if at(100) - (at(low) + at(high)) / 2 > 12:
        out.append(
            Text(x=(at(low) + at(high)) / 2, y=BAR_Y - 8, text="then", size=LABEL - 0.4, align="middle", face="label")
        )
    return out
