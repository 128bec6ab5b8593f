"""Speeds as they are asked and told: a tachometer's readings, cones drawn to scale, fans and pumps with their motor."""

from __future__ import annotations

from typing import Any

import pytest

from tests.calc.test_calculations import run
from tuyere.core.errors import InputError, NoSolution


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


def test_steps_stay_within_what_the_belt_bears_and_the_room() -> None:
    sizes = [x["value"] for s in told("step-pulleys", **CONES)["result"]["steps"] for x in (s["driver"], s["driven"])]
    told("step-pulleys", **CONES, least=min(sizes) - 1, largest=max(sizes) + 1)
    with pytest.raises(InputError, match="smaller than the belt bears"):
        told("step-pulleys", **CONES, least=min(sizes) + 1)
    with pytest.raises(InputError, match="no room"):
        told("step-pulleys", **CONES, largest=max(sizes) - 1)


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


PUMP = {
    "target": "540",
    "groove": "B",
    "rounds": [{"diameter": "3.75 in", "driver": ["1748"], "driven": ["281", "282"]}],
    "other": "21.35 in",
    "centres": "34 in",
}


def test_a_pump_at_half_speed_is_brought_up_and_trimmed() -> None:
    first = told("pulley-for-speed", **PUMP)["result"]
    made = first["diameter"]["value"]
    assert first["first_was"] is None and first["cuts"] is None
    again = [*PUMP["rounds"], {"diameter": made, "driver": ["1741"], "driven": ["552"]}]
    answer = told("pulley-for-speed", **PUMP | {"rounds": again, "cut": "0.020 in", "metal": "0.75 in"})
    second = answer["result"]
    assert second["diameter"]["value"] == pytest.approx(made * 540 / 552)
    assert second["cuts"]["passes"] >= 1 and second["first_was"] is not None
    assert second["cheapest"] == second["ways"][0]["says"]
    assert any(n["code"] == "groove-goes-deeper" for n in answer["notices"])
    thin = told("pulley-for-speed", **PUMP | {"rounds": again, "metal": "0.16 in"})
    assert any(n["code"] == "rim-too-thin" for n in thin["notices"])
    assert thin["result"]["ways"][0]["how"] != "turned down"
    with pytest.raises(InputError, match="burst"):
        told("pulley-for-speed", target="3000", rounds=[{"diameter": "16 in", "driver": ["3500"], "driven": ["1500"]}])


FAN = {
    "section": "B",
    "driver_speed": "1750",
    "driver": {"closed": "5.8 in", "open": "4.6 in", "turns_now": "3.5"},
    "driven_fixed": "13.6 in",
    "speed_now": "650",
    "target": "689",
}


def test_the_plate_stops_the_adjustable_sheave() -> None:
    free = told("adjustable-sheave", **FAN)["result"]
    assert abs(free["speed"]["value"] / 689 - 1) < 0.01 and not free["stopped_by_amps"]
    motor = {"amps": 17.4, "full_load_amps": 20.0, "no_load_amps": 7.5}
    held = told("adjustable-sheave", **FAN, motor=motor)
    r = held["result"]
    assert r["stopped_by_amps"] and r["speed"]["value"] < free["speed"]["value"]
    assert r["amps"]["expected"]["high"]["value"] <= 20.0
    here = [s for s in r["settings"] if s["here"]]
    assert len(here) == 1 and not here[0]["over_plate"]
    faster = [s for s in r["settings"] if s["speed"]["value"] > r["speed"]["value"]]
    assert faster[-1]["over_plate"]
    with pytest.raises(InputError, match="single-phase"):
        told("adjustable-sheave", **FAN, motor=motor | {"phases": "one"})
    with pytest.raises(InputError, match="beyond what"):
        told("adjustable-sheave", **FAN | {"target": "900"})
    with pytest.raises(InputError, match="range"):
        told("adjustable-sheave", **FAN | {"driver": {"closed": "5.8 in", "turns_now": "9"}})


def test_stages_are_drives_that_work_again() -> None:
    answer = told(
        "drive-stages",
        power="5hp",
        service_factor={"assume": "1.4"},
        driver_speed="1750",
        driven_speed="70",
        centre={"about": "24 in"},
    )["result"]
    for way in answer["ways"]:
        speed = 1750.0
        for stage in way["stages"]:
            option = stage["option"]
            again = run(option["calc"], {"units": "us", "input": option["input"]})
            driven = again["result"].get("driven_speed") or again["result"]["driven_rpm"]
            assert driven["value"] == pytest.approx(option["driven_speed"]["value"], rel=2e-3)
            assert stage["from_speed"]["value"] == pytest.approx(speed)
            speed = option["driven_speed"]["value"]
        assert abs(speed / 70 - 1) <= 0.031
        assert way["lost"]["value"] < stage["takes"]["value"] + way["lost"]["value"]


def test_instead_of_gears_refuses_a_tool_too_fast() -> None:
    given: Any = {
        "driver_speed": "1725",
        "gears": [{"pinion": 18, "gear": 72}, {"pinion": 30, "gear": 60}],
        "centres": "16 in",
        "first": "2.5 in",
        "thread": "right",
    }
    answer = told("retrofit", **given)
    assert answer["result"]["direction"] == "turned about"
    assert {"thread-unscrews", "direction-reversed", "safe-speed-unknown"} <= {n["code"] for n in answer["notices"]}
    with pytest.raises(InputError, match="burst"):
        told("retrofit", **given, safe_speed="800")
    kept = told("retrofit", **given | {"belt": "crossed"})["result"]
    assert kept["direction"] == "as before" and kept["turn_back"] == []


