"""Drives with more than two wheels, of every family: refusals beside the part, figures against other ways, there and back."""

from __future__ import annotations

from math import radians
from typing import Any

import pytest
from hypothesis import Phase, assume, given, settings
from hypothesis import strategies as st
from pydantic import BaseModel

from tests.calc.around_drives import CLUTCH, PICKED, with_idlers
from tests.calc.test_adapters import INPUTS, SERVICE
from tuyere.calc.around.model import DriveIn
from tuyere.calc.families.duty_model import StoredDuty
from tuyere.calc.families.protocol import FAMILIES, dumped
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Response, find, work
from tuyere.core.errors import CoreError, InputError

FEW = settings(derandomize=True, deadline=None, max_examples=14, phases=(Phase.explicit, Phase.generate))


def asked(name: str, given_input: dict[str, Any], units: str = "us") -> Response[Any]:
    calc = find(name)
    return work(calc, calc.request_model.model_validate({"units": units, "input": given_input}))


def values_in(x: Any) -> list[float]:
    """Every figure of an answer, in order."""
    if isinstance(x, BaseModel):
        x = x.model_dump(exclude={"released_elevation"})
    if isinstance(x, dict):
        return [float(x["value"])] if "value" in x else [v for part in x.values() for v in values_in(part)]
    return [v for part in x for v in values_in(part)] if isinstance(x, list) else []


def around_of(given_input: dict[str, Any]) -> Any:
    sheet = asked("v-belt-drive", given_input).sheet
    assert sheet is not None and sheet.around is not None
    return sheet.around


def changed(**parts: Any) -> dict[str, Any]:
    """The clutch with some of its around said otherwise."""
    return CLUTCH | {"around": CLUTCH["around"] | parts}


def wheels(**of: dict[str, Any]) -> list[dict[str, Any]]:
    return [w | of.get(w["name"], {}) for w in CLUTCH["around"]["wheels"]]


@pytest.mark.parametrize("key", list(INPUTS))
def test_idlers_go_into_rows_and_come_back_the_same(key: str) -> None:
    family, tried = FAMILIES[key], [0]

    @FEW
    @given(INPUTS[key], PICKED)
    def there_and_back(plain: dict[str, Any], picked: dict[str, Any]) -> None:
        try:
            said = with_idlers(key, plain, picked)
            first = asked(family.calc, said)
        except (CoreError, StopIteration):
            assume(False)
        given_model = find(family.calc).request_model.model_validate({"input": said}).input
        frame = Frame("us")
        drive = family.worked(given_model, frame)
        duty, parts = family.duty_of(given_model, drive), family.whole_parts(given_model, drive, frame)
        assert len(parts.loop.stops) == 2 + len(said["around"]["wheels"])
        stored = StoredDuty(power_kw=duty.power.value, driver_rpm=duty.driver_speed.value, service=SERVICE)
        back = family.given(stored, parts)
        assert isinstance(back, DriveIn) and isinstance(given_model, DriveIn)
        assert back.around is not None and given_model.around is not None
        assert back.around.model_dump() == given_model.around.model_dump()
        again = asked(family.calc, dumped(back))
        tried[0] += 1
        assert first.sheet is not None and again.sheet is not None
        one, other = first.sheet.around, again.sheet.around
        assert one is not None and other is not None
        assert values_in(one) == pytest.approx(values_in(other), rel=1e-5, abs=1e-4)

    there_and_back()
    assert tried[0] >= 4, "too few of the inputs made a drive"


@pytest.mark.parametrize("key", list(INPUTS))
def test_an_idler_presses_only_where_there_is_a_drive_and_the_loop_is_as_long_as_its_parts(key: str) -> None:
    family, tried = FAMILIES[key], [0]

    @FEW
    @given(INPUTS[key], PICKED)
    def check(plain: dict[str, Any], picked: dict[str, Any]) -> None:
        try:
            answer = asked(family.calc, with_idlers(key, plain, picked))
        except (CoreError, StopIteration):
            assume(False)
        tried[0] += 1
        assert answer.sheet is not None and answer.sheet.around is not None and answer.elevation is not None
        round_it = answer.sheet.around
        # Shafts balance: what all wheels together pull is nothing, for the loop pulls only on itself.
        arcs = sum(a.r * radians(a.sweep_deg) for a in answer.elevation.arcs)
        strands = sum(s.length for s in answer.elevation.strands)
        counted = getattr(answer.result, "pitches", None)
        length = answer.result.belt_length.value if counted is None else counted.value * answer.elevation.pitch
        assert arcs + strands == pytest.approx(length, rel=1e-6)
        assert round_it.bends_in_a_turn == len(answer.elevation.wheels)
        # The wheel that slips first has the least margin, and nothing slips at no load.
        assert round_it.times_todays_load is None or round_it.times_todays_load > 0

    check()
    assert tried[0] >= 4


