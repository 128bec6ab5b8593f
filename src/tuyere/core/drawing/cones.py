"""Step pulleys seen from the side: both cones to one scale, the belt on every step, sizes and speeds beside them."""

from __future__ import annotations

from collections.abc import Sequence

from tuyere.core.drawing.drive import round_scale
from tuyere.core.drawing.scene import Dimension, Item, Line, Scene, Shape, Text, box
from tuyere.core.speeds.cones import Cones

WIDTH, MARGIN, LABEL = 190.0, 6.0, 4.4
# A step is drawn so wide at most, mm of the sheet; the belt takes so much of it, its figures are so large in it.
WIDEST, BELT, FIGURE = 28.0, 0.5, 0.16
TALLEST = 150.0


def cones_scene(
    cones: Cones, *, centres_mm: float, words: Sequence[tuple[str, str, str]], centres: str
) -> tuple[Scene, float]:
    """(the pair on a sheet, its scale 1 : n). ``words`` are driver size, driven size and speed of each step as a person reads them."""
    low = max(s.driver_mm for s in cones.steps) / 2
    high = max(s.driven_mm for s in cones.steps) / 2
    scale = round_scale((low + centres_mm + high) / (TALLEST - 2 * MARGIN - 4 * LABEL))
    height = (low + centres_mm + high) / scale + 2 * MARGIN + 4 * LABEL
    y1 = MARGIN + 2 * LABEL + low / scale
    y2 = y1 + centres_mm / scale
    wide = min(WIDEST, (WIDTH - 66) / len(cones.steps))
    size = min(LABEL, FIGURE * wide)
    left = (WIDTH - 20 - wide * len(cones.steps)) / 2
    right = left + wide * len(cones.steps)
    items: list[Item] = []
    plate: list[Item] = []
    for k, (s, said) in enumerate(zip(cones.steps, words, strict=True)):
        x, d, big = left + k * wide, s.driver_mm / scale, s.driven_mm / scale
        middle = x + wide / 2
        items.append(Shape(points=box(x, y1 - d / 2, wide, d), fill="grey", pen="thick"))
        items.append(Shape(points=box(x, y2 - big / 2, wide, big), fill="grey", pen="thick"))
        half = wide * BELT / 2
        for edge in (middle - half, middle + half):
            items.append(
                Line(x1=edge, y1=y1 - d / 2, x2=edge, y2=y2 + big / 2, layer="loop", pen="dashed" if k else "heavy")
            )
        for y, text in ((y1, said[0]), (y2, said[1])):
            # On a plate of its own: axis and belt run behind the figure.
            plate.append(
                Shape(
                    points=box(middle - wide / 2 + 0.6, y - LABEL * 0.75, wide - 1.2, LABEL * 1.5),
                    fill="paper",
                    pen="hair",
                )
            )
            plate.append(_words(middle, y - size / 3, text, size))
        plate.append(_words(middle, height - MARGIN - LABEL, said[2], size))
    for y, name in ((y1, "driver"), (y2, "driven")):
        items.append(Line(x1=left - 10, y1=y, x2=right + 10, y2=y, layer="frame", pen="dashed"))
        items.append(Text(x=left - 11, y=y - 1, text=name, size=LABEL, align="right", face="label"))
    items += plate
    items.append(Text(x=left - 3, y=height - MARGIN - LABEL, text="rpm", size=LABEL, align="right", face="label"))
    items.append(Dimension(x1=right + 16, y1=y2, x2=right + 16, y2=y1, text=centres, size=LABEL))
    items.append(Text(x=MARGIN, y=MARGIN, text=f"1 : {scale:g} across the shafts; widths are not to scale", size=3.6))
    return Scene(width=WIDTH, height=height, title=_title(words), items=tuple(items)), scale


def _words(x: float, y: float, text: str, size: float) -> Text:
    return Text(x=x, y=y, text=text, size=size, align="middle", face="figure", bold=True)


def _title(words: Sequence[tuple[str, str, str]]) -> str:
    return "Step pulleys: " + "; ".join(f"{d} to {big}, {speed} rpm" for d, big, speed in words)
