"""Wheels made to size: keyways by the printed tables, tooth forms by drawn rollers, racks rolled apart, masses by Pappus."""

from __future__ import annotations

import io
from math import atan2, cos, hypot, pi, radians, sin, tan

import ezdxf
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely import Point, Polygon, unary_union
from shapely.affinity import rotate, translate

from tuyere.core.drawing.made import Words, made_scene
from tuyere.core.errors import InputError
from tuyere.core.flat.made_pulley import pulley_rim
from tuyere.core.roller_chain.made_sprocket import plate_mm, sprocket_rim
from tuyere.core.roller_chain.sprockets import work_sprocket
from tuyere.core.roller_chain.tables import chain
from tuyere.core.roller_chain.tooth_form import tooth_outline
from tuyere.core.shafts.keyways import chord_height, keyway, under_key
from tuyere.core.synchronous.made_pulley import groove_of, groove_outline, sync_rim
from tuyere.core.synchronous.tables import profile, pulley
from tuyere.core.v_belt.made_sheave import sheave_rim
from tuyere.core.v_belt.sections import groove_of_outside
from tuyere.core.wheels.made import MadeWheel, Rim, made_wheel
from tuyere.exchange.drawing.dxf import dxf_of
from tuyere.exchange.drawing.svg import svg_of

SOME = settings(derandomize=True, deadline=None, max_examples=40)
WORDS = Words(outside="x", face="x", bore="x", hub="x", hub_length="x", keyway="", notes=("x",), title="x")


@pytest.mark.outside(
    "Machinery's Handbook, table of keyseat depths by ASME B17.1 (bore, shaft depth S, hub depth T, inch), recalled"
)
@pytest.mark.parametrize(
    ("bore", "s", "t"),
    [
        (0.5, 0.430, 0.560),
        (0.75, 0.644, 0.837),
        (1.0, 0.859, 1.114),
        (1.25, 1.112, 1.367),
        (1.5, 1.289, 1.669),
        (2.0, 1.718, 2.223),
    ],
)
def test_keyseats_are_those_of_the_table(bore: float, s: float, t: float) -> None:
    k = keyway(bore * 25.4)
    assert k.over_mm / 25.4 == pytest.approx(t, abs=0.0012)
    y = chord_height(bore * 25.4, k.width_mm)
    assert under_key(bore * 25.4, y, k.key_mm) / 25.4 == pytest.approx(s, abs=0.0012)


@pytest.mark.outside("DIN 6885-1 as printed in machine-element textbooks (bore, key, bore + t2), recalled")
@pytest.mark.parametrize(
    ("bore", "width", "over"),
    [(20, 6, 22.8), (24, 8, 27.3), (28, 8, 31.3), (38, 10, 41.3), (42, 12, 45.3), (60, 18, 64.4)],
)
def test_metric_keyways_are_those_of_the_table(bore: float, width: float, over: float) -> None:
    k = keyway(bore, "metric")
    assert (k.width_mm, k.over_mm) == pytest.approx((width, over))


def rollers(name: str, teeth: int) -> list[Point]:
    of = chain(name)
    r = of.pitch_mm / sin(pi / teeth) / 2
    return [Point(r * sin(2 * pi * k / teeth), r * cos(2 * pi * k / teeth)) for k in range(teeth)]


CASES = [("40", 11), ("60", 17), ("60", 45), ("80", 9), ("25", 24), ("12B", 21), ("08B", 19), ("16B", 57), ("50", 100)]


@pytest.mark.outside(
    "shapely: a new chain's rollers drawn on the pitch circle lie in their gaps, touch the bottom, and cut no tooth"
)
@pytest.mark.parametrize(("name", "teeth"), CASES)
def test_a_new_chain_lies_in_the_gaps(name: str, teeth: int) -> None:
    of = chain(name)
    wheel = Polygon(tooth_outline(of, teeth))
    assert wheel.is_valid
    for seat in rollers(name, teeth)[:3]:
        roller = seat.buffer(of.roller_mm / 2, quad_segs=64)
        # Chords of the seat stand into it by a thousandth of its radius.
        assert roller.intersection(wheel).area < 2e-3 * roller.area
        assert 0 <= roller.distance(wheel) + 0.004 * of.roller_mm < 0.02 * of.roller_mm
        # Held: moved by a tenth of a pitch along the circle it would cut a tooth.
        assert rotate(roller, 36 / teeth, origin=(0, 0)).intersection(wheel).area > 1e-3 * roller.area


@pytest.mark.outside("the same wheel's caliper and outside diameters, from formulas of their own (ASME B29.1, ISO 606)")
@pytest.mark.parametrize(("name", "teeth"), CASES)
def test_the_outline_measures_what_the_sprocket_does(name: str, teeth: int) -> None:
    of = chain(name)
    outline = tooth_outline(of, teeth)
    r = work_sprocket(of, teeth)
    bottom = 2 * min(hypot(x, y) for x, y in outline)
    assert bottom == pytest.approx(r.pitch_mm - of.roller_mm, abs=0.011 * of.roller_mm + 0.08)
    assert 2 * max(hypot(x, y) for x, y in outline) == pytest.approx(r.outside_mm, rel=0.01)


