"""Input and answer of one whole V-belt drive."""

import re
from typing import Annotated, Any, Literal

from pydantic import Field, model_validator
from pydantic_core import PydanticCustomError

from tuyere.calc.answer import Answer, Band, Figure
from tuyere.calc.entry import Length, Power
from tuyere.calc.families.v_belt.parts import DrivenIn, OwnRatings, ShaftIn, basis_of, sheave_of
from tuyere.calc.frame import Frame
from tuyere.calc.parts import LayoutIn, ServiceFactorIn, SlipIn, Text, Whole, factor_of, slip_of
from tuyere.calc.registry import Input
from tuyere.calc.wanted import WantedIn
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.tension.set_tension import Setting
from tuyere.core.v_belt.belts import belt
from tuyere.core.v_belt.rate import Given, Rating
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


class VBeltDriveIn(Input):
    """A V-belt drive: duty, both sheaves, the belt."""

    power: Power = Field(description="power to transmit")
    service_factor: ServiceFactorIn | None = Field(default=None, description="how hard the duty is")
    driver: ShaftIn = Field(description="the driving shaft")
    driven: DrivenIn = Field(description="the driven shaft")
    belt: BeltIn
    centre_by_tape: Length | None = Field(
        default=None, description="shaft to shaft as the tape reads: held against what belt and sheaves give"
    )
    slip: SlipIn
    own_ratings: OwnRatings | None = Field(default=None, description="your own rating table, for the basis own-table")
    wanted: WantedIn | None = Field(default=None, description="the driven speed that is wanted")
    layout: LayoutIn = Field(default_factory=LayoutIn, description="for the drawing")


class VBeltDriveOut(Answer):
    """The drive worked through. Tensions and deflection forces are per belt, hub loads for all belts."""

    designation: str
    section: str = Field(description="belt section, as the search takes it")
    groove: str = Field(description="the belt's own groove")
    basis: str = Field(description="the book it is rated by")
    basis_source: str
    belts: Figure
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
    hub_standing: Figure
    hub_standing_new: Figure
    hub_running: Figure
    shaft_load: Figure
    shaft_load_case: str
    belt_mass: Figure
    installation: Figure | None
    take_up: Figure | None


def given_of(given: VBeltDriveIn, frame: Frame) -> Given:
    """The core's input of a drive. Raises InputError beside the field."""
    one = belt(given.belt.designation)
    wheel = given.driven.sheave
    flat = wheel.groove == "flat"
    if flat and wheel.kind not in (None, "outside"):
        raise InputError("driven.sheave.kind", wheel.kind, "a flat pulley has an outside diameter only", "outside")
    own = one.section.groove
    driven = flat_pulley(wheel.diameter.value, one.section) if flat else sheave_of(wheel, "driven.sheave", own)
    return Given(
        power_kw=given.power.value,
        service_factor=factor_of(given.service_factor),
        driver_rpm=given.driver.speed.value,
        driver=sheave_of(given.driver.sheave, "driver.sheave", own),
        driven=driven,
        belt=one,
        count=given.belt.count,
        slip_percent=slip_of(given.slip),
        basis=basis_of(frame.basis, given.own_ratings),
        angle_deg=given.layout.angle,
        clockwise=given.layout.clockwise,
        tape_mark_mm=frame.tape_mark_mm,
        link=given.belt.construction == "link",
        v_flat=flat,
    )


