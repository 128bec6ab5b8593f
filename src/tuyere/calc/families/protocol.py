"""What a family of drives brings along: one adapter, registered once.

A family's page, its storing, its search and its part in the comparison all come from this one object; nothing else in
the program names a family. A new one is a folder in ``core`` and a folder here.
"""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import ClassVar, Generic, TypeVar

from pydantic import JsonValue, TypeAdapter

from tuyere.calc.answer import Answer
from tuyere.calc.around.model import around_said
from tuyere.calc.around.parts import SPEC as AROUND
from tuyere.calc.around.parts import around_values, parts_around
from tuyere.calc.around.route import beside_wheels, case_around
from tuyere.calc.around.shown import Loops
from tuyere.calc.families.duty_model import DutyPart, StoredDuty
from tuyere.calc.families.parts_model import Parts
from tuyere.calc.families.select_model import LabelledFigure, SelectIn, StockIn
from tuyere.calc.frame import Frame
from tuyere.calc.options import Choice, know
from tuyere.calc.parts import ServiceFactorIn
from tuyere.calc.registry import Input
from tuyere.calc.sheet import Beside, SheetOut
from tuyere.calc.speed_questions import Measured, SpeedQuestion, Which, of_any_drive, standing_of
from tuyere.core.drive.case import Case, L, R, S, WorkedDrive
from tuyere.core.drive.method import Method
from tuyere.core.drive.ranking import USUAL_SPARE
from tuyere.core.drive.search import DutyWanted, Field, Ranked, Stock
from tuyere.core.errors import InputError
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet
from tuyere.core.tables import Table, table

In = TypeVar("In", bound=Input)
Sel = TypeVar("Sel", bound=SelectIn)
C = TypeVar("C")


MOST_RATIO = 15.0
RATIO_WORDS = "up to 15 : 1; use two stages or a gearbox"


@dataclass(frozen=True, slots=True, kw_only=True)
class Facts:
    """What is said of a family: names, where it stands in the order, its calculations, its questions, its choices.

    ``one`` is one of its drives in words; ``speed_field`` is where its input holds the driver's speed, ``found_fields`` say what is there; ``most_ratio`` is
    what one drive does, ``ratio_words`` what more than that asks for.
    ``loop`` is its loop as a mechanic names it at the machine. ``choices`` are the books a person picks from, ``oiled`` the points
    of such a drive that want oil or grease (core/upkeep/lubrication).
    """

    key: str
    title: str
    one: str
    order: int
    group: str
    calc: str
    select: str
    why_not: str
    manners_table: str
    speed_field: str
    found_fields: tuple[str, ...]
    loop: str
    most_ratio: float = MOST_RATIO
    one_drive: str = "one drive"
    ratio_words: str = RATIO_WORDS
    choices: tuple[Choice, ...] = ()
    oiled: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Change:
    """What a person typed at one field of a worked drive."""

    path: str
    typed: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Refit(Generic[In]):
    """The input after a change, what that did in one sentence, and the centre distance (mm) it stands at then."""

    given: In
    says: str
    centre_mm: float


