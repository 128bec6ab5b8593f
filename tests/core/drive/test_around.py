"""What stands on a loop of many wheels: places, guides, pulls, ways, bends, capacity wheel by wheel, each against another way to it."""

from __future__ import annotations

from dataclasses import replace
from itertools import permutations
from math import atan2, cos, exp, hypot, isfinite, log, pi, radians, sin

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import brentq
from shapely import LineString, Point, Polygon

from tuyere.core.drive.around import governing_arc
from tuyere.core.drive.bends import bends_of, on_tight_strand, small_idlers
from tuyere.core.drive.first_slip import least_pull
from tuyere.core.drive.guides import Guide, clearance, inside_of, outline_of
from tuyere.core.drive.loads import PowerAt
from tuyere.core.drive.look_around import look_around
from tuyere.core.drive.method import WheelSaid
from tuyere.core.drive.path import lengths_over, path_of
from tuyere.core.drive.placing import along_and_pushed, on_strand
from tuyere.core.drive.pulled import pull_for_newton
from tuyere.core.drive.route import Route, Stop, TakeUp
from tuyere.core.drive.route_check import compare
from tuyere.core.drive.strand_steps import strand_steps
from tuyere.core.drive.strands import slips, strands_pulled, strands_set
from tuyere.core.drive.wheel import Role, Side, Wheel
from tuyere.core.errors import InputError
from tuyere.core.flat.case import flat_case
from tuyere.core.flat.method import FLAT_METHOD
from tuyere.core.flat.tables import material
from tuyere.core.roller_chain.case import chain_case
from tuyere.core.roller_chain.method import CHAIN_METHOD
from tuyere.core.roller_chain.tables import chain
from tuyere.core.v_belt.belts import belt
from tuyere.core.v_belt.beside import back_over_line_mm, wheel_beside
from tuyere.core.v_belt.case import v_belt_case
from tuyere.core.v_belt.method import V_BELT_METHOD
from tuyere.core.v_belt.sheaves import sheave

SOME = settings(derandomize=True, deadline=None, max_examples=30)


def wheel(ident: str, role: Role, x: float, y: float, d: float) -> Wheel:
    return Wheel(id=ident, role=role, x_mm=x, y_mm=y, path_mm=d, pitch_mm=d, outside_mm=d)


def lever(pull: float | None = 200.0, *, seed: int = 0) -> Route:
    """A driver, an idler on the back of the strand that leaves it, a driven wheel; the idler's arm swings about a pin."""
    rng = np.random.default_rng(seed)
    x = 300 + 200 * rng.random()
    return Route(
        stops=(
            Stop(wheel=wheel("driver", "driver", 0, 0, 120 + 40 * rng.random())),
            Stop(wheel=wheel("idler", "idler", x, 90 + 30 * rng.random(), 140), side="outside"),
            Stop(wheel=wheel("fan", "driven", 800, 40, 220 + 60 * rng.random())),
        ),
        take_up=TakeUp(wheel="idler", pivot=(x + 300, 260.0), kind="spring", force_n=pull, low_mm=-60, high_mm=80),
    )


# places


@pytest.mark.outside("shapely: how far a wheel's rim reaches over the straight strand is how far it was pushed in")
@given(st.floats(20, 380), st.floats(1, 60), st.floats(20, 90), st.booleans(), st.floats(0, 360))
@SOME
def test_a_wheel_pushed_on_a_strand_reaches_so_far_over_it(
    along: float, pushed: float, r: float, left: bool, turn: float
) -> None:
    a = radians(turn)
    route = Route(
        stops=(
            Stop(wheel=wheel("driver", "driver", 0, 0, 100)),
            Stop(wheel=wheel("fan", "driven", 400 * cos(a), 400 * sin(a), 100)),
        )
    )
    span = path_of(route).spans[0]
    x, y = on_strand(span, along_mm=along, pushed_mm=pushed, radius_mm=r, to_left=left)
    line = LineString([(span.x1, span.y1), (span.x2, span.y2)])
    long = LineString(
        [(span.x1 - 999 * span.heading[0], span.y1 - 999 * span.heading[1])]
        + [(span.x2 + 999 * span.heading[0], span.y2 + 999 * span.heading[1])]
    )
    ux, uy = span.heading
    far = 2000 if left else -2000
    side = Polygon([*long.coords, *((x - far * uy, y + far * ux) for x, y in reversed(long.coords))])
    over = Point(x, y).buffer(r, quad_segs=400).intersection(side)
    deepest = max(long.distance(Point(p)) for p in over.exterior.coords)
    assert deepest == pytest.approx(pushed, abs=0.02)
    assert line.project(Point(x, y)) == pytest.approx(along, abs=1e-6)
    assert along_and_pushed(span, (x, y), radius_mm=r, to_left=left) == pytest.approx((along, pushed), abs=1e-6)


