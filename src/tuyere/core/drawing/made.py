"""The drawing of a wheel that is made: cut through the shaft on the left, seen along it on the right, what is kept below."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from math import asin, cos, degrees, radians, sin

from tuyere.core.drawing.drive import round_scale
from tuyere.core.drawing.scene import Arc, Circle, Dimension, Hatch, Item, Line, Scene, Shape, Text
from tuyere.core.wheels.made import MadeWheel

WIDTH, MARGIN, LABEL, NOTE = 190.0, 8.0, 4.4, 4.6
TALL = 120.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Words:
    """The figures as a person reads them: outside, face, bore, hub, hub length, keyway (empty: none); lines below; the title."""

    outside: str
    face: str
    bore: str
    hub: str
    hub_length: str
    keyway: str
    notes: Sequence[str]
    title: str


def made_scene(wheel: MadeWheel, words: Words) -> Scene:
    """Both views to one round scale that is said; the scene's own ``scale`` makes a file of it true to size."""
    outside, wide = wheel.rim.outside_mm, max(wheel.rim.face_mm, wheel.hub_length_mm)
    room = WIDTH - 2 * MARGIN - 62
    scale = round_scale(max((outside + wide) / room, outside / (TALL - 24)))
    if scale < 1:
        scale = 1 / round_scale(1 / scale) if (1 / scale) >= 1 else 1.0
        scale = max(scale, 0.1)
        if (outside + wide) / scale > room or outside / scale > TALL - 24:
            scale = 1.0
    below = MARGIN + 7.0 * (len(words.notes) + 1)
    height = below + outside / scale + 34
    y0 = below + 12 + outside / (2 * scale)
    x1 = MARGIN + 24 + wide / (2 * scale)
    x2 = x1 + wide / (2 * scale) + 24 + outside / (2 * scale)
    items: list[Item] = []
    for sign in (1, -1):
        half = tuple((x1 + x / scale, y0 + sign * y / scale) for x, y in wheel.section)
        items.append(Shape(points=half, pen="thick", fill="paper"))
        items.append(Hatch(points=half, apart=2.0, angle_deg=45))
    bore = wheel.bore_mm / 2 / scale
    half_hub = wheel.hub_length_mm / 2 / scale
    for sign in (1, -1):
        items.append(Line(x1=x1 - half_hub, y1=y0 + sign * bore, x2=x1 + half_hub, y2=y0 + sign * bore, pen="thin"))
    items.append(
        Line(x1=x1 - wide / 2 / scale - 4, y1=y0, x2=x1 + wide / 2 / scale + 4, y2=y0, layer="frame", pen="dashed")
    )
    items += _side(wheel, x2, y0, scale)
    top = y0 + outside / 2 / scale
    left = x1 - wide / 2 / scale
    items.append(Dimension(x1=left - 8, y1=y0 - outside / 2 / scale, x2=left - 8, y2=top, text="", size=LABEL))
    items.append(Text(x=MARGIN, y=top + 5, text=f"⌀ {words.outside}", size=LABEL + 0.6, face="figure", bold=True))
    face = wheel.rim.face_mm / 2 / scale
    items.append(Dimension(x1=x1 - face, y1=top + 11, x2=x1 + face, y2=top + 11, text="", size=LABEL))
    items.append(Text(x=x1, y=top + 13.5, text=f"face {words.face}", size=LABEL, align="middle", face="figure"))
    low = y0 - outside / 2 / scale
    items.append(Dimension(x1=x1 - half_hub, y1=low - 4, x2=x1 + half_hub, y2=low - 4, text="", size=LABEL))
    items.append(Text(x=x1, y=low - 10, text=f"hub {words.hub_length}", size=LABEL, align="middle", face="figure"))
    bored = f"bore {words.bore}, hub ⌀ {words.hub}" + (f", {words.keyway}" if words.keyway else "")
    for k, line in enumerate((bored, *words.notes)):
        items.append(Text(x=MARGIN, y=below - 7.0 * (k + 1) + 1, text=line, size=NOTE, face="text"))
    said = f"{1 / scale:g} : 1" if scale < 1 else f"1 : {scale:g}"
    items.append(Text(x=WIDTH - MARGIN, y=height - 7, text=said, size=NOTE, align="right", face="figure", bold=True))
    return Scene(width=WIDTH, height=height, title=words.title, items=tuple(items), scale=scale)


def _side(wheel: MadeWheel, x: float, y: float, scale: float) -> list[Item]:
    """The wheel seen along its shaft: teeth where it has any, hub, pitch circle, bore and keyway."""
    out: list[Item] = []
    if wheel.rim.side:
        out.append(
            Shape(points=tuple((x + a / scale, y + b / scale) for a, b in wheel.rim.side), pen="thick", fill="paper")
        )
    else:
        out.append(Circle(x=x, y=y, r=wheel.rim.outside_mm / 2 / scale, pen="thick", fill="paper"))
    for d in wheel.rim.circles_mm:
        out.append(Circle(x=x, y=y, r=d / 2 / scale, layer="frame", pen="dashed"))
    out.append(Circle(x=x, y=y, r=wheel.hub_mm / 2 / scale, pen="thin"))
    r = wheel.bore_mm / 2 / scale
    if wheel.keyway is None:
        out.append(Circle(x=x, y=y, r=r, pen="thick"))
    else:
        half = wheel.keyway.width_mm / 2 / scale
        open_deg = degrees(asin(min(half / r, 1.0)))
        top = y - r + float(wheel.keyway.over_mm) / scale
        lip = y + r * cos(radians(open_deg))
        out.append(Arc(x=x, y=y, r=r, start_deg=90 + open_deg, sweep_deg=360 - 2 * open_deg, pen="thick"))
        side = r * sin(radians(open_deg))
        out.append(Line(x1=x - side, y1=lip, x2=x - side, y2=top, pen="thick"))
        out.append(Line(x1=x - side, y1=top, x2=x + side, y2=top, pen="thick"))
        out.append(Line(x1=x + side, y1=top, x2=x + side, y2=lip, pen="thick"))
    across = wheel.rim.outside_mm / 2 / scale + 4
    out.append(Line(x1=x - across, y1=y, x2=x + across, y2=y, layer="frame", pen="dashed"))
    out.append(Line(x1=x, y1=y - across, x2=x, y2=y + across, layer="frame", pen="dashed"))
    return out
