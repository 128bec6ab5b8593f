"""`chain-drive`: one whole chain drive."""

from tuyere.calc.families.roller_chain.drive_model import ChainDriveIn, ChainDriveOut
from tuyere.calc.families.roller_chain.family import ROLLER_CHAINS
from tuyere.calc.families.work import work_drive
from tuyere.calc.frame import Frame
from tuyere.calc.registry import calculation

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
    return work_drive(ROLLER_CHAINS, given, frame, ChainDriveOut)
