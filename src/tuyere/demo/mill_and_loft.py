"""Machines of the oil mill, the hackling loft, the rope walk and the bale store. Everything here is invented."""

from tuyere.demo.kinds import DIRECT, MOTOR, DemoBuild, DemoDrive, DemoMachine, OtherBuild, runs

MILL_AND_LOFT: tuple[DemoMachine, ...] = (
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
                runs(DIRECT, "crusher-roll", 16),
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
            DemoDrive("Countershaft", "3hp", "1735", "430", runs(MOTOR, "textile-machinery", 8), (), centre="22"),
            DemoDrive(
                "From the line shaft",
                "2.5hp",
                "300",
                "210",
                runs("line-shaft", "textile-machinery", 8),
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
                runs(MOTOR, "textile-machinery", 8),
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
                runs(MOTOR, "pump-piston", 10),
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
                runs(MOTOR, "line-shaft", 8),
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
                runs(MOTOR, "conveyor-light-duty-package", 10),
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
        (DemoDrive("Head drum", "5hp", "145", "58", runs(MOTOR, "conveyor-pan", 16), (), centre="30"),),
    ),
)