def test_a_place_past_the_strand_is_refused() -> None:
    span = path_of(lever()).spans[0]
    with pytest.raises(InputError, match="past"):
        on_strand(span, along_mm=span.length_mm + 1, pushed_mm=5, radius_mm=50, to_left=True)


# the loop at many places at once


@pytest.mark.outside("the path of one place at a time: arrays and single figures are one")
@pytest.mark.parametrize("seed", range(6))
def test_many_places_at_once_are_the_single_ones(seed: int) -> None:
    route = lever(seed=seed)
    places = np.linspace(-60, 80, 41)
    lengths, arcs = lengths_over(route, list(places))
    for at, length, arc in zip(places, lengths, arcs, strict=True):
        path = path_of(route.moved(float(at)))
        assert length == pytest.approx(path.length_mm, rel=1e-12)
        assert arc == pytest.approx(path.wrap("idler").arc_deg, abs=1e-6)


# guides


@pytest.mark.outside("shapely: distance of a pin from the outline of the loop, and whether it lies in its area")
@pytest.mark.parametrize("seed", range(12))
def test_a_guides_gap_is_the_distance_from_the_loops_outline(seed: int) -> None:
    rng = np.random.default_rng(seed)
    path = path_of(lever(seed=seed))
    outline = Polygon(outline_of(path, 0.05))
    x, y = float(rng.uniform(-150, 1000)), float(rng.uniform(-250, 300))
    gap = outline.exterior.distance(Point(x, y)) - 4.0 - 6.0
    inside = outline.contains(Point(x, y))
    assert inside_of(path, x, y) == inside
    pin = Guide(id="keeper", x_mm=x, y_mm=y, diameter_mm=12, side="inside" if inside else "outside")
    found = clearance(path, pin, (4.0, 4.0))
    assert found.gap_mm == pytest.approx(gap, abs=0.02)
    wrong = clearance(path, replace(pin, side="outside" if inside else "inside"), (4.0, 4.0))
    assert wrong.verdict == ("wrong side" if gap > 0 else "rubs")


@pytest.mark.outside("common practice, no source: a sixteenth to an eighth of an inch between keeper and running belt")
@pytest.mark.parametrize(
    ("gap", "verdict"), [(-1.0, "rubs"), (0.3, "rubs"), (1.6, "right"), (3.1, "right"), (4.0, "too far")]
)
def test_a_keeper_is_right_between_a_sixteenth_and_an_eighth(gap: float, verdict: str) -> None:
    path = path_of(lever())
    r = path.wrap("driver").wheel.path_mm / 2
    pin = Guide(id="keeper", x_mm=-(r + 4 + 5 + gap), y_mm=0, diameter_mm=10, least_mm=1.5, most_mm=3.2)
    assert clearance(path, pin, (4.0, 4.0)).verdict == verdict


# pulls


@pytest.mark.outside(
    "virtual work: the pull's way is the loop's lengthening, so a newton of pull is the slope of the length"
)
@pytest.mark.parametrize("seed", range(10))
def test_the_pull_for_a_newton_is_the_slope_of_the_length(seed: int) -> None:
    route = lever(seed=seed)
    path = path_of(route)
    assert route.take_up is not None
    h = 1e-3
    slope = (path_of(route.moved(h)).length_mm - path_of(route.moved(-h)).length_mm) / (2 * h)
    assert pull_for_newton(path, route.take_up) == pytest.approx(slope, rel=1e-5)


