"""`sync-pulley`: what a toothed pulley measures."""

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.families.synchronous.parts import ProfileName, Teeth
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.synchronous.tables import profile, pulley

GROUP = "Synchronous belts"


class SyncPulleyIn(Input):
    """A pulley of a profile."""

    profile: ProfileName = Field(description="tooth profile")
    teeth: Teeth = Field(description="teeth")


class SyncPulleyOut(Answer):
    """What it measures."""

    pitch_diameter: Figure
    outside_diameter: Figure
    pitch: Figure


@calculation(
    "sync-pulley",
    "Synchronous pulley",
    summary="Pitch and outside diameter of a toothed pulley.",
    source="ISO 5294, ISO 13050; geometry",
    example={"units": "us", "input": {"profile": "H8M", "teeth": 36}},
)
def sync_pulley(given: SyncPulleyIn, frame: Frame) -> SyncPulleyOut:
    """Work the pulley."""
    of = profile(given.profile)
    pitch, outside = pulley(of, given.teeth)
    f = frame.figure
    return SyncPulleyOut(
        pitch_diameter=f(pitch, "length", "size"),
        outside_diameter=f(outside, "length", "size"),
        pitch=f(of.pitch_mm, "length", "size"),
    )
