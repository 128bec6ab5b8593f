"""`made-sync-pulley`: the drawing of a toothed pulley to be made."""

from pydantic import Field

from tuyere.calc.card import Card
from tuyere.calc.entry import Size
from tuyere.calc.families.synchronous.parts import ProfileName, Teeth
from tuyere.calc.frame import Frame
from tuyere.calc.made import BORE, FRESH_BORE, BoreIn, MadeOut, made_out
from tuyere.calc.registry import Input, calculation
from tuyere.core.notices import notice
from tuyere.core.synchronous.made_pulley import groove_of, sync_rim
from tuyere.core.synchronous.tables import profile

GROUP = "Speeds"


class MadeSyncPulleyIn(Input):
    """A toothed pulley by its profile, its teeth and its shaft."""

    profile: ProfileName = Field(description="tooth profile")
    teeth: Teeth = Field(description="teeth")
    face: Size = Field(description="face width, between flanges where it has any")
    shaft: BoreIn = Field(description="what it sits on")


@calculation(
    "made-sync-pulley",
    "Toothed pulley made to size",
    summary="The drawing of a toothed pulley to be made: grooves rolled from the public rack, bore, keyway, hub, tolerances; as PDF and DXF.",
    source="ISO 5294, ISO 13050, recalled; ASME B17.1, ISO 773",
    example={
        "units": "us",
        "input": {"profile": "L", "teeth": 24, "face": "1.2 in", "shaft": {"bore": "0.75 in", "speed": "1750"}},
    },
    first=("says", "outside"),
    card=Card(
        asks="How is a toothed pulley made?",
        topic="Make it",
        sentence="A toothed pulley for belts {profile} has {teeth} teeth, its face {face} wide.|" + BORE,
        figures=("outside", "face", "most_speed"),
        picture="made",
        fresh={"profile": "H", **FRESH_BORE},
    ),
)
def made_sync_pulley(given: MadeSyncPulleyIn, frame: Frame) -> MadeOut:
    """Draw the pulley. Raises InputError for what cannot be cut or may not run."""
    of = profile(given.profile)
    rim = sync_rim(of, given.teeth, given.face.value)
    rack = groove_of(of.name, given.teeth)
    f = frame.figure
    cut = [f"{given.teeth} teeth {of.name}: pitch diameter {f(rim.circles_mm[0], 'gap').shown}"]
    if rack is None:
        notice(
            "caution",
            "no-public-rack",
            "The tool for this profile is not public: rim and bore are drawn, the teeth are cut with the profile's own hob.",
            "input.profile",
        )
        cut.append("teeth: with the hob of the profile, none is drawn")
    else:
        angle, depth, tip, r1, r2 = rack
        cut.append(
            f"rack: {f(angle, 'angle').shown}, {f(depth, 'gap').shown} deep, "
            f"{f(tip, 'gap').shown} wide at the bottom, radii {f(r1, 'gap').number} and {f(r2, 'gap').shown}"
        )
    return made_out(rim, given.shaft, frame, name=f"Toothed pulley {of.name}, {given.teeth} teeth", cut=cut)
