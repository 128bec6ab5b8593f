"""`pluck`: the note of a plucked span out of a sound, and the tension that belongs to it."""

import base64
import binascii
import io
import wave
from typing import Annotated, Any

import numpy as np
from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entries.tension_reading import BeltFactsIn, by_itself
from tuyere.calc.frame import Frame
from tuyere.calc.held import DriveAskedIn, OnScale, Scale, held_drive
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.signal.pluck import LONGEST_S, note_of
from tuyere.core.sources import Source
from tuyere.core.steps import looked_up
from tuyere.core.tension.readings import by_frequency

GROUP = "Alignment and tension"
MOST_BYTES = 48_000
SPECTRUM = Source(title="spectrum of the ringing span, its partials weighed by their strength", origin="derived")


class PluckIn(Input):
    """A recording of one pluck, and the belt it is of."""

    sound: Annotated[str, Field(min_length=1, max_length=MOST_BYTES * 4 // 3 + 4)] = Field(
        description="a WAV file, PCM, as base64: a second or two with one pluck in it"
    )
    drive: DriveAskedIn | None = Field(default=None, description="the drive it is of")
    belt: BeltFactsIn | None = Field(default=None, description="the belt by itself, where there is no drive")


class PartialOut(Answer):
    """A partial of the note."""

    number: int
    frequency: Figure
    strength: float


class PluckOut(Answer):
    """The note with its confidence and the tension that belongs to it; or why there is none."""

    says: str
    heard: bool
    frequency: Figure | None
    confidence: float
    tension: OnScale | None
    partials: list[PartialOut]
    spectrum_hertz: list[float]
    spectrum_strength: list[float]
    dies_away: float | None


def samples_of(text: str) -> tuple[Any, float]:
    """Samples from -1 to 1 and their rate out of a WAV file as base64. Raises InputError in plain words for what is none."""
    try:
        raw = base64.b64decode(text, validate=True)
    except (binascii.Error, ValueError) as e:
        raise InputError("sound", None, "this is no sound", "a WAV file as base64") from e
    try:
        with wave.open(io.BytesIO(raw)) as f:
            channels, width, rate, count = f.getnchannels(), f.getsampwidth(), f.getframerate(), f.getnframes()
            if rate >= 1 and count > rate * LONGEST_S * 1.5:
                raise InputError("sound", count / rate, "too long for a pluck", f"up to {LONGEST_S:g} s")
            frames = f.readframes(count)
    except (wave.Error, EOFError, ValueError) as e:
        raise InputError("sound", None, "this is no sound that can be read", "a WAV file, PCM") from e
    if not 4000 <= rate <= 200_000:
        raise InputError("sound", rate, "not a rate that sound is recorded at", "4,000 to 200,000 samples a second")
    if width == 1:
        x = (np.frombuffer(frames, np.uint8).astype(float) - 128) / 128
    elif width == 2:
        x = np.frombuffer(frames[: len(frames) // 2 * 2], "<i2").astype(float) / 32768
    elif width == 4:
        x = np.frombuffer(frames[: len(frames) // 4 * 4], "<i4").astype(float) / 2**31
    else:
        raise InputError("sound", width, "not a depth that is read", "8, 16 or 32 bits")
    if channels > 1:
        x = x[: x.size // channels * channels].reshape(-1, channels).mean(axis=1)
    return x, float(rate)


def _example() -> str:
    """A pluck of 23 Hz, made by rule: partials that die away."""
    rate = 4000
    t = np.arange(int(1.2 * rate)) / rate
    x = sum(np.exp(-t * n**0.6 / 0.35) * np.sin(2 * np.pi * 23 * n * t) / n**1.3 for n in (1, 2, 3, 4, 5))
    out = io.BytesIO()
    with wave.open(out, "wb") as f:
        f.setnchannels(1)
        f.setsampwidth(1)
        f.setframerate(rate)
        f.writeframes((128 + 90 * x / np.abs(x).max()).astype(np.uint8).tobytes())
    return base64.b64encode(out.getvalue()).decode()


@calculation(
    "pluck",
    "Note of a plucked belt",
    summary="The fundamental of a plucked span out of a sound, with its confidence and its partials; hum, speech and two belts refused.",
    source="spectrum of the ringing span; equation of the stretched string",
    example={
        "units": "us",
        "input": {
            "sound": _example(),
            "belt": {"span": "34 5/32", "mass": "0.112", "stiffness": "9 lbf", "belts": 4, "length": "91 7/8"},
        },
    },
    bench=False,
    first=("says", "frequency", "tension"),
)
def pluck(given: PluckIn, frame: Frame) -> PluckOut:
    """Hear it. Raises InputError for what is no sound; a sound without a note comes back saying why."""
    samples, rate = samples_of(given.sound)
    note = note_of(samples, rate)
    f = frame.figure
    hold = None
    if given.drive is not None:
        hold = held_drive(given.drive, frame).hold
    elif given.belt is not None:
        hold = by_itself(given.belt)
    tension: OnScale | None = None
    says = f"Not told: {note.refused}."
    hertz = None
    if note.hertz is not None:
        hertz = looked_up("f_1", note.hertz, "the partials of the sound", SPECTRUM)
        says = f"{f(hertz, 'frequency').shown}."
        if hold is not None and hold.mass_kg_m is not None:
            read = by_frequency(hertz, span_mm=float(hold.span_mm), mass_kg_m=float(hold.mass_kg_m))
            tension = Scale(hold=hold, frame=frame).at(read.tension_n)
            says = f"{f(hertz, 'frequency').shown}: {tension.tension.shown} in this belt."
    return PluckOut(
        says=says,
        heard=note.hertz is not None,
        frequency=None if hertz is None else f(hertz, "frequency"),
        confidence=round(note.confidence, 3),
        tension=tension,
        partials=[
            PartialOut(number=p.number, frequency=f(p.hertz, "frequency"), strength=round(p.strength, 4))
            for p in note.partials
        ],
        spectrum_hertz=list(note.spectrum.hertz),
        spectrum_strength=list(note.spectrum.strength),
        dies_away=None if note.dies_s is None else round(note.dies_s, 3),
    )
