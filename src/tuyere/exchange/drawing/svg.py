"""A scene as SVG: true size in millimetres, black on white, one group for each layer."""

from __future__ import annotations

from math import cos, radians, sin
from xml.etree.ElementTree import Element, SubElement, tostring

from tuyere.core.drawing.scene import PENS, Arc, Circle, Line, Plain, Scene, Shape, Text

FACES = {"text": "Barlow", "label": "Barlow Condensed", "figure": "IBM Plex Mono"}
FILLS = {"none": "none", "paper": "#ffffff", "ink": "#000000", "grey": "#d6d9db"}
ANCHORS = {"left": "start", "middle": "middle", "right": "end"}


def _n(x: float) -> str:
    """A length to a thousandth of a millimetre."""
    return f"{x:.3f}".rstrip("0").rstrip(".") or "0"


def _stroke(pen: str) -> dict[str, str]:
    dashes = {"stroke-dasharray": "1.6 1.1"} if pen == "dashed" else {}
    return {"stroke": "#000000", "stroke-width": _n(PENS[pen]), **dashes}


def _drawn(i: Plain, height: float) -> tuple[str, dict[str, str], str]:
    """(element, attributes, text) of a primitive; SVG's y goes down."""
    if isinstance(i, Line):
        ends = {"x1": _n(i.x1), "y1": _n(height - i.y1), "x2": _n(i.x2), "y2": _n(height - i.y2)}
        return "line", {**ends, **_stroke(i.pen), "stroke-linecap": "round"}, ""
    if isinstance(i, Circle):
        place = {"cx": _n(i.x), "cy": _n(height - i.y), "r": _n(i.r), "fill": FILLS[i.fill]}
        return "circle", {**place, **_stroke(i.pen)}, ""
    if isinstance(i, Arc):
        a, b = radians(i.start_deg), radians(i.start_deg + i.sweep_deg)
        large, sense = int(abs(i.sweep_deg) > 180), int(i.sweep_deg < 0)
        start = f"{_n(i.x + i.r * cos(a))} {_n(height - i.y - i.r * sin(a))}"
        end = f"{_n(i.x + i.r * cos(b))} {_n(height - i.y - i.r * sin(b))}"
        path = f"M {start} A {_n(i.r)} {_n(i.r)} 0 {large} {sense} {end}"
        return "path", {"d": path, "fill": "none", **_stroke(i.pen)}, ""
    if isinstance(i, Shape):
        points = " ".join(f"{_n(x)},{_n(height - y)}" for x, y in i.points)
        return "polygon", {"points": points, "fill": FILLS[i.fill], **_stroke(i.pen)}, ""
    return _words(i, height)


def _words(i: Text, height: float) -> tuple[str, dict[str, str], str]:
    return (
        "text",
        {
            "x": _n(i.x),
            "y": _n(height - i.y),
            "font-family": f"{FACES[i.face]}, sans-serif",
            "font-size": _n(i.size),
            "font-weight": "600" if i.bold else "500" if i.face != "text" else "400",
            "text-anchor": ANCHORS[i.align],
            "fill": "#ffffff" if i.light else "#000000",
        },
        i.text,
    )


def svg_of(scene: Scene) -> str:
    """A scene as SVG text; layers in the order in which they are first used, so that what is drawn later lies on top."""
    w, h = _n(scene.width), _n(scene.height)
    root = Element(
        "svg",
        {"xmlns": "http://www.w3.org/2000/svg", "width": f"{w}mm", "height": f"{h}mm", "viewBox": f"0 0 {w} {h}"},
    )
    SubElement(root, "title").text = scene.title
    group: Element | None = None
    for i in scene.plain:
        if group is None or group.get("class") != i.layer:
            group = SubElement(root, "g", {"class": i.layer})
        name, attributes, text = _drawn(i, scene.height)
        made = SubElement(group, name, attributes)
        if text:
            made.text = text
    return tostring(root, encoding="unicode")
