"""The V-belt calculations by their requests: books, series, limits, why not, lengths that are off, speed ranges, every groove."""

from __future__ import annotations

from copy import deepcopy
from typing import Any

import pytest
from pydantic import ValidationError

from tuyere.calc.registry import CALCULATIONS, work
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.v_belt.sections import sections

SELECT = CALCULATIONS["v-belt-select"].example["input"]
DRIVE = CALCULATIONS["v-belt-drive"].example["input"]


def run(name: str, given: dict[str, Any], **more: Any) -> dict[str, Any]:
    calc = CALCULATIONS[name]
    return work(calc, calc.request_model.model_validate({"units": "us", **more, "input": given})).model_dump(
        mode="json"
    )


def refused(name: str, given: dict[str, Any], **more: Any) -> tuple[str, str, str]:
    with pytest.raises(InputError) as e:
        run(name, given, **more)
    return e.value.field.removeprefix("input."), e.value.why, e.value.allowed


def with_(given: dict[str, Any], **changes: Any) -> dict[str, Any]:
    out = deepcopy(given)
    for path, value in changes.items():
        at = out
        *way, last = path.split("__")
        for step in way:
            at = at.setdefault(step, {})
        at[last] = value
    return out


@pytest.mark.parametrize(("series", "of"), [("inch", {False}), ("metric", {True}), ("all", {True, False})])
def test_series_decides_which_sections_are_offered(series: str, of: set[bool]) -> None:
    r = run(
        "v-belt-select", with_(SELECT, series=series, keep=24, tolerance=5, centre={"about": "28 in", "give": "3 in"})
    )["result"]
    offered = set()
    for o in r["options"]:
        page = run(o["calc"], o["input"])["result"]
        metric = sections()[page["section"]].metric
        offered.add(metric)
        assert page["basis"] == ("metric rating tables" if metric else "association, current edition")
        assert page["belts"]["value"] == o["parts"]["value"] - 2 and o["spare"]["value"] >= -1e-9
    assert offered <= of and (series == "all" or offered == of)


@pytest.mark.parametrize("basis", ["ip20-1988", "ip20-1977", "old-handbook", "metric-table"])
def test_every_option_of_a_book_works_alone_by_that_book(basis: str) -> None:
    found = run("v-belt-select", with_(SELECT, series="all", keep=6, tolerance=5), basis=basis)["result"]
    assert found["options"]
    for o in found["options"]:
        sized = {**o["input"], "belt": {"designation": o["input"]["belt"]["designation"]}}
        alone = run("v-belt-drive", sized, basis=basis)
        for figure in ("centre_distance", "driven_speed", "shaft_load"):
            assert alone["result"][figure]["value"] == pytest.approx(o[figure]["value"], rel=1e-9), figure
        assert alone["result"]["belts"]["value"] == o["parts"]["value"] - 2
        assert alone["sheet"]["beside"]["width"]["value"] == pytest.approx(o["width"]["value"], rel=1e-9)


def test_books_of_one_drive_agree_with_the_drive_by_each_book() -> None:
    given = CALCULATIONS["v-belt-bases"].example["input"]
    rows = {r["basis"]: r for r in run("v-belt-bases", given)["result"]["rows"]}
    for basis in ("ip20-1988", "ip20-1977", "old-handbook", "metric-table"):
        alone = run("v-belt-drive", given, basis=basis)["result"]
        assert alone["belt_power"]["value"] == pytest.approx(rows[basis]["belt_power"]["value"], rel=1e-12)
        assert run("v-belt-bases", given, basis=basis)["result"]["rows"][list(rows).index(basis)]["used"]
    assert rows["light-duty"]["belt_power"] is None and rows["light-duty"]["why"]


@pytest.mark.parametrize(
    ("basis", "belt", "groove", "says"),
    [
        ("old-handbook", "BX90", "B", "wrapped classical"),
        ("metric-table", "5V1000", "5V", "no 5V"),
        ("ip20-1977", "SPA 1600", "SPA", "no constants"),
        ("ip20-1988", "3V600", "3V", "on hand"),
        ("ip20-1988", "2L200", "2L", "on hand"),
        ("ip20-1988", "XPB 2000", "SPB", "on hand"),
    ],
)
def test_a_book_that_cannot_rate_says_why_and_who_could(basis: str, belt: str, groove: str, says: str) -> None:
    wheels = {
        "driver__sheave": {"diameter": "10 in", "kind": "outside", "groove": groove},
        "driven__sheave": {"diameter": "12 in", "kind": "outside", "groove": groove},
    }
    if groove == "2L":
        wheels = {k: v | {"diameter": "2.5 in"} for k, v in wheels.items()}
    field, why, allowed = refused(
        "v-belt-drive", with_(DRIVE, belt__designation=belt, power="1 hp", **wheels), basis=basis
    )
    assert field == "options.book" and says in why and allowed


