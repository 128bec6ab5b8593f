"""An adjustable sheave cut through: the flange that stands, the one that moves, the belt where it rides and where it would."""

from __future__ import annotations

from dataclasses import dataclass
from math import radians, tan

from tuyere.core.drawing.scene import Hatch, Item, Line, Scene, Shape, Text

WIDTH, HEIGHT, LABEL = 190.0, 112.0, 4.8
FLANGE, HUB = 9.0, 12.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Ride:
    """What is drawn, mm: belt across its top and its depth, pitch line under the top, pitch diameters closed, set and open.

    ``gap_mm`` is how far the moving flange stands from where it is when closed.
    """

    belt_width: float
    belt_depth: float
    pitch_under_top: float
    angle_deg: float
    closed: float
    at: float
    opened: float
    gap_mm: float


def ride_scene(r: Ride, *, turns: str, pitch: str, title: str) -> Scene:
    """The upper half of the sheave; the belt at its place, dashed outlines at both ends of the range."""
    slope = tan(radians(r.angle_deg / 2))
    top_closed = r.closed / 2 + r.pitch_under_top
    rim = top_closed + 0.08 * r.belt_depth
    foot = max(r.opened / 2 + r.pitch_under_top - r.belt_depth * 1.15, 0.15 * rim)
    wide = r.belt_width + r.gap_mm + 2 * (FLANGE + 6)
    # The shaft is far below: the groove fills the sheet, the hub is broken off.
    low = foot - 0.3 * (rim - foot)
    k = min((HEIGHT - 34) / (rim - low), (WIDTH - 96) / wide)
    base, middle = 14.0, WIDTH / 2 - 6

    def y(radius: float) -> float:
        return base + (radius - low) * k

    # Half the opening at a radius when closed; the flange on the left moves, the one on the right stands.
    def half(radius: float) -> float:
        return r.belt_width / 2 + (radius - top_closed) * slope

    right = [(half(foot), foot), (half(rim), rim), (half(rim) + FLANGE * 0.5, rim), (half(foot) + FLANGE, foot)]
    left = [(-a - r.gap_mm, b) for a, b in right]

    def outline(points: list[tuple[float, float]]) -> tuple[tuple[float, float], ...]:
        return tuple((middle + a * k, y(b)) for a, b in points)

    items: list[Item] = []
    hub = y(low)
    for flange in (right, left):
        shape = outline(flange)
        items.append(Shape(points=shape, pen="thick", fill="paper"))
        items.append(Hatch(points=shape, apart=1.8, angle_deg=45 if flange is right else 135))
    ends = (middle + (-half(foot) - r.gap_mm - FLANGE - HUB) * k, middle + (half(foot) + FLANGE + HUB) * k)
    hub_top = y(foot)
    items.append(
        Shape(
            points=((ends[0], hub), (ends[1], hub), (ends[1], hub_top), (ends[0], hub_top)),
            pen="thick",
            fill="paper",
        )
    )
    thread = middle - (half(foot) + r.gap_mm + FLANGE) * k
    for i in range(7):
        at = thread + (i - 6) * 2.2
        if at > ends[0] + 1:
            items.append(Line(x1=at, y1=hub_top - 3, x2=at + 1.4, y2=hub_top, pen="thin"))
    for diameter, pen in ((r.closed, "dashed"), (r.opened, "dashed"), (r.at, "thick")):
        top = diameter / 2 + r.pitch_under_top
        shift = -(r.closed - diameter) / 2 * slope
        across = [
            (shift - r.belt_width / 2, top),
            (shift + r.belt_width / 2, top),
            (shift + r.belt_width / 2 - r.belt_depth * slope, top - r.belt_depth),
            (shift - r.belt_width / 2 + r.belt_depth * slope, top - r.belt_depth),
        ]
        solid = diameter == r.at and pen == "thick"
        items.append(
            Shape(
                points=outline(across),
                pen="thick" if solid else "dashed",
                fill="grey" if solid else "none",
                layer="loop",
            )
        )
    far = ends[1] + 9
    at = y(r.at / 2)
    items.append(Line(x1=middle + half(rim) * k * 0.2, y1=at, x2=far + 3, y2=at, layer="dimensions", pen="hair"))
    items.append(Line(x1=far, y1=at, x2=far, y2=hub + 1, layer="dimensions", pen="hair"))
    items.append(Line(x1=far - 1.2, y1=at - 3, x2=far, y2=at, layer="dimensions", pen="thick"))
    items.append(Line(x1=far + 1.2, y1=at - 3, x2=far, y2=at, layer="dimensions", pen="thick"))
    items.append(Line(x1=far - 2, y1=hub + 2.6, x2=far + 2, y2=hub + 0.4, layer="dimensions", pen="thin"))
    items.append(Text(x=far + 4, y=at - 7, text=pitch, size=LABEL + 0.4, face="figure", bold=True))
    items.append(Text(x=far + 4, y=at - 13, text="pitch diameter", size=LABEL - 0.4, face="label"))
    items.append(
        Text(
            x=middle - (half(rim) + r.gap_mm) * k - 4,
            y=y(rim) + 3,
            text="moves",
            size=LABEL,
            align="right",
            face="label",
        )
    )
    items.append(Text(x=middle + half(rim) * k + 6, y=y(rim) + 3, text="stands", size=LABEL, face="label"))
    items.append(
        Text(
            x=middle - r.gap_mm * k / 2,
            y=HEIGHT - 7,
            text=turns,
            size=LABEL + 1,
            align="middle",
            face="figure",
            bold=True,
        )
    )
    items.append(Text(x=4, y=3, text="dashed: closed, and as far open as it goes", size=LABEL - 0.6, face="label"))
    return Scene(width=WIDTH, height=HEIGHT, title=title, items=tuple(items))