def test_the_pulls_on_all_wheels_balance() -> None:
    from math import cos, sin

    found = around_of(CLUTCH)
    x = sum(w.pull.value * cos(radians(w.pulls_towards.value)) for w in found.wheels)
    y = sum(w.pull.value * sin(radians(w.pulls_towards.value)) for w in found.wheels)
    assert (x, y) == pytest.approx((0, 0), abs=1e-6 * max(w.pull.value for w in found.wheels))


def test_power_of_every_wheel_is_pull_times_speed() -> None:
    answer = asked("v-belt-drive", CLUTCH)
    assert answer.sheet is not None and answer.sheet.around is not None
    found, v = answer.sheet.around, answer.result.belt_speed.value
    tension = [s.tension.value for s in found.strands]
    power = {w.wheel: w.power.value for w in found.loaded}
    for k, w in enumerate(found.wheels):
        rise = tension[k] - tension[k - 1]
        assert abs(rise) * v / 1000 == pytest.approx(power.get(w.wheel, 0.0), abs=1e-9)


@pytest.mark.parametrize("hand", ["12 lbf", "15 lbf", "20 lbf", "30 lbf"])
def test_a_harder_pull_holds_every_strand_tighter_and_its_limits_stay(hand: str) -> None:
    take_up = CLUTCH["around"]["take_up"]
    found, base = (
        around_of(changed(take_up=take_up | {"hand": hand})),
        around_of(changed(take_up=take_up | {"hand": "10 lbf"})),
    )
    assert all(a.tension.value > b.tension.value for a, b in zip(found.strands, base.strands, strict=True))
    # What sets it is a matter of the belt and the lever, not of how it is pulled now.
    assert found.pull.slips_under.value == pytest.approx(base.pull.slips_under.value, rel=1e-6)
    assert found.pull.set_new.low.value == pytest.approx(base.pull.set_new.low.value, rel=1e-9)


def test_it_just_slips_at_the_pull_that_is_said_to_be_the_least() -> None:
    take_up = CLUTCH["around"]["take_up"]
    least = around_of(CLUTCH).pull.slips_under.value
    at = around_of(changed(take_up=take_up | {"hand": f"{least * 1.0001} N"}))
    assert at.times_todays_load == pytest.approx(1.0, abs=0.01)
    under = asked("v-belt-drive", changed(take_up=take_up | {"hand": f"{least * 0.98} N"}))
    assert any(n.code == "pulled-too-little" for n in under.notices)


def test_the_belt_itself_is_short_or_long_by_what_the_clutch_says() -> None:
    # The same lever with the next shorter belt: the slack let go falls by what the belts differ (B98 and B97, datum lengths).
    longer = around_of(CLUTCH | {"belt": {"designation": "B98", "count": 2}})
    shorter = around_of(CLUTCH)
    assert longer.released.slack.value - shorter.released.slack.value == pytest.approx(25.4, abs=0.1)
    assert not longer.released.drags and shorter.released_elevation is not None


def test_the_drive_alone_and_the_loop_of_the_bench_say_one_thing() -> None:
    """Two ways to one figure: the family's drive and the loop round any wheels, same wheels, same pull."""
    answer = asked("v-belt-drive", CLUTCH)
    assert answer.sheet is not None and answer.sheet.around is not None and answer.elevation is not None
    by_id = {w.id: w for w in answer.elevation.wheels}
    order = ("driver", "idler", "driven", "pump")
    said = [
        {
            "name": w,
            "role": {"driver": "driver", "idler": "idler"}.get(w, "driven"),
            "x": by_id[w].x,
            "y": by_id[w].y,
            "diameter": 2 * by_id[w].path_radius,
            "side": "outside" if w == "idler" else "inside",
        }
        | ({"power": "3 hp"} if w == "driven" else {"power": "2 hp"} if w == "pump" else {})
        for w in order
    ]
    pull = next(w for w in answer.sheet.around.wheels if w.wheel == "idler").pull
    loop = asked(
        "any-route",
        {"loop": "V-belt", "driver_speed": "1750", "wheels": said, "static_tension": f"{pull.value} N"},
    ).result
    assert [s.length.value for s in loop.strands] == pytest.approx(
        [s.length.value for s in answer.sheet.around.strands], rel=1e-6
    )
    assert [w.arc.value for w in loop.wheels] == pytest.approx(
        [w.arc.value for w in answer.sheet.around.wheels], rel=1e-6
    )