@pytest.mark.parametrize(
    ("groove", "belt"),
    [
        ("B deep", "B90"),
        ("B in A/B", "B90"),
        ("A in A/B", "A90"),
        ("A deep", "A90"),
        ("5V deep", "5V1000"),
        ("C deep", "C120"),
    ],
)
def test_a_deep_groove_only_moves_the_rim(groove: str, belt: str) -> None:
    """By the datum or pitch diameter a deep groove works as the plain one; by the tape over the rim it does not."""
    plain = groove.split()[0]

    def drive(g: str, kind: str) -> dict[str, Any]:
        wheels = {
            f"{r}__sheave": {"diameter": size, "kind": kind, "groove": g}
            for r, size in (("driver", "11 in"), ("driven", "15 in"))
        }
        return run("v-belt-drive", with_(DRIVE, belt={"designation": belt}, power="5 hp", **wheels))["result"]

    for figure in ("driven_speed", "belt_power", "centre_distance"):
        assert drive(groove, "pitch")[figure]["value"] == pytest.approx(
            drive(plain, "pitch")[figure]["value"], rel=1e-12
        )
    assert drive(groove, "pitch")["driver_outside"]["value"] != pytest.approx(
        drive(plain, "pitch")["driver_outside"]["value"], abs=1.0
    )
    assert drive(groove, "outside")["driven_speed"]["value"] != pytest.approx(
        drive(plain, "outside")["driven_speed"]["value"], rel=1e-4
    )


def test_v_belts_on_a_flat_pulley() -> None:
    flat = with_(
        DRIVE, driven__sheave={"diameter": "24 in", "groove": "flat"}, belt={"designation": "B112"}, power="3 hp"
    )
    grooved = with_(flat, driven__sheave={"diameter": "24 in", "kind": "outside", "groove": "B"})
    a, b = run("v-belt-drive", flat)["result"], run("v-belt-drive", grooved)["result"]
    assert a["arc_factor"]["value"] < b["arc_factor"]["value"]
    assert (
        a["driven_outside"]["value"] == pytest.approx(24 * 25.4)
        and a["driven_pitch"]["value"] > b["driven_pitch"]["value"]
    )
    assert refused("v-belt-drive", with_(flat, driven__sheave__kind="datum"))[0] == "driven.sheave.kind"
    with pytest.raises(ValidationError):
        run("v-belt-drive", with_(DRIVE, driver__sheave={"diameter": "6 in", "groove": "flat"}))


def test_limits_of_motor_shaft_and_bearing_by_request() -> None:
    plain = run("v-belt-select", SELECT)["result"]["accepted"]
    bearing = {"rating": "8000 lbf", "overhang": "3 in", "spacing": "10 in", "shaft": "driven", "hours": 40000}
    # A motor's own limit holds without being asked for.
    for asked in ({"motor": {}}, {"motor": {"frame": "254t"}}):
        assert run("v-belt-select", with_(SELECT, limits=asked))["result"]["accepted"] == plain
    for limits in (
        {"driven_shaft": "7 in"},
        {"shaft_load": "260 lbf"},
        {"bearing": bearing},
    ):
        r = run("v-belt-select", with_(SELECT, limits=limits))["result"]
        assert r["accepted"] <= plain, limits
        assert r["accepted"] + sum(x["count"] for x in r["rejected"]) == r["considered"]
    assert refused("v-belt-select", with_(SELECT, limits={"motor": {"frame": "Z9"}}))[0] == "limits.motor.frame"
    assert refused("v-belt-select", with_(SELECT, limits={"motor": {}}, driver_speed="1500"))[0] == "limits.motor.speed"


def test_why_not_names_every_limit_and_the_place() -> None:
    example = CALCULATIONS["v-belt-why-not"].example["input"]
    found = run("v-belt-select", {k: v for k, v in example.items() if k != "this"})["result"]
    best = found["options"][0]
    its = best["input"]
    this = {
        "driver": its["driver"]["sheave"],
        "driven": its["driven"]["sheave"],
        "belt": its["belt"]["designation"],
    }
    groove = its["driver"]["sheave"]["groove"]
    told = run("v-belt-why-not", with_(example, this=this))["result"]
    assert (
        told["fits"]
        and 1 <= told["place"] <= told["accepted"]
        and told["cost"] == pytest.approx(best["cost"], rel=1e-3)
        and told["cost"] >= told["best_cost"]
        and all(x["passes"] for x in told["lines"])
    )
    short = run(
        "v-belt-why-not",
        with_(example, this=this | {"belt": "5V500" if groove == "5V" else groove + "35"}),
    )["result"]
    assert not short["fits"] and short["place"] == 0 and not short["lines"][0]["passes"] and short["lines"][0]["says"]
    assert refused("v-belt-why-not", with_(example, this=this | {"belt": "3VX500"}))[0] in (
        "this.driver.groove",
        "this.belt",
    )
    assert refused("v-belt-why-not", with_(example, this=this | {"belt": "Q5"}))[0] == "this.belt"


