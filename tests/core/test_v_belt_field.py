"""V-belts in the field: deep and combination grooves, flat pulleys, lengths that are off, speed ranges, limits of motor and shaft."""

from __future__ import annotations

from dataclasses import replace
from math import pi, radians, sqrt, tan

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import Point, Polygon

from tuyere.core.drive.route import Route
from tuyere.core.drive.search import DutyWanted, search, why_not
from tuyere.core.errors import InputError
from tuyere.core.motors.motor import least_motor_sheave
from tuyere.core.notices import collected_notices
from tuyere.core.shafts.bearings import bearing_life, largest_pull, overhung
from tuyere.core.tables import table
from tuyere.core.v_belt.bases.association import association_arc
from tuyere.core.v_belt.bases.own_table import OwnRow, OwnTable
from tuyere.core.v_belt.belts import belt, length_mm_of
from tuyere.core.v_belt.case import VBeltCase, v_belt_case, wheel_of
from tuyere.core.v_belt.catalogue import Catalogue, Fixed, build_catalogue
from tuyere.core.v_belt.field import CLASSICAL, WEDGE, VBeltCandidate, VBeltField
from tuyere.core.v_belt.groove_fit import belt_profile, standard_groove, work_fit
from tuyere.core.v_belt.length_off import LOOSE_SHARE, length_off
from tuyere.core.v_belt.method import work_v_belt
from tuyere.core.v_belt.rules import rules
from tuyere.core.v_belt.sections import groove_rows, section, sections
from tuyere.core.v_belt.sheaves import DEEP_GROOVES, GROOVES, sheave
from tuyere.core.v_belt.speed_range import LOADS, power_at, speed_range
from tuyere.core.v_belt.v_flat import flat_arc_factor, flat_pulley

IN = 25.4


def on_flat(case: VBeltCase, outside_mm: float) -> VBeltCase:
    """The same drive with a flat driven pulley."""
    flat = wheel_of(flat_pulley(outside_mm, section("A")), "driven", "driven")
    route = Route.two(case.route.driver, flat, centre_mm=None)
    return replace(case, route=route, loop=replace(case.loop, v_flat=True))


WANTED = DutyWanted(
    power_kw=11.19,
    design_kw=14.5,
    driver_rpm=1750,
    driven_rpm=640,
    tolerance_percent=3,
    centre_low_mm=27 * IN,
    centre_high_mm=29 * IN,
)


def drive(
    d: float, D: float, *, name: str, rpm: float = 1750.0, kw: float = 5.0, count: int | None = None
) -> VBeltCase:
    one = belt(name)
    wheels = [sheave(x * IN, "pitch", one.section.groove) for x in (d, D)]
    return v_belt_case(
        power_kw=kw, service_factor=1.2, driver_rpm=rpm, driver=wheels[0], driven=wheels[1], belt=one, count=count
    )


@pytest.mark.outside("plane geometry: where a trapezoid of the belt's width rests in the groove, worked here by hand")
@pytest.mark.parametrize(
    ("groove", "plain", "belt_name"),
    [
        ("A deep", "A", "A"),
        ("B deep", "B", "B"),
        ("C deep", "C", "C"),
        ("D deep", "D", "D"),
        ("A in A/B", "A", "A"),
        ("B in A/B", "B", "B"),
        ("3V deep", "3V", "3VX"),
        ("5V deep", "5V", "5V"),
        ("8V deep", "8V", "8V"),
    ],
)
def test_printed_diameter_differences_follow_from_the_grooves(groove: str, plain: str, belt_name: str) -> None:
    width = section(belt_name).top_width_mm / IN

    def seat(row: object) -> float:
        return (row.top_width_mm / IN - width) / 2 / tan(radians(row.angle_deg / 2))  # type: ignore[attr-defined]

    one, other = groove_rows(groove)[0], groove_rows(plain)[0]
    # The belt's pitch line is as far under its top in both grooves.
    under_top = (other.to_outside_mm + other.to_pitch_mm) / 2 / IN - seat(other)
    rim_to_pitch = 2 * (seat(one) + under_top)
    assert rim_to_pitch == pytest.approx((one.to_outside_mm + one.to_pitch_mm) / IN, abs=0.035)


