"""`tension-reading`: what was read, as the tension of each belt."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entries.tension_target import BandOut, State
from tuyere.calc.entry import Angle, Force, Frequency, Length, MassPerLength, Size, maybe, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.held import DriveAskedIn, OnScale, Scale, held_drive
from tuyere.calc.maker import MakerIn, maker_band
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.steps import about
from tuyere.core.tension.cliffs import cliffs_of
from tuyere.core.tension.hold import Hold, TensionBand
from tuyere.core.tension.readings import (
    AsTension,
    by_clip,
    by_force,
    by_frequency,
    by_pull,
    by_stretch,
    contradict,
    method_row,
    plucks_of,
    set_of,
)
from tuyere.core.units import N_PER_LBF

GROUP = "Alignment and tension"
Method = Literal["plunger", "clip-on", "frequency", "stretch", "pull", "thumb"]
MOST_GAUGE_LBF = 99.0
SPAN_OFF = 0.08
BeltNo = Annotated[Whole, Field(ge=1, le=30)]


class ArmIn(Input):
    """A lever or sprung arm with an idler."""

    pull_at: Length = Field(description="pivot to where it is pulled")
    idler_at: Length = Field(description="pivot to the idler's middle")
    turn: Angle = Field(description="turn of the belt on the idler")
    off_square: Angle | None = Field(default=None, description="how far the belt's push is off square to the arm")


class ReadingIn(Input):
    """One reading of one belt; what it holds goes by its method."""

    belt: BeltNo = Field(default=1, description="which belt of the set, from the machine outward")
    method: Method = Field(default="plunger", description="what it was read with")
    force: Force | None = Field(default=None, description="force of the gauge, or the tension a clip-on gauge shows")
    deflection: Size | None = Field(
        default=None, description="how far it was pressed; a sixty-fourth of the span is taken"
    )
    frequency: Frequency | None = Field(default=None, description="note of the span")
    marks_slack: Length | None = Field(default=None, description="marks apart, slack")
    marks_tight: Length | None = Field(default=None, description="marks apart, tight")
    pull: Force | None = Field(default=None, description="pull at the arm, the mean of letting in and out")


class BeltFactsIn(Input):
    """A belt by itself, where there is no drive to ask."""

    span: Length = Field(description="free span")
    mass: MassPerLength | None = Field(default=None, description="mass of one belt by its length")
    stiffness: Force | None = Field(default=None, description="deflection stiffness Y of one belt")
    belts: BeltNo = Field(default=1, description="belts of the set")
    length: Length | None = Field(default=None, description="length of the belt")


class TensionReadingIn(Input):
    """Readings of a drive's belts, by any means."""

    drive: DriveAskedIn | None = Field(default=None, description="the drive they are of")
    belt: BeltFactsIn | None = Field(default=None, description="the belt by itself, where there is no drive")
    span: Length | None = Field(default=None, description="span as measured; the drive's own is taken")
    state: State = Field(default="run in", description="new belts, or belts that have run in")
    readings: Annotated[list[ReadingIn], Field(min_length=1, max_length=60)] = Field(description="what was read")
    arm: ArmIn | None = Field(default=None, description="the arm, for a reading by its pull")
    maker: MakerIn | None = Field(default=None, description="the machine maker's number")


class BeltReadOut(Answer):
    """One belt: where it stands on the scale and how sure that is."""

    belt: int
    at: OnScale
    error: Figure
    says: str
    verdict: Literal["fine", "watch", "act"] | None = Field(description="none where nothing says what it should be")
    loose: bool = Field(description="under what is wanted")


class TensionReadingOut(Answer):
    """What the readings say together."""

    says: str
    verdict: Literal["fine", "watch", "act"]
    belts: list[BeltReadOut]
    mean: OnScale
    spread: Figure | None
    odd_belt: int | None
    band: BandOut | None
    remarks: list[str]


def by_itself(given: BeltFactsIn) -> Hold:
    """A belt with no drive round it: only the readings can be turned into tensions."""
    span = given.span.value
    length = value_of(given.length, span)
    return Hold(
        belts=given.belts,
        span_mm=span,
        length_mm=length,
        share_mm=length if given.belts == 1 else span,
        mass_kg_m=maybe(given.mass),
        stiffness_n=None if given.stiffness is None else 2048 * given.stiffness.value,
        static_n=0.0,
        bands=(),
        centrifugal_n=0.0,
        arc_deg=180.0,
        grip_ratio=1.0,
        speed_m_s=0.0,
        power_kw=0.0,
        design_kw=0.0,
        width_mm=0.0,
        tape_mark_mm=1.0,
    )


