"""What a job knows of its drive: figures to stand beside a step, by the names that templates use."""

from __future__ import annotations

from dataclasses import dataclass, field
from functools import cached_property

from pydantic import JsonValue

from tuyere.calc.ends import EndsIn, cliffs_asked
from tuyere.calc.entry import reading_in
from tuyere.calc.families.protocol import AnyFamily, of_calc
from tuyere.calc.frame import Frame
from tuyere.calc.held import HeldDrive, Scale, on_span, pull_per_newton
from tuyere.calc.kinds import in_system
from tuyere.calc.maker import maker_band
from tuyere.calc.registry import Input, Units, find, work
from tuyere.calc.sheet import SheetOut
from tuyere.core.alignment.limits import limits_of, run_out_limit_mm
from tuyere.core.drive.case import WorkedDrive
from tuyere.core.errors import CoreError, InputError
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet
from tuyere.core.tension.cliffs import Cliffs
from tuyere.core.tension.hold import Hold, TensionBand
from tuyere.jobs.lever import Lever, lever_of


@dataclass(frozen=True, slots=True, kw_only=True)
class FigureOfDrive:
    """A figure by its template name: in words, and as it is shown; ``low`` and ``high`` in the core's unit where it is a limit.

    ``drawn`` are its numbers for a picture: a length in mm, the ends of a band of force as a gauge in the person's unit has them.
    """

    name: str
    label: str
    shown: str
    low: float | None = None
    high: float | None = None
    drawn: tuple[float, ...] = ()


@dataclass(frozen=True, kw_only=True)
class DriveKnown:
    """A drive's calculation and its input as it stands, with what was picked beside it; ``ends`` is what is kept of its start,
    shafts and maker's number.
    """

    calc: str
    input: dict[str, JsonValue]
    options: dict[str, str] = field(default_factory=dict)
    units: Units = "us"
    what: str = ""
    ends: dict[str, JsonValue] = field(default_factory=dict)

    @cached_property
    def family(self) -> AnyFamily:
        """The family that works it. Raises InputError."""
        found = of_calc(self.calc)
        if found is None:
            raise InputError("calc", self.calc, "no family of drives is worked by that", "a whole-drive calculation")
        return found

    @cached_property
    def given(self) -> Input:
        """The input as a model; numbers are in the core's units."""
        with reading_in("si"):
            return self.family.input_model.model_validate(self.input)

    @cached_property
    def frame(self) -> Frame:
        """Shows figures in the person's units."""
        return Frame(self.units, self.options)

    @cached_property
    def worked(self) -> WorkedDrive[object, object, object]:
        """The drive, worked."""
        with quiet(), collected_notices():
            return self.family.worked(self.given, self.frame)

    @property
    def span(self) -> str | None:
        """The strand that is pressed or sounded, where one was picked that the drive still has."""
        picked = self.ends.get("span")
        return picked if isinstance(picked, str) and any(s.id == picked for s in self.worked.shape.path.spans) else None

    @cached_property
    def hold(self) -> Hold | None:
        """How it holds its tension at the strand that is read, if it does."""
        with quiet(), collected_notices():
            hold = self.family.method.hold(self.worked)
            return hold if hold is None or self.span is None else on_span(hold, self.worked, self.span, "span")

    @cached_property
    def lever(self) -> Lever | None:
        """The arm that sets it, from its drawn route; None where the drive has none."""
        return lever_of(self.given, self.worked)

    @cached_property
    def ends_asked(self) -> EndsIn:
        """What is known of start, shafts and the maker's number. Raises ValidationError where it was kept wrongly."""
        return EndsIn.model_validate(self.ends)

    def band(self, state: str) -> tuple[TensionBand, str] | None:
        """(what to set, whose number it is): the machine maker's first, else the worked one."""
        if self.hold is None:
            return None
        maker = self.ends_asked.maker
        if maker is not None:
            with quiet():
                return maker_band(maker, self.hold, state), "the machine maker's"
        return self.hold.band(state), "worked"

    @property
    def bands(self) -> tuple[tuple[str, TensionBand], ...]:
        """What to set, each with its name: the machine maker's number alone where it is known, else a new loop and one that has run in."""
        if self.hold is None:
            return ()
        found = self.band("run in")
        if found is not None and self.ends_asked.maker is not None:
            return (("maker's number", found[0]),)
        return tuple((b.state, b) for b in self.hold.bands)

    @cached_property
    def cliffs(self) -> Cliffs | None:
        """Both ends of its tension."""
        if self.hold is None:
            return None
        with quiet():
            return cliffs_asked(self.ends_asked, HeldDrive(family=self.family, worked=self.worked, hold=self.hold))

    @cached_property
    def scale(self) -> Scale | None:
        """Its rulers."""
        return None if self.hold is None else Scale(hold=self.hold, frame=self.frame)

    @property
    def loop(self) -> str:
        """What kind of loop it has."""
        return self.family.loop_of(self.given)

    @property
    def belts(self) -> int:
        """Belts or strands."""
        return self.worked.rated.count

    @cached_property
    def sheet(self) -> SheetOut | None:
        """What the drive's page shows; None where its calculation refuses it."""
        calc = find(self.calc)
        request = calc.request_model.model_construct(units=self.units, options=self.options, input=self.given)
        try:
            return work(calc, request).sheet
        except CoreError:
            return None

    @property
    def set_line(self) -> str:
        """How it is set, in one line."""
        return "" if self.sheet is None else self.sheet.set_line

    @property
    def moving_mm(self) -> float:
        """Outside diameter of the wheel that usually moves: the driver's."""
        return float(self.worked.case.route.driver.outside_mm)