def drive_out(r: Rating, given: Given, frame: Frame) -> VBeltDriveOut:
    """A worked drive as figures."""
    f, t = frame.figure, r.tension

    def band(pair: tuple[Setting, Setting], what: str, kind: str, name: str, prefix: str) -> Band:
        low, high = (float(getattr(s, what)) for s in pair)
        return frame.band(
            low,
            high,
            kind=kind,
            steps=(f"{prefix}_{name}_low", f"{prefix}_{name}_high"),
            per=None if kind == "frequency" else "belt",
        )

    room = r.room
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
    one = r.one_belt
    return VBeltDriveOut(
        designation=given.belt.designation + (" link" if given.link else ""),
        section=given.belt.section.name,
        groove=given.belt.section.groove,
        basis=one.basis_title if one else "not rated",
        basis_source=one.basis_source if one else "",
        belts=f(r.belts, "count", step="belts_needed" if given.count is None else ""),
        belts_needed=None if r.belts_needed is None else f(r.belts_needed, "count", step="belts_needed"),
        belts_exact=None if r.belts_exact is None else f(r.belts_exact, "factor", "exact", "belts_exact"),
        design_power=f(r.design_kw, "power", step="design_power"),
        service_factor=f(given.service_factor, "factor", step="service_factor"),
        belt_power=None if one is None else f(one.corrected_kw, "power", step="belt_power", per="belt"),
        basic_power=None if one is None else f(one.basic_kw, "power", step="basic_power", per="belt"),
        added_power=None if one is None else f(one.added_kw, "power", step="added_power", per="belt"),
        arc_factor=None if one is None else f(one.arc_factor, "factor", step="arc_factor"),
        length_factor=None if one is None else f(one.length_factor, "factor", step="length_factor"),
        carried_power=None if one is None else f(one.corrected_kw * r.belts, "power", step="belt_power"),
        spare=None if r.spare_percent is None else f(r.spare_percent, "percent", step="spare"),
        driven_speed=f(r.driven_rpm, "speed", step="driven_speed"),
        driven_speed_low=f(r.driven_rpm_low, "speed", step="driven_speed_low"),
        driven_speed_high=f(r.driven_rpm_high, "speed", step="driven_speed_high"),
        speed_ratio=f(r.ratio, "factor", "exact", "speed_ratio"),
        belt_speed=f(r.belt_speed_m_s, "belt_speed", step="belt_speed"),
        belt_length=f(r.length_mm, "length", "size", "belt_length"),
        centre_distance=f(r.centre_mm, "length", "tape", "centre_distance"),
        span=f(r.span_mm, "length", "tape", "span"),
        small_arc=f(r.small_arc_deg, "angle", step="small_arc"),
        large_arc=f(r.large_arc_deg, "angle", step="large_arc"),
        driver_outside=f(given.driver.outside_mm, "length", "size"),
        driven_outside=f(given.driven.outside_mm, "length", "size"),
        driver_pitch=f(given.driver.pitch_mm, "length", "size"),
        driven_pitch=f(given.driven.pitch_mm, "length", "size"),
        deflection=f(t.deflection_set_mm, "length", "tape", "deflection"),
        deflection_exact=f(t.deflection_mm, "length", "size", "deflection"),
        deflection_force_new=band(t.new, "force_n", "force", "new", "force"),
        deflection_force_run_in=band(t.run_in, "force_n", "force", "run_in", "force"),
        tension_new=band(t.new, "tension_n", "force", "new", "tension"),
        tension_run_in=band(t.run_in, "tension_n", "force", "run_in", "tension"),
        frequency_new=band(t.new, "frequency_hz", "frequency", "new", "frequency"),
        frequency_run_in=band(t.run_in, "frequency_hz", "frequency", "run_in", "frequency"),
        static_tension=f(t.static_n, "force", step="static_tension", per="belt"),
        static_tension_statics=f(t.statics_n, "force", step="static_tension_statics", per="belt"),
        tight=f(t.tight_n, "force", step="tight", per="belt"),
        slack=f(t.slack_n, "force", step="slack", per="belt"),
        slip_duty=f(t.slip_duty_n, "force", step="slip_duty", per="belt"),
        slip_design=f(t.slip_design_n, "force", step="slip_design", per="belt"),
        hub_standing=f(t.hub_standing_n, "force", step="hub_standing", per="hub"),
        hub_standing_new=f(t.hub_standing_new_n, "force", step="hub_standing_new", per="hub"),
        hub_running=f(t.hub_running_n, "force", step="hub_running", per="hub"),
        shaft_load=f(
            t.shaft_load.newtons,
            "force",
            step="hub_standing_new" if t.shaft_load.case.startswith("standing") else "hub_running",
            per="hub",
        ),
        shaft_load_case=t.shaft_load.case,
        belt_mass=f(t.mass_kg_m, "mass_per_length", step="belt_mass"),
        installation=None if room is None else f(room.installation_mm, "length", "tape"),
        take_up=None if room is None else f(room.take_up_mm, "length", "tape"),
    )
