"""`v-belt-select`: every standard drive for a duty, ranked, and why the others fell out."""

from collections.abc import Callable
from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, ElevationOut, Figure
from tuyere.calc.centre import CentreIn, centre_range
from tuyere.calc.entry import Percent, Power, Size, Speed, value_of
from tuyere.calc.families.v_belt.drive_model import VBeltDriveOut, drive_out
from tuyere.calc.families.v_belt.parts import Groove, Kind, OwnRatings, SheaveIn, basis_of, sheave_of
from tuyere.calc.frame import Frame, elevation_out
from tuyere.calc.parts import LayoutIn, Real, ServiceFactorIn, SlipIn, Text, Whole, factor_of, slip_of, tolerance_of
from tuyere.calc.registry import Input, calculation
from tuyere.calc.shown import shown
from tuyere.core.duty.design import design_power
from tuyere.core.errors import InputError
from tuyere.core.notices import collected_notices
from tuyere.core.steps import mark, quiet
from tuyere.core.vbelt.bases.pick import basis_for
from tuyere.core.vbelt.bases.protocol import Basis
from tuyere.core.vbelt.belts import belt
from tuyere.core.vbelt.catalogue import Fixed, build_catalogue
from tuyere.core.vbelt.choose import WEIGHTS, Candidate, Rejected, Stock, Wanted, search
from tuyere.core.vbelt.rate import Given, rate
from tuyere.core.vbelt.sections import section
from tuyere.core.vbelt.sheaves import sheave

GROUP = "V-belts"


class FixedIn(Input):
    """Parts that stay."""

    driver: SheaveIn | None = Field(default=None, description="the driver sheave that stays")
    driven: SheaveIn | None = Field(default=None, description="the driven sheave that stays")
    section: Text | None = Field(default=None, description="the belt section that stays, such as B, 5VX or SPB")
    belt: Text | None = Field(default=None, description="the belt that stays, such as B90")


class LimitsIn(Input):
    """What there is room for."""

    belts: Annotated[Whole, Field(ge=1, le=20)] = Field(default=8, description="most belts")
    driver_outside: Size | None = Field(default=None, description="largest driver that fits, outside diameter")
    driven_outside: Size | None = Field(default=None, description="largest driven that fits, outside diameter")
    width: Size | None = Field(default=None, description="widest sheave face that fits")


class WeightsIn(Input):
    """How much each figure counts in the order; each is divided by the best one found."""

    belts: Annotated[Real, Field(ge=0, le=10)] = 1.0
    shaft_load: Annotated[Real, Field(ge=0, le=10)] = 1.0
    width: Annotated[Real, Field(ge=0, le=10)] = 1.0
    speed: Annotated[Real, Field(ge=0, le=10)] = 1.0
    stock: Annotated[Real, Field(ge=0, le=10)] = 1.0


class StockedSheaveIn(Input):
    """A sheave on the shelf."""

    groove: Groove
    diameter: Size
    kind: Kind = "outside"


class StockIn(Input):
    """What is on the shelf; parts that are there count for a drive."""

    belts: Annotated[list[Annotated[Text, Field(min_length=1)]], Field(max_length=1500)] = []
    sheaves: Annotated[list[StockedSheaveIn], Field(max_length=400)] = []


class VBeltSelectIn(Input):
    """A duty and what a drive for it may look like."""

    power: Power = Field(description="power to transmit")
    service_factor: ServiceFactorIn | None = Field(default=None, description="how hard the duty is")
    driver_speed: Speed = Field(description="speed of the driver")
    driven_speed: Speed = Field(description="wanted speed of the driven shaft")
    tolerance: Percent | None = Field(default=None, description="allowed speed error either way; 3 % is assumed")
    centre: CentreIn = Field(description="centre distance")
    fixed: FixedIn = Field(default_factory=FixedIn, description="parts that stay")
    limits: LimitsIn = Field(default_factory=LimitsIn, description="room")
    weights: WeightsIn = Field(default_factory=WeightsIn, description="how the order is made")
    stock: StockIn | None = Field(default=None, description="what is on your shelf")
    slip: SlipIn
    series: Literal["all", "inch", "metric"] = Field(default="inch", description="inch or metric sections, or all")
    own_ratings: OwnRatings | None = Field(default=None, description="your own rating table, for the basis own-table")
    layout: LayoutIn = Field(default_factory=LayoutIn, description="for the drawing")
    keep: Annotated[Whole, Field(ge=1, le=24)] = Field(default=9, description="options wanted")


