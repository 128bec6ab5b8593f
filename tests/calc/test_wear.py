"""Wear as it is asked and told: the worse wheel, the note a measurement points at, refusals beside their fields."""

from __future__ import annotations

import math
from typing import Any

import pytest

from tests.calc.test_calculations import run
from tuyere.core.errors import InputError


def groove(gap: str, **more: str) -> dict[str, str]:
    return {"gap": gap, "angle": "38", "diameter": "9.4 in", **more}


def told(name: str, **given: Any) -> Any:
    return run(name, {"units": "us", "input": given})


def test_the_worse_wheel_decides_and_both_are_changed_together() -> None:
    answer = told("groove-wear", driver=groove("0.035"), driven=groove("0.010"))
    r = answer["result"]
    assert r["verdict"] == "act" and r["says"].startswith("The driver's groove has used 112 % of the 0.031 in")
    assert [w["verdict"] for w in r["wheels"]] == ["act", "fine"]
    assert any(n["code"] == "both-wheels" for n in answer["notices"])
    one = told("groove-wear", driven=groove("0.4 mm"))["result"]
    assert one["verdict"] == "watch" and one["speed_change"] is None


def test_the_same_wear_in_either_system() -> None:
    us = told("groove-wear", driver=groove("0.020"))["result"]["wheels"][0]
    si = run("groove-wear", {"units": "si", "input": {"driver": groove("0.508")}})["result"]["wheels"][0]
    assert us["drop"]["value"] == pytest.approx(si["drop"]["value"])
    assert us["drop"]["unit_shown"] == "in" and si["drop"]["unit_shown"] == "mm"


def test_a_measured_note_is_named_and_what_is_near_nothing_is_said() -> None:
    drive = {"driver_speed": "1750", "driver_diameter": "5.4", "driven_diameter": "14.1", "length": "93"}
    shaft = told("belt-frequencies", **drive, measured="29.2")["result"]
    assert "the driver: out of true" in shaft["says"] and shaft["measured_is"][0]["times"] == 1
    # Two laps of the belt and a turn of the driven shaft are close: both are said.
    belt = told("belt-frequencies", **drive, measured="10.8")["result"]
    assert belt["measured_is"]
    assert "near nothing" in told("belt-frequencies", **drive, measured="333")["result"]["says"]
    assert "Say what was felt or measured" in told("belt-frequencies", **drive)["result"]["says"]


@pytest.mark.parametrize(
    ("name", "given", "field"),
    [
        ("groove-wear", {}, "input.driver"),
        ("groove-wear", {"driven": groove("1/2")}, "input.driven.gap"),
        ("groove-wear", {"driver": {**groove("0.02"), "angle": "80"}}, "input.driver.angle"),
        ("take-up-left", {"left": "4", "whole": "3"}, "input.left"),
    ],
)
def test_what_cannot_be_is_refused_beside_its_field(name: str, given: dict[str, Any], field: str) -> None:
    with pytest.raises(InputError) as e:
        told(name, **given)
    assert e.value.field == field


def test_a_take_up_says_what_is_to_be_done() -> None:
    for left, word in (("3", "nothing"), ("5/8", "order the next one"), ("1/8", "before it slips")):
        r = told("take-up-left", left=left, whole="3", length="93")["result"]
        assert word in r["says"]
    assert r["grown"]["value"] == pytest.approx(100 * 2 * (3 - 1 / 8) / 93)


def test_a_growth_is_said_by_its_length_or_by_the_take_up_and_both_agree() -> None:
    by_travel = told("belt-wear", length="93", moved="5/8", left="7/8", hours="4200")["result"]
    by_length = told("belt-wear", length="93", now="94 1/4", left="7/8", hours="4200")["result"]
    assert by_travel["grown"]["value"] == pytest.approx(by_length["grown"]["value"])
    assert by_travel["hours_left"]["value"] == pytest.approx(4200 * 1.75 / 1.25)
    assert "order the next one" in told("belt-wear", length="93", moved="5/8", left="1/8")["result"]["says"]


def test_temperatures_read_the_same_on_both_scales() -> None:
    us = told("bearing-heat", bearing="172", around="84", other="131")["result"]
    si = run("bearing-heat", {"units": "si", "input": {"bearing": "77.7778", "around": "28.8889", "other": "55"}})[
        "result"
    ]
    assert us["rise"]["value"] == pytest.approx(si["rise"]["value"], abs=1e-3)
    assert (us["rise"]["shown"], si["rise"]["shown"]) == ("88 °F", "49 °C")
    assert us["most"]["shown"] == "194 °F" and si["most"]["shown"] == "90 °C"
    mixed = told("bearing-heat", bearing="78 °C", around="84 °F")["result"]
    assert mixed["rise"]["value"] == pytest.approx(78 - (84 - 32) / 1.8)


def test_what_was_done_before_says_where_to_look() -> None:
    for since, word in (
        ("just greased", "tomorrow"),
        ("just tightened", "tension again"),
        ("unchanged", "dry bearing"),
    ):
        answer = told("bearing-heat", bearing="200", around="70", since=since)
        assert word in answer["result"]["says"]
        assert any(n["level"] == "danger" for n in answer["notices"])


@pytest.mark.parametrize(
    ("name", "given", "field"),
    [
        ("belt-wear", {"length": "93", "left": "1"}, "input.moved"),
        ("belt-wear", {"length": "93", "left": "1", "moved": "1", "now": "94"}, "input.moved"),
        ("belt-wear", {"length": "93", "left": "1", "now": "90"}, "input.now"),
        ("bearing-heat", {"bearing": "40", "around": "90"}, "input.bearing"),
        ("tooth-wear", {"profile": "H8M", "teeth": 36}, "input.outside"),
        ("sprocket-wear", {"chain": "60", "teeth": 17, "caliper": "2"}, "input.caliper"),
        (
            "flat-belt-wear",
            {"thickness_new": "0.25", "thickness": "0.5", "width_new": "6", "width": "6"},
            "input.thickness",
        ),
    ],
)
def test_worn_parts_that_cannot_be_are_refused_beside_their_field(name: str, given: dict[str, Any], field: str) -> None:
    with pytest.raises(InputError) as e:
        told(name, **given)
    assert e.value.field == field


def test_the_chart_puts_each_note_at_its_frequency() -> None:
    r = told(
        "belt-frequencies",
        driver_speed="1750",
        driver_diameter="5.4",
        driven_diameter="14.1",
        length="93",
        measured="10.8",
    )["result"]
    items = r["picture"]["items"]
    marks = {i["text"]: i["points"][0][0] for i in items if i["text"] and i["text"].replace(".", "").isdigit()}
    (a, xa), (b, xb) = [(float(k), v) for k, v in marks.items()][:2]
    per = (xb - xa) / (math.log10(b) - math.log10(a))
    stems = sorted({round(i["points"][0][0], 3) for i in items if i["kind"] == "line" and i["layer"] == "parts"})
    asked = sorted(round(xa + per * math.log10(n["frequency"]["value"] / a), 3) for n in r["notes"])
    assert stems == pytest.approx(sorted(set(asked)), abs=2e-3)