def test_a_length_that_is_off_and_a_range_of_speeds() -> None:
    example = CALCULATIONS["belt-length-off"].example["input"]
    r = run("belt-length-off", example)["result"]
    assert r["verdict"] == "with care" or r["verdict"] == "will do"
    assert r["longer"]["value"] == pytest.approx(50.8) and 25.4 < r["centre_change"]["value"] < 27.5
    assert refused("belt-length-off", with_(example, offered="A48"))[0] == "offered"
    assert refused("belt-length-off", with_(example, right="Q"))[0] == "right"
    given = CALCULATIONS["v-belt-range"].example["input"]
    torque, fan = (run("v-belt-range", with_(given, load=x))["result"] for x in ("constant torque", "fan"))
    for found in (torque, fan):
        # The sentence says the worst of the points, and the points hold it.
        worst = max(found["points"], key=lambda p: p["belts_exact"]["value"])
        assert found["worst"] == worst and worst["driver_speed"]["shown"] in found["says"]
        assert ("too few" in found["says"]) == (found["belts_needed"]["value"] > found["belts"]["value"])
    assert fan["worst"]["driver_speed"]["value"] == pytest.approx(2400) and len(torque["points"]) == 9
    assert torque["worst"]["belts_exact"]["value"] == max(p["belts_exact"]["value"] for p in torque["points"])
    assert refused("v-belt-range", with_(given, low="3000"))[0] == "high"
    with pytest.raises((InputError, NoSolution)):
        run("v-belt-range", with_(given, high="20000"))


@pytest.mark.parametrize("groove", ["A", "B", "C", "D", "E", "3V", "5V", "8V", "Z", "SPZ", "SPA", "SPB", "SPC"])
def test_what_belt_ran_on_these_sheaves_in_every_groove(groove: str) -> None:
    size = {"D": 16, "E": 24, "8V": 16, "C": 10, "SPC": 12, "5V": 9, "Z": 4, "SPZ": 4, "3V": 4}.get(groove, 7)
    given = {
        "groove": groove,
        "driver_diameter": f"{size} in",
        "driven_diameter": f"{1.5 * size} in",
        "centre_low": f"{2.4 * size} in",
        "centre_high": f"{3.6 * size} in",
    }
    r = run("belt-identify", given)["result"]
    assert r["fits_the_sheaves"]
    for s in r["fits_the_sheaves"]:
        assert 2.4 * size * 25.4 - 1e-6 <= s["centre_distance"]["value"] <= 3.6 * size * 25.4 + 1e-6
        assert s["designation"].replace(" ", "").startswith(groove)


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"designation": "SPA 1600", "diameter": "20 in"}, "diameter"),
        ({"designation": "SPA 1600", "diameter": "6 in", "speed": "3400"}, "speed"),
        ({"designation": "SPA 1600", "diameter": "6 in", "arc": 85}, "arc"),
    ],
)
def test_what_leaves_a_rating_table_is_said_beside_the_field_of_the_form(change: dict[str, Any], field: str) -> None:
    given = CALCULATIONS["v-belt-rating"].example["input"] | {"kind": "datum"} | change
    found, why, allowed = refused("v-belt-rating", given)
    assert found == field and why and allowed


def test_the_small_sheave_is_named_whichever_it_is() -> None:
    wheels = {
        "driver__sheave": {"diameter": "30 in", "kind": "datum", "groove": "SPA"},
        "driven__sheave": {"diameter": "15 in", "kind": "datum", "groove": "SPA"},
    }
    for change in (wheels, {"driver__sheave": wheels["driven__sheave"], "driven__sheave": wheels["driver__sheave"]}):
        field, why, _ = refused(
            "v-belt-drive",
            with_(DRIVE, belt={"designation": "SPA 4500"}, driver__speed="300 rpm", power="2 hp", **change),
        )
        small = "driver" if change["driver__sheave"]["diameter"] == "15 in" else "driven"
        assert field == f"{small}.sheave.diameter" and "not extended" in why


@pytest.mark.parametrize(
    "change",
    [
        {"driven__sheave": {"diameter": "24 in", "groove": "flat"}, "belt": {"designation": "B112"}, "power": "3 hp"},
        {"belt__construction": "link"},
        {
            "driver__sheave": {"diameter": "9.4 in", "kind": "pitch", "groove": "B"},
            "driven__sheave": {"diameter": "5.4 in", "kind": "pitch", "groove": "B"},
        },
    ],
)
def test_flat_pulleys_link_belts_and_speed_ups_are_the_same_drive_in_every_book(change: dict[str, Any]) -> None:
    given = with_(DRIVE, **change)
    for basis in ("ip20-1988", "old-handbook"):
        row = next(r for r in run("v-belt-bases", given, basis=basis)["result"]["rows"] if r["used"])
        alone = run("v-belt-drive", given, basis=basis)["result"]
        for figure in ("belt_power", "arc_factor", "belts_exact"):
            assert row[figure]["value"] == pytest.approx(alone[figure]["value"], rel=1e-12), (basis, figure)


def test_why_not_keeps_the_parts_that_stay() -> None:
    example = CALCULATIONS["v-belt-why-not"].example["input"]
    free = run("v-belt-why-not", example)["result"]["accepted"]
    kept = run("v-belt-why-not", with_(example, fixed={"section": "B"}))["result"]["accepted"]
    assert (
        kept
        == run("v-belt-select", with_({k: v for k, v in example.items() if k != "this"}, fixed={"section": "B"}))[
            "result"
        ]["accepted"]
        < free
    )