class OptionOut(Answer):
    """One drive that does the duty, with what sets it apart."""

    name: str
    section: str
    groove: Groove
    driver_diameter: Figure
    driven_diameter: Figure
    diameter_kind: Literal["datum", "effective"]
    belts: Figure
    speed_error: Figure
    shaft_load: Figure
    width: Figure
    cost: float
    cost_parts: dict[str, float]
    stocked: bool
    on_shelf: int = Field(description="how many of driver, driven and belt are on your shelf")
    reasons: list[str]
    drive: VBeltDriveOut
    elevation: ElevationOut


class RejectedOut(Answer):
    """A limit that others fell at."""

    limit: str
    count: int
    nearest: str
    says: str


class VBeltSelectOut(Answer):
    """Ranked options; empty when nothing fits, and then ``rejected`` says why."""

    considered: int
    accepted: int
    design_power: Figure
    centre_low: Figure
    centre_high: Figure
    options: list[OptionOut]
    rejected: list[RejectedOut]


LIMIT_WORDS = {
    "speed": ("driven speed off by {v} %", "percent"),
    "sheave size": ("a sheave too small for its section or too large for the room", ""),
    "centre distance": ("centre distance {v}", "length"),
    "arc": ("arc on the small sheave {v}", "angle"),
    "rim speed": ("belt speed {v}", "belt_speed"),
    "rating table": ("beyond the rating table, which is not extended", ""),
    "power": ("the belt carries nothing at this speed", ""),
    "belts": ("{v} belts needed", "count"),
    "face width": ("face width {v}", "length"),
}


def _fixed(given: FixedIn, basis: Basis) -> Fixed:
    one = belt(given.belt, "fixed.belt") if given.belt else None
    driver = sheave_of(given.driver, "fixed.driver") if given.driver else None
    driven = sheave_of(given.driven, "fixed.driven") if given.driven else None
    grooves = {
        g: n
        for n, g in (
            ("driver", driver.groove if driver else None),
            ("driven", driven.groove if driven else None),
            ("belt", one.section.groove if one else None),
        )
        if g
    }
    if len(grooves) > 1:
        raise InputError(
            "fixed",
            None,
            "the parts that stay do not share a groove: " + ", ".join(f"{n} {g}" for g, n in grooves.items()),
            "the same groove section",
        )
    if one and given.section and section(given.section, "fixed.section") is not one.section:
        raise InputError("fixed.section", given.section, f"the belt that stays is {one.section.name}", one.section.name)
    if one:
        basis_for(basis, one.section, "fixed.belt")
    if given.section:
        basis_for(basis, section(given.section, "fixed.section"), "fixed.section")
    return Fixed(driver, driven, section(given.section).name if given.section else None, one)


def stock_of(given: StockIn | None) -> Stock | None:
    """The shelf as the search takes it. Raises InputError beside a line that is no belt or no sheave."""
    if given is None or not (given.belts or given.sheaves):
        return None
    with quiet(), collected_notices():
        belts = frozenset(belt(text, f"stock.belts.{k}").designation for k, text in enumerate(given.belts))
        wheels = tuple(
            (s.groove, sheave(s.diameter.value, s.kind, s.groove, f"stock.sheaves.{k}").line_mm)
            for k, s in enumerate(given.sheaves)
        )
    return Stock(belts, wheels)


def _says(r: Rejected, frame: Frame) -> str:
    words, kind = LIMIT_WORDS[r.limit]
    if not r.nearest or r.miss_percent == float("inf"):
        return "the belt is too short for the sheaves" if r.limit == "centre distance" else ""
    v = f"{r.value:+.1f}" if kind == "percent" else shown(r.value, kind, frame.units, "tape") if kind else ""
    bound = (
        f"{r.bound:.1f} %"
        if kind == "percent"
        else shown(r.bound, kind, frame.units, "tape")
        if kind and r.limit != "power"
        else ""
    )
    return words.format(v=v) + (f", limit {bound}" if bound else "")


