"""Scenes: areas and places against shapely and numpy, scales against the elevation they are drawn from."""

from __future__ import annotations

from itertools import pairwise
from math import cos, hypot, radians, sin

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely import LineString, Polygon
from shapely.affinity import rotate

from tests.instruments.test_simulated import CHAIN, SYNC, V
from tuyere.core.drawing.drive import drive_scene, round_scale
from tuyere.core.drawing.fall import Fall, fall_scene
from tuyere.core.drawing.line import FACTORS, Stand, factor_for, plan_scene, side_scene
from tuyere.core.drawing.ruler import Zone, even_step, ruler_scene
from tuyere.core.drawing.scene import (
    Circle,
    Dimension,
    Hatch,
    Line,
    Scene,
    Shape,
    Text,
    box,
    dimension_lines,
    hatch_lines,
    round_outline,
    turned_about,
)
from tuyere.jobs.facts import DriveKnown

SOME = settings(derandomize=True, deadline=None, max_examples=60)
CORNER = st.tuples(st.floats(5, 95), st.floats(5, 95))


@pytest.mark.outside("shapely: area of a polygon, and what of a line lies inside it")
@SOME
@given(points=st.lists(CORNER, min_size=3, max_size=7, unique=True), angle=st.floats(0, 180))
def test_hatching_fills_an_outline_and_stays_inside(points: list[tuple[float, float]], angle: float) -> None:
    outline = Polygon(points)
    if not outline.is_valid or outline.area < 200:
        return
    apart = 0.5
    lines = [i for i in hatch_lines(Hatch(points=tuple(points), apart=apart, angle_deg=angle)) if isinstance(i, Line)]
    long = sum(hypot(i.x2 - i.x1, i.y2 - i.y1) for i in lines)
    assert long * apart == pytest.approx(outline.area, rel=0.05, abs=0.6 * apart * outline.length)
    outside = outline.buffer(1e-6)
    for i in lines:
        assert LineString([(i.x1, i.y1), (i.x2, i.y2)]).difference(outside).length < 1e-6


@pytest.mark.outside("shapely: a polygon turned about a point")
@SOME
@given(points=st.lists(CORNER, min_size=3, max_size=5), angle=st.floats(-180, 180), about=CORNER)
def test_an_outline_is_turned_as_shapely_turns(
    points: list[tuple[float, float]], angle: float, about: tuple[float, float]
) -> None:
    theirs = rotate(LineString(points), angle, origin=about).coords
    assert np.allclose(turned_about(tuple(points), *about, angle), list(theirs), atol=1e-9)


@pytest.mark.parametrize("known", [V, SYNC, CHAIN], ids=lambda k: k.calc)
@pytest.mark.parametrize(("width", "height"), [(98.0, 56.0), (60.0, 90.0), (180.0, 60.0)])
def test_an_elevation_is_drawn_to_the_scale_it_says_and_fits_its_sheet(
    known: DriveKnown, width: float, height: float
) -> None:
    drawn = known.worked.elevation
    dims = {d.id: "1 in" for d in drawn.dimensions}
    scene, scale = drive_scene(drawn, width=width, height=height, dimensions=dims, names={}, title="x")
    wheels = [i for i in scene.items if isinstance(i, Circle) and i.fill == "paper"]
    assert len(wheels) == len(drawn.wheels)
    for one, other in pairwise(zip(wheels, drawn.wheels, strict=True)):
        on_sheet = hypot(one[0].x - other[0].x, one[0].y - other[0].y)
        assert on_sheet * scale == pytest.approx(hypot(one[1].x - other[1].x, one[1].y - other[1].y))
        assert one[0].r * scale == pytest.approx(one[1].outside_radius)
    for i in scene.plain:
        places = i.points if isinstance(i, Shape) else [(i.x1, i.y1), (i.x2, i.y2)] if isinstance(i, Line) else []
        for x, y in places:
            assert 0 <= x <= width and 0 <= y <= height
    assert round_scale(scale) == pytest.approx(scale)


def test_a_dimension_stands_off_by_what_is_said_and_breaks_for_its_figure() -> None:
    lines = dimension_lines(Dimension(x1=10, y1=20, x2=70, y2=20, text="34 in", off=-8))
    level = [i for i in lines if isinstance(i, Line) and i.y1 == i.y2]
    assert {i.y1 for i in level} == {12.0}
    assert min(i.x1 for i in level) == 10 and max(i.x2 for i in level) == 70
    (words,) = [i for i in lines if isinstance(i, Text)]
    assert words.text == "34 in" and words.x == 40
    assert not any(i.x1 < words.x < i.x2 for i in level)
    assert dimension_lines(Dimension(x1=1, y1=1, x2=1, y2=1, text="0")) == []


