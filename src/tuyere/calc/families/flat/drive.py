"""`flat-drive`: one whole flat belt drive."""

from tuyere.calc.entry import maybe
from tuyere.calc.families.beside import beside
from tuyere.calc.families.flat.drive_model import FlatDriveIn, FlatDriveOut, flat_drive_out
from tuyere.calc.families.flat.sheet import flat_sheet
from tuyere.calc.frame import Frame
from tuyere.calc.parts import factor_of
from tuyere.calc.registry import calculation
from tuyere.calc.wanted import hold_speed
from tuyere.core.duty.losses import efficiency_band
from tuyere.core.flat.drive import FlatGiven, work_flat_drive
from tuyere.core.flat.service import flat_factor
from tuyere.core.flat.tables import material

KIND = "flat"
GROUP = "Flat, round and link belts"


@calculation(
    "flat-drive",
    "Flat belt drive",
    summary="Leather or polyamide: what it carries before it slips, tensions, friction used, dip, shaft pull.",
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
    core = FlatGiven(
        power_kw=given.power.value,
        service_factor=factor_of(given.service_factor, flat_factor),
        driver_rpm=given.driver_speed.value,
        driver_mm=given.driver_diameter.value,
        driven_mm=given.driven_diameter.value,
        centre_mm=maybe(given.centre_distance),
        length_mm=maybe(given.belt_length),
        material=material(given.material),
        width_mm=given.width.value,
        crossed=given.crossed,
        angle_deg=given.layout.angle,
        clockwise=given.layout.clockwise,
    )
    r = work_flat_drive(core)
    frame.elevation = r.elevation
    out = flat_drive_out(r, core, frame)
    side = beside(
        frame,
        efficiency=efficiency_band(KIND),
        power_kw=core.power_kw,
        service=given.service_factor,
        centre_mm=r.pulleys.centre_mm,
        width_mm=r.face_mm,
        weight=r.weight,
        parts=3,
    )
    frame.sheet = hold_speed(
        flat_sheet(given, out, frame, side),
        given.wanted,
        service=given.service_factor,
        driven_rpm=r.driven_rpm,
        power_kw=core.power_kw,
        frame=frame,
    )
    return out
