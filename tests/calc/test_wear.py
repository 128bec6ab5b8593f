"""Wear as it is asked and told: the worse wheel, the note a measurement points at, refusals beside their fields."""

from __future__ import annotations

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
    assert "Say what was measured" in told("belt-frequencies", **drive)["result"]["says"]


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
