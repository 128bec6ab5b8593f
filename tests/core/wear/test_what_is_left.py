"""Growth, sections, seats and heat: against outlines drawn by shapely, ISO 281's figures, and limits of the trade."""

from __future__ import annotations

from math import cos, pi, sin

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely import MultiPoint, Point, Polygon, box, unary_union

from tuyere.core.errors import InputError
from tuyere.core.flat.wear import CHANGE_AT, flat_wear
from tuyere.core.roller_chain.sprocket_wear import SHARE_OF_LIMIT, sprocket_wear
from tuyere.core.roller_chain.sprockets import work_sprocket
from tuyere.core.roller_chain.tables import chain
from tuyere.core.shafts.bearings import bearing_life
from tuyere.core.synchronous.tables import profile, pulley
from tuyere.core.synchronous.tooth_wear import MUST_GO, OVER, WATCHED, tooth_wear
from tuyere.core.wear.formulas import (
    growth_left,
    hours_left,
    life_by_heat,
    life_by_load,
    pitch_short,
    section_left,
    temperature_rise,
)
from tuyere.core.wear.growth import grown
from tuyere.core.wear.heat import MOST_C, RISE_MOST_K, USUAL_C, bearing_heat

SOME = settings(derandomize=True, deadline=None, max_examples=60)
RANK = {"fine": 0, "watch": 1, "act": 2}


def loop_length(d: float, big: float, centres: float) -> float:
    """A taut band round two wheels: the hull of two finely drawn circles."""
    wheels = [Point(0, 0).buffer(d / 2, quad_segs=4000), Point(centres, 0).buffer(big / 2, quad_segs=4000)]
    return float(unary_union(wheels).convex_hull.length)


@pytest.mark.outside("shapely: the hull of two wheels before and after the take-up was moved")
@pytest.mark.parametrize(("d", "big", "centres"), [(137, 358, 870), (100, 100, 600), (90, 280, 1500), (120, 240, 900)])
@pytest.mark.parametrize("moved", [5.0, 16.0, 40.0])
def test_a_loop_grows_by_twice_the_travel_less_its_slant(d: float, big: float, centres: float, moved: float) -> None:
    truly = loop_length(d, big, centres + moved) - loop_length(d, big, centres)
    assert growth_left(moved) >= truly > 0
    slant = (big - d) / 2 / centres
    assert growth_left(moved) == pytest.approx(truly, rel=slant**2 + 1e-3)


@pytest.mark.outside("shapely: area of a belt's section as a box")
@pytest.mark.parametrize(("t", "b"), [(6.0, 150.0), (5.5, 150.0), (6.0, 141.0), (4.2, 120.0)])
def test_the_section_that_is_left(t: float, b: float) -> None:
    new, now = box(0, 0, 150, 6.0), box(0, 0, b, t)
    assert section_left(t, b, 6.0, 150.0) == pytest.approx(100 * now.intersection(new).area / new.area)
    assert flat_wear((t, b), new_mm=(6.0, 150.0)).left_percent == pytest.approx(section_left(t, b, 6.0, 150.0))


@pytest.mark.outside("plane geometry: the side of a regular polygon by its corners (numpy)")
@pytest.mark.parametrize("teeth", [9, 17, 24, 60, 112])
@pytest.mark.parametrize("lost", [0.1, 0.5, 2.0])
def test_a_seat_that_sank_has_a_shorter_pitch(teeth: int, lost: float) -> None:
    d = 19.05 / sin(pi / teeth)

    def side(of: float) -> float:
        corners = np.array([[cos(2 * pi * k / teeth), sin(2 * pi * k / teeth)] for k in range(2)]) * of / 2
        return float(np.linalg.norm(corners[1] - corners[0]))

    assert pitch_short(lost, d) == pytest.approx(100 * (1 - side(d - lost) / side(d)), rel=1e-9)


