"""Machines of the yard, the fields and the workshop. Everything here is invented."""

from tuyere.demo.kinds import DIRECT, MOTOR, DemoBuild, DemoDrive, DemoMachine, OtherBuild, runs

# The conveyor's second stage: the first one's jackshaft drives it.
SECOND_STAGE = DemoDrive(
    name="Head drive, second stage",
    power="5hp",
    speed="570",
    wanted="95",
    service=runs(MOTOR, "belt-conveyor-for-sand-or-grain", 10),
    builds=(
        OtherBuild(
            family="roller-chain",
            given={"chain": "60", "driver_teeth": 13, "driven_teeth": 78, "centre_distance": "32 in"},
        ),
    ),
    centre="32",
    angle=-60,
)

YARD_AND_SHOP: tuple[DemoMachine, ...] = (
    DemoMachine(
        name="Tow conveyor",
        tag="CV-1",
        area="Tow store",
        kind="conveyor",
        walk=70,
        energy=(
            ("electric", "Isolator Q41 at the tail end", "Lock, tag, try start, prove dead."),
            ("gravity", "Take-up weight", "Pin it before the belt is slackened."),
        ),
        drives=(
            DemoDrive(
                name="Head drive, first stage",
                power="5hp",
                speed="1730",
                wanted="560",
                service=runs(MOTOR, "belt-conveyor-for-sand-or-grain", 10),
                builds=(DemoBuild(driver="3.65 in", driven="10.85 in", groove="A", belt="AX60", count=3),),
                centre="19 1/4",
                angle=-90,
            ),
            SECOND_STAGE,
        ),
    ),
    DemoMachine(
        name="Seed elevator",
        tag="EL-1",
        area="Oil mill",
        kind="conveyor",
        walk=80,
        energy=(
            ("electric", "Isolator Q52", "Lock, tag, try start, prove dead."),
            ("gravity", "Loaded buckets", "Fit the backstop pin."),
        ),
        drives=(
            DemoDrive(
                name="Head shaft countershaft",
                power="7.5hp",
                speed="1745",
                wanted="475",
                service=runs(MOTOR, "bucket-elevator", 10),
                builds=(DemoBuild(driver="5.35 in", driven="18.75 in", groove="B", belt="BX97", count=None),),
                centre="30",
                angle=-15,
            ),
        ),
    ),
    DemoMachine(
        name="Flax puller",
        tag="FP-2",
        area="Yard",
        kind="farm",
        walk=90,
        energy=(
            ("engine", "Key out, battery isolator under the step", "Take the key with you."),
            ("hydraulic", "Lift cylinders", "Lower the head or fit the stays."),
        ),
        drives=(
            DemoDrive(
                name="Pulling-belt drive",
                power="18hp",
                speed="2400",
                wanted="760",
                service=runs("engine-multi", "mower-rotary-or-reel", 8, chokes=True),
                builds=(DemoBuild(driver="4.9 in", driven="15 in", groove="5V", belt="5VX900", count=None),),
                centre="29",
                angle=35,
            ),
        ),
    ),
    DemoMachine(
        name="Round baler",
        tag="BA-1",
        area="Yard",
        kind="farm",
        walk=100,
        energy=(
            ("engine", "Tractor key out, PTO shaft off", "Put the key in your pocket."),
            ("spring", "Tailgate latch and belt tensioner arm", "Fit the tailgate stop."),
        ),
        drives=(
            DemoDrive(
                name="Pickup reel chain",
                power="4hp",
                speed="240",
                wanted="150",
                service=runs("engine-multi", "forage-chopper-or-baler", 6),
                builds=(
                    OtherBuild(
                        family="roller-chain",
                        given={
                            "chain": "80",
                            "driver_teeth": 17,
                            "driven_teeth": 27,
                            "pitches": 72,
                            "lubrication": "dusty",
                        },
                        by="M. Teasel",
                    ),
                ),
                centre="25",
                angle=10,
            ),
            DemoDrive(
                name="Pickup countershaft",
                power="10hp",
                speed="540",
                wanted="360",
                service=runs("clutch", "forage-chopper-or-baler", 6),
                builds=(
                    DemoBuild(driver="9.0 in", driven="13.2 in", groove="5V", belt="5V1060", count=None, by="I. Rook"),
                ),
                centre="35 1/2",
                angle=160,
            ),
        ),
    ),
    DemoMachine(
        name="Bench drill",
        tag="SH-1",
        area="Workshop",
        kind="shop",
        walk=110,
        energy=(("electric", "Plug behind the bench", "Pull it and keep it in sight."),),
        drives=(
            DemoDrive(
                name="Spindle, second step",
                power="1hp",
                speed="1725",
                wanted="1200",
                service=runs("motor-split-phase", "drill-press", 3),
                builds=(DemoBuild(driver="3.45 in", driven="4.85 in", groove="A", belt="A51", count=1),),
                centre="20",
            ),
        ),
    ),
    DemoMachine(
        name="Saw bench",
        tag="SH-2",
        area="Workshop",
        kind="shop",
        walk=120,
        energy=(("electric", "Isolator at the door", "Lock, tag, wait for the blade to stop."),),
        drives=(
            DemoDrive(
                name="Arbor drive",
                power="5hp",
                speed="3450",
                wanted="3900",
                service=runs(DIRECT, "table-saw", 4),
                builds=(
                    DemoBuild(
                        driver="3.65 in",
                        driven="3.25 in",
                        groove="A",
                        belt="AX42",
                        count=2,
                        purpose="found",
                        by="T. Sedge",
                    ),
                ),
                centre="16 1/2",
            ),
        ),
    ),
)