class Family(ABC, Generic[In, Sel, L, R, S, C]):
    """A family of drives."""

    facts: ClassVar[Facts]
    method: Method[L, R, S]
    input_model: type[In]
    select_model: type[Sel]
    # Where a person types what the search and the page ask in one name: limits whose figure is worth saying.
    each_in_comparison: ClassVar[int] = 1
    limit_words: ClassVar[Mapping[str, tuple[str, str]]]

    @property
    def key(self) -> str:
        """Its short name."""
        return self.facts.key

    @property
    def title(self) -> str:
        """Its name."""
        return self.facts.title

    @property
    def calc(self) -> str:
        """Its whole-drive calculation."""
        return self.facts.calc

    @property
    def manners(self) -> Table:
        """How the family behaves, question by question."""
        return table(self.facts.manners_table)

    # one drive

    @abstractmethod
    def case(self, given: In, frame: Frame) -> Case[L]:
        """The core's question. Raises InputError beside the field."""

    def whole_case(self, given: In, frame: Frame) -> Case[L]:
        """The core's question with all that is on the loop. Raises InputError beside the field."""
        case = self.case(given, frame)
        return case_around(case, around_said(given), self.method)

    def worked(self, given: In, frame: Frame) -> WorkedDrive[L, R, S]:
        """A whole drive, worked. Raises InputError beside the field, NoSolution."""
        with beside_wheels(around_said(given)):
            return self.method.work(self.whole_case(given, frame))

    def loops_between(self, worked: WorkedDrive[L, R, S]) -> Callable[[float, float], Loops]:
        """Standard loops of its kind between two lengths in mm; none where it is cut to length."""
        return lambda least_mm, most_mm: ()

    @abstractmethod
    def page(self, given: In, worked: WorkedDrive[L, R, S], frame: Frame, side: Beside) -> tuple[Answer, SheetOut]:
        """(figures, call-outs with main answers and how it is set) of a worked drive."""

    @abstractmethod
    def efficiency_kind(self, worked: WorkedDrive[L, R, S]) -> str:
        """Its row of the efficiency table."""

    @abstractmethod
    def efficiency_of(self, section: str) -> str:
        """The same for a loop of a section as it is kept, without working the drive. Raises InputError."""

    def bought(self, worked: WorkedDrive[L, R, S]) -> int:
        """Parts bought: wheels, and belts or strands."""
        return worked.rated.count + len(worked.case.route.stops)

    # between the page and the store

    @abstractmethod
    def duty_of(self, given: In, worked: WorkedDrive[L, R, S]) -> DutyPart:
        """The duty that an input states."""

    @abstractmethod
    def parts(self, given: In, worked: WorkedDrive[L, R, S], frame: Frame) -> Parts:
        """The wheels and loops of a worked input."""

    @abstractmethod
    def given_values(self, duty: StoredDuty, parts: Parts) -> dict[str, JsonValue]:
        """The values of the input's fields from what is stored, core units."""

    def whole_parts(self, given: In, worked: WorkedDrive[L, R, S], frame: Frame) -> Parts:
        """The parts of a worked input with all that is on its loop."""
        parts = self.parts(given, worked, frame)
        around = around_said(given)
        return parts if around is None else parts_around(around, worked.case.route, parts, frame.units)

    def given(self, duty: StoredDuty, parts: Parts) -> In:
        """The input of the family's calculation from what is stored; the inverse of duty and parts."""
        values = self.given_values(duty, parts)
        values.pop(AROUND, None)
        if (around := around_values(parts)) is not None:
            values[AROUND] = around
        return self.input_model.model_validate(values)

    def check_found(self, given: In) -> None:
        """Refuse what would be filled in on a record of what is there. Raises InputError beside the field."""
        return

    def what(self, designation: str, strands: int) -> str:
        """What is on the drive, in one line of a list."""
        return designation

    def loop_of(self, given: In) -> str:
        """What kind of loop an input has, as jobs and limits at the machine tell them apart."""
        return self.facts.loop

    def wear_of(self, given: In, pitches: int, length_mm: float) -> tuple[str, dict[str, JsonValue]] | None:
        """The calculation that judges a length over so many pitches, and its input; None for a loop that is not measured so."""
        return None

    def speed_questions(self, given: In, worked: WorkedDrive[L, R, S], units: str) -> list[SpeedQuestion]:
        """What may be asked about the speed of a drive that stands there, with what is known of it filled in."""
        return of_any_drive(standing_of(worked, units))

    def with_wheel(self, given: In, which: Which, mm: float, measured: Measured = "outside") -> In:
        """The same drive with another wheel of that outside or pitch diameter. Raises InputError where wheels have teeth."""
        raise InputError("wheel", which, "a wheel with teeth is not turned down", "another number of teeth")

    # searching

    @abstractmethod
    def factor(self, service: ServiceFactorIn | None) -> float:
        """Its service factor for the conditions; assumptions are said."""

    def quiet_factor(self, service: ServiceFactorIn | None) -> float:
        """The same without a step and without a remark."""
        with quiet(), collected_notices():
            return self.factor(service)

    @abstractmethod
    def field(self, given: Sel, wanted: DutyWanted, frame: Frame) -> Field[C]:
        """Its combinations for a duty. Raises InputError beside what was said of them."""

    @abstractmethod
    def drive_of(self, found: Ranked[C], given: Sel) -> In:
        """The input of a found drive, core units."""

    @abstractmethod
    def telling(self, worked: WorkedDrive[L, R, S], frame: Frame) -> str:
        """What tells two options of one name apart."""

    def option_name(self, worked: WorkedDrive[L, R, S], frame: Frame) -> str:
        """An option in a few words."""
        return self.what(worked.case.route.driver.profile, worked.rated.count)

    def wanted_more(self, given: Sel, wanted: DutyWanted) -> DutyWanted:
        """The duty with what only this family's limits say."""
        return wanted

    def stock(self, given: StockIn) -> Stock:
        """The shelf as the search takes it: what has teeth by its teeth. Raises InputError beside a line that is no part."""
        wheels = tuple((s.groove, float(s.teeth or (s.diameter.value if s.diameter else 0.0))) for s in given.sheaves)
        return Stock(loops=frozenset(t.strip() for t in given.belts), wheels=wheels)

    def more(self, worked: WorkedDrive[L, R, S], frame: Frame) -> list[LabelledFigure]:
        """Figures that only this family has, for its card."""
        return []

    def care(self, found: tuple[Ranked[C], ...], given: Sel, frame: Frame) -> tuple[str, ...]:
        """What asks for care in using what was found."""
        return ()

    def missing(self, given: Sel) -> str:
        """What the search leaves out, in one sentence."""
        return ""

    def reasons(self, found: Ranked[C], worked: WorkedDrive[L, R, S]) -> list[str]:
        """What speaks for an option, beside what it is first in."""
        spare = worked.spare_percent or 0.0
        out = []
        if found.on_shelf == 3:
            out.append("all of it on your shelf")
        elif found.on_shelf:
            out.append(f"{found.on_shelf} of 3 parts on your shelf")
        elif found.common:
            out.append("both wheels often on the shelf")
        if 0 <= spare <= USUAL_SPARE:
            out.append(f"{spare:.0f} % to spare")
        elif spare > USUAL_SPARE:
            out.append(f"heavy for the duty: {spare:.0f} % to spare")
        return out

    # changing a drawn drive

    def refit(self, given: In, change: Change, frame: Frame) -> Refit[In] | None:
        """What follows from a change that means more than its own field; None for a plain one."""
        return None