def hold_asked(given: TensionReadingIn, frame: Frame) -> Hold:
    """The loop that is read. Raises InputError where neither a drive nor a belt is given, or the span is not the drive's."""
    if given.drive is not None:
        hold = held_drive(given.drive, frame).hold
    elif given.belt is not None:
        hold = by_itself(given.belt)
    else:
        raise InputError("drive", None, "which belt was read?", "a drive, or the belt by itself")
    if given.span is not None and abs(given.span.value / hold.span_mm - 1) > SPAN_OFF:
        raise InputError(
            "span",
            given.span.value,
            "that is not this drive's span",
            "about {span}, from where the belt leaves one wheel to where it meets the next",
            span=(float(hold.span_mm), "length"),
        )
    return hold


def _asked(k: int, field: str, value: object, what: str) -> InputError:
    return InputError(f"readings.{k}.{field}", value, what, "what the instrument shows")


def _one(k: int, r: ReadingIn, given: TensionReadingIn, hold: Hold, scale: Scale) -> AsTension:
    """One reading as a tension. Raises InputError beside its field."""
    try:
        if r.method in ("plunger", "thumb"):
            if r.force is None:
                raise _asked(k, "force", None, "the force is wanted")
            if r.method == "plunger" and r.force.value > MOST_GAUGE_LBF * N_PER_LBF * 1.001:
                raise InputError(
                    "force",
                    r.force.value,
                    "beyond any hand gauge",
                    "up to {most}",
                    most=(MOST_GAUGE_LBF * N_PER_LBF, "force"),
                )
            return by_force(
                r.force.value,
                value_of(r.deflection, scale.deflection_mm),
                span_mm=float(hold.span_mm),
                stiffness_n=float(hold.stiffness_n or 0.0),
                share_mm=float(hold.share_mm),
                method=r.method,
            )
        if r.method == "clip-on":
            if r.force is None:
                raise _asked(k, "force", None, "the tension it shows is wanted")
            return by_clip(r.force.value)
        if r.method == "stretch":
            if r.marks_slack is None or r.marks_tight is None:
                raise _asked(k, "marks_tight", None, "both distances of the marks are wanted")
            if hold.stiffness_n is None:
                raise InputError("method", r.method, "this belt's stretch is not known", "another way to read it")
            return by_stretch(r.marks_slack.value, r.marks_tight.value, stiffness_n=hold.stiffness_n)
        if r.pull is None or given.arm is None:
            raise _asked(k, "pull", None, "the pull and the arm's lengths are wanted")
        return by_pull(
            r.pull.value,
            grip_mm=given.arm.pull_at.value,
            idler_mm=given.arm.idler_at.value,
            turn_deg=given.arm.turn.value,
            off_deg=value_of(given.arm.off_square),
            belts=hold.belts,
        )
    except InputError as e:
        raise e if e.field.startswith("readings.") else e.at(f"readings.{k}.{e.field}") from e


def _plucked(group: list[tuple[int, ReadingIn]], hold: Hold, remarks: list[str]) -> AsTension:
    """Several plucks of one belt as one reading."""
    first = group[0][0]
    notes = []
    for k, r in group:
        if r.frequency is None:
            raise _asked(k, "frequency", None, "the note is wanted")
        notes.append(r.frequency.value)
    if hold.mass_kg_m is None:
        raise InputError(
            f"readings.{first}.method",
            "frequency",
            "this belt's mass is not known",
            "give it, or another way to read it",
        )
    try:
        plucks = plucks_of(notes)
        belt = group[0][1].belt
        remarks += [f"Belt {belt}: pluck {no} {why} and is left out." for no, why in plucks.left_out]
        return by_frequency(plucks.middle_hz, span_mm=float(hold.span_mm), mass_kg_m=float(hold.mass_kg_m))
    except InputError as e:
        field = "frequency" if e.field in ("frequency", "plucks") else e.field
        raise e.at(f"readings.{first}.{field}") from e


def tensions_read(given: TensionReadingIn, hold: Hold, frame: Frame) -> tuple[dict[int, AsTension], list[str]]:
    """Tension of every belt that was read, and what is to be said of the readings. Raises InputError beside a reading."""
    scale = Scale(hold=hold, frame=frame)
    remarks: list[str] = []
    by_belt: dict[int, list[AsTension]] = {}
    for belt in sorted({r.belt for r in given.readings}):
        if belt > hold.belts:
            k = next(k for k, r in enumerate(given.readings) if r.belt == belt)
            raise InputError(f"readings.{k}.belt", belt, f"this set has {hold.belts} belts", f"1 to {hold.belts}")
        with about(f"belt {belt}"):
            mine = [(k, r) for k, r in enumerate(given.readings) if r.belt == belt]
            plucked = [(k, r) for k, r in mine if r.method == "frequency"]
            seen = [_one(k, r, given, hold, scale) for k, r in mine if r.method != "frequency"]
            if plucked:
                seen.append(_plucked(plucked, hold, remarks))
        for a in range(len(seen)):
            for b in range(a + 1, len(seen)):
                if contradict(seen[a], seen[b]):
                    x, y = (frame.figure(float(s.tension_n), "force").shown for s in (seen[a], seen[b]))
                    remarks.append(
                        f"Belt {belt}: two ways do not agree, {x} and {y}: look at span, deflection and the gauge's ring."
                    )
        by_belt[belt] = seen
    # The surest reading of a belt is taken.
    return {belt: min(seen, key=lambda s: s.error_n / s.tension_n) for belt, seen in by_belt.items()}, remarks


