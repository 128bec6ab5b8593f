"""The machines and drives of the flax works. Everything here is invented."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any


@dataclass(frozen=True)
class DemoBuild:
    """A build in shop numbers: sheave sizes in inches, belt, count (None: as needed), who made it."""

    driver: str
    driven: str
    groove: str
    belt: str
    count: int | None
    purpose: str = "fitted"
    by: str = "N. Dray"
    frozen: bool = True
    kind: str = "outside"
    temporary: str = ""


@dataclass(frozen=True)
class OtherBuild:
    """A build of another family, or of a V-belt drive out of the usual: its input without the duty."""

    family: str
    given: dict[str, Any]
    purpose: str = "fitted"
    by: str = "N. Dray"
    frozen: bool = True
    temporary: str = ""


@dataclass(frozen=True)
class DemoDrive:
    """A drive with its duty and builds; ``service`` as the calculations take it."""

    name: str
    power: str
    speed: str
    wanted: str
    service: dict[str, Any]
    builds: tuple[DemoBuild | OtherBuild, ...]
    centre: str = ""
    angle: float = 0.0
    clockwise: bool = True


@dataclass(frozen=True)
class DemoMachine:
    """A machine, its energy sources as (type, isolation point, steps), its drives."""

    name: str
    tag: str
    area: str
    kind: str
    walk: int
    energy: tuple[tuple[str, str, str], ...]
    drives: tuple[DemoDrive, ...] = field(default=())


def _runs(driver: str, machine: str, hours: float, **more: Any) -> dict[str, Any]:
    return {"driver": driver, "machine": machine, "hours_a_day": hours, **more}


MOTOR, DIRECT = "motor-nema-b", "motor-dol"

WORKS: tuple[DemoMachine, ...] = (
    DemoMachine(
        "Scutching turbine 1",
        "SC-1",
        "Scutch house",
        "industrial",
        10,
        (
            (
                "electric",
                "Isolator Q11 on the pillar behind the feed table",
                "Lock, tag, try start, prove dead at the motor box.",
            ),
            ("gravity", "Raised feed apron", "Lower it or set both props."),
        ),
        (
            DemoDrive(
                "Main drive",
                "25hp",
                "1760",
                "662",
                _runs(MOTOR, "textile-machinery", 16),
                (DemoBuild("7.1 in", "18.7 in", "5V", "5VX1000", 2),),
                centre="29 1/4",
                angle=8,
            ),
            DemoDrive(
                "Dust fan",
                "5hp",
                "1745",
                "940",
                _runs(MOTOR, "fan-up-to-10-hp", 16),
                (
                    DemoBuild("4.65 in", "8.45 in", "A", "A68", None, "found", "I. Rook"),
                    DemoBuild("4.65 in", "8.45 in", "A", "AX68", 2),
                ),
                centre="24 1/2",
                angle=60,
            ),
        ),
    ),
    DemoMachine(
        "Scutching turbine 2",
        "SC-2",
        "Scutch house",
        "industrial",
        20,
        (("electric", "Isolator Q12, same pillar", "Lock, tag, try start, prove dead."),),
        (
            DemoDrive(
                "Main drive",
                "25hp",
                "1760",
                "662",
                _runs(MOTOR, "textile-machinery", 16),
                (DemoBuild("7.1 in", "18.7 in", "5V", "5VX1000", 2, by="T. Sedge"),),
                centre="29 1/4",
                angle=8,
                clockwise=False,
            ),
        ),
    ),
    DemoMachine(
        "Breaker line",
        "BR-1",
        "Scutch house",
        "industrial",
        30,
        (
            ("electric", "Isolator Q14 at the feed end", "Lock, tag, try start, prove dead."),
            ("spring", "Roller pressure springs", "Back off all six hand wheels."),
        ),
        (
            DemoDrive(
                "Breaker rollers, gearbox to first roller",
                "15hp",
                "118",
                "47",
                _runs(MOTOR, "textile-machinery", 16),
                (
                    OtherBuild(
                        "roller-chain",
                        {
                            "chain": "140",
                            "driver_teeth": 18,
                            "driven_teeth": 45,
                            "pitches": 80,
                            "lubrication": "adequate",
                        },
                        by="T. Sedge",
                    ),
                ),
                centre="40",
                angle=-20,
            ),
            DemoDrive(
                "Roller gearbox input",
                "20hp",
                "1755",
                "530",
                _runs(DIRECT, "pulverizer", 16),
                (
                    DemoBuild(
                        "9.35 in",
                        "30.35 in",
                        "B",
                        "B128",
                        3,
                        "found",
                        "I. Rook",
                        temporary="Two grooves dished; run until the new sheave is bored.",
                    ),
                    DemoBuild("6.3 in", "21.2 in", "5V", "5VX1120", None, "designed", frozen=False),
                ),
                centre="32 1/2",
                angle=20,
            ),
        ),
    ),
    DemoMachine(
        "Vacuum pump",
        "VP-3",
        "Board press",
        "industrial",
        40,
        (
            ("electric", "Isolator Q31 in the press pit", "Lock, tag, try start, prove dead."),
            ("pneumatic", "Vacuum line valve V7", "Shut, vent to air, hang the tag."),
        ),
        (
            DemoDrive(
                "Pump drive",
                "15hp",
                "1750 rpm",
                "1005",
                _runs(MOTOR, "pump-positive-displacement-rotary", 24),
                (DemoBuild("5.4 in", "9.4 in", "B", "B90", 4, kind="pitch"),),
                centre="34 1/4",
            ),
        ),
    ),
    DemoMachine(
        "Supply fan, hackling loft",
        "AHU-2",
        "Hackling loft",
        "hvac",
        50,
        (("electric", "Disconnect on the plenum door", "Lock, tag; wedge the wheel: it windmills."),),
        (
            DemoDrive(
                "Fan drive",
                "7.5hp",
                "1750",
                "860",
                _runs(MOTOR, "air-handler-supply-fan-up-to-10-hp", 20),
                (DemoBuild("4.65 in", "9.25 in", "A", "A60", None),),
                centre="20",
                angle=-35,
            ),
        ),
    ),
    DemoMachine(
        "Roof exhaust 4",
        "EF-4",
        "Retting tanks",
        "hvac",
        60,
        (("electric", "Disconnect at the curb", "Lock, tag; the wheel may windmill."),),
        (
            DemoDrive(
                "Exhaust drive",
                "3hp",
                "1740",
                "660",
                _runs(MOTOR, "roof-exhaust-fan", 24),
                (DemoBuild("3.65 in", "9.25 in", "A", "AX55", 2, by="T. Sedge"),),
                centre="18",
                angle=90,
            ),
        ),
    ),
    DemoMachine(
        "Tow conveyor",
        "CV-1",
        "Tow store",
        "conveyor",
        70,
        (
            ("electric", "Isolator Q41 at the tail end", "Lock, tag, try start, prove dead."),
            ("gravity", "Take-up weight", "Pin it before the belt is slackened."),
        ),
        (
            DemoDrive(
                "Head drive, first stage",
                "5hp",
                "1730",
                "560",
                _runs(MOTOR, "belt-conveyor-for-sand-or-grain", 10),
                (DemoBuild("3.65 in", "10.85 in", "A", "AX60", 3),),
                centre="19 1/4",
                angle=-90,
            ),
        ),
    ),
    DemoMachine(
        "Seed elevator",
        "EL-1",
        "Oil mill",
        "conveyor",
        80,
        (
            ("electric", "Isolator Q52", "Lock, tag, try start, prove dead."),
            ("gravity", "Loaded buckets", "Fit the backstop pin."),
        ),
        (
            DemoDrive(
                "Head shaft countershaft",
                "7.5hp",
                "1745",
                "475",
                _runs(MOTOR, "bucket-elevator", 10),
                (DemoBuild("5.35 in", "18.75 in", "B", "BX97", None),),
                centre="30",
                angle=-15,
            ),
        ),
    ),
    DemoMachine(
        "Flax puller",
        "FP-2",
        "Yard",
        "farm",
        90,
        (
            ("engine", "Key out, battery isolator under the step", "Take the key with you."),
            ("hydraulic", "Lift cylinders", "Lower the head or fit the stays."),
        ),
        (
            DemoDrive(
                "Pulling-belt drive",
                "18hp",
                "2400",
                "760",
                _runs("engine-multi", "mower-rotary-or-reel", 8, chokes=True),
                (DemoBuild("4.9 in", "15 in", "5V", "5VX900", None),),
                centre="29",
                angle=35,
            ),
        ),
    ),
    DemoMachine(
        "Round baler",
        "BA-1",
        "Yard",
        "farm",
        100,
        (
            ("engine", "Tractor key out, PTO shaft off", "Put the key in your pocket."),
            ("spring", "Tailgate latch and belt tensioner arm", "Fit the tailgate stop."),
        ),
        (
            DemoDrive(
                "Pickup reel chain",
                "4hp",
                "240",
                "150",
                _runs("engine-multi", "forage-chopper-or-baler", 6),
                (
                    OtherBuild(
                        "roller-chain",
                        {"chain": "80", "driver_teeth": 17, "driven_teeth": 27, "pitches": 72, "lubrication": "dusty"},
                        by="M. Teasel",
                    ),
                ),
                centre="25",
                angle=10,
            ),
            DemoDrive(
                "Pickup countershaft",
                "10hp",
                "540",
                "360",
                _runs("clutch", "forage-chopper-or-baler", 6),
                (DemoBuild("9.0 in", "13.2 in", "5V", "5V1060", None, by="I. Rook"),),
                centre="35 1/2",
                angle=160,
            ),
        ),
    ),
    DemoMachine(
        "Bench drill",
        "SH-1",
        "Workshop",
        "shop",
        110,
        (("electric", "Plug behind the bench", "Pull it and keep it in sight."),),
        (
            DemoDrive(
                "Spindle, second step",
                "1hp",
                "1725",
                "1200",
                _runs("motor-split-phase", "drill-press", 3),
                (DemoBuild("3.45 in", "4.85 in", "A", "A51", 1),),
                centre="20",
            ),
        ),
    ),
    DemoMachine(
        "Saw bench",
        "SH-2",
        "Workshop",
        "shop",
        120,
        (("electric", "Isolator at the door", "Lock, tag, wait for the blade to stop."),),
        (
            DemoDrive(
                "Arbor drive",
                "5hp",
                "3450",
                "3900",
                _runs(DIRECT, "table-saw", 4),
                (DemoBuild("3.65 in", "3.25 in", "A", "AX42", 2, "found", "T. Sedge"),),
                centre="16 1/2",
            ),
        ),
    ),
    DemoMachine(
        "Linseed crusher",
        "OM-1",
        "Oil mill",
        "industrial",
        130,
        (
            ("electric", "Isolator Q50", "Lock, tag, try start, prove dead."),
            ("heat", "Steam jacket valve S2", "Shut and let it cool below 120 °F."),
        ),
        (
            DemoDrive(
                "Roll drive",
                "40hp",
                "1775",
                "600",
                _runs(DIRECT, "crusher-roll", 16),
                (DemoBuild("8 in", "23.6 in", "5V", "5V1500", None),),
                centre="49 1/2",
                angle=-10,
            ),
        ),
    ),
    DemoMachine(
        "Hackling machine 1",
        "HK-1",
        "Hackling loft",
        "industrial",
        140,
        (("electric", "Isolator Q21", "Lock, tag, try start, prove dead."),),
        (
            DemoDrive("Countershaft", "3hp", "1735", "430", _runs(MOTOR, "textile-machinery", 8), (), centre="22"),
            DemoDrive(
                "From the line shaft",
                "2.5hp",
                "300",
                "210",
                _runs("line-shaft", "textile-machinery", 8),
                (
                    OtherBuild(
                        "flat",
                        {
                            "driver_diameter": "14 in",
                            "driven_diameter": "20 in",
                            "centre_distance": "11 ft",
                            "material": "leather-18",
                            "width": "5 in",
                        },
                    ),
                ),
                centre="11 ft",
                angle=-35,
            ),
        ),
    ),
    DemoMachine(
        "Rope walk winder",
        "RW-1",
        "Rope walk",
        "shop",
        150,
        (("electric", "Isolator Q61", "Lock, tag, prove dead."),),
        (
            DemoDrive(
                "Indexer",
                "1.5hp",
                "870",
                "290",
                _runs(MOTOR, "textile-machinery", 8),
                (
                    OtherBuild(
                        "synchronous",
                        {"profile": "H", "width": "1 in", "driver_teeth": 20, "driven_teeth": 60, "belt_teeth": 100},
                    ),
                ),
                centre="15",
                angle=15,
            ),
        ),
    ),
    DemoMachine(
        "Oil press",
        "OM-2",
        "Oil mill",
        "industrial",
        135,
        (
            ("electric", "Isolator Q51", "Lock, tag, try start, prove dead."),
            ("hydraulic", "Ram valve H3", "Lower the ram, open H3 to tank, read zero."),
        ),
        (
            DemoDrive(
                "Press pump",
                "10hp",
                "1160",
                "870",
                _runs(MOTOR, "pump-piston", 10),
                (
                    OtherBuild(
                        "synchronous",
                        {"profile": "H", "width": "3 in", "driver_teeth": 36, "driven_teeth": 48, "belt_teeth": 125},
                        by="I. Rook",
                    ),
                ),
                centre="20",
            ),
        ),
    ),
    DemoMachine(
        "Line shaft",
        "LS-1",
        "Hackling loft",
        "industrial",
        138,
        (("electric", "Isolator Q20, ground floor", "Lock, tag; throw every belt to its loose pulley."),),
        (
            DemoDrive(
                "Motor to line shaft",
                "7.5hp",
                "870",
                "300",
                _runs(MOTOR, "line-shaft", 8),
                (
                    OtherBuild(
                        "flat",
                        {
                            "driver_diameter": "10 in",
                            "driven_diameter": "29 in",
                            "centre_distance": "12 ft 6 in",
                            "material": "leather-20",
                            "width": "7 in",
                        },
                    ),
                ),
                centre="12'6",
                angle=40,
            ),
        ),
    ),
    DemoMachine(
        "Roller conveyor",
        "CV-3",
        "Bale store",
        "conveyor",
        75,
        (("electric", "Isolator Q33 at the stairs", "Lock, tag, prove dead."),),
        (
            DemoDrive(
                "Roller drive",
                "1.5hp",
                "1160",
                "520",
                _runs(MOTOR, "conveyor-light-duty-package", 10),
                (
                    OtherBuild(
                        "v-belt",
                        {
                            "driver": {"sheave": {"diameter": "4.2 in", "groove": "A"}},
                            "driven": {"sheave": {"diameter": "9.2 in", "groove": "A"}},
                            "belt": {"designation": "A62", "construction": "link"},
                        },
                    ),
                ),
                centre="20",
            ),
        ),
    ),
    DemoMachine(
        "Bale conveyor",
        "CV-2",
        "Bale store",
        "conveyor",
        72,
        (("electric", "Isolator Q32 beside the head drum", "Lock, tag, try start, prove dead."),),
        (DemoDrive("Head drum", "5hp", "145", "58", _runs(MOTOR, "conveyor-pan", 16), (), centre="30"),),
    ),
)
