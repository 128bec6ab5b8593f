"""The synchronous belt's adapter."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import ClassVar

from pydantic import Field as InputField
from pydantic import JsonValue

from tuyere.calc.answer import Answer
from tuyere.calc.around.shown import Loops, StandardLoop
from tuyere.calc.families.duty_model import DutyPart, StoredDuty
from tuyere.calc.families.parts_model import Dim, LoopPart, Parts, ShaftKey, WheelPart, plain_wheels, stops_of
from tuyere.calc.families.protocol import Facts, Family, register
from tuyere.calc.families.select_model import LabelledFigure, SelectIn
from tuyere.calc.families.synchronous.drive_model import SyncDriveIn, case_of, sync_drive_out
from tuyere.calc.families.synchronous.parts import OwnBeltIn
from tuyere.calc.families.synchronous.sheet import sync_sheet
from tuyere.calc.frame import Frame
from tuyere.calc.limit_words import COMMON
from tuyere.calc.parts import ServiceFactorIn, factor_of
from tuyere.calc.sheet import Beside, SheetOut
from tuyere.calc.speed_questions import SpeedQuestion, of_any_drive, standing_of
from tuyere.core.drive.search import DutyWanted, Field, Ranked
from tuyere.core.synchronous.case import SyncCase, SyncLoop
from tuyere.core.synchronous.field import OwnBelt, SyncCandidate, SyncField
from tuyere.core.synchronous.method import SYNC_METHOD, SyncDrive, SyncRated, SyncSet
from tuyere.core.synchronous.service import sync_factor
from tuyere.core.tables import table

MISSING = (
    "Metric and curvilinear profiles (T, H8M and the like) have no public rating: with the tension their maker allows at one width they are "
    "searched too."
)


class SyncSelectIn(SelectIn):
    """A duty, and your own belt where no public rating exists."""

    own_belt: OwnBeltIn | None = InputField(
        default=None, description="a belt by its maker's sheet; then only this one is searched"
    )


def own_of(given: SyncSelectIn) -> OwnBelt | None:
    """The person's own belt as the core takes it."""
    b = given.own_belt
    return None if b is None else OwnBelt(b.profile, b.tension.value, b.width.value, b.mass.value if b.mass else 0.0)


