"""`belt-frequencies`: the notes a drive makes, and which of them a measured one points at."""

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Frequency, Length, Size, Speed, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.calc.scene_out import SceneOut, scene_out
from tuyere.core.drawing.notes import notes_scene
from tuyere.core.speeds.formulas import belt_speed, driven_speed
from tuyere.core.wear.frequencies import nearest, notes_of

GROUP = "Upkeep"


class FrequenciesIn(Input):
    """A drive of two wheels, its loop, and what was measured."""

    driver_speed: Speed = Field(description="speed of the driver")
    driver_diameter: Size = Field(description="pitch diameter of the driver")
    driven_diameter: Size = Field(description="pitch diameter of the driven wheel")
    length: Length = Field(description="length of the loop")
    pitch: Size | None = Field(default=None, description="pitch of teeth or links, where it has some")
    measured: Frequency | None = Field(
        title="Measured frequency", default=None, description="frequency that stands out in a measurement"
    )


class NoteOut(Answer):
    """A frequency that the drive makes, and what it points at when it is strong."""

    of: str
    times: int
    frequency: Figure
    points_at: str


class FrequenciesOut(CardAnswer):
    """Every note, and what the measured one is."""

    belt_turns: Figure = Field(title="The belt goes round")
    driver_turns: Figure = Field(title="The driver turns")
    driven_turns: Figure = Field(title="The driven shaft turns")
    measured_is: list[NoteOut]
    notes: list[NoteOut]
    picture: SceneOut


@calculation(
    "belt-frequencies",
    "What a drive shakes with",
    summary="Turns of both shafts and the belt, teeth in mesh and their multiples; what a measured frequency points at.",
    source="kinematics of a belt on two pulleys; what points where: common practice",
    example={
        "units": "us",
        "input": {
            "driver_speed": "1750",
            "driver_diameter": "5.4",
            "driven_diameter": "14.1",
            "length": "93",
            "measured": "10.8",
        },
    },
    first=("says", "notes"),
    card=Card(
        asks="What does the drive shake with?",
        topic="Is it in line and tight",
        sentence="A loop {length} long, its teeth or links {pitch} apart, runs from {driver_diameter} at {driver_speed} to {driven_diameter}.|"
        "What was felt or measured is {measured}.",
        figures=("belt_turns", "driver_turns", "driven_turns"),
        picture="notes",
    ),
)
def belt_frequencies(given: FrequenciesIn, frame: Frame) -> FrequenciesOut:
    """Work every note. Raises InputError for a frequency that is none."""
    f = frame.figure
    speed = belt_speed(given.driver_diameter.value, given.driver_speed.value)
    driven = driven_speed(given.driver_speed.value, given.driver_diameter.value, given.driven_diameter.value, 0.0)
    notes = notes_of(
        {"the driver": given.driver_speed.value, "the driven shaft": driven},
        loop_m_s=speed,
        length_mm=given.length.value,
        pitch_mm=maybe(given.pitch),
    )
    out = [NoteOut(of=m.of, times=m.times, frequency=f(m.hertz, "frequency"), points_at=m.points_at) for m in notes]
    asked = maybe(given.measured)
    picture = scene_out(notes_scene(notes, asked))
    own = {m.of: o.frequency for m, o in zip(notes, out, strict=True) if m.times == 1}
    turns = own["the belt"]
    goes = f"The belt goes round at {turns.shown}"

    def told(says: str, found: list[NoteOut]) -> FrequenciesOut:
        return FrequenciesOut(
            says=says,
            belt_turns=turns,
            driver_turns=own["the driver"],
            driven_turns=own["the driven shaft"],
            measured_is=found,
            notes=out,
            picture=picture,
        )

    if asked is None:
        return told(f"{goes}. Say what was felt or measured to see what it points at.", [])
    near = nearest(notes, asked)
    found = [out[notes.index(m)] for m in near]
    if not found:
        says = (
            f"{f(asked, 'frequency').shown} is near nothing that this drive makes: look at bearings, gears, the floor."
        )
    else:
        first = found[0]
        times = "" if first.times == 1 else f"{first.times} times "
        says = f"{f(asked, 'frequency').shown} is {times}{first.of}: {first.points_at}."
        if len(found) > 1:
            says += f" Or {found[1].of}: they lie too close to be told apart."
    return told(f"{says} {goes}.", found)
