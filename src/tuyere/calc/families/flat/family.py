"""The flat belt's adapter."""

from __future__ import annotations

from collections.abc import Mapping
from typing import ClassVar

from pydantic import JsonValue

from tuyere.calc.answer import Answer
from tuyere.calc.entry import Entered
from tuyere.calc.families.duty_model import DutyPart, StoredDuty
from tuyere.calc.families.flat.drive_model import FlatDriveIn, case_of, flat_drive_out
from tuyere.calc.families.flat.parts import belt_words
from tuyere.calc.families.flat.sheet import flat_sheet
from tuyere.calc.families.parts_model import Dim, LoopPart, Parts, ShaftKey, WheelPart, plain_wheels, stops_of
from tuyere.calc.families.protocol import Facts, Family, dumped, register
from tuyere.calc.families.select_model import LabelledFigure, SelectIn
from tuyere.calc.frame import Frame
from tuyere.calc.limit_words import COMMON
from tuyere.calc.parts import ServiceFactorIn, factor_of
from tuyere.calc.sheet import Beside, SheetOut
from tuyere.calc.speed_questions import Measured, SpeedQuestion, Which, of_any_drive, of_belts, standing_of
from tuyere.core.drive.search import DutyWanted, Field, Ranked
from tuyere.core.flat.case import FlatCase, FlatLoop
from tuyere.core.flat.field import FlatCandidate, FlatField
from tuyere.core.flat.method import FLAT_METHOD, LIKED_CENTRES, FlatDrive, FlatRated, FlatSet
from tuyere.core.flat.service import flat_factor


class FlatSelectIn(SelectIn):
    """A duty for a flat belt."""