@pytest.mark.outside("belt equation solved for the pull by scipy: where the first wheel's ratio is what its arc holds")
@pytest.mark.parametrize("seed", range(5))
@pytest.mark.parametrize("mu", [0.3, 0.512])
def test_the_least_pull_is_where_the_first_wheel_slips(seed: int, mu: float) -> None:
    route = lever(seed=seed)
    path = path_of(route)
    taken, speed, light = {"driver": -3.0, "idler": 0.0, "fan": 3.0}, 12.0, 15.0

    def strands_of(pull: float):  # noqa: ANN202
        assert route.take_up is not None
        own = replace(path, route=replace(route, take_up=replace(route.take_up, force_n=pull)))
        return strands_pulled(own, taken, speed_m_s=speed, centrifugal_n=light)

    found = least_pull(path, strands_of, lambda w: exp(mu * radians(w.arc_deg)), centrifugal_n=light)
    share = pull_for_newton(path, route.take_up)  # type: ignore[arg-type]
    # By hand: both strands at the idler are the slack ones; the tight one carries the net pull more.
    net = 1000 * 3.0 / speed

    def margin(pull: float) -> float:
        slack = pull / share
        return min(exp(mu * radians(path.wrap(w).arc_deg)) * slack / (slack + net) for w in ("driver", "fan")) - 1

    assert found == pytest.approx(brentq(margin, 1e-3, 1e5), rel=1e-6)


# ways


def ways(count: int) -> tuple[Stop, ...]:
    roles: list[Role] = ["driver", "idler", "driven", "idler", "driven"]
    sides: list[Side] = ["inside", "outside", "inside", "inside", "inside"]
    return tuple(Stop(wheel=wheel(f"w{k}", roles[k], 0, 0, 10), side=sides[k]) for k in range(count))


@pytest.mark.outside(
    "enumeration: every order and every side of up to five wheels; only the right one, or it begun elsewhere, passes"
)
@pytest.mark.parametrize("count", [3, 4, 5])
def test_only_the_right_way_passes(count: int) -> None:
    right = ways(count)
    names = [s.wheel.id for s in right]
    for order in permutations(range(count)):
        there = tuple(right[k] for k in order)
        turned = [s.wheel.id for s in there]
        k = turned.index(names[0])
        assert (compare(right, there) == ()) == (turned[k:] + turned[:k] == names)
    for k in range(1, count):
        flipped = tuple(
            replace(s, side="outside" if s.side == "inside" else "inside") if n == k else s for n, s in enumerate(right)
        )
        assert [(m.wheel, m.fault) for m in compare(right, flipped)] == [(f"w{k}", "wrong side")]
        missing = tuple(s for n, s in enumerate(right) if n != k)
        assert [(m.wheel, m.fault) for m in compare(right, missing)] == [(f"w{k}", "left out")]
        assert [(m.wheel, m.fault) for m in compare(missing, right)] == [(f"w{k}", "not on the drive")]


# bends


@pytest.mark.outside(
    "a turtle that walks the loop: once for each wheel it turns, and backwards where its turn's sign changes"
)
@pytest.mark.parametrize("seed", range(4))
def test_bends_are_counted_by_walking_the_loop(seed: int) -> None:
    path = path_of(lever(seed=seed))
    walk = outline_of(path, 0.5)
    heads = [atan2(b[1] - a[1], b[0] - a[0]) for a, b in zip(walk, walk[1:] + walk[:1], strict=True) if a != b]
    turns = [(b - a + pi) % (2 * pi) - pi for a, b in zip(heads, heads[1:] + heads[:1], strict=True)]
    signs = [np.sign(t) for t in turns if abs(t) > 1e-9]
    runs = 1 + sum(a != b for a, b in zip(signs, signs[1:], strict=False))
    found = bends_of(path, 10.0)
    # The walk begins on the driver, in the middle of a run of one sign.
    assert found.backwards == runs // 2 and found.in_a_turn == 3
    assert found.an_hour == pytest.approx(3 * 3600 * 10_000 / path.length_mm)


