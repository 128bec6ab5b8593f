"""Drives of every family with idlers and further shafts on their loops, at random: a plain drive with something pressed on it."""

from __future__ import annotations

from typing import Any

from hypothesis import strategies as st

from tuyere.calc.families.protocol import FAMILIES
from tuyere.calc.registry import find, work

TOOTHED = ("roller-chain", "synchronous")
MM = 25.4

# A pump and a fan on one V-belt, an idler on its back that a lever pulls; it is the clutch of both.
CLUTCH: dict[str, Any] = {
    "power": "5 hp",
    "driver": {"speed": "1750 rpm", "sheave": {"diameter": "5.75 in", "kind": "outside"}},
    "driven": {"sheave": {"diameter": "10 in", "kind": "outside"}},
    "belt": {"designation": "B97", "count": 2},
    "around": {
        "driven_x": "30 in",
        "driven_y": "4 in",
        "wheels": [
            {
                "name": "idler",
                "between": "driver-driven",
                "side": "outside",
                "x": "12 in",
                "y": "4 in",
                "diameter": "8 in",
            },
            {
                "name": "pump",
                "role": "driven",
                "between": "driven-driver",
                "x": "18 in",
                "y": "-14 in",
                "diameter": "8 in",
                "power": "2 hp",
            },
        ],
        "take_up": {
            "wheel": "idler",
            "pin_x": "20 in",
            "pin_y": "8 in",
            "low": "-4 in",
            "high": "4 in",
            "hand": "20 lbf",
            "hand_arm": "14 in",
            "wheel_arm": "7 in",
            "held_by": "lever",
        },
        "guides": [{"name": "keeper", "x": "-3.25 in", "y": "0 in", "diameter": "0.5 in"}],
        "engages": True,
    },
}


def plain_worked(key: str, given: dict[str, Any]) -> Any:
    calc = find(FAMILIES[key].calc)
    return work(calc, calc.request_model.model_validate({"input": given}))


def with_idlers(key: str, given: dict[str, Any], picked: dict[str, Any]) -> dict[str, Any]:
    """The plain drive where it stands, an idler pressed on one strand or both, and perhaps a guide. Raises CoreError."""
    first = plain_worked(key, given | ({"crossed": False} if "crossed" in given else {}))
    driven = next(w for w in first.elevation.wheels if w.id == "driven")
    wheels: list[dict[str, Any]] = []
    for k, between in enumerate(picked["strands"]):
        side = picked["sides"][k]
        if key == "roller-chain":
            size: dict[str, Any] = {"teeth": picked["teeth"]}
        elif key == "synchronous" and side == "inside":
            size = {"teeth": picked["teeth"] + 20}
        else:
            size = {"diameter": f"{picked['diameter']:.3f} in"}
        start, end = ("driver", "driven") if between == "driver-driven" else ("driven", "driver")
        strand = next(s for s in first.elevation.strands if (s.after, s.before) == (start, end))
        wheels.append(
            {"name": f"idler {k + 1}", "between": between, "side": side}
            | {"along": picked["share"] * strand.length, "pushed": picked["pushed"]}
            | size
        )
    around: dict[str, Any] = {"driven_x": driven.x, "driven_y": driven.y, "wheels": wheels}
    if picked["guide"]:
        around["guides"] = [
            {"name": "keeper", "x": f"{-driven.outside_radius / MM:.2f} in", "y": 9.5, "diameter": "1/2 in"}
        ]
    made = {k: v for k, v in given.items() if k not in ("centre_distance", "crossed")}
    if key == "roller-chain":
        made["pitches"] = int(first.result.pitches.value) + 2
    elif key == "synchronous":
        made["belt_teeth"] = int(first.result.belt_teeth.value) + 2
    elif key == "flat":
        made["belt_length"] = first.result.belt_length.value + 12.0
    return made | {"around": around}


PICKED = st.fixed_dictionaries(
    {
        "strands": st.sampled_from(
            [
                ["driver-driven"],
                ["driven-driver"],
                ["driver-driven", "driven-driver"],
                ["driver-driven", "driver-driven"],
            ]
        ),
        "sides": st.lists(st.sampled_from(["inside", "outside"]), min_size=2, max_size=2),
        "share": st.floats(0.3, 0.7),
        "pushed": st.floats(6.0, 30.0),
        "diameter": st.floats(5.0, 9.0),
        "teeth": st.integers(13, 25),
        "guide": st.booleans(),
    }
)