@pytest.mark.outside("a tooth form is the same on every tooth: turned by one tooth it covers itself")
@pytest.mark.parametrize(("name", "teeth"), CASES[:6])
def test_every_tooth_is_like_the_next(name: str, teeth: int) -> None:
    wheel = Polygon(tooth_outline(chain(name), teeth))
    assert wheel.symmetric_difference(rotate(wheel, 360 / teeth, origin=(0, 0))).area < 1e-6 * wheel.area
    mirrored = Polygon([(-x, y) for x, y in wheel.exterior.coords])
    assert wheel.symmetric_difference(mirrored).area < 1e-6 * wheel.area


@pytest.mark.outside(
    "ASME B29.1 plate thickness, single strand: chain 40 0.284, 60 0.459, 80 0.575, 100 0.692 in; recalled"
)
@pytest.mark.parametrize(("name", "inches"), [("40", 0.284), ("60", 0.459), ("80", 0.575), ("100", 0.692)])
def test_plates_are_those_of_the_table(name: str, inches: float) -> None:
    assert plate_mm(chain(name), 1) / 25.4 == pytest.approx(inches, abs=0.002)


def rolled(name: str, teeth: int) -> Polygon:
    """A blank from which the rack's tooth, rolled along the pitch circle in fine steps, has taken one groove."""
    of = profile(name)
    angle, depth, tip, _, _ = groove_of(name, teeth)  # type: ignore[misc]
    pitch, outside = (float(x) / 2 for x in pulley(of, teeth))
    slope = tan(radians(angle / 2))
    foot = outside - pitch - depth
    high = foot + depth + 3
    tooth = Polygon(
        [
            (-tip / 2, foot),
            (tip / 2, foot),
            (tip / 2 + (depth + 3) * slope, high),
            (-tip / 2 - (depth + 3) * slope, high),
        ]
    )
    taken = []
    for k in range(-200, 201):
        turn = k / 200 * 0.9 * of.pitch_mm / pitch
        taken.append(rotate(translate(tooth, pitch * turn, pitch), turn * 180 / pi, origin=(0, 0)))
    blank = Point(0, 0).buffer(outside, quad_segs=2000)
    return blank.difference(unary_union(taken))


@pytest.mark.outside("shapely: the rack's tooth rolled along the pitch circle and taken off a blank")
@pytest.mark.parametrize(
    ("name", "teeth"), [("XL", 12), ("XL", 40), ("L", 16), ("L", 60), ("H", 18), ("H", 40), ("XH", 24)]
)
def test_a_rolled_groove_is_what_the_rack_leaves(name: str, teeth: int) -> None:
    of = profile(name)
    outside = float(pulley(of, teeth)[1]) / 2
    groove = groove_outline(of, teeth)
    assert groove is not None
    blank = Point(0, 0).buffer(outside, quad_segs=2000)
    theirs = blank.area - rolled(name, teeth).area
    # The outline is closed by its chord: the sliver between chord and rim belongs to the groove.
    half = atan2(groove[-1][0], groove[-1][1])
    sliver = outside**2 / 2 * (2 * half - sin(2 * half))
    assert Polygon(groove).area + sliver == pytest.approx(theirs, rel=0.02)
    angle, depth, _, _, _ = groove_of(name, teeth)  # type: ignore[misc]
    assert outside - min(hypot(x, y) for x, y in groove) == pytest.approx(depth, rel=1e-3)


@pytest.mark.outside("ANSI/RMA IP-20 and IP-22 face widths: 2 B 1.75, 3 B 2.5, 4 C 4.376, 3 5V 2.376, 6 3V 2.718 in")
@pytest.mark.parametrize(
    ("groove", "n", "inches"), [("B", 2, 1.75), ("B", 3, 2.5), ("C", 4, 4.376), ("5V", 3, 2.376), ("3V", 6, 2.718)]
)
def test_faces_are_those_of_the_tables(groove: str, n: int, inches: float) -> None:
    assert sheave_rim(groove, 300.0, n).face_mm / 25.4 == pytest.approx(inches, abs=0.002)


@given(st.sampled_from(["A", "B", "C", "3V", "5V", "SPA", "SPB"]), st.floats(120, 600), st.integers(1, 8))
@SOME
def test_the_grooves_measure_what_the_table_says(groove: str, outside: float, n: int) -> None:
    """Angle, width, depth and spacing read off the outline again."""
    row = groove_of_outside(groove, outside)
    rim = sheave_rim(groove, outside, n)
    assert row is not None and len(rim.profile) == 2 + 4 * n
    p = rim.profile[1:-1]
    for k in range(n):
        (x1, y1), (x2, y2), (x3, _), (x4, _) = p[4 * k : 4 * k + 4]
        assert x4 - x1 == pytest.approx(row.top_width_mm) and y1 - y2 == pytest.approx(row.depth_mm)
        assert tan(radians(row.angle_deg / 2)) == pytest.approx((x2 - x1) / (y1 - y2))
        if k:
            assert x1 - p[4 * k - 4][0] == pytest.approx(row.pitch_mm)
    assert p[0][0] + row.top_width_mm / 2 - rim.profile[0][0] == pytest.approx(row.edge_mm)


