"""The V-belt's adapter."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import replace
from math import inf
from typing import ClassVar

from pydantic import JsonValue

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.around.shown import Loops, StandardLoop
from tuyere.calc.entry import value_of
from tuyere.calc.families.duty_model import DutyPart, StoredDuty
from tuyere.calc.families.parts_model import Dim, LoopPart, Parts, ShaftKey, Spec, WheelPart, plain_wheels, stops_of
from tuyere.calc.families.protocol import Change, Facts, Family, Refit, register
from tuyere.calc.families.select_model import LabelledFigure, MotorLimitIn, StockIn
from tuyere.calc.families.v_belt.books import BOOKS, basis_of
from tuyere.calc.families.v_belt.drive_model import VBeltDriveIn, case_of, drive_out
from tuyere.calc.families.v_belt.motor_sheave import check_motor_sheave, least_of_motor, motor_drives
from tuyere.calc.families.v_belt.parts import SheaveIn, efficiency_kind
from tuyere.calc.families.v_belt.refit import nearest_belt
from tuyere.calc.families.v_belt.remarks import JOINED, SINGLES, remark_belts, remark_centres
from tuyere.calc.families.v_belt.search_input import VBeltSelectIn, fixed_of
from tuyere.calc.families.v_belt.sheet import v_belt_sheet
from tuyere.calc.frame import Frame
from tuyere.calc.limit_words import COMMON
from tuyere.calc.parts import ServiceFactorIn, factor_of, slip_of
from tuyere.calc.sheet import Beside, SheetOut
from tuyere.calc.speed_questions import Measured, SpeedQuestion, Which, of_any_drive, of_belts, standing_of
from tuyere.core.drive.look_around import slips_under_n
from tuyere.core.drive.search import DutyWanted, Field, Ranked, Stock
from tuyere.core.errors import InputError
from tuyere.core.motors.motor import least_motor_sheave
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet
from tuyere.core.v_belt.belts import belt, belt_of, length_mm_of, standard_numbers
from tuyere.core.v_belt.case import VBeltCase, VBeltLoop, emergency
from tuyere.core.v_belt.catalogue import build_catalogue
from tuyere.core.v_belt.field import CLASSICAL, WEDGE, VBeltCandidate, VBeltField
from tuyere.core.v_belt.joined import LEAST_RIBS, ribs_of
from tuyere.core.v_belt.method import V_BELT_METHOD, VBeltDrive, VBeltRated, VBeltSet
from tuyere.core.v_belt.sections import section as section_named
from tuyere.core.v_belt.sections import sections
from tuyere.core.v_belt.sheaves import sheave

LINK = " link"
# Sections for which sheaves are made that can be set.
SETTABLE = ("3L", "4L", "A", "AX", "5L", "B", "BX")
FOR_A_WHILE = "A belts in B grooves: for a while only, until the right belt is there."


def _spec(given: VBeltDriveIn) -> Spec:
    """What a build keeps beside its rows: slip, and the lines of an own rating table that it was rated by."""
    spec: dict[str, JsonValue] = {"slip": given.slip.value} if given.slip else {}
    if given.belt.odd:
        spec["odd"] = given.belt.odd
    if given.belt.in_place_of_joined:
        spec["in_place_of_joined"] = True
    if given.centre_by_tape:
        spec["centre_by_tape"] = given.centre_by_tape.value
    if given.own_ratings:
        spec["own_ratings"] = [
            {"section": r.section, "diameter": r.diameter.value, "speed": r.speed.value, "power": r.power.value}
            for r in given.own_ratings
        ]
    return spec


def least_on_motor(given: MotorLimitIn | None, power_kw: float, rpm: float) -> dict[str, float]:
    """Least driver sheave in mm for classical and for wedge belts; none where no motor is asked about.

    Raises InputError beside the motor's fields where the table does not know it.
    """
    if given is None:
        return {}
    power = value_of(given.power, power_kw)

    def least(narrow: bool) -> float:
        return least_motor_sheave(power, rpm, narrow, given.frame.strip().upper() if given.frame else None).least_mm

    try:
        classical = least(False)
    except InputError as e:
        raise e.at(f"limits.motor.{e.field}") from e
    try:
        with quiet(), collected_notices():
            wedge = least(True)
    except InputError:
        wedge = inf  # the table has no wedge sheave for this motor: none passes
    return {CLASSICAL: classical, WEDGE: wedge}


def _slips_round_all(worked: VBeltDrive, frame: Frame) -> dict[str, Figure]:
    """Round more than two wheels the slip limits are those of its own strands; one belt."""
    out = {}
    for name, times in (("slip_duty", 1.0), ("slip_design", worked.design_kw / worked.case.power_kw)):
        under = slips_under_n(V_BELT_METHOD, worked, times)
        if under is not None:
            out[name] = frame.figure(under / worked.rated.count, "force", per="belt")
    return out


class VBelts(Family[VBeltDriveIn, VBeltSelectIn, VBeltLoop, VBeltRated, VBeltSet, VBeltCandidate]):
    """V-belts in grooved sheaves."""

    facts = Facts(
        key="v-belt",
        title="V-belts",
        one="V-belt drive",
        order=10,
        group="V-belts",
        calc="v-belt-drive",
        select="v-belt-select",
        why_not="v-belt-why-not",
        manners_table="v_belt_manners",
        speed_field="driver.speed",
        found_fields=("driver.sheave", "driven.sheave", "belt"),
        loop="v",
        one_drive="one belt drive",
        choices=(BOOKS,),
    )
    method = V_BELT_METHOD
    input_model = VBeltDriveIn
    select_model = VBeltSelectIn
    limit_words: ClassVar[Mapping[str, tuple[str, str]]] = COMMON | {
        "sheave size": ("sheave of {v}: too small for its section, or too large for the room", "length"),
        "centre distance": ("centre distance {v}|the belt is too short for the sheaves", "length"),
        "arc": ("arc on the small sheave {v}", "angle"),
        "rim speed": ("belt speed {v}", "belt_speed"),
        "rating table": (
            "beyond the rating table, which is not extended|beyond the rating table, which is not extended",
            "",
        ),
        "power": ("the belt carries nothing at this speed", ""),
        "belts": ("{v} belts needed", "count"),
        "face width": ("face width {v}", "length"),
        "motor sheave": ("driver sheave {v}, too small for the motor's shaft and bearing (NEMA MG 1)", "length"),
        "shaft bore": ("groove bottom {v}, too little for a hub round the shaft", "length"),
    }

    def case(self, given: VBeltDriveIn, frame: Frame) -> VBeltCase:
        """Duty, sheaves and belts."""
        return case_of(given, frame)

    def page(self, given: VBeltDriveIn, worked: VBeltDrive, frame: Frame, side: Beside) -> tuple[Answer, SheetOut]:
        """Figures and sheet; remarks on what stands there."""
        check_motor_sheave(given.service_factor, worked.case)
        out = drive_out(worked, frame)
        if worked.case.route.plain is None:
            out = out.model_copy(update=_slips_round_all(worked, frame))
        remark_centres(given, worked.centre_mm)
        remark_belts(given, worked.rated.count)
        if given.belt.joined:
            made = " + ".join(str(n) for n in ribs_of(worked.rated.count))
            out = out.model_copy(update={"designation": f"{out.designation}{JOINED}", "ribs": made})
        with quiet(), collected_notices():
            stop_gap = emergency(case_of(given, frame))
        why = FOR_A_WHILE if stop_gap else SINGLES if given.belt.in_place_of_joined else ""
        return out, v_belt_sheet(given, out, frame, side, why)

    def efficiency_kind(self, worked: VBeltDrive) -> str:
        """Wrapped or cogged."""
        return efficiency_kind(worked.case.loop.belt.section)

    def efficiency_of(self, section: str) -> str:
        """Wrapped or cogged, by the section's name."""
        return efficiency_kind(section_named(section))

    def duty_of(self, given: VBeltDriveIn, worked: VBeltDrive) -> DutyPart:
        """The duty that an input states."""
        return DutyPart(
            power=given.power,
            driver_speed=given.driver.speed,
            service=given.service_factor,
            driven_rpm=worked.driven_rpm,
            wanted=given.wanted,
        )

    def parts(self, given: VBeltDriveIn, worked: VBeltDrive, frame: Frame) -> Parts:
        """Two sheaves and the belts; one member a belt."""
        belts = worked.rated.count
        of = belt(given.belt.designation).section

        def wheel(s: SheaveIn, shaft: ShaftKey) -> WheelPart:
            return WheelPart(
                id=shaft.role,
                shaft=shaft,
                kind="sheave",
                diameter=Dim(mm=s.diameter.value, kind=s.kind or "outside", typed=s.diameter.typed),
                profile=s.groove or of.groove,
                grooves=belts,
            )

        named = worked.case.loop.belt.designation + (LINK if given.belt.construction == "link" else "")
        loop = LoopPart(
            stops=stops_of(worked.case.route),
            section=of.name,
            designation=named + (JOINED if given.belt.joined else ""),
            length=Dim(mm=float(worked.length_mm), kind=of.line_kind),
            strands=belts,
            members=belts,
            joined=given.belt.joined,
            take_up=worked.case.route.take_up,
            spec=_spec(given),
        )
        wheels = plain_wheels(
            worked,
            wheel(given.driver.sheave, ShaftKey(role="driver")),
            wheel(given.driven.sheave, ShaftKey(role="driven")),
        )
        return Parts(wheels=wheels, loops=(loop,), clockwise=given.layout.clockwise)

    def given_values(self, duty: StoredDuty, parts: Parts) -> dict[str, JsonValue]:
        """Back to the calculation's input."""
        named = parts.loop.designation
        belts: dict[str, JsonValue] = {
            "designation": named.removesuffix(LINK).removesuffix(JOINED),
            "count": parts.loop.strands,
        }
        if named.endswith(LINK):
            belts["construction"] = "link"
        if named.endswith(JOINED):
            belts["joined"] = True
        if odd := parts.loop.spec.get("odd"):
            belts["odd"] = odd
        if parts.loop.spec.get("in_place_of_joined"):
            belts["in_place_of_joined"] = True

        def wheel(w: WheelPart) -> JsonValue:
            return {"diameter": w.diameter.mm, "kind": w.diameter.kind, "groove": w.profile}

        out: dict[str, JsonValue] = {
            **duty.common,
            "driver": {"speed": duty.driver_rpm, "sheave": wheel(parts.driver)},
            "driven": {"sheave": wheel(parts.driven)},
            "belt": belts,
            "layout": parts.layout(),
        }
        for kept in ("slip", "own_ratings", "centre_by_tape"):
            if (value := parts.loop.spec.get(kept)) is not None:
                out[kept] = value
        return out

    def loops_between(self, worked: VBeltDrive) -> Callable[[float, float], Loops]:
        """Standard lengths of the belt's own section, and of the others that run in its grooves."""
        groove = worked.case.loop.belt.section.groove
        now = worked.case.loop.belt.designation
        alike = [of for of in sections().values() if of.groove == groove]

        def between(least_mm: float, most_mm: float) -> Loops:
            belts = [belt_of(of, number) for of in alike for number in standard_numbers(of)]
            return [
                StandardLoop(b.designation, mm, "belt.designation", b.designation, b.designation == now)
                for b in belts
                if least_mm <= (mm := length_mm_of(b)) <= most_mm
            ]

        return between

    def check_found(self, given: VBeltDriveIn) -> None:
        """How many belts there are is counted, not worked out."""
        if given.belt.count is None:
            raise InputError("input.belt.count", None, "how many belts are on it?", "count them: 1 to 30")

    def loop_of(self, given: VBeltDriveIn) -> str:
        """Link, joined and light-duty belts are handled in other ways than plain ones."""
        if given.belt.construction == "link":
            return "v-link"
        if given.belt.joined:
            return "v-joined"
        with quiet(), collected_notices():
            light = belt(given.belt.designation).section.family == "light"
        return "v-light" if light else self.facts.loop

    def what(self, designation: str, strands: int) -> str:
        """Belts are counted."""
        if designation.endswith(JOINED):
            return f"{strands}/{designation}"
        return f"{strands} × {designation}"

    def speed_questions(self, given: VBeltDriveIn, worked: VBeltDrive, units: str) -> list[SpeedQuestion]:
        """A sheave can be turned down, set, or made."""
        at = standing_of(worked, units)
        groove = worked.case.route.driver.profile
        section = worked.case.loop.belt.section.name
        out = [*of_belts(at, groove), *of_any_drive(at)]
        out.append(
            SpeedQuestion(
                "made-sheave", {"groove": groove, "outside": at.size(at.driver_outside_mm), "grooves": at.grooves}
            )
        )
        if section in SETTABLE:
            closed: dict[str, JsonValue] = {"closed": at.size(at.driver_pitch_mm), "turns_now": "0"}
            values: dict[str, JsonValue] = {
                "section": section,
                "driver_speed": at.rpm(at.driver_rpm),
                "driver": closed,
                "driven_fixed": at.size(at.driven_pitch_mm),
                "speed_now": at.rpm(at.driven_rpm),
                "centres": at.size(at.centre_mm),
            }
            out.append(SpeedQuestion("adjustable-sheave", values))
        return out

    def with_wheel(self, given: VBeltDriveIn, which: Which, mm: float, measured: Measured = "outside") -> VBeltDriveIn:
        """The sheave by its outside or pitch diameter; the belt stays, and the centres follow it."""
        shaft = given.driver if which == "driver" else given.driven
        values = shaft.model_dump(mode="json", exclude_unset=True)
        values["sheave"] |= {"diameter": mm, "kind": measured}
        changed = type(shaft).model_validate(values)
        return given.model_copy(update={which: changed, "centre_by_tape": None})

    def factor(self, service: ServiceFactorIn | None) -> float:
        """The association's."""
        return factor_of(service)

    def wanted_more(self, given: VBeltSelectIn, wanted: DutyWanted) -> DutyWanted:
        """Slip, and the least sheave of the motor: asked for, or of a usual motor of the duty's power."""
        power, rpm = given.power.value, given.driver_speed.value
        if given.limits.motor is None and motor_drives(given.service_factor):
            least = {CLASSICAL: least_of_motor(power, rpm, False), WEDGE: least_of_motor(power, rpm, True)}
        else:
            least = least_on_motor(given.limits.motor, power, rpm)
        return replace(wanted, slip_percent=slip_of(given.slip), least_driver_mm=least)

    def stock(self, given: StockIn) -> Stock:
        """Belts by designation, sheaves by the diameter along the length's line. Raises InputError beside the line."""
        with quiet(), collected_notices():
            belts = frozenset(belt(text, f"stock.belts.{k}").designation for k, text in enumerate(given.belts))
            wheels = tuple(
                (s.groove, sheave(s.diameter.value, s.kind, s.groove, f"stock.sheaves.{k}").line_mm)
                for k, s in enumerate(given.sheaves)
                if s.diameter is not None
            )
        return Stock(loops=belts, wheels=wheels)

    def field(self, given: VBeltSelectIn, wanted: DutyWanted, frame: Frame) -> Field[VBeltCandidate]:
        """All standard sheaves and belts, or those that the parts which stay allow."""
        basis = basis_of(frame, given.own_ratings)
        return VBeltField(build_catalogue(fixed_of(given.fixed, basis, given.joined), basis, given.series), wanted)

    def drive_of(self, found: Ranked[VBeltCandidate], given: VBeltSelectIn) -> VBeltDriveIn:
        """The drive with as many belts as the search counted."""
        c = found.drive
        kind, belts = c.belt.section.line_kind, int(found.found["belts"])

        loop: dict[str, JsonValue] = {"designation": c.belt.designation, "count": belts}
        if given.joined:
            loop |= {"joined": True, "count": max(belts, LEAST_RIBS)}

        def wheel(line_mm: float) -> JsonValue:
            return {"diameter": line_mm, "kind": kind, "groove": c.belt.section.groove}

        values: dict[str, JsonValue] = {
            "power": given.power.value,
            "driver": {"speed": given.driver_speed.value, "sheave": wheel(c.driver.line_mm)},
            "driven": {"sheave": wheel(c.driven.line_mm)},
            "belt": loop,
            "layout": {"angle": given.layout.angle, "clockwise": given.layout.clockwise},
        }
        if given.fixed.flat_pulley is not None:
            values["driven"] = {
                "sheave": {"diameter": given.fixed.flat_pulley.value, "kind": "outside", "groove": "flat"}
            }
        if given.slip is not None:
            values["slip"] = given.slip.value
        made = VBeltDriveIn.model_validate(values)
        return made.model_copy(update={"own_ratings": given.own_ratings}) if given.own_ratings else made

    def option_name(self, worked: VBeltDrive, frame: Frame) -> str:
        """How many of which belt."""
        return f"{worked.rated.count} × {worked.case.loop.belt.designation}"

    def telling(self, worked: VBeltDrive, frame: Frame) -> str:
        """Outside diameters."""
        size = "/".join(frame.figure(w.outside_mm, "length", "size").number for w in worked.case.route.wheels)
        return f"outside {size} {frame.figure(1, 'length').unit_shown}"

    def more(self, worked: VBeltDrive, frame: Frame) -> list[LabelledFigure]:
        """Belts needed exactly, and the diameters as they are ordered."""
        rated, of = worked.rated.own, worked.case.loop.belt.section
        sizes = "/".join(frame.figure(w.path_mm, "length", "size").number for w in worked.case.route.wheels)
        unit = frame.figure(1, "length").unit_shown
        out = [LabelledFigure(label=f"{of.line_kind} dia", shown=f"{sizes} {unit}")]
        if rated is not None:
            out.append(LabelledFigure(label="the duty takes", shown=f"{rated.belts_exact:.2f} of them"))
        return out

    def refit(self, given: VBeltDriveIn, change: Change, frame: Frame) -> Refit[VBeltDriveIn] | None:
        """V-belts come in standard lengths: a typed centre distance means the belt nearest to it."""
        return nearest_belt(given, change.typed, frame) if change.path == "centre_distance" else None


V_BELTS = register(VBelts())