@settings(derandomize=True, deadline=None, max_examples=60)
@given(st.floats(150, 900), st.sampled_from(GROOVES), st.sampled_from(["outside", "datum", "pitch", "effective"]))
def test_every_groove_round_trips(size: float, groove: str, kind: str) -> None:
    try:
        s = sheave(size, kind, groove)
    except InputError as e:
        assert "have no" in e.why
        return
    assert s.pitch_mm <= s.line_mm <= s.outside_mm and s.groove in sections()
    for other, value in (("outside", s.outside_mm), ("pitch", s.pitch_mm)):
        # A diameter within the step of the groove table may be read by either row.
        assert sheave(value, other, groove).line_mm == pytest.approx(s.line_mm, abs=0.9)


@pytest.mark.outside("trade practice: an A belt is right in a combination A/B groove, an emergency in a plain B groove")
@pytest.mark.parametrize(
    ("belt_name", "groove", "verdict"),
    [
        ("A", "A in A/B", "right"),
        ("B", "B in A/B", "right"),
        ("A", "B in A/B", "right"),
        ("A", "B", "emergency"),
        ("B", "A", "refused"),
        ("C", "A in A/B", "refused"),
        ("B", "B deep", "right"),
        ("5V", "5V deep", "right"),
        ("A", "C", "refused"),
        ("SPB", "SPB", "right"),
        ("SPA", "A", "refused"),
        ("B", "SPB", "refused"),
        ("4L", "4L", "right"),
        ("4L", "A", "right"),
        ("E", "E", "right"),
        ("3VX", "3V", "right"),
    ],
)
def test_what_may_run_in_what(belt_name: str, groove: str, verdict: str) -> None:
    with collected_notices():
        fit = work_fit(
            belt_profile(belt_name),
            standard_groove(groove, 10 * IN),
            outside_mm=10 * IN,
            belt_worn_mm=0.0,
            groove_dish_mm=0.0,
            opened_mm=0.0,
        )
    assert fit.verdict == verdict
    assert fit.reason and (fit.instead or verdict == "right")
    if verdict == "right":
        assert fit.pitch_mm is not None and fit.proper_mm is not None
        assert fit.pitch_mm == pytest.approx(fit.proper_mm, abs=1.0 if groove != "A" else 3.0)


def test_every_rule_says_why_and_what_instead() -> None:
    for r in rules():
        assert r.words and r.why and (r.instead or r.verdict == "right"), r.key
    assert {r.verdict for r in rules()} == {"right", "care", "stop-gap", "refused"}


@pytest.mark.outside(
    "ANSI/RMA IP-20 arc table: grooved and flat columns meet where the arc is short; capstan: a flat pulley needs more arc"
)
def test_flat_arc_factor() -> None:
    for arc in (82.8, 106.3, 120.0):
        assert flat_arc_factor(arc) == pytest.approx(float(association_arc(arc)), abs=0.001)
    assert flat_arc_factor(180.0) == 0.75 and flat_arc_factor(126.5) == 0.85
    long = [float(flat_arc_factor(a)) for a in (126.5, 140.0, 160.0, 180.0)]
    assert long == sorted(long, reverse=True) and all(
        flat_arc_factor(a) <= association_arc(a) for a in (130.0, 150.0, 170.0)
    )


