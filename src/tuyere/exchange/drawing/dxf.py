"""A scene as DXF, by a kept library: one named layer for each of the drawing's, and measures that are true.

``scale`` is what one millimetre of the sheet is on the machine, so that an outline drawn 1 : n is written at its true size.
Circles stay circles and arcs arcs: what is cut from the file is round.
"""

from __future__ import annotations

import io
from typing import TYPE_CHECKING, Literal

from tuyere.core.drawing.scene import PENS, Arc, Circle, Line, Scene, Shape

if TYPE_CHECKING:
    from ezdxf.layouts.layout import Modelspace

Unit = Literal["mm", "in"]
LAYERS = {"parts": 7, "loop": 5, "dimensions": 3, "words": 2, "faults": 1, "frame": 8}
# The format's own numbers of units, and how many millimetres are one.
UNITS: dict[str, tuple[int, float]] = {"mm": (4, 1.0), "in": (1, 25.4)}
# A capital is so high a share of the size that the drawing gives.
CAPITAL = 0.7


def dxf_of(scene: Scene, scale: float = 1.0, unit: Unit = "mm") -> str:
    """A scene as the text of a DXF file (AutoCAD 2010's form, which all that cut or draw can read)."""
    from ezdxf.enums import TextEntityAlignment
    from ezdxf.filemanagement import new

    number, worth = UNITS[unit]
    k = scale / worth
    made = new("R2010", setup=["linetypes"])
    made.header["$INSUNITS"] = number
    made.header["$MEASUREMENT"] = 1 if unit == "mm" else 0
    for name, colour in LAYERS.items():
        made.layers.add(name, color=colour)
    space = made.modelspace()
    align = {
        "left": TextEntityAlignment.LEFT,
        "middle": TextEntityAlignment.CENTER,
        "right": TextEntityAlignment.RIGHT,
    }
    for i in scene.plain:
        if isinstance(i, Line | Circle | Arc | Shape):
            _stroke(space, i, k)
        else:
            words = space.add_text(i.text, height=i.size * CAPITAL * k, dxfattribs={"layer": i.layer})
            words.set_placement((i.x * k, i.y * k), align=align[i.align])
    out = io.StringIO()
    made.write(out)
    return out.getvalue()


def _stroke(space: Modelspace, i: Line | Circle | Arc | Shape, k: float) -> None:
    # Line weights are kept in hundredths of a millimetre, from a list of the format's own.
    look = {
        "layer": i.layer,
        "lineweight": _weight(PENS[i.pen]),
        "linetype": "DASHED" if i.pen == "dashed" else "BYLAYER",
    }
    if isinstance(i, Line):
        space.add_line((i.x1 * k, i.y1 * k), (i.x2 * k, i.y2 * k), dxfattribs=look)
    elif isinstance(i, Circle):
        space.add_circle((i.x * k, i.y * k), i.r * k, dxfattribs=look)
    elif isinstance(i, Arc):
        a, b = sorted((i.start_deg, i.start_deg + i.sweep_deg))
        space.add_arc((i.x * k, i.y * k), i.r * k, a, b, dxfattribs=look)
    else:
        space.add_lwpolyline([(x * k, y * k) for x, y in i.points], close=True, dxfattribs=look)


def _weight(mm: float) -> int:
    return min((13, 15, 18, 20, 25, 30, 35, 40, 50, 60, 70, 80, 90, 100), key=lambda w: abs(w - 100 * mm))
