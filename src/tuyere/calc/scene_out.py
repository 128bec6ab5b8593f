"""A scene as it is sent: plain primitives in millimetres, y up; the page draws them in its own colours."""

from __future__ import annotations

from typing import Any, Literal

from pydantic import Field

from tuyere.calc.answer import Answer
from tuyere.core.drawing.scene import Arc, Circle, Line, Plain, Scene, Shape


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
        width=scene.width, height=scene.height, title=scene.title, items=[_primitive(i) for i in scene.plain]
    )