@pytest.mark.outside(
    "ANSI/RMA IP-20: strands stand five to one at half a turn, less on shorter arcs by the belt equation"
)
def test_margins_are_the_belt_equations() -> None:
    found = around_of(CLUTCH)
    answer = asked("v-belt-drive", CLUTCH)
    # Two belts, each held by what its own mass throws outward.
    centrifugal = 2 * next(
        s.value for s in answer.working if s.name.startswith("centrifugal tension") and s.unit == "N"
    )
    tension = [s.tension.value - centrifugal for s in found.strands]
    for k, w in enumerate(found.wheels):
        if w.grip_left and w.grip_left != "it slips":
            high, low = max(tension[k], tension[k - 1]), min(tension[k], tension[k - 1])
            held = 5 ** (w.arc.value / 180)
            assert float(w.grip_left.split()[0]) == pytest.approx(held / (high / low), abs=0.006)


REFUSED: list[tuple[str, dict[str, Any], str]] = [
    ("a wheel inside another", changed(wheels=wheels(pump={"x": "29 in", "y": "3 in"})), "input.around.wheels.1"),
    (
        "an order that crosses itself",
        changed(wheels=wheels(pump={"between": "driver-driven"}), take_up=None, engages=False),
        "input.around.wheels",
    ),
    ("no place", changed(wheels=wheels(idler={"x": None, "y": None})), "input.around.wheels.0.x"),
    (
        "half a tape",
        changed(wheels=wheels(idler={"x": None, "y": None, "from_driver": "9 in"})),
        "input.around.wheels.0.from_driver",
    ),
    (
        "tapes that do not meet",
        changed(wheels=wheels(idler={"x": None, "y": None, "from_driver": "3 in", "from_driven": "4 in"})),
        "input.around.wheels.0.from_driver",
    ),
    ("two ways at once", changed(wheels=wheels(idler={"along": "3 in", "pushed": "1 in"})), "input.around.wheels.0.x"),
    (
        "past the strand's end",
        changed(wheels=wheels(idler={"x": None, "y": None, "along": "90 in", "pushed": "1 in"})),
        "input.around.wheels.0.along",
    ),
    ("one name twice", changed(wheels=wheels(pump={"name": "idler"})), "input.around.wheels.1.name"),
    ("the driver's name", changed(wheels=wheels(pump={"name": "driver"})), "input.around.wheels.1.name"),
    ("power that is too much", changed(wheels=wheels(pump={"power": "8 hp"})), "input.power"),
    ("power at an idler", changed(wheels=wheels(idler={"power": "1 hp"})), "input.around.wheels.0.power"),
    ("no power at a shaft", changed(wheels=wheels(pump={"power": None})), "input.around.wheels.1.power"),
    ("no size", changed(wheels=wheels(idler={"diameter": None})), "input.around.wheels.0.diameter"),
    (
        "a spring with no travel",
        changed(take_up=CLUTCH["around"]["take_up"] | {"low": "0 in", "high": "0 in"}),
        "input.around.take_up.high",
    ),
    ("no such wheel", changed(take_up=CLUTCH["around"]["take_up"] | {"wheel": "roller"}), "input.around.take_up.wheel"),
    (
        "half a lever",
        changed(take_up=CLUTCH["around"]["take_up"] | {"hand_arm": None}),
        "input.around.take_up.hand_arm",
    ),
    (
        "an arm of no length",
        changed(take_up=CLUTCH["around"]["take_up"] | {"pin_x": "12 in", "pin_y": "4 in"}),
        "input.around.take_up.pin_x",
    ),
    (
        "slides and swings",
        changed(take_up=CLUTCH["around"]["take_up"] | {"direction": "90"}),
        "input.around.take_up.direction",
    ),
    (
        "a gap that ends before it begins",
        changed(guides=[CLUTCH["around"]["guides"][0] | {"least": "4 mm", "most": "2 mm"}]),
        "input.around.guides.0.most",
    ),
]


@pytest.mark.parametrize(("what", "said", "where"), REFUSED, ids=[r[0] for r in REFUSED])
def test_what_cannot_be_is_refused_beside_the_part(what: str, said: dict[str, Any], where: str) -> None:
    with pytest.raises((InputError, CoreError)) as refused:
        asked("v-belt-drive", said)
    e = refused.value
    assert isinstance(e, InputError), (what, e)
    assert (e.field if e.field.startswith("input.") else f"input.{e.field}").startswith(where), (what, e.field)
    assert e.why and "None" not in e.why


