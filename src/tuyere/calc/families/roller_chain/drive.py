"""`chain-drive`: one whole chain drive."""

from tuyere.calc.entry import maybe
from tuyere.calc.families.beside import beside
from tuyere.calc.families.roller_chain.drive_model import ChainDriveIn, ChainDriveOut, chain_drive_out
from tuyere.calc.families.roller_chain.parts import life_of
from tuyere.calc.families.roller_chain.sheet import chain_sheet
from tuyere.calc.frame import Frame
from tuyere.calc.parts import factor_of
from tuyere.calc.registry import calculation
from tuyere.calc.wanted import hold_speed
from tuyere.core.duty.losses import efficiency_band
from tuyere.core.notices import notice
from tuyere.core.roller_chain.rate import Given, rate
from tuyere.core.roller_chain.service import chain_factor
from tuyere.core.roller_chain.tables import chain

KIND = "roller chain"
GROUP = "Roller chain"


@calculation(
    "chain-drive",
    "Roller chain drive",
    summary="A whole chain drive: speeds, length in pitches, rating and what governs it, pulls, slack, lubrication.",
    source="ASME B29.1; geometry and statics exact",
    example={
        "units": "us",
        "input": {
            "power": "10hp",
            "service_factor": {"load": "heavy", "driver": "motor-nema-b"},
            "speed": "1000",
            "chain": "50",
            "driver_teeth": 24,
            "driven_teeth": 63,
            "centre_distance": "22 1/2",
        },
    },
    first=("designation", "hand_movement", "centre_distance"),
)
def chain_drive(given: ChainDriveIn, frame: Frame) -> ChainDriveOut:
    """Work the drive."""
    if given.life is None:
        notice("info", "life-assumed", "15,000 hours of life are assumed.", "input.life")
    core = Given(
        power_kw=given.power.value,
        service_factor=factor_of(given.service_factor, chain_factor),
        driver_rpm=given.speed.value,
        chain=chain(given.chain),
        strands=given.strands,
        z_1=given.driver_teeth,
        z_2=given.driven_teeth,
        centre_mm=maybe(given.centre_distance),
        pitches=given.pitches,
        life_h=life_of(given.life),
        lubrication=given.lubrication,
        celsius=given.temperature,
        angle_deg=given.layout.angle,
        clockwise=given.layout.clockwise,
        method=given.method,
    )
    worked = rate(core)
    frame.elevation = worked.length.elevation
    out = chain_drive_out(worked, core, frame)
    side = beside(
        frame,
        efficiency=efficiency_band(KIND),
        power_kw=core.power_kw,
        service=given.service_factor,
        centre_mm=worked.length.centre_mm,
        width_mm=worked.width_mm,
        weight=worked.weight,
        parts=2 + given.strands,
    )
    frame.sheet = hold_speed(
        chain_sheet(given, out, frame, side),
        given.wanted,
        service=given.service_factor,
        driven_rpm=worked.driven_rpm,
        power_kw=core.power_kw,
        frame=frame,
    )
    return out