class SynchronousBelts(Family[SyncDriveIn, SyncSelectIn, SyncLoop, SyncRated, SyncSet, SyncCandidate]):
    """Toothed belts on toothed pulleys."""

    facts = Facts(
        key="synchronous",
        title="Synchronous belts",
        one="synchronous belt drive",
        order=30,
        group="Synchronous belts",
        calc="sync-drive",
        select="sync-select",
        why_not="sync-why-not",
        manners_table="sync_manners",
        speed_field="speed",
        found_fields=(
            "profile",
            "width",
            "driver_teeth",
            "driven_teeth",
            "centre_distance",
            "belt_teeth",
            "idler",
            "upright",
            "own_tension",
            "own_mass",
        ),
        loop="sync",
        one_drive="one drive of any kind",
    )
    method = SYNC_METHOD
    input_model = SyncDriveIn
    select_model = SyncSelectIn
    each_in_comparison = 2
    limit_words: ClassVar[Mapping[str, tuple[str, str]]] = COMMON | {
        "least teeth": ("{v} teeth on the small pulley", "count"),
        "centre distance": ("centre distance {v}|the belt is too short for the pulleys", "length"),
        "belt speed": ("belt speed {v}", "belt_speed"),
        "mesh": ("{v} teeth in mesh", "count"),
        "width": ("belt {v} wide", "length"),
        "size": ("pulley of {v}", "length"),
    }

    def case(self, given: SyncDriveIn, frame: Frame) -> SyncCase:
        """Duty, pulleys and belt."""
        return case_of(given, frame)

    def page(self, given: SyncDriveIn, worked: SyncDrive, frame: Frame, side: Beside) -> tuple[Answer, SheetOut]:
        """Figures and sheet."""
        out = sync_drive_out(worked, frame)
        return out, sync_sheet(given, out, frame, side)

    def efficiency_kind(self, worked: SyncDrive) -> str:
        """One row for all."""
        return self.efficiency_of("")

    def efficiency_of(self, section: str) -> str:
        """One row for all."""
        return "synchronous"

    def duty_of(self, given: SyncDriveIn, worked: SyncDrive) -> DutyPart:
        """The duty that an input states."""
        return DutyPart(
            power=given.power,
            driver_speed=given.speed,
            service=given.service_factor,
            driven_rpm=worked.driven_rpm,
            wanted=given.wanted,
        )

    def parts(self, given: SyncDriveIn, worked: SyncDrive, frame: Frame) -> Parts:
        """Two toothed pulleys and the belt, whose length is in teeth."""
        assert worked.shape.members is not None

        def wheel(teeth: int, shaft: ShaftKey, pitch_mm: float) -> WheelPart:
            return WheelPart(
                id=shaft.role,
                shaft=shaft,
                kind="pulley",
                diameter=Dim(mm=float(pitch_mm), kind="pitch"),
                profile=given.profile,
                teeth=teeth,
            )

        spec: dict[str, JsonValue] = {
            "belt_teeth": int(worked.shape.members),
            "width": given.width.value,
            "idler": given.idler,
            "upright": given.upright,
        }
        spec |= {n: e.value for n in ("own_tension", "own_mass") if (e := getattr(given, n)) is not None}
        (d_1, _), (d_2, _) = worked.own.pulleys
        loop = LoopPart(
            stops=stops_of(worked.case.route),
            section=given.profile,
            designation=self.option_name(worked, frame),
            length=Dim(mm=float(worked.length_mm), kind="pitch"),
            take_up=worked.case.route.take_up,
            spec=spec,
        )
        wheels = plain_wheels(
            worked,
            wheel(given.driver_teeth, ShaftKey(role="driver"), d_1),
            wheel(given.driven_teeth, ShaftKey(role="driven"), d_2),
        )
        return Parts(wheels=wheels, loops=(loop,), clockwise=given.layout.clockwise)

    def given_values(self, duty: StoredDuty, parts: Parts) -> dict[str, JsonValue]:
        """The belt stays what was fitted, the centres follow from it."""
        return {
            **duty.common,
            "speed": duty.driver_rpm,
            "profile": parts.loop.section,
            "driver_teeth": parts.driver.teeth,
            "driven_teeth": parts.driven.teeth,
            "layout": parts.layout(),
            **parts.loop.spec,
        }

    def loops_between(self, worked: SyncDrive) -> Callable[[float, float], Loops]:
        """Standard numbers of teeth."""
        of, now = worked.case.loop.profile, worked.shape.members

        def between(least_mm: float, most_mm: float) -> Loops:
            counts = sorted({int(z) for z in table("sync_lengths").column("teeth", profile=of.listed_as)})
            return [
                StandardLoop(f"{z} teeth", z * of.pitch_mm, "belt_teeth", str(z), z == now)
                for z in counts
                if least_mm <= z * of.pitch_mm <= most_mm
            ]

        return between

    def speed_questions(self, given: SyncDriveIn, worked: SyncDrive, units: str) -> list[SpeedQuestion]:
        """A wheel with teeth can be made; it is not turned down."""
        at = standing_of(worked, units)
        return [
            *of_any_drive(at),
            SpeedQuestion(
                "made-sync-pulley",
                {"profile": given.profile, "teeth": given.driver_teeth, "face": at.size(1.1 * given.width.value)},
            ),
        ]

    def factor(self, service: ServiceFactorIn | None) -> float:
        """The load factor without additions."""
        return factor_of(service, sync_factor)

    def field(self, given: SyncSelectIn, wanted: DutyWanted, frame: Frame) -> Field[SyncCandidate]:
        """The rated profiles, or the person's own belt where one is given."""
        return SyncField(wanted, wanted.design_kw / wanted.power_kw, own=own_of(given))

    def missing(self, given: SyncSelectIn) -> str:
        """Profiles without a public rating."""
        return MISSING if given.own_belt is None else ""

    def drive_of(self, found: Ranked[SyncCandidate], given: SyncSelectIn) -> SyncDriveIn:
        """The belt with its teeth, which put the centres."""
        c = found.drive
        values: dict[str, JsonValue] = {
            "power": given.power.value,
            "speed": given.driver_speed.value,
            "profile": c.profile.name,
            "width": c.width_mm,
            "driver_teeth": c.z_1,
            "driven_teeth": c.z_2,
            "belt_teeth": c.belt_teeth,
            "layout": {"angle": given.layout.angle, "clockwise": given.layout.clockwise},
        }
        if given.own_belt is not None:
            values["own_tension"] = given.own_belt.tension.value
            if given.own_belt.mass is not None:
                values["own_mass"] = given.own_belt.mass.value
        return SyncDriveIn.model_validate(values)

    def option_name(self, worked: SyncDrive, frame: Frame) -> str:
        """Profile, teeth and width."""
        loop = worked.case.loop
        width = frame.figure(loop.width_mm, "length", "size").shown
        return f"{loop.profile.name}, {worked.shape.members:.0f} teeth, {width} wide"

    def telling(self, worked: SyncDrive, frame: Frame) -> str:
        """Teeth of both pulleys, and in mesh."""
        a, b = worked.case.route.wheels
        assert worked.rated.own is not None
        return f"{a.count}/{b.count} teeth, {worked.rated.own.mesh:.0f} in mesh"

    def more(self, worked: SyncDrive, frame: Frame) -> list[LabelledFigure]:
        """Teeth in mesh and when it jumps."""
        rated = worked.rated.own
        assert rated is not None
        return [
            LabelledFigure(label="teeth in mesh", shown=f"{rated.mesh:.0f}"),
            LabelledFigure(label="may jump at", shown=f"{worked.own.jump_margin:.2g} times the duty's pull"),
        ]


SYNCHRONOUS = register(SynchronousBelts())
