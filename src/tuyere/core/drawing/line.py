"""The line of two machines seen from above and from the side, its faults drawn larger by a factor that is said.

Before is dashed, now is drawn through. Seen from above: the wheel that stays to the right, the machine that moves to the left
with its free end down; seen from the side: its nose to the left.
"""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.drawing.scene import Hatch, Item, Line, Pen, Point, Scene, Shape, Text, box, turned_about

FACTORS = (1, 2, 5, 10, 20, 40)
MOST_DRAWN_DEG = 16.0
MOST_DRAWN_MM = 7.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Stand:
    """How the machine stands: twist and toe in degrees, offset in mm; None where it was not seen."""

    twist: float | None
    toe: float | None
    offset: float | None


def factor_for(values: tuple[float | None, ...], most: float) -> int:
    """The largest round factor that keeps every value inside what can be drawn.

    >>> factor_for((0.51, 0.08), 16.0), factor_for((None, None), 16.0)
    (20, 40)
    """
    greatest = max((abs(v) for v in values if v is not None), default=0.0)
    fitting = [f for f in FACTORS if f * greatest <= most]
    return fitting[-1] if fitting else FACTORS[0]


def _machine(x: float, y: float, angle: float, pen: Pen) -> list[Item]:
    """Wheel, shaft and motor from above: the wheel's middle at a place, the motor above it."""

    def part(points: tuple[Point, ...]) -> tuple[Point, ...]:
        return turned_about(points, x, y, angle)

    solid = pen != "dashed"
    out: list[Item] = [
        Shape(points=part(box(x - 11, y - 3, 22, 6)), pen=pen, fill="grey" if solid else "none"),
        Shape(points=part(box(x - 9, y + 9, 18, 26)), pen=pen, fill="paper" if solid else "none"),
    ]
    if solid:
        out.append(Hatch(points=part(box(x - 1.6, y + 3, 3.2, 6)), apart=0.8))
        for dx in (-13.0, 9.0):
            for dy in (12.0, 28.0):
                out.append(Shape(points=part(box(x + dx, y + dy, 4, 4)), pen="thin", fill="grey"))
    out.append(Shape(points=part(box(x - 1.6, y + 3, 3.2, 6)), pen=pen))
    return out


def plan_scene(now: Stand, before: Stand | None, *, words: tuple[str, str], width: float, height: float) -> Scene:
    """From above: toe and offset. ``words`` are the figures now and before."""
    toes = factor_for((now.toe, before.toe if before else None), MOST_DRAWN_DEG)
    offs = factor_for((now.offset, before.offset if before else None), MOST_DRAWN_MM)
    line, left, right = 17.0, 26.0, width - 24.0
    items: list[Item] = [
        Line(x1=4, y1=line, x2=width - 4, y2=line, layer="dimensions", pen="dashed"),
        Shape(points=box(right - 18, line - 3.5, 36, 7), fill="grey"),
        Hatch(points=box(right - 2, line + 3.5, 4, 8), apart=0.8),
        Shape(points=box(right - 2, line + 3.5, 4, 8)),
        Text(x=right, y=line + 13.4, text="stays", size=3.8, align="middle", face="label"),
    ]
    for stand, pen in ((before, "dashed"), (now, "thick")):
        if stand is not None:
            # The nose points down; away from the other machine is to the left.
            angle = -(stand.toe or 0.0) * toes
            items += _machine(
                left, line + (stand.offset or 0.0) * offs, angle, "dashed" if pen == "dashed" else "thick"
            )
    items += _figures(words, right - 27, height - 2)
    items.append(_said(f"From above; toe drawn {toes} times, offset {offs} times"))
    return Scene(width=width, height=height, title="The line from above", items=tuple(items))


def _figures(words: tuple[str, str], x: float, y: float) -> list[Item]:
    out: list[Item] = [Text(x=x, y=y - 5, text=f"now {words[0]}", size=4.2, face="figure", bold=True)]
    if words[1]:
        out.append(Text(x=x, y=y - 10.5, text=f"before {words[1]}", size=3.6, face="figure"))
    return out


def _said(words: str) -> Text:
    return Text(x=3, y=2.2, text=words, size=3.6, face="label", bold=True)


def _side(x: float, y: float, angle: float, pen: Pen) -> list[Item]:
    """Wheel, shaft and motor from the side, on its inboard feet at a place."""

    def part(points: tuple[Point, ...]) -> tuple[Point, ...]:
        return turned_about(points, x, y, angle)

    solid = pen != "dashed"
    return [
        Shape(points=part(box(x - 17, y + 1, 6, 24)), pen=pen, fill="grey" if solid else "none"),
        Shape(points=part(box(x - 11, y + 11, 10, 4)), pen=pen),
        Shape(points=part(box(x - 1, y + 4, 36, 18)), pen=pen, fill="paper" if solid else "none"),
        Shape(points=part(box(x - 1, y, 7, 4)), pen=pen, fill="grey" if solid else "none"),
        Shape(points=part(box(x + 28, y, 7, 4)), pen=pen, fill="grey" if solid else "none"),
    ]


def side_scene(now: Stand, before: Stand | None, *, words: tuple[str, str], width: float, height: float) -> Scene:
    """From the side: twist. ``words`` are the figures now and before."""
    factor = factor_for((now.twist, before.twist if before else None), MOST_DRAWN_DEG)
    x, y = 34.0, 15.0
    items: list[Item] = [
        Line(x1=6, y1=y, x2=width - 8, y2=y, pen="thick"),
        Hatch(points=box(6, y - 3, width - 14, 3), apart=1.6),
        Text(x=x - 14, y=y - 7.2, text="free end", size=3.4, align="middle", face="label"),
    ]
    for stand, pen in ((before, "dashed"), (now, "thick")):
        if stand is not None:
            # Nose up lifts the wheel, which is to the left of the feet.
            items += _side(x, y, -(stand.twist or 0.0) * factor, "dashed" if pen == "dashed" else "thick")
    items += _figures(words, x + 14, height - 2)
    items.append(_said(f"From the side; twist drawn {factor} times"))
    return Scene(width=width, height=height, title="The line from the side", items=tuple(items))
