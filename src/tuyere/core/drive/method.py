"""The order of work of a drive, once for all families; a family brings what only its loop knows.

Design power, speeds, what cannot be, the loop on its wheels, what it carries, how it is set, what that does to strands
and shafts, and what a practitioner would remark.
"""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Mapping
from dataclasses import dataclass, replace
from math import inf
from typing import ClassVar, Generic

from tuyere.core.drive.case import Case, L, Level, R, Rated, S, Shape, Speeds, WorkedDrive
from tuyere.core.drive.elevation import elevation_of
from tuyere.core.drive.loads import shared
from tuyere.core.drive.path import Path, Wrap
from tuyere.core.drive.shaft_load import shaft_load
from tuyere.core.drive.strands import Strand, shaft_vectors, slips, strands_held
from tuyere.core.drive.wheel import Role, Side, Wheel
from tuyere.core.duty.design import design_power
from tuyere.core.errors import InputError
from tuyere.core.steps import quiet
from tuyere.core.tension.hold import Hold
from tuyere.core.wheels.mass import Weight


@dataclass(frozen=True, slots=True, kw_only=True)
class WheelSaid:
    """A further wheel as a person says it: its name and role, the face of the loop on it, outside diameter in mm or teeth."""

    ident: str
    role: Role
    side: Side
    outside_mm: float | None = None
    teeth: int | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class LoadedWheel:
    """A wheel that gives or takes power: the face on it, its arc in degrees, its speed in rpm."""

    wheel: Wheel
    side: Side
    arc_deg: float
    rpm: float


class Method(ABC, Generic[L, R, S]):
    """What a family adds to a drive."""

    family: ClassVar[str]

    def prepared(self, case: Case[L]) -> Case[L]:
        """The case as the loop really sits on its wheels."""
        return case

    def design_kw(self, case: Case[L]) -> float:
        """Power the drive is sized for, kW."""
        kw: float = design_power(case.power_kw, case.service_factor)
        return kw

    @abstractmethod
    def speeds(self, case: Case[L]) -> Speeds:
        """Speed of the driven shaft and of the loop."""

    def check(self, case: Case[L], speeds: Speeds) -> None:
        """Refuse wheels and speeds that cannot be. Raises InputError."""
        return

    @abstractmethod
    def shape(self, case: Case[L]) -> Shape:
        """The loop on its wheels. Raises InputError where they would touch or the loop is too short."""

    @abstractmethod
    def rated(self, case: Case[L], design_kw: float, *, speeds: Speeds, shape: Shape) -> Rated[R]:
        """What the loop carries. Raises NoSolution where it carries nothing."""

    @abstractmethod
    def level(self, case: Case[L], design_kw: float, *, speeds: Speeds, shape: Shape, rated: Rated[R]) -> Level[S]:
        """How the loop is set and what the shafts take of it."""

    def grip(self, case: Case[L], wrap: Wrap) -> float:
        """The ratio of strand tensions that a contact holds; teeth hold any."""
        return inf

    def strand_level_n(self, level: Level[S]) -> float:
        """Mean of the strands in running: what was set, where the stretch of the loop keeps it."""
        return level.static_n

    def hold(self, worked: WorkedDrive[L, R, S]) -> Hold | None:
        """What readings of its tension are worked from; None for a loop that is not held by its tension."""
        return None

    @abstractmethod
    def thickness_mm(self, case: Case[L]) -> float:
        """How thick the loop is drawn."""

    def faces_mm(self, case: Case[L]) -> tuple[float, float]:
        """How far the loop reaches from its line to its inside and to its back; half and half where nothing else is known."""
        half = self.thickness_mm(case) / 2
        return half, half

    def drawn(self, wheel: Wheel, rated: Rated[R]) -> Wheel:
        """A wheel as it is drawn, where its count follows from the rating."""
        return wheel

    def character(self, case: Case[L]) -> str:
        """What the loop is seen to be made of, for its drawing."""
        return "plain"

    def pitch_mm(self, case: Case[L]) -> float:
        """Pitch of a chain or toothed belt, 0 for the others."""
        return 0.0

    @abstractmethod
    def size(self, case: Case[L], rated: Rated[R], *, shape: Shape, level: Level[S]) -> tuple[float, Weight]:
        """(width over everything in mm, weight of wheels and loop)."""

    def advise(self, worked: WorkedDrive[L, R, S]) -> None:
        """Say what a practitioner would remark."""
        return

    # more than two wheels

    def beside(self, case: Case[L], said: WheelSaid, field: str) -> Wheel:
        """A further wheel of the loop, with its path on the face that touches it. Raises InputError naming ``field``."""
        raise InputError(field, said.ident, "such a loop runs on two wheels", "driver and driven")

    def carries_at(self, worked: WorkedDrive[L, R, S], at: LoadedWheel) -> float | None:
        """kW that the whole loop carries on one of its wheels as that wheel alone would let it; None: no figure is on hand.

        Raises InputError and NoSolution where its book has none.
        """
        return None

    def least_idlers(self) -> Mapping[Side, float]:
        """How many times the smallest loaded wheel an idler is at least, by the face that runs on it."""
        return {}

    def advise_around(self, worked: WorkedDrive[L, R, S]) -> None:
        """Say what a practitioner would remark of idlers, bends and further shafts."""
        return

    def strands_at(
        self, case: Case[L], path: Path, *, speeds: Speeds, level: Level[S], times: float = 1.0
    ) -> tuple[Strand, ...]:
        """Tension of every strand at so many times the load: pulled by a spring or weight, else as it was set."""
        taken = {k: times * v for k, v in shared(case.route, case.power_kw, case.loads).items()}
        return strands_held(
            path,
            taken,
            speed_m_s=speeds.loop_m_s,
            static_n=self.strand_level_n(level),
            centrifugal_n=level.centrifugal_n,
        )

    def work(self, case: Case[L]) -> WorkedDrive[L, R, S]:
        """A drive worked through. Raises InputError where a value cannot be, NoSolution where nothing is carried."""
        case = self.prepared(case)
        design = self.design_kw(case)
        speeds = self.speeds(case)
        self.check(case, speeds)
        shape = self.shape(case)
        rated = self.rated(case, design, speeds=speeds, shape=shape)
        level = self.level(case, design, speeds=speeds, shape=shape, rated=rated)
        with quiet():
            strands = self.strands_at(case, shape.path, speeds=speeds, level=level)
            slipping = slips(
                shape.path, strands, centrifugal_n=level.centrifugal_n, grip=lambda wrap: self.grip(case, wrap)
            )
            vectors = shaft_vectors(shape.path, {s.id: s.tension_n for s in strands}, level.centrifugal_n)
        width, weight = self.size(case, rated, shape=shape, level=level)
        path = replace(shape.path, wraps=tuple(replace(w, wheel=self.drawn(w.wheel, rated)) for w in shape.path.wraps))
        drawing = elevation_of(
            path,
            self.family,
            thickness_mm=self.thickness_mm(case),
            pitch_mm=self.pitch_mm(case),
            strands=strands,
            character=self.character(case),
        )
        worked = WorkedDrive(
            case=case,
            design_kw=design,
            speeds=speeds,
            shape=shape,
            rated=rated,
            level=level,
            strands=strands,
            slips=tuple(s for s in slipping if s.held < inf),
            shaft_vectors=vectors,
            shaft_load=shaft_load(standing_new_n=level.standing_n, running_n=level.running_n),
            elevation=drawing,
            width_mm=width,
            weight=weight,
        )
        self.advise(worked)
        if case.route.plain is None:
            self.advise_around(worked)
        return worked