def test_an_idler_on_a_chains_outside_has_teeth() -> None:
    plain = {"power": "5 hp", "speed": "300", "chain": "60", "driver_teeth": 19, "driven_teeth": 38, "pitches": 112}
    around = {
        "driven_x": "24 in",
        "driven_y": "0 in",
        "wheels": [
            {
                "name": "idler",
                "between": "driver-driven",
                "side": "outside",
                "along": "12 in",
                "pushed": "1 in",
                "diameter": "4 in",
            }
        ],
    }
    with pytest.raises(InputError, match="teeth"):
        asked("chain-drive", plain | {"around": around})


def test_too_many_wheels_are_refused_by_their_number() -> None:
    from pydantic import ValidationError

    many = [
        {"name": f"w{k}", "between": "driver-driven", "x": f"{k} in", "y": "9 in", "diameter": "1 in"}
        for k in range(70)
    ]
    with pytest.raises(ValidationError, match="at most 58"):
        asked("v-belt-drive", changed(wheels=many))


@pytest.mark.parametrize(("span", "share"), [("driver-idler", None), ("pump-driver", None), ("idler-driven", None)])
def test_any_strand_may_be_the_one_that_is_pressed(span: str, share: None) -> None:
    """Common practice, no source: a sixty-fourth of the strand that is pressed; the tension is one, whichever strand tells it."""
    drive = {"calc": "v-belt-drive", "input": CLUTCH, "span": span}
    found = asked("tension-target", {"drive": drive, "state": "new"}).result
    whole = asked("tension-target", {"drive": drive | {"span": None}, "state": "new"}).result
    strand = next(s for s in around_of(CLUTCH).strands if s.strand == span.replace("-", " to "))
    assert found.span.value == pytest.approx(strand.length.value, rel=1e-9)
    assert found.deflection.value == pytest.approx(strand.length.value / 64, abs=25.4 / 64)
    assert found.aim.low.tension.value == pytest.approx(whole.aim.low.tension.value, rel=1e-12)
    # A note goes up as its strand is shorter: in the ratio of the lengths.
    assert found.aim.low.frequency.value / whole.aim.low.frequency.value == pytest.approx(
        whole.span.value / found.span.value, rel=1e-9
    )
    assert found.aim.low.pull.value == pytest.approx(around_of(CLUTCH).pull.set_new.low.value, rel=1e-9)


def test_a_strand_that_is_not_there_is_refused() -> None:
    drive = {"calc": "v-belt-drive", "input": CLUTCH, "span": "driver-driven"}
    with pytest.raises(InputError, match="no such strand"):
        asked("tension-target", {"drive": drive, "state": "new"})


@given(st.floats(-40, 40))
@settings(derandomize=True, deadline=None, max_examples=12)
def test_the_drive_turned_as_a_whole_has_the_same_strands(turn: float) -> None:
    from math import cos, sin

    def turned(x: float, y: float) -> tuple[str, str]:
        a = radians(turn)
        return f"{x * cos(a) - y * sin(a)} in", f"{x * sin(a) + y * cos(a)} in"

    around = CLUTCH["around"]
    x, y = turned(30, 4)
    made = []
    for w, at in zip(around["wheels"], ((12, 4), (18, -14)), strict=True):
        wx, wy = turned(*at)
        made.append(w | {"x": wx, "y": wy})
    px, py = turned(20, 8)
    take_up = around["take_up"] | {"pin_x": px, "pin_y": py}
    one = around_of(changed(driven_x=x, driven_y=y, wheels=made, take_up=take_up, guides=[]))
    other = around_of(changed(guides=[]))
    assert [s.tension.value for s in one.strands] == pytest.approx([s.tension.value for s in other.strands], rel=1e-6)
    assert [s.length.value for s in one.strands] == pytest.approx([s.length.value for s in other.strands], rel=1e-6)


def test_one_slip_limit_wherever_it_is_said() -> None:
    """Two ways to one figure: the pull under which it slips, on the loop's own list and on the tension's scale."""
    found = around_of(CLUTCH)
    target = asked("tension-target", {"drive": {"calc": "v-belt-drive", "input": CLUTCH}, "state": "new"}).result
    duty = next(c for c in target.cliffs if c.key == "slip-duty")
    assert duty.at.pull.value == pytest.approx(found.pull.slips_under.value, rel=1e-6)
    drive = asked("v-belt-drive", CLUTCH).result
    assert drive.slip_duty.value == pytest.approx(duty.at.tension.value, rel=1e-6)
    assert drive.slip_design.value > drive.slip_duty.value


