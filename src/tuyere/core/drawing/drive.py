"""A drive's elevation on a sheet: to a round scale, the tight strand thick, shafts hatched, centres dimensioned."""

from __future__ import annotations

from math import ceil, log10

from tuyere.core.drawing.scene import Arc, Circle, Dimension, Hatch, Item, Line, Pen, Scene, Text, round_outline
from tuyere.core.drive.elevation import Elevation, StrandDrawing

STRANDS: dict[str, Pen] = {"tight": "heavy", "slack": "thin", "between": "thick"}
MARGIN, BESIDE = 7.0, 6.5
# The height of type on a picture that a phone shows as well, mm.
ON_SCREEN = 4.6
ROUND = (1.0, 1.5, 2.0, 2.5, 3.0, 4.0, 5.0, 6.0, 8.0, 10.0)


def round_scale(exact: float) -> float:
    """The next round scale that makes things no larger: 1:2, 1:2.5, 1:3, 1:4 and so on.

    >>> round_scale(7.3), round_scale(1.2), round_scale(23.0)
    (8.0, 1.5, 25.0)
    """
    ten = 10.0 ** (ceil(log10(exact)) - 1)
    return next(r * ten for r in ROUND if r * ten >= exact * (1 - 1e-9))


def _middle(s: StrandDrawing) -> tuple[float, float]:
    return (s.x1 + s.x2) / 2, (s.y1 + s.y2) / 2


def drive_scene(
    elevation: Elevation,
    *,
    width: float,
    height: float,
    dimensions: dict[str, str],
    names: dict[str, str],
    title: str,
    words: float = 3.0,
) -> tuple[Scene, float]:
    """(scene that fits a sheet, its scale 1 : n).

    ``dimensions`` are the figures by the elevation's ids, ``names`` the wheels', ``words`` the height of their type, mm:
    what is looked at on a screen has it larger than a sheet in the hand.
    """
    largest = max(w.outside_radius for w in elevation.wheels)
    # Room for the dimension: under the wheels, or beside them where the drive is steep.
    steep = any(abs(d.y2 - d.y1) > abs(d.x2 - d.x1) for d in elevation.dimensions)
    below, beside = (4.0, BESIDE + 10.0) if steep else (BESIDE + 4.0, 0.0)
    scale = round_scale(
        max(elevation.width / (width - 2 * MARGIN - beside), elevation.height / (height - 2 * MARGIN - below))
    )
    dx = (width - beside - elevation.width / scale) / 2 - elevation.left / scale
    dy = below + (height - below - elevation.height / scale) / 2 - elevation.bottom / scale

    def x(v: float) -> float:
        return v / scale + dx

    def y(v: float) -> float:
        return v / scale + dy

    items: list[Item] = []
    for w in elevation.wheels:
        at, r = (x(w.x), y(w.y)), w.outside_radius / scale
        items.append(Circle(x=at[0], y=at[1], r=r, pen="thin", fill="paper"))
        shaft = max(min(0.18 * r, 4.0), 0.8)
        items.append(Hatch(points=round_outline(*at, shaft), apart=0.7))
        items.append(Circle(x=at[0], y=at[1], r=shaft, pen="thin"))
        name = names.get(w.id, "")
        if name:
            wide = 0.5 * words * len(name)
            inside = wide < 1.6 * r and r > 9
            low = steep and w.y < sum(v.y for v in elevation.wheels) / len(elevation.wheels)
            down = (
                at[1] - shaft - 1.53 * words if inside else at[1] - r - 1.27 * words if low else at[1] + r + 0.6 * words
            )
            items.append(Text(x=at[0], y=down, text=name, size=words, align="middle", face="label", layer="words"))
    arcs: list[Item] = [
        Arc(
            x=x(a.x),
            y=y(a.y),
            r=a.r / scale,
            start_deg=a.start_deg,
            sweep_deg=a.sweep_deg * a.turn,
            layer="loop",
            pen="thick",
        )
        for a in elevation.arcs
    ]
    strands: list[Item] = []
    for s in elevation.strands:
        strands.append(Line(x1=x(s.x1), y1=y(s.y1), x2=x(s.x2), y2=y(s.y2), layer="loop", pen=STRANDS[s.side]))
        if s.side != "between" and s.length / scale > 14:
            mx, my = _middle(s)
            cx = sum(w.x for w in elevation.wheels) / len(elevation.wheels)
            cy = sum(w.y for w in elevation.wheels) / len(elevation.wheels)
            # Outside the loop, square to the strand: between two strands that run close there is no room.
            along = ((s.x2 - s.x1) / s.length, (s.y2 - s.y1) / s.length)
            side = 1.0 if -along[1] * (mx - cx) + along[0] * (my - cy) >= 0 else -1.0
            strands.append(
                Text(
                    x=x(mx) - side * along[1] * 1.13 * words,
                    y=y(my) + side * along[0] * 0.93 * words - 0.3 * words,
                    text=s.side,
                    size=0.87 * words,
                    align="middle",
                    face="label",
                )
            )
    shown: list[Item] = []
    for d in elevation.dimensions:
        if d.id in dimensions:
            a, b = (x(d.x1), y(d.y1)), (x(d.x2), y(d.y2))
            # Beside the wheels, under a level drive and to the right of an upright one.
            down = b[0] - a[0] >= 0
            off = (-1.0 if down else 1.0) * (largest / scale + BESIDE)
            shown.append(Dimension(x1=a[0], y1=a[1], x2=b[0], y2=b[1], text=dimensions[d.id], off=off))
    return Scene(width=width, height=height, title=title, items=(*items, *arcs, *strands, *shown)), scale
