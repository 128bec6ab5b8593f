"""`v-belt-drive`: one whole drive, from duty to shaft load."""

from tuyere.calc.families.v_belt.drive_model import VBeltDriveIn, VBeltDriveOut
from tuyere.calc.families.v_belt.family import V_BELTS
from tuyere.calc.families.work import work_drive
from tuyere.calc.frame import Frame
from tuyere.calc.registry import calculation

GROUP = "V-belts"


@calculation(
    "v-belt-drive",
    "V-belt drive",
    summary="A whole drive: speeds, centre distance, rating, belts, tension to set, shaft loads, room to fit.",
    source="ANSI/RMA IP-20 and IP-22; geometry and statics exact",
    example={
        "units": "us",
        "basis": "ip20-1988",
        "input": {
            "power": "15hp",
            "service_factor": {"assume": 1.3},
            "driver": {"speed": "1750 rpm", "sheave": {"diameter": "5.4 in", "kind": "pitch", "groove": "B"}},
            "driven": {"sheave": {"diameter": "9.4 in", "kind": "pitch", "groove": "B"}},
            "belt": {"designation": "B90", "count": None},
        },
    },
    first=("belts", "deflection_force_new", "centre_distance"),
)
def v_belt_drive(given: VBeltDriveIn, frame: Frame) -> VBeltDriveOut:
    """Work the drive."""
    return work_drive(V_BELTS, given, frame, VBeltDriveOut)
