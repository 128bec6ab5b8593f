"""Input and answer of one whole V-belt drive."""

import re
from typing import Annotated, Any, Literal

from pydantic import Field, model_validator
from pydantic_core import PydanticCustomError

from tuyere.calc.answer import Answer, Band, Figure
from tuyere.calc.around.model import DriveIn
from tuyere.calc.entry import Length, Power
from tuyere.calc.families.v_belt.books import basis_of
from tuyere.calc.families.v_belt.parts import DrivenIn, OwnRatings, ShaftIn, sheave_of
from tuyere.calc.frame import Frame
from tuyere.calc.parts import LayoutIn, ServiceFactorIn, SlipIn, Text, Whole, factor_of, slip_of
from tuyere.calc.registry import Input
from tuyere.calc.wanted import WantedIn
from tuyere.core.drive.wheel import DRIVEN, DRIVER
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.steps import about
from tuyere.core.v_belt.belts import belt
from tuyere.core.v_belt.case import VBeltCase, v_belt_case
from tuyere.core.v_belt.method import VBeltDrive
from tuyere.core.v_belt.v_flat import flat_pulley

# Spring and lever gauges begin at about two pounds: common practice, no source.
LEAST_ON_A_GAUGE_N = 2 * 4.4482216152605
JOINED = re.compile(r"^\s*(\d{1,2})\s*/\s*(\S.*)$")


class BeltIn(Input):
    """The belts on the drive; 3/BX68 is one joined belt of three."""

    designation: Annotated[Text, Field(description="such as B90, BX90, 5VX1000, or 3/BX68 for a joined belt")]
    joined: bool = Field(default=False, description="the belts are joined into one by a band over their backs")
    construction: Literal["plain", "link"] = Field(
        default="plain", description="plain, or a link belt of that section in its place"
    )
    count: Annotated[Whole, Field(ge=1, le=30)] | None = Field(
        default=None, description="belts on the drive; left open, as many as are needed"
    )
    in_place_of_joined: bool = Field(
        default=False, description="single belts in the place of a joined one, for a while: a matched set"
    )
    odd: Text | None = Field(default=None, description="one belt of the set that is not like the others: which and how")

    @model_validator(mode="before")
    @classmethod
    def _read_joined(cls, data: Any) -> Any:
        """A joined marking says the section, the length and how many."""
        if not isinstance(data, dict) or not isinstance(text := data.get("designation"), str):
            return data
        found = JOINED.match(text)
        if found is None:
            return data
        count = int(found[1])
        if data.get("count") not in (None, count):
            raise PydanticCustomError(
                "quantity",
                "{why}",
                {
                    "why": f"{text.strip()} is {count} belts joined; the count says otherwise",
                    "allowed": f"{count}, or the marking of a single belt",
                },
            )
        return {**data, "designation": found[2].strip(), "count": count, "joined": True}


class VBeltDriveIn(DriveIn):
    """A V-belt drive: duty, both sheaves, the belt."""

    power: Power = Field(description="power to transmit")
    service_factor: ServiceFactorIn | None = Field(default=None, description="how hard the duty is")
    driver: ShaftIn = Field(description="the driving shaft")
    driven: DrivenIn = Field(description="the driven shaft")
    belt: BeltIn
    centre_by_tape: Length | None = Field(
        default=None, description="centre distance as the tape reads: held against what belt and sheaves give"
    )
    slip: SlipIn
    own_ratings: OwnRatings | None = Field(default=None, description="your own rating table, for the basis own-table")
    wanted: WantedIn | None = Field(default=None, description="the driven speed that is wanted")
    layout: LayoutIn = Field(default_factory=LayoutIn, description="for the drawing")


class VBeltDriveOut(Answer):
    """The drive worked through. Tensions and deflection forces are per belt, shaft loads for all belts."""

    designation: str
    section: str = Field(description="belt section, as the search takes it")
    groove: str = Field(description="the belt's own groove")
    basis: str = Field(description="the book it is rated by")
    basis_source: str
    belts: Figure
    ribs: str = Field(default="", description="joined belts that make the count, by their ribs; empty for single belts")
    belts_needed: Figure | None
    belts_exact: Figure | None
    design_power: Figure
    service_factor: Figure
    belt_power: Figure | None
    basic_power: Figure | None
    added_power: Figure | None
    arc_factor: Figure | None
    length_factor: Figure | None
    carried_power: Figure | None
    spare: Figure | None
    driven_speed: Figure
    driven_speed_low: Figure
    driven_speed_high: Figure
    speed_ratio: Figure
    belt_speed: Figure
    belt_length: Figure
    centre_distance: Figure
    span: Figure
    small_arc: Figure
    large_arc: Figure
    driver_outside: Figure
    driven_outside: Figure
    driver_pitch: Figure
    driven_pitch: Figure
    deflection: Figure
    deflection_exact: Figure
    deflection_force_new: Band
    deflection_force_run_in: Band
    tension_new: Band
    tension_run_in: Band
    frequency_new: Band
    frequency_run_in: Band
    static_tension: Figure
    static_tension_statics: Figure
    tight: Figure
    slack: Figure
    slip_duty: Figure
    slip_design: Figure
    shaft_load_standing: Figure
    shaft_load_standing_new: Figure
    shaft_load_running: Figure
    shaft_load: Figure
    shaft_load_case: str
    belt_mass: Figure
    installation: Figure | None
    take_up: Figure | None


