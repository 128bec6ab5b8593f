"""A drive inside another question: worked by its family, and how it holds its tension."""

from __future__ import annotations

from dataclasses import dataclass, replace

from pydantic import ConfigDict, Field, JsonValue, ValidationError

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.around.model import around_said
from tuyere.calc.around.shown import hand_share
from tuyere.calc.entry import reading_in
from tuyere.calc.families.protocol import AnyFamily, of_calc
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Text
from tuyere.calc.registry import Input
from tuyere.core.drive.case import WorkedDrive
from tuyere.core.drive.pulled import pull_for_newton
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet
from tuyere.core.tension.formulas import deflection, deflection_at_mark, span_frequency
from tuyere.core.tension.hold import Hold
from tuyere.core.tension.reading_formulas import force_for_tension


class DriveAskedIn(Input):
    """A whole drive: which calculation works it, and its input as the drive's page holds it."""

    model_config = ConfigDict(json_schema_extra={"x-drive": True})

    calc: Text = Field(description="the whole-drive calculation that works it")
    input: dict[str, JsonValue] = Field(description="its input")
    span: Text | None = Field(
        default=None,
        description="the strand that is pressed or sounded, such as driver-driven; the longest where left open",
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class HeldDrive:
    """A worked drive and how it holds."""

    family: AnyFamily
    worked: WorkedDrive[object, object, object]
    hold: Hold
    pull_per_n: float | None = None


def on_span(hold: Hold, worked: WorkedDrive[object, object, object], span: str, field: str) -> Hold:
    """The same loop read at another strand. Raises InputError beside ``field`` for a strand it does not have."""
    found = next((s for s in worked.shape.path.spans if s.id == span), None)
    if found is None:
        names = ", ".join(s.id for s in worked.shape.path.spans)
        raise InputError(field, span, "this drive has no such strand", names)
    whole = hold.share_mm == hold.length_mm
    return replace(hold, span_mm=found.length_mm, share_mm=hold.share_mm if whole else found.length_mm)


def pull_per_newton(given: Input, worked: WorkedDrive[object, object, object], belts: int) -> float | None:
    """Pull where a hand or spring sets it, for one newton in one belt; None where nothing is pulled."""
    own = worked.shape.path.route.take_up
    around = around_said(given)
    if around is None or around.take_up is None or own is None or own.force_n is None:
        return None
    share = hand_share(around.take_up, worked.case.route)
    return pull_for_newton(worked.shape.path, own) * belts * (1.0 if share is None else share)


@dataclass(frozen=True, slots=True, kw_only=True)
class DriveWorked:
    """A drive inside another question, worked."""

    family: AnyFamily
    given: Input
    worked: WorkedDrive[object, object, object]


def drive_worked(asked: DriveAskedIn, frame: Frame, field: str = "drive") -> DriveWorked:
    """Work a drive inside another question. Raises InputError beside ``field`` where it is none."""
    family = of_calc(asked.calc)
    if family is None:
        raise InputError(
            f"{field}.calc", asked.calc, "no family of drives is worked by that", "a whole-drive calculation"
        )
    with reading_in(frame.units), quiet(), collected_notices():
        try:
            given = family.input_model.model_validate(asked.input)
            return DriveWorked(family=family, given=given, worked=family.worked(given, frame))
        except ValidationError as e:
            raise InputError(
                f"{field}.input", None, "this is no input of that calculation", "the input as the drive's page holds it"
            ) from e
        except InputError as e:
            raise e.at(f"{field}.input.{e.field}") from e
        except NoSolution as e:
            raise InputError(f"{field}.input", None, e.why, e.allowed, **e.quantities) from e


def held_drive(asked: DriveAskedIn, frame: Frame, field: str = "drive", *, span: str | None = None) -> HeldDrive:
    """The same with how it holds. Raises InputError beside ``field`` where it is none, or is not held by tension."""
    found = drive_worked(asked, frame, field)
    family, given, worked = found.family, found.given, found.worked
    with quiet(), collected_notices():
        hold = family.method.hold(worked)
    if hold is None:
        raise InputError(
            f"{field}.calc",
            asked.calc,
            f"a {family.facts.one} is not set by its tension",
            "a belt drive; a chain is set by its slack",
        )
    if asked.span is not None:
        hold = on_span(hold, worked, asked.span, f"{field}.span")
    elif span is not None:
        hold = on_span(hold, worked, span, "span")
    with quiet():
        per_n = pull_per_newton(given, worked, hold.belts)
    return HeldDrive(family=family, worked=worked, hold=hold, pull_per_n=per_n)


class OnScale(Answer):
    """One tension of one belt on the three rulers: pull, force of the gauge, note. None where the belt's data are not known."""

    tension: Figure
    pull: Figure | None = Field(
        default=None, description="pull at the spring, the weight or the lever's end that holds it, for all belts"
    )
    deflection_force: Figure | None
    frequency: Figure | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Scale:
    """The rulers of a loop: deflection in mm that the force belongs to."""

    hold: Hold
    frame: Frame
    pull_per_n: float | None = None

    @property
    def deflection_mm(self) -> float:
        """A sixty-fourth of the span, at a mark of the tape."""
        with quiet():
            q: float = deflection_at_mark(deflection(self.hold.span_mm), self.frame.tape_mark_mm)
        return q

    def force_n(self, tension_n: float) -> float:
        """Force of the gauge at a tension; without stiffness where that is not known."""
        h = self.hold
        with quiet():
            force: float = force_for_tension(tension_n, self.deflection_mm, h.span_mm, h.stiffness_n or 0.0, h.share_mm)
        return force

    def hertz(self, tension_n: float) -> float | None:
        """Note of the span at a tension; None where its mass is not known."""
        if self.hold.mass_kg_m is None or tension_n <= 0:
            return None
        with quiet():
            hertz: float = span_frequency(self.hold.span_mm, tension_n, self.hold.mass_kg_m)
        return hertz

    def at(self, tension_n: float) -> OnScale:
        """A tension on all rulers."""
        f = self.frame.figure
        hertz = self.hertz(float(tension_n))
        return OnScale(
            tension=f(tension_n, "force", per="belt"),
            pull=None if self.pull_per_n is None else f(float(tension_n) * self.pull_per_n, "force"),
            deflection_force=f(self.force_n(float(tension_n)), "force", per="belt"),
            frequency=None if hertz is None else f(hertz, "frequency"),
        )
