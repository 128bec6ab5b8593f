"""`sync-pulley`: what a toothed pulley measures."""

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.families.synchronous.parts import ProfileName, Teeth
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.synchronous.tables import profile, pulley

GROUP = "Synchronous belts"


class SyncPulleyIn(Input):
    """A pulley of a profile."""

    profile: ProfileName = Field(description="tooth profile")
    teeth: Teeth = Field(description="teeth")


class SyncPulleyOut(CardAnswer):
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
    card=Card(
        asks="What does a toothed pulley measure?",
        topic="Speeds and sizes",
        sentence="A toothed pulley for belts {profile} has {teeth} teeth.",
        figures=("outside_diameter", "pitch_diameter", "pitch"),
        picture="toothed-size",
        fresh={"profile": "H8M"},
        then=("sync-length", "How long is the belt?"),
    ),
)
def sync_pulley(given: SyncPulleyIn, frame: Frame) -> SyncPulleyOut:
    """Work the pulley."""
    of = profile(given.profile)
    pitch, outside = pulley(of, given.teeth)
    f = frame.figure
    over, line = f(outside, "length", "size"), f(pitch, "length", "size")
    return SyncPulleyOut(
        says=f"{over.shown} over its teeth by caliper; its belt's pitch line runs at {line.shown}.",
        pitch_diameter=line,
        outside_diameter=over,
        pitch=f(of.pitch_mm, "length", "size"),
    )