def test_a_further_shaft_before_the_driven_one_does_not_take_its_name() -> None:
    """The driven shaft is the one of that name, wherever a further shaft stands on the way."""
    said = changed(
        wheels=wheels(pump={"between": "driver-driven", "x": "18 in", "y": "20 in"}),
        take_up=None,
        guides=[],
        engages=False,
    )
    answer = asked("v-belt-drive", said | {"belt": {"designation": "B112", "count": 2}})
    found = answer.sheet.around  # type: ignore[union-attr]
    speeds = {w.wheel: w.speed.value for w in found.wheels}
    assert answer.result.driven_speed.value == pytest.approx(speeds["driven"], rel=1e-6)


@pytest.mark.parametrize(
    ("designation", "sizes"),
    [("SPB 3150", (200, 355)), ("BX112", (152, 254)), ("5L1000", (110, 180)), ("3VX1120", (120, 250))],
)
def test_metric_narrow_cogged_and_light_belts_go_round_idlers_too(designation: str, sizes: tuple[int, int]) -> None:
    given = {
        "power": "2 kW",
        "service_factor": {"assume": 1.2},
        "driver": {"speed": "1450", "sheave": {"diameter": f"{sizes[0]} mm", "kind": "outside"}},
        "driven": {"sheave": {"diameter": f"{sizes[1]} mm", "kind": "outside"}},
        "belt": {"designation": designation, "count": 1},
    }
    plain = asked("v-belt-drive", given)
    centre = plain.result.centre_distance.value
    idler = {
        "name": "idler",
        "between": "driver-driven",
        "side": "outside",
        "along": centre / 2,
        "pushed": 20.0,
        "diameter": "280 mm",
    }
    around = {"driven_x": centre, "driven_y": 0.0, "wheels": [idler]}
    made = asked("v-belt-drive", given | {"around": around})
    assert made.elevation is not None
    # The belt is no longer, so the idler draws the shafts nearer; more of both sheaves is wrapped.
    assert made.result.centre_distance.value < centre
    assert made.result.small_arc.value > plain.result.small_arc.value


def test_teeth_engaged_are_counted_on_every_loaded_sprocket() -> None:
    """A fact of the trade: a sprocket's teeth engaged are its teeth times its arc over the whole turn."""
    plain = {"power": "3 hp", "speed": "300", "chain": "60", "driver_teeth": 19, "driven_teeth": 38, "pitches": 112}
    around = {
        "driven_x": "26 in",
        "driven_y": "0 in",
        "wheels": [
            {
                "name": "idler",
                "between": "driver-driven",
                "side": "outside",
                "along": "12 in",
                "pushed": "2 in",
                "teeth": 17,
            }
        ],
    }
    found = asked("chain-drive", plain | {"around": around}).sheet.around  # type: ignore[union-attr]
    arcs = {w.wheel: w.arc.value for w in found.wheels}
    engaged = {w.wheel: w.teeth_engaged.value for w in found.loaded}
    assert engaged == {"driver": int(19 * arcs["driver"] / 360), "driven": int(38 * arcs["driven"] / 360)}


def test_how_far_the_shafts_stand_apart_is_not_refitted_round_more_than_two_wheels() -> None:
    answer = asked("v-belt-drive", CLUTCH)
    assert answer.sheet is not None
    assert all(c.path is None for c in answer.sheet.call_outs if c.at.startswith("centres:"))
    change = {"calc": "v-belt-drive", "input": CLUTCH, "path": "centre_distance", "typed": "31 in"}
    with pytest.raises(InputError, match="have their places"):
        asked("drive-refit", change)


def test_every_book_rates_the_loop_as_it_lies() -> None:
    """Two ways to one figure: the book that is used says of one belt what the drive says."""
    drive, books = asked("v-belt-drive", CLUTCH).result, asked("v-belt-bases", CLUTCH).result
    used = next(r for r in books.rows if r.used)
    assert used.belt_power.value == pytest.approx(drive.belt_power.value, rel=1e-9)
    span = CLUTCH | {"low": "1200 rpm", "high": "2000 rpm", "load": "constant torque"}
    found = asked("v-belt-range", span).result
    # Every shaft's share goes with the whole: at its own speed the drive asks as many belts as it does alone.
    assert found.belts.value == drive.belts.value and found.belts_needed.value >= 1


def test_a_belt_that_carries_nothing_is_not_blamed_on_the_take_up() -> None:
    # Two hundred times the power: no number of belts carries it, whatever takes it up.
    said = CLUTCH | {"power": "1000 hp", "belt": {"designation": "B97"}}
    with pytest.raises(CoreError) as refused:
        asked("v-belt-drive", said)
    assert "take_up" not in getattr(refused.value, "field", "")
