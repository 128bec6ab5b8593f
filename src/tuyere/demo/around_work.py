"""Drives with more than two wheels at the flax works: sprung and levered idlers, two shafts on one belt, rollers, joined belts.

Everything here is invented.
"""

from __future__ import annotations

from tuyere.demo.kinds import MOTOR, DemoDrive, DemoMachine, OtherBuild, runs
from tuyere.demo.visits import Visit

ROLLERS = 4


def _rollers() -> list[dict[str, object]]:
    """Carrying rollers on the belt's back, between them the wheels that press it up."""
    out: list[dict[str, object]] = []
    for k in range(ROLLERS):
        out.append(
            {
                "name": f"roller {k + 1}",
                "role": "driven",
                "between": "driver-driven",
                "side": "outside",
                "x": f"{9 + 12 * k} in",
                "y": "3.9 in",
                "diameter": "1.9 in",
                "power": "0.004 hp",
            }
        )
        if k < ROLLERS - 1:
            out.append(
                {
                    "name": f"snub {k + 1}",
                    "between": "driver-driven",
                    "side": "inside",
                    "x": f"{15 + 12 * k} in",
                    "y": "1.6 in",
                    "diameter": "3.2 in",
                }
            )
    return out


def _sheave(diameter: str, groove: str) -> dict[str, object]:
    return {"sheave": {"diameter": diameter, "kind": "outside", "groove": groove}}


