"""`sync-drive`: one whole synchronous drive."""

from tuyere.calc.families.synchronous.drive_model import SyncDriveIn, SyncDriveOut
from tuyere.calc.families.synchronous.family import SYNCHRONOUS
from tuyere.calc.families.work import work_drive
from tuyere.calc.frame import Frame
from tuyere.calc.registry import calculation

GROUP = "Synchronous belts"


@calculation(
    "sync-drive",
    "Synchronous belt drive",
    summary="A whole synchronous drive: teeth, exact centres, rating where a public one exists, tension to set, tooth-jump margin, room.",
    source="ISO 5295, RMA IP-24 practice; geometry and statics exact",
    example={
        "units": "us",
        "input": {
            "power": "5hp",
            "service_factor": {"driver": "motor-nema-b", "machine": "pump-centrifugal"},
            "speed": "1750",
            "profile": "H",
            "width": "1.5 in",
            "driver_teeth": 22,
            "driven_teeth": 60,
            "centre_distance": "21 in",
        },
    },
    first=("designation", "deflection_force", "centre_distance"),
)
def sync_drive(given: SyncDriveIn, frame: Frame) -> SyncDriveOut:
    """Work the drive."""
    return work_drive(SYNCHRONOUS, given, frame, SyncDriveOut)