class FlatBelts(Family[FlatDriveIn, FlatSelectIn, FlatLoop, FlatRated, FlatSet, FlatCandidate]):
    """Flat belts on crowned or plain pulleys."""

    facts = Facts(
        key="flat",
        title="Flat belts",
        one="flat belt drive",
        order=40,
        group="Flat, round and link belts",
        calc="flat-drive",
        select="flat-select",
        why_not="flat-why-not",
        manners_table="flat_manners",
        speed_field="driver_speed",
        found_fields=(
            "driver_diameter",
            "driven_diameter",
            "material",
            "width",
            "centre_distance",
            "belt_length",
            "crossed",
        ),
        loop="flat-belt",
        one_drive="one drive of any kind",
    )
    method = FLAT_METHOD
    input_model = FlatDriveIn
    select_model = FlatSelectIn
    limit_words: ClassVar[Mapping[str, tuple[str, str]]] = COMMON | {
        "size": ("pulley of {v}", "length"),
        "least pulley": ("small pulley of {v}", "length"),
        "centre distance": ("centres {v}: the pulleys would touch", "length"),
        "belt speed": ("belt speed {v}", "belt_speed"),
        "power": ("at this speed the belt's own weight takes all of its tension", ""),
        "width": ("belt {v} wide|no standard belt is wide enough", "length"),
    }

    def case(self, given: FlatDriveIn, frame: Frame) -> FlatCase:
        """Duty, pulleys and belt."""
        return case_of(given)

    def page(self, given: FlatDriveIn, worked: FlatDrive, frame: Frame, side: Beside) -> tuple[Answer, SheetOut]:
        """Figures and sheet."""
        out = flat_drive_out(worked, frame)
        return out, flat_sheet(given, out, frame, side)

    def efficiency_kind(self, worked: FlatDrive) -> str:
        """One row for all."""
        return self.efficiency_of("")

    def efficiency_of(self, section: str) -> str:
        """One row for all."""
        return "flat"

    def duty_of(self, given: FlatDriveIn, worked: FlatDrive) -> DutyPart:
        """The duty that an input states."""
        return DutyPart(
            power=given.power,
            driver_speed=given.driver_speed,
            service=given.service_factor,
            driven_rpm=worked.driven_rpm,
            wanted=given.wanted,
        )

    def parts(self, given: FlatDriveIn, worked: FlatDrive, frame: Frame) -> Parts:
        """Two pulleys and the loop."""

        def wheel(d: Entered, shaft: ShaftKey) -> WheelPart:
            return WheelPart(
                id=shaft.role,
                shaft=shaft,
                kind="pulley",
                diameter=Dim(mm=d.value, kind="outside", typed=d.typed),
                profile="flat",
            )

        spec: dict[str, JsonValue] = {
            "material": given.material,
            "width": given.width.value,
            "crossed": given.crossed,
        }
        loop = LoopPart(
            stops=stops_of(worked.case.route),
            section="flat",
            designation=self.option_name(worked, frame),
            length=Dim(mm=float(worked.length_mm), kind="outside"),
            take_up=worked.case.route.take_up,
            spec=spec,
        )
        wheels = plain_wheels(
            worked,
            wheel(given.driver_diameter, ShaftKey(role="driver")),
            wheel(given.driven_diameter, ShaftKey(role="driven")),
        )
        return Parts(wheels=wheels, loops=(loop,), clockwise=given.layout.clockwise)

    def given_values(self, duty: StoredDuty, parts: Parts) -> dict[str, JsonValue]:
        """The loop stays as long as it is."""
        return {
            **duty.common,
            "driver_speed": duty.driver_rpm,
            "driver_diameter": parts.driver.diameter.mm,
            "driven_diameter": parts.driven.diameter.mm,
            "belt_length": parts.loop.length.mm,
            "layout": parts.layout(),
            **parts.loop.spec,
        }

    def speed_questions(self, given: FlatDriveIn, worked: FlatDrive, units: str) -> list[SpeedQuestion]:
        """A flat pulley can be turned down, stepped, or made."""
        at = standing_of(worked, units)
        made: dict[str, JsonValue] = {
            "outside": at.size(at.driver_outside_mm),
            "face": at.size(1.1 * given.width.value),
        }
        return [*of_belts(at, None), *of_any_drive(at), SpeedQuestion("made-pulley", made)]

    def with_wheel(self, given: FlatDriveIn, which: Which, mm: float, measured: Measured = "outside") -> FlatDriveIn:
        """The pulley by its diameter; a belt whose length is said stays, and the centres follow it."""
        values = dumped(given)
        values["driver_diameter" if which == "driver" else "driven_diameter"] = mm
        return FlatDriveIn.model_validate(values)

    def factor(self, service: ServiceFactorIn | None) -> float:
        """The textbook's."""
        return factor_of(service, flat_factor)

    def field(self, given: FlatSelectIn, wanted: DutyWanted, frame: Frame) -> Field[FlatCandidate]:
        """All materials and preferred pulleys."""
        return FlatField(wanted)

    def care(self, found: tuple[Ranked[FlatCandidate], ...], given: FlatSelectIn, frame: Frame) -> tuple[str, ...]:
        """Flat belts like long centres."""
        if not found:
            return ()
        c, centre = found[0].drive, given.centre
        there = centre.about.value if centre.about else (_mm(centre.low) + _mm(centre.high)) / 2
        wide = LIKED_CENTRES * max(c.driver_mm, c.driven_mm)
        if there >= wide:
            return ()
        liked = frame.figure(wide, "length", "tape").shown
        return (
            f"Short centres for a flat belt: with these pulleys it likes {liked} or more, or an idler on the slack side.",
        )

    def drive_of(self, found: Ranked[FlatCandidate], given: FlatSelectIn) -> FlatDriveIn:
        """The narrowest standard belt that does, on the centres that are there."""
        c, centre = found.drive, given.centre
        there = centre.about.value if centre.about else (_mm(centre.low) + _mm(centre.high)) / 2
        return FlatDriveIn.model_validate(
            {
                "power": given.power.value,
                "driver_speed": given.driver_speed.value,
                "driver_diameter": c.driver_mm,
                "driven_diameter": c.driven_mm,
                "centre_distance": there,
                "material": c.material.key,
                "width": found.width_mm,
                "layout": {"angle": given.layout.angle, "clockwise": given.layout.clockwise},
            }
        )

    def option_name(self, worked: FlatDrive, frame: Frame) -> str:
        """Material and width."""
        loop = worked.case.loop
        return belt_words(loop.material, loop.width_mm, frame)

    def telling(self, worked: FlatDrive, frame: Frame) -> str:
        """Both pulleys."""
        size = "/".join(frame.figure(w.outside_mm, "length", "size").number for w in worked.case.route.wheels)
        return f"pulleys {size} {frame.figure(1, 'length').unit_shown}"

    def more(self, worked: FlatDrive, frame: Frame) -> list[LabelledFigure]:
        """Initial tension and friction used."""
        own, f = worked.own, frame.figure
        return [
            LabelledFigure(label="initial tension", shown=f(own.initial_n, "force").shown),
            LabelledFigure(label="friction used", shown=f"{own.friction_used:.2f} of {own.friction_there:.2f}"),
        ]


def _mm(e: Entered | None) -> float:
    return 0.0 if e is None else e.value


FLAT_BELTS = register(FlatBelts())
