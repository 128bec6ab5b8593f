"""`sync-drive`: one whole synchronous drive."""

from tuyere.calc.entry import maybe
from tuyere.calc.families.beside import beside
from tuyere.calc.families.synchronous.drive_model import SyncDriveIn, SyncDriveOut, sync_drive_out
from tuyere.calc.families.synchronous.sheet import sync_sheet
from tuyere.calc.frame import Frame
from tuyere.calc.parts import factor_of
from tuyere.calc.registry import calculation
from tuyere.calc.wanted import hold_speed
from tuyere.core.duty.losses import efficiency_band
from tuyere.core.synchronous.drive import SyncGiven, work_sync_drive
from tuyere.core.synchronous.service import sync_factor
from tuyere.core.synchronous.tables import profile

KIND = "synchronous"
GROUP = "Synchronous belts"


@calculation(
    "sync-drive",
    "Synchronous belt drive",
    "A whole synchronous drive: teeth, exact centres, rating where a public one exists, tension to set, tooth-jump margin, room.",
    "ISO 5295, RMA IP-24 practice; geometry and statics exact",
    {
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
    core = SyncGiven(
        given.power.value, factor_of(given.service_factor, sync_factor), given.speed.value, profile(given.profile), given.width.value,
        given.driver_teeth, given.driven_teeth, maybe(given.centre_distance), given.belt_teeth, given.idler, maybe(given.own_tension),
        maybe(given.own_mass), given.upright, given.layout.angle, given.layout.clockwise, frame.tape_mark_mm,
    )  # fmt: skip
    worked = work_sync_drive(core)
    frame.elevation = worked.length.elevation
    out = sync_drive_out(worked, core, frame)
    side = beside(frame, efficiency=efficiency_band(KIND), power_kw=core.power_kw, service=given.service_factor, centre_mm=worked.length.centre_mm,
                  width_mm=given.width.value, weight=worked.weight, parts=3)  # fmt: skip
    frame.sheet = hold_speed(
        sync_sheet(given, out, frame, side),
        given.wanted,
        service=given.service_factor,
        driven_rpm=worked.driven_rpm,
        power_kw=core.power_kw,
        frame=frame,
    )
    return out