AROUND_WORK: tuple[DemoMachine, ...] = (
    DemoMachine(
        name="Swath lifter",
        tag="SL-1",
        area="Field machines",
        kind="farm",
        walk=140,
        energy=(
            ("pto", "Tractor: shaft off, engine off, key in the pocket", "Wait until the reel stands."),
            ("spring", "Idler spring of the pickup belt", "Hook it out with the spring puller, never by hand."),
        ),
        drives=(
            DemoDrive(
                name="Pickup belt, sprung arm",
                centre="32.5",
                power="3hp",
                speed="540",
                wanted="271",
                service=runs("engine-multi", "forage-chopper-or-baler", 6),
                builds=(
                    OtherBuild(
                        family="v-belt",
                        given={
                            "driver": _sheave("7 in", "B"),
                            "driven": _sheave("13.6 in", "B"),
                            "belt": {"designation": "B97", "count": 2},
                            "around": {
                                "driven_x": "32 in",
                                "driven_y": "6 in",
                                "wheels": [
                                    {
                                        "name": "sprung idler",
                                        "between": "driver-driven",
                                        "side": "outside",
                                        "x": "13 in",
                                        "y": "6 in",
                                        "diameter": "9.5 in",
                                    }
                                ],
                                "take_up": {
                                    "wheel": "sprung idler",
                                    "pin_x": "25 in",
                                    "pin_y": "12 in",
                                    "low": "-3 in",
                                    "high": "3 in",
                                    "pull": "130 lbf",
                                    "held_by": "spring",
                                },
                            },
                        },
                        by="I. Rook",
                    ),
                ),
            ),
        ),
    ),
    DemoMachine(
        name="Verge mower",
        tag="VM-1",
        area="Field machines",
        kind="farm",
        walk=141,
        energy=(
            ("engine", "Plug lead off the single cylinder and tied back", "Both people see it off."),
            ("edges", "Cutter bar", "Gloves, and the bar's guard on."),
        ),
        drives=(
            DemoDrive(
                name="Cutter belt, the clutch",
                centre="24",
                power="5hp",
                speed="2800",
                wanted="1760",
                service=runs("engine-single", "mower-rotary-or-reel", 3),
                builds=(
                    OtherBuild(
                        family="v-belt",
                        given={
                            "driver": _sheave("5.4 in", "B"),
                            "driven": _sheave("8.4 in", "B"),
                            "belt": {"designation": "BX68", "count": 1},
                            "around": {
                                "driven_x": "24 in",
                                "driven_y": "0 in",
                                "wheels": [
                                    {
                                        "name": "lever idler",
                                        "between": "driver-driven",
                                        "side": "outside",
                                        "x": "9.5 in",
                                        "y": "5.2 in",
                                        "diameter": "7.4 in",
                                    }
                                ],
                                "take_up": {
                                    "wheel": "lever idler",
                                    "pin_x": "20 in",
                                    "pin_y": "8 in",
                                    "low": "-1.2 in",
                                    "high": "2.5 in",
                                    "hand": "17 lbf",
                                    "hand_arm": "22 in",
                                    "held_by": "lever",
                                },
                                "guides": [
                                    {"name": "engine keeper", "x": "-2.98 in", "y": "0 in", "diameter": "3/8 in"},
                                    {"name": "cutter keeper", "x": "28.9 in", "y": "0 in", "diameter": "3/8 in"},
                                ],
                                "engages": True,
                            },
                        },
                        by="A. Reed",
                    ),
                ),
            ),
        ),
    ),
    DemoMachine(
        name="Seed cleaner",
        tag="LC-1",
        area="Seed loft",
        kind="industrial",
        walk=66,
        energy=(("electric", "Isolator Q52 on the post", "Lock, tag, try start, prove dead."),),
        drives=(
            DemoDrive(
                name="Fan and shaker",
                centre="36",
                power="7.5hp",
                speed="1745",
                wanted="1090",
                service=runs(MOTOR, "screen-vibrating", 10),
                builds=(
                    OtherBuild(
                        family="v-belt",
                        given={
                            "driver": _sheave("6 in", "B"),
                            "driven": _sheave("9.4 in", "B"),
                            "belt": {"designation": "B120", "count": 3},
                            "around": {
                                "driven_x": "36 in",
                                "driven_y": "2 in",
                                "wheels": [
                                    {
                                        "name": "tension idler",
                                        "between": "driver-driven",
                                        "side": "outside",
                                        "x": "13 in",
                                        "y": "4.5 in",
                                        "diameter": "8 in",
                                    },
                                    {
                                        "name": "shaker",
                                        "role": "driven",
                                        "between": "driven-driver",
                                        "side": "inside",
                                        "x": "26 in",
                                        "y": "-20 in",
                                        "diameter": "12 in",
                                        "power": "2 hp",
                                    },
                                ],
                                "take_up": {
                                    "wheel": "tension idler",
                                    "direction": "-90",
                                    "low": "-2 in",
                                    "high": "3 in",
                                },
                            },
                        },
                        by="N. Dray",
                    ),
                ),
            ),
        ),
    ),
    DemoMachine(
        name="Bundle conveyor",
        tag="CV-4",
        area="Bale store",
        kind="conveyor",
        walk=76,
        energy=(("electric", "Isolator Q34 at the gate", "Lock, tag, prove dead."),),
        drives=(
            DemoDrive(
                name="Rollers by link belt",
                centre="54.6",
                power="0.33hp",
                speed="180",
                wanted="180",
                service=runs(MOTOR, "conveyor-light-duty-package", 10),
                builds=(
                    OtherBuild(
                        family="v-belt",
                        given={
                            "driver": _sheave("6.4 in", "A"),
                            "driven": _sheave("6.4 in", "A"),
                            "belt": {"designation": "A128", "count": 1, "construction": "link"},
                            "around": {
                                "driven_x": "54.6 in",
                                "driven_y": "0 in",
                                "wheels": _rollers(),
                                "take_up": {
                                    "wheel": "driven",
                                    "direction": "0",
                                    "low": "-2 in",
                                    "high": "3 in",
                                    "pull": "150 lbf",
                                    "held_by": "weight",
                                },
                            },
                        },
                        by="N. Dray",
                    ),
                ),
            ),
        ),
    ),
    DemoMachine(
        name="Shive blower",
        tag="CH-1",
        area="Yard",
        kind="farm",
        walk=118,
        energy=(
            ("engine", "Key out, battery switch off", "The engine overhangs its sheave: nothing hangs on it."),
            ("backdrive", "Slide in the pipe shut", "Draught turns the fan."),
        ),
        drives=(
            DemoDrive(
                name="Joined belt on the engine shaft",
                centre="20.6",
                power="13hp",
                speed="3000",
                wanted="1420",
                service=runs("engine-multi", "fan-up-to-10-hp", 5),
                builds=(
                    OtherBuild(
                        family="v-belt",
                        given={
                            "driver": _sheave("5.4 in", "B"),
                            "driven": _sheave("11 in", "B"),
                            "belt": {"designation": "3/BX68"},
                            "around": {
                                "driven_x": "20.5 in",
                                "driven_y": "2 in",
                                "take_up": {"wheel": "driver", "direction": "180", "low": "-0.5 in", "high": "2 in"},
                            },
                        },
                        by="A. Reed",
                    ),
                ),
            ),
        ),
    ),
)
AROUND_VISITS: tuple[Visit, ...] = (
    Visit(
        tag="VM-1",
        drive="Cutter belt, the clutch",
        template="fit-lever-idler",
        by="A. Reed",
        hours_ago=24.0 * 20,
        take_up="lever-idler",
        mounting="key-setscrew",
        readings={
            "arm-pull": (("let in", "force", "17"), ("let out", "force", "15.5")),
            "travel-left": (("it", "length", "2"),),
        },
    ),
    Visit(
        tag="SL-1",
        drive="Pickup belt, sprung arm",
        template="change-idler",
        by="I. Rook",
        hours_ago=24.0 * 12,
        take_up="sprung-idler",
        mounting="key-setscrew",
        readings={"arm-pull": (("let in", "force", "134"), ("let out", "force", "122"))},
    ),
    Visit(
        tag="LC-1",
        drive="Fan and shaker",
        template="retension-v",
        by="N. Dray",
        hours_ago=24.0 * 6,
        take_up="screw-idler",
        mounting="key-setscrew",
        readings={
            "tension-read": (
                ("belt 1", "force", "6.1"),
                ("belt 2", "force", "6.3"),
                ("belt 3", "force", "6.0"),
            ),
        },
    ),
)