def over_roots(pitch_mm: float, roller_mm: float, teeth: int, sunk: float) -> float:
    """A caliper over two roots that lie across: rollers drawn on their seats, each sunk by so much towards the shaft."""
    radius = pitch_mm / 2 / sin(pi / teeth) - sunk
    seats = [Point(radius * cos(2 * pi * k / teeth), radius * sin(2 * pi * k / teeth)) for k in range(teeth)]
    inner = [s.buffer(roller_mm / 2, quad_segs=256) for s in seats]
    first = inner[0]
    across = [inner[teeth // 2]] if teeth % 2 == 0 else [inner[teeth // 2], inner[teeth // 2 + 1]]
    # The jaws touch the bottoms: the near edge of each roller, seen along the line through the two seats.
    far = across[0]
    axis = np.array([seats[0].x - far.centroid.x, seats[0].y - far.centroid.y])
    axis /= np.linalg.norm(axis)
    one = min(float(np.dot(p, axis)) for p in np.asarray(first.exterior.coords))
    other = max(float(np.dot(p, axis)) for p in np.asarray(far.exterior.coords))
    return one - other


@pytest.mark.outside("shapely: rollers drawn on their seats, measured across their near edges")
@pytest.mark.parametrize("number", ["40", "60", "80", "140"])
@pytest.mark.parametrize("teeth", [12, 17, 24, 25, 60])
def test_a_caliper_over_the_roots_of_a_new_and_of_a_worn_sprocket(number: str, teeth: int) -> None:
    of = chain(number)
    new = over_roots(of.pitch_mm, of.roller_mm, teeth, 0.0)
    assert work_sprocket(of, teeth).caliper_mm == pytest.approx(new, abs=0.02)
    sunk = 0.4
    worn = over_roots(of.pitch_mm, of.roller_mm, teeth, sunk)
    found = sprocket_wear(of, teeth, caliper_mm=worn, hooked=False)
    # Both roots sank: across an odd wheel a little less than twice shows.
    assert found.lost_mm == pytest.approx(2 * sunk, rel=0.02, abs=0.02)


@pytest.mark.outside("ISO 281: 1.26 times the load halves the life of a ball bearing, twice the load leaves an eighth")
@pytest.mark.parametrize(
    ("share", "exponent", "left"), [(1.26, 3, 50.0), (2, 3, 12.5), (1, 3, 100), (2, 10 / 3, 9.92), (1.23, 10 / 3, 50.1)]
)
def test_life_under_more_load(share: float, exponent: float, left: float) -> None:
    assert life_by_load(share, exponent) == pytest.approx(left, abs=0.1)
    kind = "ball" if exponent == 3 else "roller"
    ratio = bearing_life(2000 * share, 20_000, 900, kind) / bearing_life(2000, 20_000, 900, kind)
    assert life_by_load(share, exponent) == pytest.approx(100 * ratio, rel=1e-9)


@pytest.mark.outside("rule of ten degrees, handbooks: half the life for every 10 K (18 °F) more")
@pytest.mark.parametrize(("over", "left"), [(0, 100), (10, 50), (20, 25), (30, 12.5), (-10, 200)])
def test_life_when_it_is_warmer(over: float, left: float) -> None:
    assert life_by_heat(over) == pytest.approx(left)
    assert temperature_rise(60 + over, 60) == over


@pytest.mark.outside(
    "ISO 5294, tolerance of the outside diameter of pulleys, recalled: over the nominal size, never under"
)
@pytest.mark.parametrize(
    ("teeth", "outside", "tolerance"), [(10, 30.9, 0.08), (16, 50.1, 0.08), (36, 114.2, 0.13), (72, 228.8, 0.15)]
)
def test_a_pulley_under_its_size_is_worn(teeth: int, outside: float, tolerance: float) -> None:
    of = profile("L")
    _, new = pulley(of, teeth)
    found = tooth_wear(of, teeth, outside_mm=new)
    assert found.tolerance_mm == tolerance and found.lost_mm == 0 and found.pulley == "fine"
    assert tooth_wear(of, teeth, outside_mm=new + tolerance).pulley == "fine", "a new one may be larger"
    assert tooth_wear(of, teeth, outside_mm=new - tolerance * 1.01).pulley == "act"
    assert [t for most, t in OVER] == sorted(t for _, t in OVER) and outside > 0


@given(st.floats(500, 6000), st.floats(0, 60), st.floats(0, 80), st.floats(1, 20_000))
@SOME
def test_growth_used_and_left_hang_together(length: float, by: float, left: float, hours: float) -> None:
    found = grown(length, grown_mm=by, left_mm=left, hours=hours)
    assert 0 <= found.used <= 1 and found.left_mm == 2 * left
    if by > 0:
        assert found.hours_left == pytest.approx(hours * (1 - found.used) / found.used, rel=1e-6, abs=1e-6)
        assert hours_left(hours, by, by) == pytest.approx(hours)
    more = grown(length, grown_mm=by, left_mm=left / 2, hours=hours)
    assert RANK[more.verdict] >= RANK[found.verdict]


@given(st.floats(-10, 45), st.floats(0, 120), st.floats(0, 40), st.floats(0.5, 4))
@SOME
def test_warmer_is_never_judged_better(around: float, rise: float, more: float, pull: float) -> None:
    one = bearing_heat(around + rise, around_c=around, pull_share=pull)
    two = bearing_heat(around + rise + more, around_c=around, pull_share=pull)
    assert RANK[two.verdict] >= RANK[one.verdict]
    assert one.life_by_heat is None or 0 < one.life_by_heat < 100
    # A cooler neighbour can only make it worse.
    beside = bearing_heat(around + rise, around_c=around, other_c=around + rise - more)
    assert RANK[beside.verdict] >= RANK[bearing_heat(around + rise, around_c=around).verdict]


@pytest.mark.outside(
    "common practice, no source: 70 °C (160 °F) is usual, 90 °C (195 °F) too hot for a greased housing"
)
@pytest.mark.parametrize(
    ("at", "around", "verdict"),
    [(45, 20, "fine"), (66, 30, "fine"), (72, 35, "watch"), (61, 20, "watch"), (91, 40, "act"), (78, 20, "act")],
)
def test_a_warm_bearing(at: float, around: float, verdict: str) -> None:
    assert bearing_heat(at, around_c=around).verdict == verdict
    assert USUAL_C < MOST_C and RISE_MOST_K < MOST_C


def test_one_of_two_is_the_odd_one() -> None:
    assert bearing_heat(58, around_c=25, other_c=41).verdict == "watch"
    assert bearing_heat(58, around_c=25, other_c=50).verdict == "fine"
    assert bearing_heat(41, around_c=25, other_c=58).verdict == "fine"


@pytest.mark.parametrize("sign", sorted(MUST_GO | WATCHED))
def test_every_sign_on_a_toothed_belt_is_judged(sign: str) -> None:
    found = tooth_wear(profile("H8M"), 36, outside_mm=None, signs=[sign])
    assert found.belt == ("act" if sign in MUST_GO else "watch") and found.pulley is None


def test_a_flat_belt_by_what_is_left_and_what_is_asked() -> None:
    new = (6.0, 150.0)
    assert flat_wear(new, new_mm=new).verdict == "fine"
    assert flat_wear((5.0, 150.0), new_mm=new).verdict == "watch"
    assert flat_wear((4.0, 150.0), new_mm=new).verdict == "act" and CHANGE_AT == 75
    # What remains carries what was asked of the whole: 80 % becomes 96 % on five sixths.
    asked = flat_wear((5.0, 150.0), new_mm=new, asked_percent=80)
    assert asked.asked_percent == pytest.approx(96) and asked.verdict == "watch"
    assert flat_wear((5.0, 150.0), new_mm=new, asked_percent=90).verdict == "act"
    assert flat_wear(new, new_mm=new, face_worn=True).verdict == "act"
    assert [flat_wear(new, new_mm=new, joint=j).verdict for j in ("whole", "opening", "pulled")] == [
        "fine",
        "watch",
        "act",
    ]


def test_a_sprocket_must_go_before_a_new_chain_is_half_worn_on_it() -> None:
    of = chain("60")
    new = work_sprocket(of, 17).caliper_mm
    assert sprocket_wear(of, 17, caliper_mm=new, hooked=False).verdict == "fine"
    assert sprocket_wear(of, 17, caliper_mm=new, hooked=True).verdict == "act"
    verdicts = [sprocket_wear(of, 17, caliper_mm=new - x, hooked=False).verdict for x in (0.05, 0.3, 0.8, 1.5, 3)]
    assert [RANK[v] for v in verdicts] == sorted(RANK[v] for v in verdicts)
    worst = sprocket_wear(of, 17, caliper_mm=new - 1.2, hooked=False)
    assert worst.limit_percent == pytest.approx(3 * SHARE_OF_LIMIT) and worst.short_percent > worst.limit_percent
    # A large wheel bears less: 200/N, a third of it.
    assert sprocket_wear(
        of, 100, caliper_mm=work_sprocket(of, 100).caliper_mm, hooked=False
    ).limit_percent == pytest.approx(2 / 3)


@pytest.mark.parametrize(
    ("call", "field"),
    [
        (lambda: grown(0, grown_mm=1, left_mm=1, hours=None), "length"),
        (lambda: grown(1000, grown_mm=-1, left_mm=1, hours=None), "grown"),
        (lambda: grown(1000, grown_mm=400, left_mm=1, hours=None), "grown"),
        (lambda: grown(1000, grown_mm=4, left_mm=-1, hours=None), "left"),
        (lambda: bearing_heat(10, around_c=30), "bearing"),
        (lambda: bearing_heat(900, around_c=30), "bearing"),
        (lambda: bearing_heat(60, around_c=30, pull_share=50), "pull"),
        (lambda: bearing_heat(60, around_c=30, kind="wood"), "kind"),
        (lambda: flat_wear((7, 150), new_mm=(6, 150)), "thickness"),
        (lambda: flat_wear((6, 0), new_mm=(6, 150)), "width"),
        (lambda: flat_wear((6, 150), new_mm=(6, 150), joint="glued"), "joint"),
        (lambda: sprocket_wear(chain("60"), 17, caliper_mm=60, hooked=False), "caliper"),
        (lambda: sprocket_wear(chain("60"), 3, caliper_mm=60, hooked=False), "teeth"),
        (lambda: tooth_wear(profile("H8M"), 36, outside_mm=120.0), "outside"),
        (lambda: tooth_wear(profile("H8M"), 36, outside_mm=None, signs=["rust"]), "signs"),
    ],
)
def test_what_cannot_be_is_refused(call: object, field: str) -> None:
    with pytest.raises(InputError) as e:
        call()  # type: ignore[operator]
    assert e.value.field == field


def test_the_hull_is_the_band() -> None:
    """The helper itself: a band round two equal wheels is two centres and a circumference."""
    assert loop_length(100, 100, 600) == pytest.approx(1200 + pi * 100, rel=1e-6)
    assert MultiPoint([(0, 0), (1, 0)]).convex_hull.length == 1 and Polygon(box(0, 0, 1, 1).exterior).area == 1


@pytest.mark.outside(
    "numpy: the straight line through the fit and the last measurement, followed to the end of the travel"
)
@pytest.mark.parametrize(("hours", "by", "room"), [(4200, 31.75, 44.45), (100, 2, 98), (9000, 60, 3)])
def test_hours_left_are_those_of_a_straight_line(hours: float, by: float, room: float) -> None:
    slope, start = np.polyfit([0, hours], [0, by], 1)
    assert hours_left(hours, by, room) == pytest.approx((by + room - start) / slope - hours, rel=1e-9)
