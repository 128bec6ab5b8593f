"""The speed plate: a machine's speeds and how each is set, true to size as a label for the machine."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from tuyere.core.drawing.scene import Circle, Item, Line, Scene, Shape, Text, box

WIDTH, ROW, HEAD, FOOT = 100.0, 8.0, 17.0, 9.0
MOST_ROWS = 25


@dataclass(frozen=True, slots=True, kw_only=True)
class PlateLine:
    """One speed as a person reads it."""

    setting: str
    speed: str
    note: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Plate:
    """What the plate says; ``first`` is what has to be off before the speed is changed."""

    name: str
    title: str
    lines: Sequence[PlateLine]
    kept: str
    first: str


def _fit(text: str, size: float, room: float, each: float) -> float:
    wide = len(text) * size * each
    return size if wide <= room else size * room / wide


def plate_scene(p: Plate) -> Scene:
    """A label 100 mm wide, as high as it has speeds; a hole in both upper corners."""
    height = HEAD + ROW * len(p.lines) + FOOT + 5.0
    items: list[Item] = [
        Shape(points=box(0.4, 0.4, WIDTH - 0.8, height - 0.8), pen="thick"),
        Circle(x=4.0, y=height - 4.0, r=1.7, pen="thin"),
        Circle(x=WIDTH - 4.0, y=height - 4.0, r=1.7, pen="thin"),
        Text(x=8.0, y=height - 6.4, text=p.name, size=_fit(p.name, 5.0, WIDTH - 16, 0.45), face="label", bold=True),
        Text(x=8.0, y=height - 12.0, text=p.title, size=_fit(p.title, 3.8, WIDTH - 40, 0.45), face="label"),
        Text(x=WIDTH - 6.0, y=height - 12.0, text="rpm", size=3.8, align="right", face="label"),
        Line(x1=3.0, y1=height - 14.0, x2=WIDTH - 3.0, y2=height - 14.0, pen="thin"),
    ]
    y = height - HEAD - 4.6
    for line in p.lines:
        items.append(
            Text(x=5.0, y=y, text=line.setting, size=_fit(line.setting, 4.4, 58, 0.46), face="label", bold=True)
        )
        if line.note:
            items.append(Text(x=5.0, y=y - 2.8, text=line.note, size=_fit(line.note, 2.4, 58, 0.46), face="label"))
        items.append(Text(x=WIDTH - 6.0, y=y - 0.4, text=line.speed, size=6.0, align="right", face="figure", bold=True))
        items.append(Line(x1=3.0, y1=y - 3.4, x2=WIDTH - 3.0, y2=y - 3.4, pen="hair"))
        y -= ROW
    items.append(Text(x=5.0, y=FOOT + 0.6, text=p.kept, size=_fit(p.kept, 3.0, WIDTH - 10, 0.45), face="label"))
    items.append(Shape(points=box(0.6, 0.6, WIDTH - 1.2, FOOT - 2.0), pen="thin", fill="ink"))
    first = f"FIRST: {p.first}"
    items.append(
        Text(x=3.4, y=2.8, text=first, size=_fit(first, 3.8, WIDTH - 7, 0.46), face="label", bold=True, light=True)
    )
    return Scene(width=WIDTH, height=height, title=f"Speeds: {p.name}", items=tuple(items), scale=1.0)
