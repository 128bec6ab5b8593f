"""The roller chain's adapter."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from math import ceil
from typing import ClassVar, Literal

from pydantic import Field as InputField
from pydantic import JsonValue

from tuyere.calc.answer import Answer
from tuyere.calc.around.shown import Loops, StandardLoop
from tuyere.calc.families.duty_model import DutyPart, StoredDuty
from tuyere.calc.families.parts_model import Dim, LoopPart, Parts, ShaftKey, WheelPart, plain_wheels, stops_of
from tuyere.calc.families.protocol import Facts, Family, register
from tuyere.calc.families.roller_chain.drive_model import ChainDriveIn, case_of, chain_drive_out
from tuyere.calc.families.roller_chain.sheet import chain_sheet
from tuyere.calc.families.select_model import LabelledFigure, SelectIn
from tuyere.calc.frame import Frame
from tuyere.calc.limit_words import COMMON
from tuyere.calc.parts import ServiceFactorIn, factor_of
from tuyere.calc.sheet import Beside, SheetOut
from tuyere.calc.speed_questions import SpeedQuestion, of_any_drive, standing_of
from tuyere.core.drive.search import DutyWanted, Field, Ranked
from tuyere.core.roller_chain.case import ChainCase, ChainLoop
from tuyere.core.roller_chain.field import ChainCandidate, ChainField, chain_written
from tuyere.core.roller_chain.formulas import pitch_diameter
from tuyere.core.roller_chain.method import CHAIN_METHOD, ChainDrive, ChainRated, ChainSet
from tuyere.core.roller_chain.service import chain_factor
from tuyere.core.roller_chain.tables import chain
from tuyere.core.steps import quiet

KEPT = ("lubrication", "temperature", "method")


class ChainSelectIn(SelectIn):
    """A duty for a chain drive."""

    series: Literal["ansi", "a", "b"] = InputField(
        default="ansi", description="American numbers, or the A or B series of ISO 606"
    )


class RollerChains(Family[ChainDriveIn, ChainSelectIn, ChainLoop, ChainRated, ChainSet, ChainCandidate]):
    """Roller chain on sprockets."""

    facts = Facts(
        key="roller-chain",
        title="Roller chain",
        one="roller chain drive",
        order=20,
        oiled=("chain-hand",),
        group="Roller chain",
        calc="chain-drive",
        select="chain-select",
        why_not="chain-why-not",
        manners_table="chain_manners",
        speed_field="speed",
        found_fields=(
            "chain",
            "strands",
            "driver_teeth",
            "driven_teeth",
            "centre_distance",
            "pitches",
            "life",
            "lubrication",
            "temperature",
            "method",
        ),
        loop="chain",
        most_ratio=10.0,
        one_drive="one chain drive",
        ratio_words="up to 10 : 1",
    )
    method = CHAIN_METHOD
    input_model = ChainDriveIn
    select_model = ChainSelectIn
    limit_words: ClassVar[Mapping[str, tuple[str, str]]] = COMMON | {
        "centre distance": (
            "centres {v}: the sprockets would touch, or the chain is too long without a guide",
            "length",
        ),
        "wrap": ("{v} of wrap on the smaller sprocket", "angle"),
        "galling": ("at this speed pins and bushings would gall", ""),
        "size": ("{v} large or wide", "length"),
        "strands": ("{v} strands", "count"),
    }

    def case(self, given: ChainDriveIn, frame: Frame) -> ChainCase:
        """Duty, chain and sprockets."""
        return case_of(given)

    def page(self, given: ChainDriveIn, worked: ChainDrive, frame: Frame, side: Beside) -> tuple[Answer, SheetOut]:
        """Figures and sheet."""
        out = chain_drive_out(worked, frame)
        return out, chain_sheet(given, out, frame, side)

    def efficiency_kind(self, worked: ChainDrive) -> str:
        """One row for all."""
        return self.efficiency_of("")

    def efficiency_of(self, section: str) -> str:
        """One row for all."""
        return "roller chain"

    def duty_of(self, given: ChainDriveIn, worked: ChainDrive) -> DutyPart:
        """The duty that an input states."""
        return DutyPart(
            power=given.power,
            driver_speed=given.speed,
            service=given.service_factor,
            driven_rpm=worked.driven_rpm,
            wanted=given.wanted,
        )

    def parts(self, given: ChainDriveIn, worked: ChainDrive, frame: Frame) -> Parts:
        """Two sprockets and the chain, whose length is in pitches."""
        pitch = chain(given.chain).pitch_mm

        def wheel(teeth: int, shaft: ShaftKey) -> WheelPart:
            with quiet():
                across = float(pitch_diameter(pitch, teeth))
            return WheelPart(
                id=shaft.role,
                shaft=shaft,
                kind="sprocket",
                diameter=Dim(mm=across, kind="pitch"),
                profile=given.chain,
                teeth=teeth,
            )

        assert worked.shape.members is not None
        spec: dict[str, JsonValue] = {"pitches": int(worked.shape.members)}
        spec |= {n: getattr(given, n) for n in KEPT}
        if given.life is not None:
            spec["life"] = given.life.value
        loop = LoopPart(
            stops=stops_of(worked.case.route),
            section=given.chain,
            designation=self.option_name(worked),
            length=Dim(mm=float(worked.length_mm), kind="pitch"),
            strands=given.strands,
            take_up=worked.case.route.take_up,
            spec=spec,
        )
        wheels = plain_wheels(
            worked,
            wheel(given.driver_teeth, ShaftKey(role="driver")),
            wheel(given.driven_teeth, ShaftKey(role="driven")),
        )
        return Parts(wheels=wheels, loops=(loop,), clockwise=given.layout.clockwise)

    def wear_of(self, given: ChainDriveIn, pitches: int, length_mm: float) -> tuple[str, dict[str, JsonValue]]:
        """By tape over the rollers, on the larger of its sprockets."""
        teeth = max(given.driver_teeth, given.driven_teeth)
        return "chain-wear", {
            "chain": given.chain,
            "pitches": pitches,
            "measured": length_mm,
            "large_teeth": teeth,
        }

    def given_values(self, duty: StoredDuty, parts: Parts) -> dict[str, JsonValue]:
        """The length stays what was fitted, the centres follow from it."""
        return {
            **duty.common,
            "speed": duty.driver_rpm,
            "chain": parts.loop.section,
            "strands": parts.loop.strands,
            "driver_teeth": parts.driver.teeth,
            "driven_teeth": parts.driven.teeth,
            "layout": parts.layout(),
            **parts.loop.spec,
        }

    def loops_between(self, worked: ChainDrive) -> Callable[[float, float], Loops]:
        """Even numbers of pitches."""
        pitch, now = worked.case.loop.chain.pitch_mm, worked.shape.members

        def between(least_mm: float, most_mm: float) -> Loops:
            first = 2 * ceil(least_mm / pitch / 2)
            return [
                StandardLoop(f"{n} pitches", n * pitch, "pitches", str(n), n == now)
                for n in range(first, int(most_mm / pitch) + 1, 2)
            ]

        return between

    def speed_questions(self, given: ChainDriveIn, worked: ChainDrive, units: str) -> list[SpeedQuestion]:
        """A wheel with teeth can be made; it is not turned down."""
        at = standing_of(worked, units)
        return [
            *of_any_drive(at),
            SpeedQuestion(
                "made-sprocket", {"chain": given.chain, "teeth": given.driver_teeth, "strands": given.strands}
            ),
        ]

    def factor(self, service: ServiceFactorIn | None) -> float:
        """The chain standard's."""
        return factor_of(service, chain_factor)

    def field(self, given: ChainSelectIn, wanted: DutyWanted, frame: Frame) -> Field[ChainCandidate]:
        """All sizes of the series, strands and teeth."""
        return ChainField(wanted, given.series)

    def drive_of(self, found: Ranked[ChainCandidate], given: ChainSelectIn) -> ChainDriveIn:
        """The chain with the even number of pitches that its centres ask for."""
        c = found.drive
        return ChainDriveIn.model_validate(
            {
                "power": given.power.value,
                "speed": given.driver_speed.value,
                "chain": c.chain.name,
                "strands": c.strands,
                "driver_teeth": c.z_1,
                "driven_teeth": c.z_2,
                "pitches": int(found.found["pitches"]),
                "layout": {"angle": given.layout.angle, "clockwise": given.layout.clockwise},
            }
        )

    def option_name(self, worked: ChainDrive, frame: Frame | None = None) -> str:
        """Chain and pitches."""
        assert worked.shape.members is not None
        loop = worked.case.loop
        return chain_written(loop.chain, loop.strands, worked.shape.members)

    def telling(self, worked: ChainDrive, frame: Frame) -> str:
        """Teeth and sag."""
        a, b = worked.case.route.wheels
        return f"{a.count}/{b.count} teeth, sag {frame.figure(worked.own.sag_mm, 'length', 'tape').shown}"

    def more(self, worked: ChainDrive, frame: Frame) -> list[LabelledFigure]:
        """What limits the chain, and how it is oiled."""
        rated = worked.rated.own
        assert rated is not None
        return [
            LabelledFigure(label="what governs", shown=rated.rating.governing),
            LabelledFigure(label="oiling", shown=worked.own.lubrication),
        ]


ROLLER_CHAINS = register(RollerChains())