def any_wheel(rim: Rim, bore: float = 30.0) -> MadeWheel:
    return made_wheel(rim, bore_mm=bore, keyway=keyway(bore, "metric"), material="cast iron")


RIMS = [
    sheave_rim("B", 175.8, 2),
    sheave_rim("5V", 400.0, 4),
    pulley_rim(355.6, 150.0, crowned=True),
    sprocket_rim(chain("60"), 21),
    sprocket_rim(chain("12B"), 25, 2),
    sync_rim(profile("L"), 40, 30.0),
    sync_rim(profile("H8M"), 60, 30.0),
]


@pytest.mark.outside("shapely: the half-section is one sound outline, as wide and as high as the wheel")
@pytest.mark.parametrize("rim", RIMS)
def test_the_section_is_one_sound_outline(rim: Rim) -> None:
    w = any_wheel(rim)
    half = Polygon(w.section)
    assert half.is_valid and half.area > 0
    x0, y0, x1, y1 = half.bounds
    assert (y0, y1) == pytest.approx((w.bore_mm / 2, rim.outside_mm / 2))
    assert x1 - x0 == pytest.approx(max(rim.face_mm, w.hub_length_mm))


@pytest.mark.outside("ezdxf: the drawing as a file, true to size, read back and measured; scale taken out again")
@pytest.mark.parametrize("rim", RIMS)
@pytest.mark.parametrize(("unit", "worth"), [("mm", 1.0), ("in", 25.4)])
def test_the_file_measures_what_the_wheel_does(rim: Rim, unit: str, worth: float) -> None:
    w = any_wheel(rim)
    scene = made_scene(w, WORDS)
    assert scene.scale >= 0.1
    made = ezdxf.read(io.StringIO(dxf_of(scene, scene.scale, unit)))  # type: ignore[arg-type]
    assert not made.audit().has_errors
    lines = [
        [(p[0] * worth, p[1] * worth) for p in poly.get_points()] for poly in made.modelspace().query("LWPOLYLINE")
    ]
    halves = [Polygon(p) for p in lines if len(p) == len(w.section)]
    heights = sorted(h.bounds[3] - h.bounds[1] for h in halves[:2])
    assert heights[0] == pytest.approx((rim.outside_mm - w.bore_mm) / 2, abs=1e-6)
    top, low = max(h.bounds[3] for h in halves), min(h.bounds[1] for h in halves)
    assert top - low == pytest.approx(rim.outside_mm, abs=1e-6)
    (bore,) = made.modelspace().query("ARC")
    assert 2 * bore.dxf.radius * worth == pytest.approx(w.bore_mm)
    if rim.side:
        (teeth,) = [p for p in lines if len(p) == len(rim.side)]
        assert Polygon(teeth).area == pytest.approx(Polygon(rim.side).area, rel=1e-6)
    assert svg_of(scene).count("<polygon") >= 2


def test_what_cannot_be_made() -> None:
    with pytest.raises(InputError, match="burst"):
        made_wheel(RIMS[1], bore_mm=50, keyway=None, material="cast iron", rpm=3500)
    with pytest.raises(InputError, match="bore"):
        made_wheel(RIMS[0], bore_mm=120, keyway=None, material="steel")
    with pytest.raises(InputError, match="material"):
        made_wheel(RIMS[0], bore_mm=30, keyway=None, material="oak")
    with pytest.raises(InputError, match="hub_length"):
        made_wheel(RIMS[0], bore_mm=30, keyway=None, material="steel", hub_length_mm=5000)
    with pytest.raises(InputError, match="grooves"):
        sheave_rim("4L", 150, 2)
    with pytest.raises(InputError, match="outside"):
        sheave_rim("C", 30, 1)
    with pytest.raises(InputError, match="face"):
        pulley_rim(200, 1, crowned=False)
    with pytest.raises(InputError, match="no standard key"):
        keyway(3.0)


@pytest.mark.outside("ANSI/RMA IP-20: 6500 ft/min is 3 1/2 in. sheaves at about 7094 rpm, 14.2 in at 1748")
@pytest.mark.parametrize(("inches", "rpm"), [(3.5, 7094), (14.2, 1748)])
def test_the_rim_says_how_fast(inches: float, rpm: float) -> None:
    w = made_wheel(sheave_rim("B", inches * 25.4, 1), bore_mm=20, keyway=None, material="cast iron")
    assert w.most_rpm == pytest.approx(rpm, rel=1e-3)
