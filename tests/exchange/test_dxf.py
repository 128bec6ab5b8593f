"""Drawings as DXF: read back by the library and measured."""

from __future__ import annotations

import io
from math import cos, hypot, radians, sin

import ezdxf
import pytest
from ezdxf.document import Drawing
from hypothesis import given, settings
from hypothesis import strategies as st

from tuyere.core.drawing.scene import Arc, Circle, Dimension, Hatch, Line, Scene, Shape, Text, box
from tuyere.exchange.drawing.dxf import LAYERS, dxf_of

FAR = st.floats(-500, 500).map(lambda x: round(x, 4))
LONG = st.floats(0.5, 300).map(lambda x: round(x, 4))
SOME = settings(derandomize=True, deadline=None, max_examples=25)


def back(scene: Scene, scale: float = 1.0, unit: str = "mm") -> Drawing:
    made = ezdxf.read(io.StringIO(dxf_of(scene, scale, unit)))  # type: ignore[arg-type]
    assert not made.audit().has_errors
    return made


def sheet(*items: object) -> Scene:
    return Scene(width=200, height=100, title="x", items=items)  # type: ignore[arg-type]


@pytest.mark.outside("ezdxf: a drawing is read back and measured")
@pytest.mark.parametrize(("unit", "worth", "code"), [("mm", 1.0, 4), ("in", 25.4, 1)])
@pytest.mark.parametrize("scale", [1.0, 10.0, 11.0])
def test_sizes_are_true(unit: str, worth: float, code: int, scale: float) -> None:
    scene = sheet(Circle(x=20, y=30, r=6.858), Line(x1=20, y1=30, x2=106.9, y2=30), Shape(points=box(0, 0, 40, 20)))
    made = back(scene, scale, unit)
    assert made.header["$INSUNITS"] == code
    (circle,) = made.modelspace().query("CIRCLE")
    assert circle.dxf.radius * worth == pytest.approx(6.858 * scale)
    (line,) = made.modelspace().query("LINE")
    assert (line.dxf.end - line.dxf.start).magnitude * worth == pytest.approx(86.9 * scale)
    (outline,) = made.modelspace().query("LWPOLYLINE")
    assert outline.closed and len(outline) == 4


@given(st.tuples(FAR, FAR), LONG, st.floats(0, 359), st.floats(1, 359), st.booleans())
@SOME
def test_an_arc_ends_where_it_ends_whichever_way_it_is_drawn(
    at: tuple[float, float], r: float, start: float, sweep: float, back_way: bool
) -> None:
    x, y = at
    turn = -sweep if back_way else sweep
    (arc,) = back(sheet(Arc(x=x, y=y, r=r, start_deg=start, sweep_deg=turn))).modelspace().query("ARC")
    ends = {(round(p.x, 6), round(p.y, 6)) for p in (arc.start_point, arc.end_point)}
    ours = [(x + r * cos(radians(a)), y + r * sin(radians(a))) for a in (start, start + turn)]
    assert all(any(hypot(px - ex, py - ey) < 1e-5 for ex, ey in ends) for px, py in ours)
    assert (arc.dxf.end_angle - arc.dxf.start_angle) % 360 == pytest.approx(sweep, abs=1e-6)


@given(st.lists(st.tuples(FAR, FAR, LONG), min_size=1, max_size=5), st.sampled_from(sorted(LAYERS)))
@SOME
def test_nothing_is_lost_and_layers_keep_their_names(circles: list[tuple[float, float, float]], layer: str) -> None:
    items = [Circle(x=x, y=y, r=r, layer=layer) for x, y, r in circles]  # type: ignore[arg-type]
    made = back(sheet(*items, Dimension(x1=0, y1=0, x2=90, y2=0, text="90"), Hatch(points=box(0, 0, 9, 9))))
    space = made.modelspace()
    assert len(space.query("CIRCLE")) == len(items) and {c.dxf.layer for c in space.query("CIRCLE")} == {layer}
    assert set(LAYERS) <= {x.dxf.name for x in made.layers}
    assert [t.dxf.text for t in space.query("TEXT")] == ["90"] and len(space.query("LINE")) > 3


def test_words_keep_their_place_and_strange_letters() -> None:
    made = back(sheet(Text(x=10, y=20, text="3 × B90, ø 5.4 in, 1 : 10", size=3.2)), 10)
    (text,) = made.modelspace().query("TEXT")
    assert text.dxf.text == "3 × B90, ø 5.4 in, 1 : 10" and text.dxf.insert.x == 100
