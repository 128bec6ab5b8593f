"""Drawings and sheets as files that a browser shows or saves."""

from __future__ import annotations

from typing import Literal

from flask import Response

from tuyere.calc.registry import Units
from tuyere.core.drawing.scene import Scene
from tuyere.exchange.drawing.dxf import dxf_of
from tuyere.exchange.drawing.pdf import pdf_of
from tuyere.exchange.drawing.svg import svg_of

FileKind = Literal["svg", "pdf", "dxf"]
TYPES: dict[str, str] = {"pdf": "application/pdf", "svg": "image/svg+xml", "dxf": "image/vnd.dxf"}


def sheet_file(made: bytes | str, kind: FileKind, name: str, *, saved: bool = False) -> Response:
    """A file of a kind by its name; shown by the browser, or ``saved`` at once."""
    response = Response(made, 200, content_type=TYPES[kind])
    response.headers["Content-Disposition"] = f'{"attachment" if saved else "inline"}; filename="{name}.{kind}"'
    return response


def scene_file(scene: Scene, kind: FileKind, name: str, *, units: Units = "us", saved: bool = False) -> Response:
    """A scene as SVG or PDF of its sheet, or as DXF true to size in inches or millimetres; not to scale: as large as its sheet."""
    made: bytes | str
    if kind == "dxf":
        made = dxf_of(scene, scene.scale or 1.0, "in" if units == "us" else "mm")
    else:
        made = pdf_of(scene) if kind == "pdf" else svg_of(scene)
    return sheet_file(made, kind, name, saved=saved)
