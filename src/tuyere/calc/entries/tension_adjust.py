"""`tension-adjust`: what to turn next."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entries.tension_target import State
from tuyere.calc.entry import Force, Size, Turns, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.held import DriveAskedIn, OnScale, Scale, held_drive
from tuyere.calc.maker import MakerIn, maker_band
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.tension.adjust import TurnsAnd, in_words, next_move

GROUP = "Alignment and tension"


class TurnIn(Input):
    """The adjusters so far: turns of each in all, and the tension of one belt that was read then."""

    turns: Turns = Field(description="turns of each adjuster in all, from the first reading on; looser is less")
    tension: Force = Field(description="tension of one belt, the mean of the set")


class TensionAdjustIn(Input):
    """A drive, its adjusters, and what was read so far."""

    drive: DriveAskedIn
    state: State = Field(default="new", description="new belts, or belts that have run in")
    pitch: Size | None = Field(default=None, description="thread pitch of the adjusters: what one turn moves")
    done: Annotated[list[TurnIn], Field(min_length=1, max_length=40)] = Field(description="readings and turns so far")
    most: Force | None = Field(default=None, description="tension of one belt never to pass")
    maker: MakerIn | None = Field(default=None, description="the machine maker's number")


class TensionAdjustOut(Answer):
    """What to turn next, and what that will do."""

    says: str
    turns: Figure
    each_turn: Figure | None
    expected: OnScale | None
    seen_on_this_drive: bool
    trouble: str


@calculation(
    "tension-adjust",
    "What to turn next",
    summary="Turns of each adjuster from readings and turns so far, never past the upper limit; when something does not move as it should.",
    source="elastic stretch of a belt; readings on the drive itself",
    example={
        "units": "us",
        "input": {
            "drive": {
                "calc": "v-belt-drive",
                "input": {
                    "power": "15hp",
                    "service_factor": {"assume": 1.3},
                    "driver": {"speed": "1750 rpm", "sheave": {"diameter": "5.4 in", "kind": "pitch", "groove": "B"}},
                    "driven": {"sheave": {"diameter": "9.4 in", "kind": "pitch", "groove": "B"}},
                    "belt": {"designation": "B90"},
                },
            },
            "state": "new",
            "pitch": "0.077",
            "done": [{"turns": 0, "tension": "31 lbf"}, {"turns": "1/2", "tension": "44 lbf"}],
        },
    },
    bench=False,
    first=("says", "turns", "expected"),
)
def tension_adjust(given: TensionAdjustIn, frame: Frame) -> TensionAdjustOut:
    """Work the next move."""
    held = held_drive(given.drive, frame)
    hold = held.hold
    scale = Scale(hold=hold, frame=frame, pull_per_n=held.pull_per_n)
    band = hold.band(given.state) if given.maker is None else maker_band(given.maker, hold, given.state)
    most = maybe(given.most)
    try:
        move = next_move(
            [TurnsAnd(turns=d.turns.value, tension_n=d.tension.value) for d in given.done],
            low_n=float(band.low_n),
            high_n=float(band.high_n),
            most_n=most,
            stiffness_n=hold.stiffness_n,
            pitch_mm=maybe(given.pitch),
            length_mm=float(hold.length_mm),
        )
    except InputError as e:
        raise e.at("done" if e.field == "readings" else e.field) from e
    if move.trouble:
        says = move.trouble
    elif move.turns == 0:
        says = "In the band: lock the adjusters and read once more."
    else:
        says = f"Turn each screw {in_words(move.turns)}, both alike, then read again."
        if move.per_turn_n is None:
            says += " That tells what a turn does here."
        elif not move.seen:
            says += " What a turn does here is not known yet: this is half of what the belt's stretch alone would ask."
    return TensionAdjustOut(
        says=says,
        turns=frame.figure(move.turns, "turns"),
        each_turn=None if move.per_turn_n is None else frame.figure(move.per_turn_n, "force", per="belt"),
        expected=None if move.expected_n is None else scale.at(move.expected_n),
        seen_on_this_drive=move.seen,
        trouble=move.trouble,
    )