ROUTE: dict[str, Any] = {
    "loop": "V-belt",
    "driver_speed": "3600",
    "wheels": [
        {"name": "engine", "role": "driver", "x": "0 in", "y": "0 in", "diameter": "3 in"},
        {"name": "blower", "role": "driven", "x": "20 in", "y": "0 in", "diameter": "9 in", "power": "3 hp"},
        {
            "name": "lever",
            "role": "idler",
            "from_first": "10.3 in",
            "from_second": "11 in",
            "above": False,
            "diameter": "3 in",
            "side": "outside",
        },
    ],
    "take_up": {
        "wheel": "lever",
        "pin_x": "4 in",
        "pin_y": "-8 in",
        "low": "-2 in",
        "high": "1 in",
        "hand": "18 lbf",
        "hand_arm": "16 in",
        "wheel_arm": "8 in",
    },
}


def test_a_lever_drive_is_worked_from_tapes_and_its_pull() -> None:
    r = told("any-route", **ROUTE)["result"]
    assert r["pull_at_wheel"]["value"] == pytest.approx(2 * 18 * 4.4482216)
    assert [w["turns"] for w in r["wheels"]] == ["clockwise", "clockwise", "counter-clockwise"]
    # Twice the pull: every strand but the work it does is tighter, and slip is further off.
    more = told("any-route", **ROUTE | {"take_up": ROUTE["take_up"] | {"hand": "36 lbf"}})["result"]
    assert (more["times_todays_load"] or 99) > (r["times_todays_load"] or 0)
    assert all(
        b["tension"]["value"] > a["tension"]["value"] for a, b in zip(r["strands"], more["strands"], strict=True)
    )


def test_a_belt_too_short_drags_when_it_is_let_go() -> None:
    far = ROUTE | {"take_up": ROUTE["take_up"] | {"high": "5 in"}}
    fits = told("any-route", **far)["result"]["travel"]
    low = fits["shortest_loop"]["value"]
    short = told("any-route", **far, engages=True, loop_length=low + 3)
    assert short["result"]["released"]["drags"] and any(n["code"] == "drags" for n in short["notices"])
    long = told("any-route", **far, engages=True, loop_length=low + 16)
    assert not long["result"]["released"]["drags"] and long["result"]["released"]["deep"]["value"] > 0


@pytest.mark.parametrize(
    ("change", "why"),
    [
        ({"wheels": ROUTE["wheels"][1:]}, "one driver"),
        (
            {
                "wheels": [
                    ROUTE["wheels"][0],
                    ROUTE["wheels"][2] | {"x": "20 in", "y": "0 in", "from_first": None, "from_second": None},
                ]
            },
            "nothing is driven",
        ),
        (
            {"loop": "chain", "wheels": [*ROUTE["wheels"][:2], ROUTE["wheels"][2] | {"teeth": False}]},
            "so must this wheel",
        ),
        ({"take_up": ROUTE["take_up"] | {"high": "-3 in"}}, "without travel"),
        ({"take_up": ROUTE["take_up"] | {"hand_arm": None}}, "two arms"),
        ({"take_up": ROUTE["take_up"] | {"pull": "40 lbf"}}, "one of the two"),
        ({"static_tension": "100 lbf"}, "not set as well"),
        ({"loop_length": "200 in"}, "does not reach"),
        ({"wheels": [*ROUTE["wheels"][:2], ROUTE["wheels"][2] | {"side": "inside"}]}, "lever"),
        ({"wheels": [*ROUTE["wheels"][:2], ROUTE["wheels"][2] | {"name": "engine"}]}, "one name"),
        ({"wheels": [*ROUTE["wheels"][:2], ROUTE["wheels"][2] | {"from_second": "3 in"}]}, "do not meet"),
    ],
)
def test_a_route_that_cannot_be_is_refused_beside_its_part(change: dict[str, Any], why: str) -> None:
    with pytest.raises((InputError, NoSolution), match=why):
        told("any-route", **ROUTE | change)


def test_the_limits_of_a_motor_hold_for_the_stage_at_the_motor() -> None:
    """The least sheave of a motor says nothing of a jackshaft; a frame that is none is said, not searched past."""
    given: Any = {
        "power": "5hp",
        "service_factor": {"assume": "1.4"},
        "driver_speed": "1750",
        "driven_speed": "70",
        "centre": {"about": "24 in"},
    }
    ways = told("drive-stages", **given, limits={"motor": {"frame": "184T"}})["result"]["ways"]
    assert any(s["option"]["family"] == "v-belt" for w in ways for s in w["stages"][1:])
    with pytest.raises(InputError, match="no such T-frame"):
        told("drive-stages", **given, limits={"motor": {"frame": "999X"}})


def test_heavier_air_leaves_less_speed_by_the_plate() -> None:
    motor = {"amps": 15, "full_load_amps": 20, "no_load_amps": 7}
    now = told("fan-speed", speed="640", new_speed="660", motor=motor)["result"]["amps"]["most_speed"]["low"]["value"]
    cold = told("fan-speed", speed="640", new_speed="660", motor=motor, density=1.44)["result"]["amps"]["most_speed"]
    assert cold["low"]["value"] == pytest.approx(now / 1.2 ** (1 / 3))
    at = told("fan-speed", speed="640", new_speed=cold["low"]["value"], motor=motor, density=1.44)["result"]["amps"]
    assert at["expected"]["low"]["value"] == pytest.approx(20)


def test_read_and_counted_at_once_is_one_too_many() -> None:
    with pytest.raises(InputError, match="one of the two"):
        told(
            "tach-check",
            driver=["1750"],
            driven=["640"],
            unloaded_driver=["1790"],
            unloaded_driven=["671"],
            marks={"driver_turns": 20, "driven_turns": 7.4},
        )
