"""Speeds as they are asked and told: a tachometer's readings, cones drawn to scale, fans and pumps with their motor."""

from __future__ import annotations

from typing import Any

import pytest

from tests.calc.test_calculations import run
from tuyere.core.errors import InputError


def told(name: str, units: str = "us", **given: Any) -> Any:
    return run(name, {"units": units, "input": given})


CONES = {"driver_speed": "1725", "centres": "14", "lowest": "600", "highest": "2800", "steps": 4, "first": "2.5"}


def test_the_picture_of_the_cones_is_to_one_scale() -> None:
    r = told("step-pulleys", **CONES, made_in="1/16")["result"]
    shapes = [i for i in r["picture"]["items"] if i["kind"] == "shape" and i["fill"] == "grey"]
    assert len(shapes) == 2 * len(r["steps"])
    heights = [max(p[1] for p in s["points"]) - min(p[1] for p in s["points"]) for s in shapes]
    sizes = [x for s in r["steps"] for x in (s["driver"]["value"], s["driven"]["value"])]
    scale = sizes[0] / heights[0]
    assert heights == pytest.approx([x / scale for x in sizes])
    middles = sorted({round((max(p[1] for p in s["points"]) + min(p[1] for p in s["points"])) / 2, 6) for s in shapes})
    assert middles[1] - middles[0] == pytest.approx(14 * 25.4 / scale)
    words = " ".join(i["text"] for i in r["picture"]["items"])
    assert all(s["speed"]["number"] in words and s["driver"]["shown"] in words for s in r["steps"])


def test_a_pair_that_is_there_is_checked_and_a_bad_one_is_said() -> None:
    good = told("step-pulleys", **CONES)["result"]
    pairs = [{"driver": s["driver"]["value"], "driven": s["driven"]["value"]} for s in good["steps"]]
    again = told("step-pulleys", driver_speed="1725", centres="14", pairs=pairs)["result"]
    assert again["belt_length"]["value"] == pytest.approx(good["belt_length"]["value"])
    bad = told(
        "step-pulleys",
        driver_speed="1725",
        centres="14",
        pairs=[{"driver": "2", "driven": "6"}, {"driver": "5", "driven": "5"}],
    )
    assert "does not fit" in bad["result"]["says"]
    assert any(n["code"] == "does-not-fit" for n in bad["notices"])


def test_a_fan_is_stopped_at_its_plate() -> None:
    fine = told("fan-speed", speed="640", new_speed="660", motor={"amps": 15, "full_load_amps": 20, "no_load_amps": 7})
    assert fine["result"]["amps"]["verdict"] == "fine"
    most = fine["result"]["amps"]["most_speed"]["low"]["value"]
    at = told("fan-speed", speed="640", new_speed=most, motor={"amps": 15, "full_load_amps": 20, "no_load_amps": 7})[
        "result"
    ]
    assert at["amps"]["expected"]["low"]["value"] == pytest.approx(20)
    over = told("fan-speed", speed="640", new_speed="780", motor={"amps": 18, "full_load_amps": 20}, most_speed="700")
    assert over["result"]["amps"]["verdict"] == "act"
    assert {"over-plate", "over-most-speed"} <= {n["code"] for n in over["notices"]}


def test_a_pump_says_what_it_took_where_nothing_was_said() -> None:
    answer = told("pump-speed", kind="centrifugal", speed="1750", new_speed="1600")
    assert any(n["code"] == "pump-assumed" for n in answer["notices"])
    assert answer["result"]["flow"]["value"] == pytest.approx(100 * 1600 / 1750)
    piston = told("pump-speed", kind="positive displacement", speed="400", new_speed="200")["result"]
    assert (piston["flow"]["value"], piston["head"]["value"], piston["power"]["value"]) == pytest.approx((50, 100, 50))


def test_what_the_tachometer_says_in_words() -> None:
    read = {
        "driver": ["1750", "1751"],
        "driven": ["600", "601"],
        "unloaded_driver": ["1790"],
        "unloaded_driven": ["663"],
    }
    answer = told("tach-check", **read)
    assert answer["result"]["verdict"] == "slipping" and "read the tension" in answer["result"]["says"]
    assert any(n["code"] == "hot-part" for n in answer["notices"])
    si = told("tach-check", "si", **read)["result"]
    assert si["slip"]["value"] == answer["result"]["slip"]["value"]


@pytest.mark.parametrize(
    ("name", "given", "field"),
    [
        ("tach-check", {"driver": [], "driven": ["600"]}, "input.driver"),
        ("tach-check", {"driver": ["1750"], "driven": ["600"], "driver_diameter": "5"}, "input.driven_diameter"),
        ("tach-check", {"driver": ["1750"], "driven": ["600"], "unloaded_driver": ["1790"]}, "input.unloaded_driven"),
        ("step-pulleys", {"driver_speed": "1725", "centres": "14"}, "input.first"),
        ("step-pulleys", {"driver_speed": "1725", "centres": "14", "first": "2"}, "input.speeds"),
        ("fan-speed", {"speed": "600", "new_speed": "1900"}, "input.new_speed"),
        (
            "fan-speed",
            {"speed": "600", "new_speed": "620", "motor": {"amps": 40, "full_load_amps": 20}},
            "input.motor.amps",
        ),
        (
            "pump-speed",
            {"kind": "centrifugal", "speed": "1750", "new_speed": "1000", "static": "60", "shut_off": "120"},
            "input.speed",
        ),
    ],
)
def test_what_cannot_be_is_refused_beside_its_field(name: str, given: dict[str, Any], field: str) -> None:
    with pytest.raises(InputError) as e:
        told(name, **given)
    assert e.value.field == field