@pytest.mark.outside(
    "handbooks: a back idler at least a third larger than the smallest loaded sheave, an inside one no smaller"
)
@pytest.mark.parametrize(
    ("d", "side", "small"),
    [(155, "outside", True), (170, "outside", False), (119, "inside", True), (121, "inside", False)],
)
def test_small_idlers_are_those_under_a_third_more(d: float, side: Side, small: bool) -> None:
    route = Route(
        stops=(
            Stop(wheel=wheel("driver", "driver", 0, 0, 120)),
            Stop(wheel=wheel("idler", "idler", 400, 0, d), side=side),
            Stop(wheel=wheel("fan", "driven", 800, 0, 300)),
        )
    )
    path = path_of(route)
    assert bool(small_idlers(path, {"inside": 1.0, "outside": 1.33})) == small


def test_an_idler_on_the_strand_that_arrives_at_the_driver_is_on_the_tight_one() -> None:
    route = lever()
    path = path_of(route)
    set_right = strands_set(path, {"driver": -3, "idler": 0, "fan": 3}, speed_m_s=10, static_n=400)
    assert on_tight_strand(path, set_right) == ()
    turned = strands_set(path, {"driver": 3, "idler": 0, "fan": -3}, speed_m_s=10, static_n=400)
    assert on_tight_strand(path, turned) == ("idler",)


# what belts run on


@pytest.mark.outside("standard grooves of ANSI/RMA IP-20, IP-22: the pitch or effective line lies so far under the rim")
@pytest.mark.parametrize(
    ("marking", "inches"),
    # IP-20: a B sheave's datum diameter is 0.350 in under its outside, A's 0.250 in, C's 0.400 in; 5V is measured at the rim.
    [("B90", 0.175), ("A60", 0.125), ("C120", 0.200), ("5V1000", 0.0)],
)
def test_a_belts_back_lies_over_its_line_as_the_rim_does(marking: str, inches: float) -> None:
    assert back_over_line_mm(belt(marking).section) == pytest.approx(25.4 * inches, abs=0.02)


@pytest.mark.outside(
    "shapely: a belt as thick as it is, laid over a plain idler, is as long along its line as the path says"
)
@pytest.mark.parametrize("d", [100.0, 152.4, 203.2])
def test_the_path_over_a_back_idler_is_that_of_the_line_inside_the_belt(d: float) -> None:
    of = belt("B90").section
    made = wheel_beside(of, WheelSaid(ident="i", role="idler", side="outside", outside_mm=d), "around.wheels.0")
    rim = Point(0, 0).buffer(d / 2, quad_segs=800)
    line = rim.buffer(back_over_line_mm(of), quad_segs=800)
    assert pi * made.path_mm == pytest.approx(line.length, rel=1e-4)
    grooved = wheel_beside(of, WheelSaid(ident="i", role="idler", side="inside", outside_mm=d + 60), "around.wheels.0")
    assert grooved.path_mm == pytest.approx(sheave(d + 60, "outside", "B").line_mm)


# which wheel asks most


@pytest.mark.outside("belt equation by hand: the wheel with the greatest net pull over what its arc can hold back")
@given(st.floats(0.1, 0.9), st.integers(0, 5))
@SOME
def test_the_wheel_that_asks_most_governs(share: float, seed: int) -> None:
    rng = np.random.default_rng(seed)
    stops = (
        Stop(wheel=wheel("driver", "driver", 0, 0, 150)),
        Stop(wheel=wheel("fan", "driven", 700, float(rng.uniform(-60, 60)), 260)),
        Stop(wheel=wheel("pump", "driven", 380, float(rng.uniform(-420, -260)), 200)),
    )
    path = path_of(Route(stops=stops))
    taken = {"driver": -5.0, "fan": 5 * share, "pump": 5 * (1 - share)}
    # Five to one at half a turn is what the associations let strands stand at.
    needs = {w.wheel.id: abs(taken[w.wheel.id]) / (1 - 5 ** (-w.arc_deg / 180)) for w in path.wraps}
    first = max(needs, key=needs.__getitem__)
    assert governing_arc(path, taken) == pytest.approx(path.wrap(first).arc_deg)