@pytest.mark.outside("shapely: the band that a belt of its depth covers round a flat pulley, and its line length")
@pytest.mark.parametrize("name", ["A", "B", "C", "5V"])
def test_pitch_line_on_a_flat_pulley(name: str) -> None:
    of = section(name)
    wheel = flat_pulley(30 * IN, of)
    face = Point(0, 0).buffer(15 * IN, quad_segs=512)
    top = Point(0, 0).buffer(15 * IN + of.depth_mm, quad_segs=512)
    line = Point(0, 0).buffer(wheel.pitch_mm / 2, quad_segs=512)
    assert face.within(line) and line.within(top)
    # The cords run in the upper half of the belt.
    assert line.exterior.length > pi * (30 * IN + of.depth_mm)
    assert Polygon(line.exterior).area == pytest.approx(pi * wheel.pitch_mm**2 / 4, rel=1e-4)


def test_a_v_flat_drive() -> None:
    grooved = drive(4.0, 16.0, name="A112", kw=2.0)
    flat = on_flat(grooved, 16 * IN)
    with collected_notices() as notes:
        a, b = work_v_belt(grooved), work_v_belt(flat)
    assert b.rated.own.one.arc_factor < a.rated.own.one.arc_factor and b.rated.own.belts_exact > a.rated.own.belts_exact
    assert "v-flat-ratio" not in [n.code for n in notes]
    with collected_notices() as notes:
        work_v_belt(on_flat(drive(6.0, 12.0, name="A96", kw=2.0), 12 * IN))
    assert "v-flat-ratio" in [n.code for n in notes]
    with pytest.raises(InputError) as e:
        flat_pulley(4 * IN, section("A"))
    assert e.value.field == "driven.sheave.diameter"


@pytest.mark.outside("plane geometry: on equal sheaves half the extra length goes to the centre distance, exactly")
@pytest.mark.parametrize(
    ("right", "offered"),
    [("B46", "B48"), ("B90", "B85"), ("A60", "A62"), ("5V1000", "5V1060"), ("SPA 1600", "SPA 1800")],
)
def test_half_the_difference_goes_to_the_centres(right: str, offered: str) -> None:
    a, b = belt(right), belt(offered)
    wheel = sheave(6.0 * IN, "outside", a.section.groove)
    r = length_off(a, b, driver=wheel, driven=wheel, least_mm=None, most_mm=None, idler=None, freed_mm=None)
    assert r.longer_mm == pytest.approx(length_mm_of(b) - length_mm_of(a))
    assert r.offered_centre_mm - r.right_centre_mm == pytest.approx(r.longer_mm / 2, abs=1e-6)


def test_room_left_and_what_a_release_does() -> None:
    a, b = belt("B46"), belt("B48")
    d, D = sheave(5 * IN, "outside", "B"), sheave(8 * IN, "outside", "B")
    plain = length_off(a, b, driver=d, driven=D, least_mm=11 * IN, most_mm=15 * IN, idler=None, freed_mm=None)
    assert plain.room_to_fit_mm is not None and plain.room_to_tighten_mm is not None
    # The slide's whole travel is shared by what is asked for and what is left.
    asked = 4 * IN - plain.room_to_fit_mm - plain.room_to_tighten_mm
    assert asked == pytest.approx((1.0 + 1.5) * IN)  # B35 to B55: 1 in to fit, 1 1/2 in to take up
    verdicts = [
        length_off(a, b, driver=d, driven=D, least_mm=low, most_mm=high, idler=None, freed_mm=freed).verdict
        for low, high, freed in [
            (8.0 * IN, 30 * IN, None),
            (plain.offered_centre_mm + 1, 30 * IN, None),
            (8 * IN, plain.offered_centre_mm - 1, None),
            (8 * IN, plain.offered_centre_mm + 2, None),
            (None, None, -60.0),
            (None, None, -45.0),
            (None, None, 40.0),
        ]
    ]
    assert verdicts == ["will do", "will not do", "will not do", "with care", "will not do", "with care", "will do"]
    assert length_off(
        a, b, driver=d, driven=D, least_mm=None, most_mm=None, idler=None, freed_mm=40.0
    ).slack_needed_mm == pytest.approx(LOOSE_SHARE * length_mm_of(b))
    with pytest.raises(InputError):
        length_off(a, belt("A48"), driver=d, driven=D, least_mm=None, most_mm=None, idler=None, freed_mm=None)


