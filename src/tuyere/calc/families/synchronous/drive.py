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
    core = SyncGiven(
        power_kw=given.power.value,
        load_factor=factor_of(given.service_factor, sync_factor),
        driver_rpm=given.speed.value,
        profile=profile(given.profile),
        width_mm=given.width.value,
        z_1=given.driver_teeth,
        z_2=given.driven_teeth,
        centre_mm=maybe(given.centre_distance),
        belt_teeth=given.belt_teeth,
        idler=given.idler,
        own_tension_n=maybe(given.own_tension),
        own_mass_kg_m=maybe(given.own_mass),
        upright=given.upright,
        angle_deg=given.layout.angle,
        clockwise=given.layout.clockwise,
        tape_mark_mm=frame.tape_mark_mm,
    )
    worked = work_sync_drive(core)
    frame.elevation = worked.length.elevation
    out = sync_drive_out(worked, core, frame)
    side = beside(
        frame,
        efficiency=efficiency_band(KIND),
        power_kw=core.power_kw,
        service=given.service_factor,
        centre_mm=worked.length.centre_mm,
        width_mm=given.width.value,
        weight=worked.weight,
        parts=3,
    )
    frame.sheet = hold_speed(
        sync_sheet(given, out, frame, side),
        given.wanted,
        service=given.service_factor,
        driven_rpm=worked.driven_rpm,
        power_kw=core.power_kw,
        frame=frame,
    )
    return out