def _lever_pull(known: DriveKnown, state: str) -> FigureOfDrive | None:
    """What is pulled where the loop is set by a pull."""
    found, hold = known.band(state), known.hold
    if found is None or hold is None:
        return None
    with quiet():
        per_n = pull_per_newton(known.given, known.worked, hold.belts)
    if per_n is None:
        return None
    low, high = per_n * float(found[0].low_n), per_n * float(found[0].high_n)
    least, most = (known.frame.figure(n, "force") for n in (low, high))
    return FigureOfDrive(
        name="lever_pull", label=f"pull, {found[0].state}", shown=f"{least.number} to {most.shown}", low=low, high=high
    )


def figure_of(known: DriveKnown, name: str, state: str) -> FigureOfDrive | None:
    """A figure by the name that templates use; None where this drive has none. ``state`` is new or run in."""
    f, worked = known.frame.figure, known.worked
    if name == "designation":
        return FigureOfDrive(name=name, label="on it", shown=known.what)
    if name == "belt_count":
        return FigureOfDrive(name=name, label="belts", shown=str(known.belts))
    if name == "driven_speed":
        low, high = float(worked.speeds.low_rpm), float(worked.speeds.high_rpm)
        shown = f(high, "speed").shown if high - low < 0.5 else f"{f(low, 'speed').number} to {f(high, 'speed').shown}"
        return FigureOfDrive(name=name, label="driven", shown=shown, low=low, high=high)
    if name == "align_limit":
        with quiet():
            limits = limits_of(known.loop, float(worked.centre_mm), known.moving_mm)
        angle, offset = f(limits.angle_deg, "angle", "fine"), f(limits.offset_mm, "gap")
        return FigureOfDrive(
            name=name,
            label="allowed",
            shown=f"{angle.shown} each way, {offset.shown} offset",
            high=float(limits.angle_deg),
        )
    if name == "run_out_limit":
        toothed = known.loop in ("sync", "chain", "chain-dogged")
        with quiet():
            allowed, _ = run_out_limit_mm("toothed rim" if toothed else "grooved rim", known.moving_mm)
        return FigureOfDrive(name=name, label="run-out allowed", shown=f(allowed, "gap").shown, high=float(allowed))
    if name == "chain_movement":
        return FigureOfDrive(name=name, label="by hand", shown=known.set_line) if known.set_line else None
    scale, hold = known.scale, known.hold
    if scale is None or hold is None:
        return None
    if name == "lever_pull":
        return _lever_pull(known, state)
    if name == "span":
        return FigureOfDrive(name=name, label="free span", shown=f(float(hold.span_mm), "length", "tape").shown)
    if name == "deflection":
        deep = scale.deflection_mm
        return FigureOfDrive(
            name=name, label="press in by", shown=f(deep, "length", "tape").shown, drawn=(float(deep),)
        )
    if name == "tension_band":
        found = known.band(state)
        if found is None:
            return None
        band, whose = found
        forces = [float(scale.force_n(float(n))) for n in (band.low_n, band.high_n)]
        least, most = (f(n, "force") for n in forces)
        return FigureOfDrive(
            name=name,
            label=f"each belt, {band.state}" if whose == "worked" else f"each belt, {whose} number",
            shown=f"{least.number} to {most.shown} at {f(scale.deflection_mm, 'length', 'tape').shown}",
            low=float(band.low_n),
            high=float(band.high_n),
            drawn=tuple(in_system(n, "force", known.units) for n in forces),
        )
    return None
