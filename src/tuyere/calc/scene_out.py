"""A scene as it is sent: plain primitives in millimetres, y up; the page draws them in its own colours."""

from __future__ import annotations

from typing import Any, Literal, cast

from pydantic import Field

from tuyere.calc.answer import Answer
from tuyere.core.drawing.scene import Align, Arc, Circle, Face, Fill, Layer, Line, Plain, Scene, Shape, Text


class PrimitiveOut(Answer):
    """A line (two points), an outline (three or more), a circle or an arc (its middle), or words (where they stand)."""

    kind: Literal["line", "circle", "arc", "shape", "text"]
    layer: str
    points: list[list[float]]
    pen: str
    fill: str
    r: float
    start_deg: float
    sweep_deg: float
    text: str
    size: float
    align: str
    face: str
    bold: bool


class SceneOut(Answer):
    """A drawing: its size in mm, what it shows in words, and its primitives from the bottom up."""

    width: float
    height: float
    title: str
    items: list[PrimitiveOut] = Field(description="later ones lie on top")
    scale: float = Field(default=0.0, description="mm of the thing for one of the sheet; 0: not to scale")


NOTHING: dict[str, Any] = {
    "pen": "thin",
    "fill": "none",
    "r": 0.0,
    "start_deg": 0.0,
    "sweep_deg": 0.0,
    "text": "",
    "size": 0.0,
    "align": "left",
    "face": "text",
    "bold": False,
}


def _made(**what: Any) -> PrimitiveOut:
    return PrimitiveOut(**{**NOTHING, **what})


def _primitive(i: Plain) -> PrimitiveOut:
    if isinstance(i, Line):
        return _made(kind="line", layer=i.layer, points=[[i.x1, i.y1], [i.x2, i.y2]], pen=i.pen)
    if isinstance(i, Circle):
        return _made(kind="circle", layer=i.layer, points=[[i.x, i.y]], r=i.r, pen=i.pen, fill=i.fill)
    if isinstance(i, Arc):
        return _made(
            kind="arc",
            layer=i.layer,
            points=[[i.x, i.y]],
            r=i.r,
            start_deg=i.start_deg,
            sweep_deg=i.sweep_deg,
            pen=i.pen,
        )
    if isinstance(i, Shape):
        return _made(kind="shape", layer=i.layer, points=[list(p) for p in i.points], pen=i.pen, fill=i.fill)
    return _made(
        kind="text",
        layer=i.layer,
        points=[[i.x, i.y]],
        text=i.text,
        size=i.size,
        align=i.align,
        face=i.face,
        bold=i.bold,
        fill="paper" if i.light else "ink",
    )


def scene_out(scene: Scene) -> SceneOut:
    """A scene as it is sent."""
    return SceneOut(
        width=scene.width,
        height=scene.height,
        title=scene.title,
        items=[_primitive(i) for i in scene.plain],
        scale=scene.scale,
    )


def scene_in(out: SceneOut) -> Scene:
    """The scene again from how it was sent: the inverse of the above."""
    return Scene(
        width=out.width,
        height=out.height,
        title=out.title,
        items=tuple(_plain(p) for p in out.items),
        scale=out.scale,
    )


def _plain(p: PrimitiveOut) -> Plain:
    """A primitive as it was; pens, layers and faces are those of the scene that sent it."""
    look: dict[str, Any] = {"layer": p.layer, "pen": p.pen}
    x, y = p.points[0]
    if p.kind == "line":
        return Line(x1=x, y1=y, x2=p.points[1][0], y2=p.points[1][1], **look)
    if p.kind == "circle":
        return Circle(x=x, y=y, r=p.r, fill=cast("Fill", p.fill), **look)
    if p.kind == "arc":
        return Arc(x=x, y=y, r=p.r, start_deg=p.start_deg, sweep_deg=p.sweep_deg, **look)
    if p.kind == "shape":
        return Shape(points=tuple((a, b) for a, b in p.points), fill=cast("Fill", p.fill), **look)
    return Text(
        x=x,
        y=y,
        text=p.text,
        size=p.size,
        align=cast("Align", p.align),
        face=cast("Face", p.face),
        bold=p.bold,
        layer=cast("Layer", p.layer),
        light=p.fill == "paper",
    )
