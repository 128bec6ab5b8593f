"""Drives one after the other, looking square onto the shafts: each shaft a line with its speed, each wheel to one scale."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from tuyere.core.drawing.drive import round_scale
from tuyere.core.drawing.scene import Item, Line, Scene, Shape, Text, box

WIDTH, TALL, MARGIN, LABEL, WHEEL = 190.0, 150.0, 8.0, 4.8, 12.0


@dataclass(frozen=True, slots=True, kw_only=True)
class StageDrawn:
    """One stage: diameters and centres (mm), its name, sizes as a person reads them."""

    driver_mm: float
    driven_mm: float
    centre_mm: float
    name: str
    sizes: tuple[str, str]


def stages_scene(stages: Sequence[StageDrawn], speeds: Sequence[str], title: str) -> Scene:
    """Shafts from the bottom up, one more than there are stages."""
    over = stages[0].driver_mm / 2 + sum(s.centre_mm for s in stages) + stages[-1].driven_mm / 2
    over = max(over, *(2 * max(s.driver_mm, s.driven_mm) for s in stages))
    scale = round_scale(over / (TALL - 2 * MARGIN - 12))
    y = [MARGIN + 6 + max(stages[0].driver_mm / 2, *(s.driven_mm / 2 - s.centre_mm for s in stages)) / scale]
    for s in stages:
        y.append(y[-1] + s.centre_mm / scale)
    top = max(y[k + 1] + s.driven_mm / 2 / scale for k, s in enumerate(stages))
    height = max(top, max(y[k] + s.driver_mm / 2 / scale for k, s in enumerate(stages))) + MARGIN + 8
    left, right = 44.0, WIDTH - 46.0
    across = (right - left) / len(stages)
    items: list[Item] = []
    for k, at in enumerate(y):
        first = left + max(k - 1, 0) * across
        last = left + min(k + 1, len(stages)) * across
        items.append(Line(x1=first - 6, y1=at, x2=last + 2, y2=at, layer="frame", pen="dashed"))
        items.append(Text(x=first - 8, y=at - 1.6, text=speeds[k], size=LABEL, align="right", face="figure", bold=True))
    for k, s in enumerate(stages):
        middle = left + (k + 0.5) * across
        for at, d in ((y[k], s.driver_mm), (y[k + 1], s.driven_mm)):
            items.append(
                Shape(points=box(middle - WHEEL / 2, at - d / 2 / scale, WHEEL, d / scale), fill="grey", pen="thick")
            )
        low, high = y[k] - s.driver_mm / 2 / scale, y[k + 1] + s.driven_mm / 2 / scale
        for x in (middle - WHEEL / 4, middle + WHEEL / 4):
            items.append(Line(x1=x, y1=low, x2=x, y2=high, layer="loop", pen="thin"))
        for at, words in ((y[k], s.sizes[0]), (y[k + 1], s.sizes[1])):
            items.append(Text(x=middle + WHEEL / 2 + 2, y=at + 1.4, text=words, size=LABEL, face="figure"))
        items.append(Text(x=middle, y=high + 2.4, text=s.name, size=LABEL, align="middle", face="label"))
    items.append(Text(x=MARGIN, y=2, text=f"1 : {scale:g} across the shafts; widths are not to scale", size=3.8))
    return Scene(width=WIDTH, height=height, title=title, items=tuple(items))
