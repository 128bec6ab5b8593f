"""One drive as it is asked about and as it comes out, for every family.

A family adds what its loop is (``L``), what a rating says (``R``) and how it is set (``S``); the rest is common.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Generic, TypeVar

from tuyere.core.drive.elevation import Elevation
from tuyere.core.drive.loads import PowerAt
from tuyere.core.drive.path import Path
from tuyere.core.drive.route import Route
from tuyere.core.drive.shaft_load import ShaftLoad
from tuyere.core.drive.strands import ShaftVector, SlipAt, Strand
from tuyere.core.wheels.mass import Weight

L = TypeVar("L")
R = TypeVar("R")
S = TypeVar("S")


@dataclass(frozen=True, slots=True, kw_only=True)
class Case(Generic[L]):
    """A drive as it stands or is meant. kW, rpm, mm.

    ``centre_mm`` is set where the centres are given and the loop follows; else the loop's own length puts the take-up.
    ``loads`` share the power among several driven shafts.
    """

    power_kw: float
    service_factor: float
    driver_rpm: float
    route: Route
    loop: L
    centre_mm: float | None = None
    loads: tuple[PowerAt, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Speeds:
    """Speed of the first driven shaft, what it may be by slip and belt line, and the loop's. rpm, m/s."""

    driven_rpm: float
    low_rpm: float
    high_rpm: float
    loop_m_s: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Shape:
    """The loop on its wheels. mm, degrees; for plain drives by the handbook's formulas.

    ``small_arc_deg`` is the least arc of a wheel that carries power; ``members`` are pitches or teeth of the loop, and
    ``members_exact`` what the centres ask for, where it is counted.
    """

    path: Path
    length_mm: float
    centre_mm: float
    span_mm: float
    small_arc_deg: float
    large_arc_deg: float
    members: float | None = None
    members_exact: float | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class Rated(Generic[R]):
    """What the loop carries: kW of all belts or strands, percent to spare, and the family's own rating behind it.

    ``count`` is belts or strands. Nothing is rated where no book has a figure: then ``own``, kW and spare are None.
    """

    count: int
    own: R | None
    power_kw: float | None
    spare_percent: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Level(Generic[S]):
    """How the loop is set: the mean of its strands, the part that its own mass takes, the shaft load, and the family's own.

    N for the whole loop; ``standing_n`` and ``running_n`` are what bearing and shaft carry.
    """

    static_n: float
    centrifugal_n: float
    standing_n: float
    running_n: float
    own: S


@dataclass(frozen=True, slots=True, kw_only=True)
class WorkedDrive(Generic[L, R, S]):
    """A worked drive. kW, rpm, m/s, mm, N, degrees."""

    case: Case[L]
    design_kw: float
    speeds: Speeds
    shape: Shape
    rated: Rated[R]
    level: Level[S]
    strands: tuple[Strand, ...]
    slips: tuple[SlipAt, ...]
    shaft_vectors: tuple[ShaftVector, ...]
    shaft_load: ShaftLoad
    elevation: Elevation
    width_mm: float
    weight: Weight

    @property
    def own(self) -> S:
        """How this family is set."""
        return self.level.own

    @property
    def driven_rpm(self) -> float:
        """Speed of the first driven shaft."""
        return self.speeds.driven_rpm

    @property
    def speed_m_s(self) -> float:
        """Speed of the loop."""
        return self.speeds.loop_m_s

    @property
    def length_mm(self) -> float:
        """Length of the loop."""
        return self.shape.length_mm

    @property
    def centre_mm(self) -> float:
        """Driver to driven shaft."""
        return self.shape.centre_mm

    @property
    def spare_percent(self) -> float | None:
        """Power to spare over the design power."""
        return self.rated.spare_percent

    @property
    def first_to_slip(self) -> SlipAt | None:
        """The wheel with the least margin; None where teeth carry."""
        return min(self.slips, key=lambda s: s.margin, default=None)
