"""Steel bands on drums: an invented family, whole, in one file. Its figures are invented and stand nowhere else.

It brings what ``docs/architecture.md`` says a family brings: what its loop is, a Method, a Field, a Family, its three
calculations. Nothing outside this folder knows of it.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import ClassVar

import numpy as np
from pydantic import Field as In_
from pydantic import JsonValue

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Length, Power, Size, Speed
from tuyere.calc.families.duty_model import DutyPart, StoredDuty
from tuyere.calc.families.parts_model import Dim, LoopPart, Parts, ShaftKey, WheelPart, plain_wheels, stops_of
from tuyere.calc.families.protocol import Facts, Family
from tuyere.calc.families.select import NO_DUTY, select, why_not_this
from tuyere.calc.families.select_model import SelectIn, SelectOut, WhyNotOut
from tuyere.calc.families.work import work_drive
from tuyere.calc.frame import Frame, main_answer
from tuyere.calc.limit_words import COMMON
from tuyere.calc.parts import LayoutIn, ServiceFactorIn, factor_of
from tuyere.calc.places import AT_CENTRES, AT_DRIVEN, AT_DRIVER
from tuyere.calc.registry import Input, calculation
from tuyere.calc.sheet import Beside, Setting, SheetOut
from tuyere.calc.wanted import WantedIn
from tuyere.core.drive.case import Case, Level, Rated, Shape, Speeds, WorkedDrive
from tuyere.core.drive.method import Method
from tuyere.core.drive.path import path_of
from tuyere.core.drive.ranking import Array, Figures
from tuyere.core.drive.route import Route
from tuyere.core.drive.search import Columns, DutyWanted, Field, Held, Ranked, Rows, beyond
from tuyere.core.drive.wheel import Wheel
from tuyere.core.wheels.mass import Weight

PULL_N_MM = 40.0  # invented: pull a millimetre of band's width stands
DRUMS = (100.0, 150.0, 200.0, 300.0, 400.0, 600.0)
WIDTHS = (10.0, 20.0, 40.0, 80.0)


@dataclass(frozen=True, kw_only=True)
class Band:
    """What the loop is: as wide as that, mm."""

    width_mm: float


@dataclass(frozen=True, kw_only=True)
class BandSet:
    """How it is set: pull of both strands together, N."""

    pull_n: float


BandDrive = WorkedDrive[Band, None, BandSet]


def drum(ident: str, role: str, d: float) -> Wheel:
    return Wheel(id=ident, role=role, path_mm=d, pitch_mm=d, outside_mm=d, profile="drum", count=1)


class BandMethod(Method[Band, None, BandSet]):
    """Pull times speed."""

    family = "steel-band"

    def speeds(self, case: Case[Band]) -> Speeds:
        d_1, d_2 = (w.pitch_mm for w in case.route.wheels)
        rpm = case.driver_rpm * d_1 / d_2
        return Speeds(
            driven_rpm=rpm, low_rpm=rpm, high_rpm=rpm, loop_m_s=3.141592653589793 * d_1 * case.driver_rpm / 60000
        )

    def shape(self, case: Case[Band]) -> Shape:
        path = path_of(case.route)
        arcs = sorted(w.arc_deg for w in path.wraps)
        return Shape(
            path=path,
            length_mm=path.length_mm,
            centre_mm=case.route.driver.distance_mm(case.route.driven),
            span_mm=path.spans[0].length_mm,
            small_arc_deg=arcs[0],
            large_arc_deg=arcs[-1],
        )

    def rated(self, case: Case[Band], design_kw: float, *, speeds: Speeds, shape: Shape) -> Rated[None]:
        kw = PULL_N_MM * case.loop.width_mm * speeds.loop_m_s / 1000
        return Rated(count=1, own=None, power_kw=kw, spare_percent=100 * (kw / design_kw - 1))

    def level(
        self, case: Case[Band], design_kw: float, *, speeds: Speeds, shape: Shape, rated: Rated[None]
    ) -> Level[BandSet]:
        pull = 2 * PULL_N_MM * case.loop.width_mm
        return Level(static_n=pull / 2, centrifugal_n=0.0, standing_n=pull, running_n=pull, own=BandSet(pull_n=pull))

    def thickness_mm(self, case: Case[Band]) -> float:
        return 1.0

    def size(
        self, case: Case[Band], rated: Rated[None], *, shape: Shape, level: Level[BandSet]
    ) -> tuple[float, Weight]:
        kg = sum(w.outside_mm for w in case.route.wheels) / 50
        return case.loop.width_mm + 5, Weight(kg, 1.5 * kg)


@dataclass(frozen=True, kw_only=True)
class BandCandidate:
    driver_mm: float
    driven_mm: float
    width_mm: float


class BandField(Field[BandCandidate]):
    """Every pair of drums with every width."""

    limits = ("speed", "size", "power")
    cheap_limits = 2

    def __init__(self, wanted: DutyWanted, one: BandCandidate | None = None) -> None:
        super().__init__(wanted)
        d_1, d_2, b = (g.ravel() for g in np.meshgrid(DRUMS, DRUMS, WIDTHS, indexing="ij"))
        if one is not None:
            d_1, d_2, b = (np.array([x]) for x in (one.driver_mm, one.driven_mm, one.width_mm))
        self.d_1, self.d_2, self.b = d_1, d_2, b

    def __len__(self) -> int:
        return len(self.b)

    def factors(self) -> tuple[Rows, Array]:
        factor = self.d_1 / self.d_2
        order = np.argsort(factor, kind="stable").astype(np.int64)
        return order, factor[order]

    def errors(self, rows: Rows) -> Array:
        w = self.wanted
        off: Array = 100 * (w.driver_rpm * self.d_1[rows] / self.d_2[rows] / w.driven_rpm - 1)
        return off

    def cheap(self, rows: Rows) -> list[Held]:
        w, error = self.wanted, self.errors(rows)
        room = min(w.largest_driver_mm, w.largest_driven_mm)
        return [
            Held(error, w.tolerance_percent, (np.abs(error) - w.tolerance_percent) / 100),
            beyond(np.maximum(self.d_1[rows], self.d_2[rows]), room),
        ]

    def evaluate(self, rows: Rows) -> Columns:
        speed = np.pi * self.d_1[rows] * self.wanted.driver_rpm / 60000
        return {"error": self.errors(rows), "power": PULL_N_MM * self.b[rows] * speed / 1000}

    def rest(self, rows: Rows, found: Columns) -> list[Held]:
        return [Held(found["power"], self.wanted.design_kw, 1 - found["power"] / self.wanted.design_kw)]

    def figures(self, rows: Rows, found: Columns) -> Figures:
        return Figures(
            parts=np.full(len(rows), 3.0),
            large_mm=np.maximum(self.d_1[rows], self.d_2[rows]),
            width_mm=self.b[rows] + 5,
            weight_kg=1.25 * (self.d_1[rows] + self.d_2[rows]) / 50,
            shaft_load_n=2 * PULL_N_MM * self.b[rows],
            error_percent=found["error"],
            spare_percent=100 * (found["power"] / self.wanted.design_kw - 1),
            uncommon=np.zeros(len(rows)),
        )

    def candidate(self, row: int) -> BandCandidate:
        return BandCandidate(
            driver_mm=float(self.d_1[row]), driven_mm=float(self.d_2[row]), width_mm=float(self.b[row])
        )

    def name(self, row: int) -> str:
        c = self.candidate(row)
        return f"{c.width_mm:.0f} mm band on {c.driver_mm:.0f} / {c.driven_mm:.0f} mm"

    def group(self, row: int) -> float:
        return float(self.b[row])


class BandDriveIn(Input):
    """A steel band drive."""

    power: Power
    service_factor: ServiceFactorIn | None = None
    driver_speed: Speed
    driver_drum: Size
    driven_drum: Size
    centre_distance: Length
    width: Size
    wanted: WantedIn | None = None
    layout: LayoutIn = In_(default_factory=LayoutIn)


class BandDriveOut(Answer):
    """Figures of a band drive."""

    capacity: Figure
    driven_speed: Figure


class BandSelectIn(SelectIn):
    """A duty for a band."""


class ThisBandIn(Input):
    """A band drive in mind."""

    driver_drum: Size
    driven_drum: Size
    width: Size


class BandWhyNotIn(BandSelectIn):
    """A duty, and the drive in mind."""

    this: ThisBandIn


class SteelBands(Family[BandDriveIn, BandSelectIn, Band, None, BandSet, BandCandidate]):
    """The adapter."""

    facts = Facts(
        key="steel-band",
        title="Steel bands",
        one="steel band drive",
        order=99,
        group="Any drive",
        calc="band-drive",
        select="band-select",
        why_not="band-why-not",
        manners_table="flat_manners",
        speed_field="driver_speed",
        found_fields=("driver_drum", "driven_drum", "width", "centre_distance"),
        loop="flat-belt",
    )
    method = BandMethod()
    input_model = BandDriveIn
    select_model = BandSelectIn
    limit_words: ClassVar[Mapping[str, tuple[str, str]]] = COMMON | {
        "size": ("drum of {v}", "length"),
        "power": ("carries {v}", "power"),
    }

    def case(self, given: BandDriveIn, frame: Frame) -> Case[Band]:
        return Case(
            power_kw=given.power.value,
            service_factor=factor_of(given.service_factor),
            driver_rpm=given.driver_speed.value,
            route=Route.two(
                drum("driver", "driver", given.driver_drum.value),
                drum("driven", "driven", given.driven_drum.value),
                centre_mm=given.centre_distance.value,
                angle_deg=given.layout.angle,
                clockwise=given.layout.clockwise,
            ),
            loop=Band(width_mm=given.width.value),
            centre_mm=given.centre_distance.value,
        )

    def page(self, given: BandDriveIn, worked: BandDrive, frame: Frame, side: Beside) -> tuple[Answer, SheetOut]:
        f, c = frame.figure, frame.call_out
        out = BandDriveOut(
            capacity=f(worked.rated.power_kw or 0.0, "power"), driven_speed=f(worked.driven_rpm, "speed")
        )
        sheet = SheetOut(
            family=self.key,
            designation=self.option_name(worked, frame),
            call_outs=[
                c("d1", AT_DRIVER, label="drum", figure=f(given.driver_drum.value, "length"), path="driver_drum"),
                c("d2", AT_DRIVEN, label="drum", figure=f(given.driven_drum.value, "length"), path="driven_drum"),
                c(
                    "a",
                    AT_CENTRES,
                    label="centres",
                    figure=f(worked.centre_mm, "length", "tape"),
                    path="centre_distance",
                ),
            ],
            answers=[main_answer("carries", "Carries", out.capacity)],
            spare=f(worked.spare_percent or 0.0, "percent"),
            driven_speed=out.driven_speed,
            driven_band=None,
            shaft_load=f(worked.shaft_load.newtons, "force"),
            shaft_load_case="standing",
            beside=side,
            set_line="pull it tight",
            setting=Setting(by="dip", title="Set it", steps=["Pull it tight."], room="", remark=""),
        )
        return out, sheet

    def efficiency_kind(self, worked: BandDrive) -> str:
        return "flat"

    def efficiency_of(self, section: str) -> str:
        return "flat"

    def duty_of(self, given: BandDriveIn, worked: BandDrive) -> DutyPart:
        return DutyPart(
            power=given.power,
            driver_speed=given.driver_speed,
            service=given.service_factor,
            driven_rpm=worked.driven_rpm,
            wanted=given.wanted,
        )

    def parts(self, given: BandDriveIn, worked: BandDrive, frame: Frame) -> Parts:
        def wheel(d: float, role: str) -> WheelPart:
            # The sixth kind of wheel, which no table of the store lists.
            return WheelPart(
                id=role, shaft=ShaftKey(role=role), kind="band drum", diameter=Dim(mm=d, kind="outside"), profile="drum"
            )

        loop = LoopPart(
            stops=stops_of(worked.case.route),
            section="band",
            designation=self.option_name(worked, frame),
            length=Dim(mm=worked.length_mm, kind="outside"),
            take_up=worked.case.route.take_up,
            spec={"width": given.width.value},
        )
        wheels = plain_wheels(
            worked, wheel(given.driver_drum.value, "driver"), wheel(given.driven_drum.value, "driven")
        )
        return Parts(wheels=wheels, loops=(loop,), clockwise=given.layout.clockwise)

    def given_values(self, duty: StoredDuty, parts: Parts) -> dict[str, JsonValue]:
        return {
            **duty.common,
            "driver_speed": duty.driver_rpm,
            "driver_drum": parts.driver.diameter.mm,
            "driven_drum": parts.driven.diameter.mm,
            "centre_distance": parts.centre_mm,
            "layout": parts.layout(),
            **parts.loop.spec,
        }

    def factor(self, service: ServiceFactorIn | None) -> float:
        return factor_of(service)

    def field(self, given: BandSelectIn, wanted: DutyWanted, frame: Frame) -> Field[BandCandidate]:
        return BandField(wanted)

    def drive_of(self, found: Ranked[BandCandidate], given: BandSelectIn) -> BandDriveIn:
        c, about = found.drive, given.centre.about
        return BandDriveIn.model_validate(
            {
                "power": given.power.value,
                "driver_speed": given.driver_speed.value,
                "driver_drum": c.driver_mm,
                "driven_drum": c.driven_mm,
                "centre_distance": about.value if about else 1000.0,
                "width": c.width_mm,
            }
        )

    def option_name(self, worked: BandDrive, frame: Frame) -> str:
        return f"{frame.figure(worked.case.loop.width_mm, 'length', 'size').shown} steel band"

    def telling(self, worked: BandDrive, frame: Frame) -> str:
        return "drums " + "/".join(f"{w.outside_mm:.0f}" for w in worked.case.route.wheels)


BANDS = SteelBands()
GROUP = "Any drive"
DUTY = {"power": "5 kW", "driver_speed": "1000", "driven_speed": "500", "centre": {"about": "1000 mm"}}
DRIVE = {
    "power": "5 kW",
    "driver_speed": "1000",
    "driver_drum": "200 mm",
    "driven_drum": "400 mm",
    "centre_distance": "1000 mm",
    "width": "40 mm",
}


def declare_calculations() -> tuple[str, ...]:
    """Register the three calculations; their names."""

    @calculation("band-drive", "Steel band drive", summary="Invented.", source="invented", example={"input": DRIVE})
    def band_drive(given: BandDriveIn, frame: Frame) -> BandDriveOut:
        return work_drive(BANDS, given, frame, BandDriveOut)

    @calculation("band-select", "Choose one", summary="Invented.", source="invented", example={"input": DUTY})
    def band_select(given: BandSelectIn, frame: Frame) -> SelectOut:
        return select(BANDS, given, frame)

    @calculation("band-why-not", "Why not", summary="Invented.", source="invented", example={"input": DUTY})
    def band_why_not(given: BandWhyNotIn, frame: Frame) -> WhyNotOut:
        t = given.this
        mind = BandCandidate(driver_mm=t.driver_drum.value, driven_mm=t.driven_drum.value, width_mm=t.width.value)
        return why_not_this(BANDS, given, frame, one=BandField(NO_DUTY, mind), name="that band")

    return ("band-drive", "band-select", "band-why-not")