# whole drives, wheel by wheel


def v_drive(pump_kw: float = 1.5):  # noqa: ANN201
    case = v_belt_case(
        sheave(152.4, "outside", "B"),
        sheave(238.8, "outside", "B"),
        power_kw=5.5,
        service_factor=1.2,
        driver_rpm=1745,
        belt=belt("B120"),
        count=3,
    )
    of = belt("B120").section
    idler = wheel_beside(of, WheelSaid(ident="idler", role="idler", side="outside", outside_mm=203.2), "x").at(330, 114)
    pump = wheel_beside(of, WheelSaid(ident="pump", role="driven", side="inside", outside_mm=304.8), "x").at(660, -508)
    route = Route(
        stops=(
            Stop(wheel=case.route.driver.at(0, 0)),
            Stop(wheel=idler, side="outside"),
            Stop(wheel=case.route.driven.at(914, 51)),
            Stop(wheel=pump),
        ),
        take_up=TakeUp(wheel="idler", slide=(0.0, -1.0), low_mm=-60, high_mm=80),
    )
    loads = (PowerAt(wheel="driven", power_kw=5.5 - pump_kw), PowerAt(wheel="pump", power_kw=pump_kw))
    return replace(case, route=route, loads=loads)


@pytest.mark.outside("torque at each wheel from the strands themselves: pull times pitch radius is what it takes")
@pytest.mark.parametrize("pump", [0.5, 1.5, 3.0])
def test_strands_of_a_v_belt_round_four_wheels_turn_every_shaft(pump: float) -> None:
    worked = V_BELT_METHOD.work(v_drive(pump))
    tension = {s.after: s.tension_n for s in worked.strands}
    order = [s.wheel.id for s in worked.case.route.stops]
    wanted = {"driver": -5.5, "idler": 0.0, "driven": 5.5 - pump, "pump": pump}
    looked = look_around(V_BELT_METHOD, worked)
    for k, (name, at) in enumerate(zip(order, looked.wheels, strict=True)):
        rise = tension[name] - tension[order[k - 1]]
        torque = rise * at.wrap.wheel.pitch_mm / 2000
        kw = torque * at.rpm * 2 * pi / 60 / 1000
        assert kw == pytest.approx(wanted[name], abs=1e-3)


@pytest.mark.outside("numpy: resultants of all shafts from the strands as vectors; together they are nothing")
def test_the_vectors_of_a_whole_drive_add_up_to_nothing() -> None:
    worked = V_BELT_METHOD.work(v_drive())
    x, y = sum(v.x_n for v in worked.shaft_vectors), sum(v.y_n for v in worked.shaft_vectors)
    assert hypot(x, y) < 1e-6 * max(v.newtons for v in worked.shaft_vectors)
    path = worked.shape.path
    tension = {s.id: s.tension_n - worked.level.centrifugal_n for s in worked.strands}
    for k, v in enumerate(worked.shaft_vectors):
        a, b = path.spans[k - 1], path.spans[k]
        pull = np.array([b.x2 - b.x1, b.y2 - b.y1]) / b.length_mm * tension[b.id]
        pull -= np.array([a.x2 - a.x1, a.y2 - a.y1]) / a.length_mm * tension[a.id]
        assert (v.x_n, v.y_n) == pytest.approx(tuple(pull), rel=1e-9)


@pytest.mark.outside(
    "the load at which it first slips: at that many times the load the margin is one, by the strands solved anew"
)
@pytest.mark.parametrize("pump", [0.5, 3.0])
def test_times_of_the_load_are_where_the_margin_is_one(pump: float) -> None:
    worked = V_BELT_METHOD.work(v_drive(pump))
    looked = look_around(V_BELT_METHOD, worked)
    assert isfinite(looked.times)
    strands = V_BELT_METHOD.strands_at(
        worked.case, worked.shape.path, speeds=worked.speeds, level=worked.level, times=looked.times
    )
    found = slips(
        worked.shape.path,
        strands,
        centrifugal_n=worked.level.centrifugal_n,
        grip=lambda w: exp(log(5) / pi * radians(w.arc_deg)),
    )
    assert min(s.margin for s in found) == pytest.approx(1.0, abs=1e-3)


