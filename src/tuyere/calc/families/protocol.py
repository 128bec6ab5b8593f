"""What a family of drives brings along: one adapter, registered once.

A family's page, its storing and its part in the comparison of families all come from this one object;
nothing else in the program names a family. A new one is a folder in ``core`` and a folder here.
"""

from __future__ import annotations

from abc import ABC, abstractmethod
from dataclasses import dataclass, field
from typing import Any, ClassVar, Generic, TypeVar

from tuyere.calc.entry import Entered
from tuyere.calc.frame import Frame
from tuyere.calc.parts import ServiceFactorIn
from tuyere.calc.registry import Input
from tuyere.calc.wanted import WantedIn
from tuyere.core.geometry.elevation import Elevation
from tuyere.core.tables import Table, table
from tuyere.core.wheels.mass import Weight

In = TypeVar("In", bound=Input)


@dataclass(frozen=True, kw_only=True)
class WheelPart:
    """A wheel as it is stored; ``count`` is grooves or teeth. ``spec`` holds what only its family knows."""

    kind: str
    diameter_mm: float
    diameter_kind: str
    profile: str
    diameter_typed: str | None = None
    grooves: int | None = None
    teeth: int | None = None
    spec: dict[str, Any] = field(default_factory=dict)


@dataclass(frozen=True, kw_only=True)
class LoopPart:
    """A belt or chain as it is stored."""

    section: str
    designation: str
    length_mm: float
    length_kind: str
    strands: int = 1
    members: int = 1
    spec: dict[str, Any] = field(default_factory=dict)
    joined: bool = False


@dataclass(frozen=True, kw_only=True)
class Parts:
    """Everything of a build but its duty. Centre distance in mm, angle in degrees."""

    driver: WheelPart
    driven: WheelPart
    loop: LoopPart
    centre_mm: float
    angle: float
    clockwise: bool


@dataclass(frozen=True, kw_only=True)
class DutyPart:
    """What a build's input says of its duty; ``wanted`` is the driven speed it is held against, if one was said."""

    power: Entered
    driver_speed: Entered
    service: ServiceFactorIn | None
    driven_rpm: float
    wanted: WantedIn | None


@dataclass(frozen=True, kw_only=True)
class StoredDuty:
    """A duty as the store has it: kW, rpm, percent, and the service factor as the calculations take it."""

    power_kw: float
    driver_rpm: float
    service: dict[str, Any] | None = None
    wanted_rpm: float | None = None
    tolerance_percent: float | None = None

    @property
    def common(self) -> dict[str, Any]:
        """What every family's input takes from a duty under the same names; nothing that was not said."""
        out: dict[str, Any] = {"power": self.power_kw}
        if self.service is not None:
            out["service_factor"] = self.service
        if self.wanted_rpm is not None:
            out["wanted"] = {"speed": self.wanted_rpm}
            if self.tolerance_percent is not None:
                out["wanted"]["tolerance"] = self.tolerance_percent
        return out


@dataclass(frozen=True, kw_only=True)
class Wanted:
    """A duty for the comparison. kW, rpm, percent, mm; infinite where there is no limit."""

    power_kw: float
    service: ServiceFactorIn | None
    driver_rpm: float
    driven_rpm: float
    tolerance_percent: float
    centre_mm: float
    centre_low_mm: float
    centre_high_mm: float
    largest_mm: float
    widest_mm: float
    angle: float
    clockwise: bool
    basis: str
    own: dict[str, Any] = field(default_factory=dict)


@dataclass(frozen=True, kw_only=True)
class Offered:
    """One drive of a family for a duty. ``input`` works again by the family's calculation, core units.

    ``parts`` counts wheels, and belts or strands; ``efficiency`` is a band in percent, ``kinds`` what it is first in.
    """

    name: str
    input: dict[str, Any]
    driven_rpm: float
    error_percent: float
    centre_mm: float
    spare_percent: float
    width_mm: float
    shaft_load_n: float
    weight: Weight
    parts: int
    efficiency: tuple[float, float]
    kinds: tuple[str, ...]
    telling: str
    elevation: Elevation


@dataclass(frozen=True, kw_only=True)
class Offer:
    """What a family found: counts, the best few, limits where others fell, what it lacks, and what asks for care."""

    considered: int
    accepted: int
    options: tuple[Offered, ...]
    rejected: tuple[tuple[str, int], ...]
    missing: str = ""
    care: tuple[str, ...] = ()


class Family(ABC, Generic[In]):
    """A family of drives."""

    key: ClassVar[str]
    title: ClassVar[str]
    order: ClassVar[int]
    calc: ClassVar[str]
    manners_table: ClassVar[str]
    found_fields: ClassVar[tuple[str, ...]]
    speed_field: ClassVar[str]

    @abstractmethod
    def duty_of(self, given: In, result: Any) -> DutyPart:
        """The duty that an input states."""

    @abstractmethod
    def parts_of(self, given: In, result: Any) -> Parts:
        """The wheels and the loop of a worked input."""

    @abstractmethod
    def input_of(self, duty: StoredDuty, parts: Parts) -> dict[str, Any]:
        """The input of the family's calculation, from what is stored; the inverse of the two above."""

    @abstractmethod
    def offer(self, wanted: Wanted, frame: Frame, keep: int) -> Offer:
        """The best drives of this family for a duty."""

    def check_found(self, given: In) -> None:
        """Refuse what would be filled in on a record of what is there. Raises InputError beside the field."""
        return

    def what(self, designation: str, strands: int) -> str:
        """What is on the drive, in one line of a list."""
        return designation

    @property
    def manners(self) -> Table:
        """How the family behaves, question by question."""
        return table(self.manners_table)


FAMILIES: dict[str, Family[Any]] = {}


def register(family: Family[Any]) -> Family[Any]:
    """Make a family known; raises ValueError for a second one of that key."""
    if family.key in FAMILIES:
        raise ValueError(f"there is a family {family.key} already")
    FAMILIES[family.key] = family
    return family


def families() -> list[Family[Any]]:
    """All families in the order they are shown."""
    return sorted(FAMILIES.values(), key=lambda f: f.order)


def of_calc(name: str) -> Family[Any] | None:
    """The family whose whole-drive calculation has this name."""
    return next((f for f in FAMILIES.values() if f.calc == name), None)