@pytest.mark.outside("theorem of Pythagoras: path over a mid-span idler")
@pytest.mark.parametrize("depth", [0.0, 20.0, 60.0])
def test_an_idler_takes_up_the_difference(depth: float) -> None:
    a, b = belt("B46"), belt("B48")
    wheel = sheave(6.0 * IN, "outside", "B")
    span = 400.0
    r = length_off(a, b, driver=wheel, driven=wheel, least_mm=None, most_mm=None, idler=(span, depth), freed_mm=None)
    assert r.idler_mm is not None and r.room_to_fit_mm is None

    def path(q: float) -> float:
        return 2 * sqrt((span / 2) ** 2 + q * q)

    assert path(r.idler_mm) - path(depth) == pytest.approx(r.longer_mm, rel=1e-9)
    if depth == 0.0:
        with pytest.raises(InputError):
            length_off(
                b, a, driver=wheel, driven=wheel, least_mm=None, most_mm=None, idler=(span, depth), freed_mm=None
            )


@pytest.mark.outside("affinity laws of fans; torque = power / speed")
def test_load_laws() -> None:
    assert power_at("fan", 8.0, 875, 1750) == pytest.approx(1.0)
    assert power_at("constant torque", 8.0, 875, 1750) == pytest.approx(4.0)
    assert power_at("constant power", 8.0, 875, 1750) == 8.0
    with pytest.raises(InputError):
        power_at("magic", 8.0, 875, 1750)


def test_the_worst_speed_is_the_worst_of_the_single_drives() -> None:
    base = drive(5.4, 9.4, name="B90", count=2)
    for load in LOADS:
        found = speed_range(base, 600, 2400, load)
        for p in found.points:
            alone = work_v_belt(
                replace(base, driver_rpm=p.driver_rpm, power_kw=p.power_kw, loop=replace(base.loop, count=None))
            )
            assert (
                alone.rated.own.belts_exact == pytest.approx(p.belts_exact, rel=1e-12)
                and p.belts_exact <= found.worst.belts_exact
            )
    assert speed_range(base, 600, 2400, "constant power").worst.driver_rpm == pytest.approx(600)
    assert speed_range(base, 600, 2400, "fan").worst.driver_rpm == pytest.approx(2400)
    for low, high, field in ((2400, 600, "high"), (600, 9000, "high")):
        with pytest.raises(InputError) as e:
            speed_range(base, low, high, "fan")
        assert e.value.field == field


@pytest.mark.outside("ISO 281 and statics: the largest pull, put back, gives the hours it was asked for")
@pytest.mark.parametrize("kind", ["ball", "roller"])
@pytest.mark.parametrize("hours", [2000.0, 20000.0, 60000.0])
def test_largest_pull_gives_its_hours(kind: str, hours: float) -> None:
    pull = largest_pull(22200.0, 640.0, hours=hours, kind=kind, overhang_mm=80.0, spacing_mm=240.0)
    assert overhung(
        pull, 80.0, spacing_mm=240.0, rpm=640.0, near_n=22200.0, far_n=None, kind=kind
    ).near_life_h == pytest.approx(hours, rel=1e-9)
    p = 3.0 if kind == "ball" else 10 / 3
    assert bearing_life(pull * 320 / 240, 22200.0, 640.0, kind) == pytest.approx(
        (22200 / (pull * 4 / 3)) ** p * 1e6 / (60 * 640), rel=1e-9
    )