@pytest.mark.outside(
    "ANSI/RMA IP-20: what one belt carries does not ask how many shafts there are; a wheel alone is rated as a pair of its own size"
)
def test_each_wheel_of_a_v_belt_is_rated_as_itself() -> None:
    worked = V_BELT_METHOD.work(v_drive())
    looked = {w.wrap.wheel.id: w for w in look_around(V_BELT_METHOD, worked).wheels}
    # Larger wheels at the same belt speed carry more; the driver, the smallest, the least.
    carried = {k: w.carries_kw for k, w in looked.items() if w.carries_kw is not None}
    assert set(carried) == {"driver", "driven", "pump"}
    assert carried["driver"] == min(carried.values())
    pair = v_belt_case(
        sheave(304.8, "outside", "B"),
        sheave(304.8, "outside", "B"),
        power_kw=1.0,
        service_factor=1.0,
        driver_rpm=looked["pump"].rpm,
        belt=belt("B120"),
        count=3,
    )
    alone = V_BELT_METHOD.work(pair)
    arc = {"pump": looked["pump"].wrap.arc_deg}
    # At half a turn the arc's factor is one by the table; the pump's own arc takes its share off.
    assert alone.rated.power_kw is not None and carried["pump"] < alone.rated.power_kw
    assert carried["pump"] / alone.rated.power_kw == pytest.approx(1 - (180 - arc["pump"]) / 180 * 0.5, abs=0.12)


@pytest.mark.outside("textbook flat belt: capacity grows with 1 - exp(-friction times arc) at one speed")
def test_each_pulley_of_a_flat_belt_slips_by_its_own_arc() -> None:
    case = flat_case(
        150,
        300,
        power_kw=2,
        service_factor=1.0,
        driver_rpm=900,
        centre_mm=900,
        length_mm=None,
        material=material("polyamide-a2"),
        width_mm=100,
        crossed=False,
        angle_deg=0,
        clockwise=True,
    )
    idler = FLAT_METHOD.beside(case, WheelSaid(ident="idler", role="idler", side="outside", outside_mm=150), "x")
    route = Route(
        stops=(
            Stop(wheel=case.route.driver.at(0, 0)),
            Stop(wheel=idler.at(250, 110), side="outside"),
            Stop(wheel=case.route.driven.at(900, 0)),
        ),
        take_up=TakeUp(wheel="driven", slide=(1.0, 0.0)),
    )
    worked = FLAT_METHOD.work(replace(case, route=route, centre_mm=None, loads=(PowerAt(wheel="driven", power_kw=2),)))
    found = {w.wrap.wheel.id: w for w in look_around(FLAT_METHOD, worked).wheels}
    mu = material("polyamide-a2").friction
    one, other = found["driver"], found["driven"]
    assert one.carries_kw is not None and other.carries_kw is not None
    ratio = (1 - exp(-mu * radians(one.wrap.arc_deg))) / (1 - exp(-mu * radians(other.wrap.arc_deg)))
    # The pulley correction is the same for both only where the table says one: it takes the rest.
    assert one.carries_kw / other.carries_kw == pytest.approx(ratio, rel=0.15)


@pytest.mark.outside("chain: every sprocket moves whole teeth; speeds go as their teeth whatever the way")
def test_a_chain_with_an_idler_turns_its_shafts_by_their_teeth() -> None:
    case = chain_case(
        chain("60"), power_kw=3, service_factor=1.0, driver_rpm=300, z_1=19, z_2=38, centre_mm=600, pitches=None
    )
    idler = CHAIN_METHOD.beside(case, WheelSaid(ident="idler", role="idler", side="outside", teeth=17), "x")
    route = Route(
        stops=(
            Stop(wheel=case.route.driver.at(0, 0)),
            Stop(wheel=idler.at(260, 130), side="outside"),
            Stop(wheel=case.route.driven.at(600, 0)),
        ),
        take_up=TakeUp(wheel="driven", slide=(1.0, 0.0)),
    )
    case = replace(case, route=route, centre_mm=None, loads=(PowerAt(wheel="driven", power_kw=3),))
    worked = CHAIN_METHOD.work(case)
    looked = look_around(CHAIN_METHOD, worked)
    assert [w.rpm for w in looked.wheels] == pytest.approx([300, 300 * 19 / 17, 150])
    assert worked.shape.members is not None and worked.shape.members % 2 == 0
    assert worked.shape.path.length_mm == pytest.approx(worked.shape.members * 19.05, rel=1e-9)
    assert [w.clockwise for w in looked.wheels] == [True, False, True]