@SOME
@given(values=st.lists(st.one_of(st.none(), st.floats(-3, 3)), min_size=1, max_size=2))
def test_a_fault_is_drawn_as_large_as_it_can_be_and_no_larger(values: list[float | None]) -> None:
    factor = factor_for(tuple(values), 16.0)
    most = max((abs(v) for v in values if v is not None), default=0.0)
    assert factor in FACTORS and (factor * most <= 16 or factor == 1)
    larger = [f for f in FACTORS if f > factor]
    assert not larger or larger[0] * most > 16


def test_nose_away_is_drawn_away_and_nose_up_is_drawn_up() -> None:
    away = plan_scene(Stand(twist=0, toe=0.5, offset=0), None, words=("", ""), width=96, height=60)
    straight = plan_scene(Stand(twist=0, toe=0, offset=0), None, words=("", ""), width=96, height=60)
    motor = [[i for i in s.items if isinstance(i, Shape)][3].points for s in (away, straight)]
    # The motor's end goes toward the other machine when the nose goes away from it: to the right.
    assert np.mean([x for x, _ in motor[0]]) > np.mean([x for x, _ in motor[1]])
    up = side_scene(Stand(twist=0.5, toe=0, offset=0), None, words=("", ""), width=96, height=60)
    level = side_scene(Stand(twist=0, toe=0, offset=0), None, words=("", ""), width=96, height=60)
    wheel = [[i for i in s.items if isinstance(i, Shape)][0].points for s in (up, level)]
    assert np.mean([y for _, y in wheel[0]]) > np.mean([y for _, y in wheel[1]])
    both = plan_scene(
        Stand(twist=0, toe=0.1, offset=1), Stand(twist=0, toe=0.9, offset=4), words=("a", "b"), width=96, height=60
    )
    assert {i.pen for i in both.items if isinstance(i, Shape)} >= {"dashed", "thick"}


@pytest.mark.parametrize(("low", "high"), [(2.0, 6.5), (0.3, 1.1), (40.0, 420.0), (10.0, 15.2)])
def test_a_ruler_counts_in_round_steps_between_its_ends(low: float, high: float) -> None:
    zones = (Zone(low=low, high=low + 1, name="slips", bad=True), Zone(low=low + 1, high=high, name="new"))
    scene = ruler_scene(zones, low=low, high=high, unit="lbf", width=180.0, marks=(low, high))
    figures = [float(i.text) for i in scene.items if isinstance(i, Text) and i.face == "figure"]
    assert low <= min(figures) and max(figures) <= high and 2 <= len(figures) <= 12
    steps = np.diff(figures)
    assert np.allclose(steps, steps[0]) and steps[0] == pytest.approx(even_step(high - low))
    at = {i.text: i.x for i in scene.items if isinstance(i, Text) and i.face == "figure"}
    per = (max(at.values()) - min(at.values())) / (max(figures) - min(figures))
    assert per == pytest.approx((180.0 - 6) / (high - low), rel=1e-6)


def test_the_fall_is_drawn_on_the_logarithm_of_the_hours() -> None:
    points = [(0.1, 200.0), (1.0, 190.0), (10.0, 180.0), (100.0, 170.0)]
    fall = Fall(points=points, band=(150.0, 195.0), line=(190.0, 10.0), until=1000.0, unit="lbf")
    scene = fall_scene(fall, 92.0, 56.0)
    dots = [(i.x, i.y) for i in scene.items if isinstance(i, Circle)]
    assert np.allclose(np.diff([x for x, _ in dots]), dots[1][0] - dots[0][0])
    (line,) = [i for i in scene.items if isinstance(i, Line) and i.pen == "dashed"]
    for x, y in dots:
        on = line.y1 + (x - line.x1) / (line.x2 - line.x1) * (line.y2 - line.y1)
        assert y == pytest.approx(on, abs=1e-6)


def test_a_round_outline_is_round() -> None:
    assert all(hypot(x - 3, y - 4) == pytest.approx(5) for x, y in round_outline(3, 4, 5))
    first = round_outline(0, 0, 2)[6]
    assert first == pytest.approx((2 * cos(radians(90)), 2 * sin(radians(90))), abs=1e-9)


def test_a_scene_is_placed_whole_on_another_sheet() -> None:
    scene = Scene(width=50, height=20, title="t", items=(Line(x1=1, y1=2, x2=3, y2=4), Shape(points=box(0, 0, 2, 2))))
    line, shape = scene.placed(10, 5)
    assert isinstance(line, Line) and (line.x1, line.y2) == (11, 9)
    assert isinstance(shape, Shape) and shape.points[0] == (10, 5)
