"""Machines of the yard, the fields and the workshop. Everything here is invented."""

from tuyere.demo.kinds import DIRECT, MOTOR, DemoBuild, DemoDrive, DemoMachine, OtherBuild, runs

YARD_AND_SHOP: tuple[DemoMachine, ...] = (
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
                runs(MOTOR, "belt-conveyor-for-sand-or-grain", 10),
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
                runs(MOTOR, "bucket-elevator", 10),
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
                runs("engine-multi", "mower-rotary-or-reel", 8, chokes=True),
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
                runs("engine-multi", "forage-chopper-or-baler", 6),
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
                runs("clutch", "forage-chopper-or-baler", 6),
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
                runs("motor-split-phase", "drill-press", 3),
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
                runs(DIRECT, "table-saw", 4),
                (DemoBuild("3.65 in", "3.25 in", "A", "AX42", 2, "found", "T. Sedge"),),
                centre="16 1/2",
            ),
        ),
    ),
)