def _verdict(
    tension: float, band: TensionBand, slips_under: float | None
) -> tuple[Literal["fine", "watch", "act"], str]:
    if slips_under is not None and tension < slips_under:
        return "act", "slips at the duty's power"
    if tension < band.low_n * 0.99:
        return "watch", "too loose"
    if tension > band.high_n * 1.01:
        return "watch", "too tight"
    return "fine", "in the band"


@calculation(
    "tension-reading",
    "What a tension reading says",
    summary="Plunger, clip-on, note, marks, pull or thumb as the tension of each belt; mean, spread, the odd belt, contradictions.",
    source="ANSI/RMA IP-20 and IP-22; equation of the stretched string; statics",
    example={
        "units": "us",
        "input": {
            "belt": {"span": "34 5/32", "mass": "0.112", "stiffness": "9 lbf", "belts": 4, "length": "91 7/8"},
            "state": "run in",
            "readings": [
                {"belt": 1, "method": "plunger", "force": "4.2", "deflection": "17/32"},
                {"belt": 2, "method": "plunger", "force": "4.3", "deflection": "17/32"},
                {"belt": 3, "method": "plunger", "force": "2.6", "deflection": "17/32"},
                {"belt": 4, "method": "plunger", "force": "4.4", "deflection": "17/32"},
            ],
        },
    },
    first=("says", "mean", "odd_belt"),
)
def tension_reading(given: TensionReadingIn, frame: Frame) -> TensionReadingOut:
    """Turn readings into tensions and judge them."""
    hold = hold_asked(given, frame)
    scale = Scale(hold=hold, frame=frame)
    read, remarks = tensions_read(given, hold, frame)
    every = [float(read[b].tension_n) for b in sorted(read)]
    together = set_of(every)
    band = None
    slips: float | None = None
    if hold.bands:
        band = hold.band(given.state)
        if given.maker is not None:
            band = maker_band(given.maker, hold, given.state)
        slips = cliffs_of(hold).slips_under_n
    verdict: Literal["fine", "watch", "act"] = "fine"
    mean_shown = scale.at(together.mean_n)
    says = f"{frame.figure(together.mean_n, 'force').shown} in each belt."
    if band is not None:
        verdict, word = _verdict(together.mean_n, band, slips)
        says = f"{frame.figure(together.mean_n, 'force').shown} in each belt, on average: {word}."
    belts = sorted(read)
    odd = belts[together.odd - 1] if together.odd is not None else None
    if odd is not None:
        verdict = "act" if verdict == "act" else "watch"
        look = "a stretched belt or a worn groove" if together.odd_is_slack else "a shorter belt, or dirt in its groove"
        says += f" Belt {odd} is odd: look at groove {odd}, {look}."
    if any(r.method == "thumb" for r in given.readings):
        notice(
            "caution",
            "thumb",
            "A thumb finds a grossly slack or tight belt and sets nothing.",
            "input.readings",
            "Read it with a gauge or by its note.",
        )
    if hold.stiffness_n is None and any(r.method in ("plunger", "thumb") for r in given.readings):
        notice(
            "info",
            "no-stiffness",
            "This belt's stiffness is not known: by force it reads a little high.",
            "input.drive",
        )
    minds = {str(method_row(r.method)["mind"]) for r in given.readings}
    judged = {b: None if band is None else _verdict(float(read[b].tension_n), band, slips) for b in belts}
    return TensionReadingOut(
        says=says,
        verdict=verdict,
        belts=[
            BeltReadOut(
                belt=b,
                at=scale.at(read[b].tension_n),
                error=frame.figure(read[b].error_n, "force", per="belt"),
                says="" if one is None else one[1],
                verdict=None if one is None else one[0],
                loose=one is not None and one[0] != "fine" and band is not None and read[b].tension_n < band.low_n,
            )
            for b, one in judged.items()
        ],
        mean=mean_shown,
        spread=frame.figure(together.spread_percent, "percent") if len(every) > 1 else None,
        odd_belt=odd,
        band=None if band is None else BandOut(state=given.state, low=scale.at(band.low_n), high=scale.at(band.high_n)),
        remarks=[*remarks, *sorted(minds)],
    )