def case_of(given: VBeltDriveIn, frame: Frame) -> VBeltCase:
    """The core's question of a drive. Raises InputError beside the field."""
    one = belt(given.belt.designation)
    wheel = given.driven.sheave
    flat = wheel.groove == "flat"
    if flat and wheel.kind not in (None, "outside"):
        raise InputError("driven.sheave.kind", wheel.kind, "a flat pulley has an outside diameter only", "outside")
    own = one.section.groove
    with about(DRIVEN):
        driven = flat_pulley(wheel.diameter.value, one.section) if flat else sheave_of(wheel, "driven.sheave", own)
    with about(DRIVER):
        driver = sheave_of(given.driver.sheave, "driver.sheave", own)
    return v_belt_case(
        driver,
        driven,
        power_kw=given.power.value,
        service_factor=factor_of(given.service_factor),
        driver_rpm=given.driver.speed.value,
        belt=one,
        count=given.belt.count,
        slip_percent=slip_of(given.slip),
        basis=basis_of(frame, given.own_ratings),
        angle_deg=given.layout.angle,
        clockwise=given.layout.clockwise,
        tape_mark_mm=frame.tape_mark_mm,
        link=given.belt.construction == "link",
        v_flat=flat,
    )


def drive_out(r: VBeltDrive, frame: Frame) -> VBeltDriveOut:
    """A worked drive as figures."""
    f, t, loop = frame.figure, r.own.plan, r.case.loop
    driver, driven = r.case.route.driver, r.case.route.driven

    def force(low: float, high: float) -> Band:
        return frame.band(low, high, "force", per="belt")

    room = r.own.room
    if room is None:
        notice(
            "info",
            "no-allowance",
            "No published room to fit and take up is on hand for this length.",
            "input.belt.designation",
        )
    if t.new[1].force_n < LEAST_ON_A_GAUGE_N:
        notice(
            "caution",
            "too-light-to-read",
            "{force} at mid-span is less than a belt gauge reads.",
            "input.belt.designation",
            "Set it by the sound of the span, or by the thumb: just so that it does not slip when it starts.",
            force=(t.new[1].force_n, "force"),
        )
    own = r.rated.own
    one = own.one if own else None
    return VBeltDriveOut(
        designation=loop.belt.designation + (" link" if loop.link else ""),
        section=loop.belt.section.name,
        groove=loop.belt.section.groove,
        basis=one.basis_title if one else "not rated",
        basis_source=one.basis_source if one else "",
        belts=f(own.belts_needed if own and loop.count is None else r.rated.count, "count"),
        belts_needed=None if own is None else f(own.belts_needed, "count"),
        belts_exact=None if own is None else f(own.belts_exact, "factor", "exact"),
        design_power=f(r.design_kw, "power"),
        service_factor=f(r.case.service_factor, "factor"),
        belt_power=None if one is None else f(one.corrected_kw, "power", per="belt"),
        basic_power=None if one is None else f(one.basic_kw, "power", per="belt"),
        added_power=None if one is None else f(one.added_kw, "power", per="belt"),
        arc_factor=None if one is None else f(one.arc_factor, "factor"),
        length_factor=None if one is None else f(one.length_factor, "factor"),
        carried_power=None if own is None else f(own.all_kw, "power"),
        spare=None if r.spare_percent is None else f(r.spare_percent, "percent"),
        driven_speed=f(r.driven_rpm, "speed"),
        driven_speed_low=f(r.speeds.low_rpm, "speed"),
        driven_speed_high=f(r.speeds.high_rpm, "speed"),
        speed_ratio=f(r.own.speed_ratio, "factor", "exact"),
        belt_speed=f(r.speed_m_s, "belt_speed"),
        belt_length=f(r.length_mm, "length", "size"),
        centre_distance=f(r.centre_mm, "length", "tape"),
        span=f(r.shape.span_mm, "length", "tape"),
        small_arc=f(r.shape.small_arc_deg, "angle"),
        large_arc=f(r.shape.large_arc_deg, "angle"),
        driver_outside=f(driver.outside_mm, "length", "size"),
        driven_outside=f(driven.outside_mm, "length", "size"),
        driver_pitch=f(driver.pitch_mm, "length", "size"),
        driven_pitch=f(driven.pitch_mm, "length", "size"),
        deflection=f(t.deflection_set_mm, "length", "tape"),
        deflection_exact=f(t.deflection_mm, "length", "size"),
        deflection_force_new=force(t.new[0].force_n, t.new[1].force_n),
        deflection_force_run_in=force(t.run_in[0].force_n, t.run_in[1].force_n),
        tension_new=force(t.new[0].tension_n, t.new[1].tension_n),
        tension_run_in=force(t.run_in[0].tension_n, t.run_in[1].tension_n),
        frequency_new=frame.band(t.new[0].frequency_hz, t.new[1].frequency_hz, "frequency"),
        frequency_run_in=frame.band(t.run_in[0].frequency_hz, t.run_in[1].frequency_hz, "frequency"),
        static_tension=f(t.static_n, "force", per="belt"),
        static_tension_statics=f(t.statics_n, "force", per="belt"),
        tight=f(t.tight_n, "force", per="belt"),
        slack=f(t.slack_n, "force", per="belt"),
        slip_duty=f(t.slip_duty_n, "force", per="belt"),
        slip_design=f(t.slip_design_n, "force", per="belt"),
        shaft_load_standing=f(t.shaft_load_standing_n, "force", per="hub"),
        shaft_load_standing_new=f(t.shaft_load_standing_new_n, "force", per="hub"),
        shaft_load_running=f(t.shaft_load_running_n, "force", per="hub"),
        shaft_load=f(r.shaft_load.newtons, "force", per="hub"),
        shaft_load_case=r.shaft_load.case,
        belt_mass=f(t.mass_kg_m, "mass_per_length"),
        installation=None if room is None else f(room.installation_mm, "length", "tape"),
        take_up=None if room is None else f(room.take_up_mm, "length", "tape"),
    )