# Families are of many kinds; whoever takes one of them by name knows it by what all have.
AnyFamily = Family[Input, SelectIn, object, object, object, object]
FAMILIES: dict[str, AnyFamily] = {}


def register(family: Family[In, Sel, L, R, S, C]) -> Family[In, Sel, L, R, S, C]:
    """Make a family known; raises ValueError for a second one of that key."""
    if family.key in FAMILIES:
        raise ValueError(f"there is a family {family.key} already")
    FAMILIES[family.key] = family  # type: ignore[assignment]  # a family takes its own input only: the key goes with it
    for choice in family.facts.choices:
        know(choice)
    return family


def families() -> list[AnyFamily]:
    """All families in the order they are shown."""
    return sorted(FAMILIES.values(), key=lambda f: f.facts.order)


def of_calc(name: str) -> AnyFamily | None:
    """The family whose whole-drive calculation has this name."""
    return next((f for f in FAMILIES.values() if f.calc == name), None)


def check_ratio(given: SelectIn, *, most: float, one_drive: str, words: str) -> None:
    """Refuse a ratio that one drive does not do."""
    ratio = given.driver_speed.value / given.driven_speed.value
    if not 1 / most <= ratio <= most:
        raise InputError(
            "driven_speed",
            given.driven_speed.value,
            f"a ratio of {max(ratio, 1 / ratio):.0f} : 1 is beyond {one_drive}",
            words,
        )


_VALUES = TypeAdapter(dict[str, JsonValue])


def dumped(given: Input) -> dict[str, JsonValue]:
    """An input as it is sent and kept: what was said, texts as typed, numbers in the core's units."""
    return _VALUES.validate_python(given.model_dump(mode="json", exclude_unset=True))
