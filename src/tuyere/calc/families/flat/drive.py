"""`flat-drive`: one whole flat belt drive."""

from tuyere.calc.families.flat.drive_model import FlatDriveIn, FlatDriveOut
from tuyere.calc.families.flat.family import FLAT_BELTS
from tuyere.calc.families.work import work_drive
from tuyere.calc.frame import Frame
from tuyere.calc.registry import calculation

GROUP = "Flat, round and link belts"


@calculation(
    "flat-drive",
    "Flat belt drive",
    summary="Leather or polyamide: what it carries before it slips, tensions, friction used, dip, shaft load.",
    source="Shigley, flat belts; geometry exact",
    example={
        "units": "us",
        "input": {
            "power": "15hp",
            "service_factor": {"assume": 1.375},
            "driver_speed": "1750",
            "driver_diameter": "6 in",
            "driven_diameter": "18 in",
            "centre_distance": "8 ft",
            "material": "polyamide-a3",
            "width": "6 in",
        },
    },
    first=("capacity", "initial_tension", "belt_length"),
)
def flat_drive(given: FlatDriveIn, frame: Frame) -> FlatDriveOut:
    """Work the drive."""
    return work_drive(FLAT_BELTS, given, frame, FlatDriveOut)