def _reasons(c: Candidate, all_of: list[Candidate], spare: float) -> list[str]:
    reasons = []
    figures: list[tuple[str, Callable[[Candidate], float]]] = [
        ("fewest belts", lambda x: x.belts),
        ("least shaft load", lambda x: x.shaft_load_n),
        ("narrowest", lambda x: x.width_mm),
        ("closest speed", lambda x: abs(x.speed_error_percent)),
    ]
    for words, key in figures:
        if key(c) <= min(key(x) for x in all_of) * (1 + 1e-9) + 1e-9:
            reasons.append(words)
    if c.on_shelf == 3:
        reasons.append("all of it on your shelf")
    elif c.on_shelf:
        reasons.append(f"{c.on_shelf} of 3 parts on your shelf")
    elif c.stocked:
        reasons.append("both sheaves often on the shelf")
    if 0 <= spare <= 30:
        reasons.append(f"{spare:.0f} % to spare")
    elif spare > 30:
        reasons.append(f"heavy for the duty: {spare:.0f} % to spare")
    return reasons


@calculation(
    "v-belt-select",
    "Choose a V-belt drive",
    "Every combination of standard sheaves and belts for a duty, ranked, with the reasons why others fell out.",
    "ANSI/RMA IP-20 and IP-22",
    {
        "units": "us",
        "input": {
            "power": "15hp",
            "service_factor": {"driver": "motor-nema-b", "machine": "fan-over-10-hp", "hours_a_day": 16},
            "driver_speed": "1750",
            "driven_speed": "640",
            "tolerance": 3,
            "centre": {"about": "28 in"},
        },
    },
    search=True,
)
def v_belt_select(given: VBeltSelectIn, frame: Frame) -> VBeltSelectOut:
    """Sweep, rank, and work the best few in the open."""
    factor = factor_of(given.service_factor)
    design = float(mark("design_power", design_power(given.power.value, factor)))
    low, high = centre_range(given.centre)
    tolerance = tolerance_of(given.tolerance)
    ratio = given.driver_speed.value / given.driven_speed.value
    if not 1 / 15 <= ratio <= 15:
        raise InputError(
            "driven_speed",
            given.driven_speed.value,
            f"a ratio of {max(ratio, 1 / ratio):.0f} : 1 is beyond one belt drive",
            "up to 15 : 1; use two stages or a gearbox",
        )
    slip = slip_of(given.slip)
    inf = float("inf")
    wanted = Wanted(
        given.power.value,
        design,
        given.driver_speed.value,
        given.driven_speed.value,
        tolerance,
        low,
        high,
        given.limits.belts,
        value_of(given.limits.driver_outside, inf),
        value_of(given.limits.driven_outside, inf),
        value_of(given.limits.width, inf),
        slip,
        given.weights.model_dump() or dict(WEIGHTS),
        stock_of(given.stock),
    )
    basis = basis_of(frame.basis, given.own_ratings)
    found = search(build_catalogue(_fixed(given.fixed, basis), basis, given.series), wanted, given.keep)
    options = []
    for c in found.best:
        core = Given(
            given.power.value,
            factor,
            given.driver_speed.value,
            c.driver,
            c.driven,
            c.belt,
            None,
            slip,
            basis,
            given.layout.angle,
            given.layout.clockwise,
            frame.tape_mark_mm,
        )
        with quiet(), collected_notices():
            worked = rate(core)
        f = frame.figure
        options.append(
            OptionOut(
                name=f"{c.belts} × {c.belt.designation}",
                section=c.belt.section.shown,
                groove=c.belt.section.groove,
                driver_diameter=f(c.driver.line_mm, "length", "size"),
                driven_diameter=f(c.driven.line_mm, "length", "size"),
                diameter_kind="effective" if c.belt.section.line_kind == "effective" else "datum",
                belts=f(c.belts, "count"),
                speed_error=f(c.speed_error_percent, "percent"),
                shaft_load=f(c.shaft_load_n, "force", per="hub"),
                width=f(c.width_mm, "length", "size"),
                cost=round(c.cost, 4),
                cost_parts=c.parts,
                stocked=c.stocked,
                on_shelf=c.on_shelf,
                reasons=_reasons(c, list(found.best), worked.spare_percent),
                drive=drive_out(worked, core, frame),
                elevation=elevation_out(worked.elevation),
            )
        )
    return VBeltSelectOut(
        considered=found.considered,
        accepted=found.accepted,
        design_power=frame.figure(design, "power", step="design_power"),
        centre_low=frame.figure(low, "length", "tape"),
        centre_high=frame.figure(high, "length", "tape"),
        options=options,
        rejected=[
            RejectedOut(limit=r.limit, count=r.count, nearest=r.nearest, says=_says(r, frame)) for r in found.rejected
        ],
    )
