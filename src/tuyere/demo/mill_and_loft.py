"""Machines of the oil mill, the hackling loft, the rope walk and the bale store. Everything here is invented."""

from tuyere.demo.kinds import DIRECT, MOTOR, DemoBuild, DemoDrive, DemoMachine, OtherBuild, runs

MILL_AND_LOFT: tuple[DemoMachine, ...] = (
    DemoMachine(
        name="Linseed crusher",
        tag="OM-1",
        area="Oil mill",
        kind="industrial",
        walk=130,
        energy=(
            ("electric", "Isolator Q50", "Lock, tag, try start, prove dead."),
            ("heat", "Steam jacket valve S2", "Shut and let it cool below 120 °F."),
        ),
        drives=(
            DemoDrive(
                name="Roll drive",
                power="40hp",
                speed="1775",
                wanted="600",
                service=runs(DIRECT, "crusher-roll", 16),
                builds=(DemoBuild(driver="8 in", driven="23.6 in", groove="5V", belt="5V1500", count=None),),
                centre="49 1/2",
                angle=-10,
            ),
        ),
    ),
    DemoMachine(
        name="Hackling machine 1",
        tag="HK-1",
        area="Hackling loft",
        kind="industrial",
        walk=140,
        energy=(("electric", "Isolator Q21", "Lock, tag, try start, prove dead."),),
        drives=(
            DemoDrive(
                name="Countershaft",
                power="3hp",
                speed="1735",
                wanted="430",
                service=runs(MOTOR, "textile-machinery", 8),
                builds=(),
                centre="22",
            ),
            DemoDrive(
                name="From the line shaft",
                power="2.5hp",
                speed="300",
                wanted="210",
                service=runs("line-shaft", "textile-machinery", 8),
                builds=(
                    OtherBuild(
                        family="flat",
                        given={
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
        name="Rope walk winder",
        tag="RW-1",
        area="Rope walk",
        kind="shop",
        walk=150,
        energy=(("electric", "Isolator Q61", "Lock, tag, prove dead."),),
        drives=(
            DemoDrive(
                name="Indexer",
                power="1.5hp",
                speed="870",
                wanted="290",
                service=runs(MOTOR, "textile-machinery", 8),
                builds=(
                    OtherBuild(
                        family="synchronous",
                        given={
                            "profile": "H",
                            "width": "1 in",
                            "driver_teeth": 20,
                            "driven_teeth": 60,
                            "belt_teeth": 100,
                        },
                    ),
                ),
                centre="15",
                angle=15,
            ),
        ),
    ),
    DemoMachine(
        name="Oil press",
        tag="OM-2",
        area="Oil mill",
        kind="industrial",
        walk=135,
        energy=(
            ("electric", "Isolator Q51", "Lock, tag, try start, prove dead."),
            ("hydraulic", "Ram valve H3", "Lower the ram, open H3 to tank, read zero."),
        ),
        drives=(
            DemoDrive(
                name="Press pump",
                power="10hp",
                speed="1160",
                wanted="870",
                service=runs(MOTOR, "pump-piston", 10),
                builds=(
                    OtherBuild(
                        family="synchronous",
                        given={
                            "profile": "H",
                            "width": "3 in",
                            "driver_teeth": 36,
                            "driven_teeth": 48,
                            "belt_teeth": 125,
                        },
                        by="I. Rook",
                    ),
                ),
                centre="20",
            ),
        ),
    ),
    DemoMachine(
        name="Line shaft",
        tag="LS-1",
        area="Hackling loft",
        kind="industrial",
        walk=138,
        energy=(("electric", "Isolator Q20, ground floor", "Lock, tag; throw every belt to its loose pulley."),),
        drives=(
            DemoDrive(
                name="Motor to line shaft",
                power="7.5hp",
                speed="870",
                wanted="300",
                service=runs(MOTOR, "line-shaft", 8),
                builds=(
                    OtherBuild(
                        family="flat",
                        given={
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
        name="Roller conveyor",
        tag="CV-3",
        area="Bale store",
        kind="conveyor",
        walk=75,
        energy=(("electric", "Isolator Q33 at the stairs", "Lock, tag, prove dead."),),
        drives=(
            DemoDrive(
                name="Roller drive",
                power="1.5hp",
                speed="1160",
                wanted="520",
                service=runs(MOTOR, "conveyor-light-duty-package", 10),
                builds=(
                    OtherBuild(
                        family="v-belt",
                        given={
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
        name="Bale conveyor",
        tag="CV-2",
        area="Bale store",
        kind="conveyor",
        walk=72,
        energy=(("electric", "Isolator Q32 beside the head drum", "Lock, tag, try start, prove dead."),),
        drives=(
            DemoDrive(
                name="Head drum",
                power="5hp",
                speed="145",
                wanted="58",
                service=runs(MOTOR, "conveyor-pan", 16),
                builds=(),
                centre="30",
            ),
        ),
    ),
)