@pytest.mark.outside("a chain's idler has teeth (chain association practice); a plain wheel is refused by its field")
def test_a_chains_idler_without_teeth_is_refused() -> None:
    case = chain_case(
        chain("60"), power_kw=3, service_factor=1.0, driver_rpm=300, z_1=19, z_2=38, centre_mm=600, pitches=None
    )
    with pytest.raises(InputError) as refused:
        CHAIN_METHOD.beside(case, WheelSaid(ident="i", role="idler", side="outside", outside_mm=90), "around.wheels.0")
    assert refused.value.field == "around.wheels.0.teeth"


def pulled_drive():  # noqa: ANN201
    case = v_drive()
    take_up = replace(case.route.take_up, kind="spring", force_n=700.0, low_mm=-60, high_mm=80)  # type: ignore[type-var]
    return replace(case, route=replace(case.route, take_up=take_up))


@pytest.mark.outside(
    "numpy: strands as the solution of a linear system of their own (power at each wheel; mean over the free lengths, or balance "
    "at the pulled wheel), resultants as vector sums, ratios of what is left without the centrifugal part"
)
@pytest.mark.parametrize("made", [v_drive, pulled_drive])
def test_the_working_of_the_strands_is_the_solution_of_their_own_equations(made) -> None:  # noqa: ANN001
    worked = V_BELT_METHOD.work(made())
    path, light = worked.shape.path, worked.level.centrifugal_n
    found = strand_steps(worked, V_BELT_METHOD.strand_level_n(worked.level))
    n, speed = len(path.spans), worked.speeds.loop_m_s
    taken = {"driver": -5.5, "idler": 0.0, "driven": 4.0, "pump": 1.5}
    a, b = np.zeros((n, n)), np.zeros(n)
    # One equation for every wheel but the driver, whose own follows from the others.
    for k, wrap in enumerate(path.wraps[1:], 1):
        a[k, k], a[k, k - 1], b[k] = 1, -1, 1000 * taken[wrap.wheel.id] / speed
    take_up = path.route.take_up
    assert take_up is not None
    if take_up.force_n is None:
        lengths = [s.length_mm for s in path.spans]
        a[0], b[0] = np.array(lengths) / sum(lengths), V_BELT_METHOD.strand_level_n(worked.level)
    else:
        k = next(i for i, w in enumerate(path.wraps) if w.wheel.id == take_up.wheel)
        way = np.array(path.route.travel())
        lean = np.array(path.spans[k - 1].heading) @ way, -np.array(path.spans[k].heading) @ way
        a[0, k - 1], a[0, k], b[0] = lean[0], lean[1], take_up.force_n + light * sum(lean)
    tension = np.linalg.solve(a, b)
    for k, span in enumerate(path.spans):
        assert float(found.tensions[span.id]) == pytest.approx(tension[k], rel=1e-6)
    for k, wrap in enumerate(path.wraps):
        one, other = tension[k - 1] - light, tension[k] - light
        vector = np.array(path.spans[k].heading) * other - np.array(path.spans[k - 1].heading) * one
        assert float(found.pulls[wrap.wheel.id]) == pytest.approx(float(np.hypot(*vector)), rel=1e-6)
        if wrap.wheel.id in found.used:
            assert float(found.used[wrap.wheel.id]) == pytest.approx(max(one, other) / min(one, other), rel=1e-6)
    assert set(found.used) == {"driver", "driven", "pump"}