@pytest.mark.outside("NEMA MG 1-14.42: the driver keeps to the motor's least sheave")
def test_limits_of_motor_shaft_and_bearing_only_ever_take_away() -> None:
    catalogue = build_catalogue()
    plain = search(VBeltField(catalogue, WANTED), 24, each=12)
    with collected_notices():
        least = least_motor_sheave(11.19, 1750, False, "254T").least_mm
    assert least == pytest.approx(4.4 * IN, abs=0.3 * IN)
    for change, check in [
        (
            {"least_driver_mm": {CLASSICAL: 6.0 * IN, WEDGE: 6.0 * IN}},
            lambda c: c.drive.driver.outside_mm >= 6.0 * IN - 0.01,
        ),
        ({"largest_load_n": 1800.0}, lambda c: c.shaft_load_n <= 1800.0 * (1 + 1e-9)),
        ({"driven_shaft_mm": 150.0}, lambda c: c.drive.driven.outside_mm > 225.0),
    ]:
        less = search(VBeltField(catalogue, replace(WANTED, **change)), 24, each=12)
        assert 0 < less.accepted <= plain.accepted and all(check(c) for c in less.best)
        assert less.accepted + sum(r.count for r in less.rejected) == less.considered
    assert (
        search(VBeltField(catalogue, replace(WANTED, driver_shaft_mm=4000.0))).rejected[-1].limit in VBeltField.limits
    )


def one_drive(c: VBeltCandidate) -> Catalogue:
    return build_catalogue(Fixed(driver=c.driver, driven=c.driven, section=None, belt=c.belt, there=False))


def test_why_not_agrees_with_the_search() -> None:
    catalogue = build_catalogue()
    found = search(VBeltField(catalogue, WANTED), 24, each=12)
    for place, c in enumerate(sorted(found.best, key=lambda c: c.cost)[:6]):
        told = why_not(VBeltField(one_drive(c.drive), WANTED), found)
        assert told.place >= place + 1 and told.cost == pytest.approx(c.cost, rel=1e-9)
        assert all(line.passes for line in told.lines)
    best = min(found.best, key=lambda c: c.cost).drive
    assert why_not(VBeltField(one_drive(best), WANTED), found).place == 1
    tight = replace(WANTED, widest_mm=5.0, largest_load_n=10.0)
    told = why_not(VBeltField(one_drive(best), tight), search(VBeltField(catalogue, tight)))
    assert told.place == 0 and [line.limit for line in told.lines if not line.passes] == ["face width", "shaft load"]


def test_metric_and_inch_catalogues_make_the_whole() -> None:
    whole, inch, metric = (len(build_catalogue(series=s)) for s in ("all", "inch", "metric"))
    assert whole == inch + metric and metric > 30_000
    wanted = DutyWanted(
        power_kw=5.5,
        design_kw=6.6,
        driver_rpm=1450,
        driven_rpm=640,
        tolerance_percent=3,
        centre_low_mm=580,
        centre_high_mm=620,
    )
    found = search(VBeltField(build_catalogue(series="metric"), wanted), 6)
    assert found.best and all(c.drive.belt.section.metric for c in found.best)
    for c in found.best:
        with collected_notices():
            alone = work_v_belt(
                v_belt_case(
                    c.drive.driver,
                    c.drive.driven,
                    power_kw=5.5,
                    service_factor=1.2,
                    driver_rpm=1450,
                    belt=c.drive.belt,
                )
            )
        assert alone.rated.count == c.found["belts"] and np.isclose(alone.shaft_load.newtons, c.shaft_load_n)


def test_deep_grooves_are_all_in_the_table() -> None:
    assert set(table("deep_grooves").column("section")) == set(DEEP_GROOVES)


def test_only_published_books_keep_their_catalogue() -> None:
    own = OwnTable(tuple(OwnRow("B", d, n, 1.0) for d in (100.0, 500.0) for n in (100.0, 4000.0)))
    assert build_catalogue() is build_catalogue() and build_catalogue(basis=own) is not build_catalogue(basis=own)
    assert set(build_catalogue(basis=own).rated_by.values()) == {own} and len(build_catalogue(basis=own)) < 30_000
