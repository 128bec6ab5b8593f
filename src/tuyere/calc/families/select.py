"""The search of any family: its options worked and drawn, where the others fell, and why one is not among them."""

from __future__ import annotations

from dataclasses import replace
from math import inf, isnan
from typing import TypeVar

from tuyere.calc.centre import centre_range
from tuyere.calc.entry import value_of
from tuyere.calc.families.beside import DAYS
from tuyere.calc.families.protocol import MOST_RATIO, RATIO_WORDS, Family, In, Sel, check_ratio, dumped
from tuyere.calc.families.select_model import (
    BearingLimitIn,
    LimitsIn,
    OptionOut,
    RejectedOut,
    SelectIn,
    SelectOut,
    WhyNotLine,
    WhyNotOut,
)
from tuyere.calc.families.work import told_apart
from tuyere.calc.frame import Frame, elevation_out
from tuyere.calc.limit_words import limit_says
from tuyere.calc.parts import tolerance_of
from tuyere.core.drive.case import L, R, S, WorkedDrive
from tuyere.core.drive.search import DutyWanted, Field, Ranked, SearchResult, search, why_not
from tuyere.core.duty.design import design_power
from tuyere.core.notices import collected_notices, notice
from tuyere.core.shafts.bearings import largest_pull
from tuyere.core.steps import quiet

C = TypeVar("C")
HEAVIEST = {
    "parts": "number of belts",
    "size": "size of the large wheel",
    "width": "width",
    "weight": "weight",
    "shaft_load": "shaft load",
    "speed": "speed error",
    "spare": "too little or too much to spare",
    "common": "wheels that are seldom on a shelf",
    "stock": "not on the shelf",
}
NOTHING = "nothing standard does this"


def check_any_ratio(given: SelectIn) -> None:
    """Refuse a ratio that no one drive of any kind does."""
    check_ratio(given, most=MOST_RATIO, one_drive="one drive of any kind", words=RATIO_WORDS)


def bearing_load_n(given: BearingLimitIn | None, driver_rpm: float, driven_rpm: float) -> float:
    """The largest load in N that lets the bearing reach its hours; infinite where none is asked about."""
    if given is None:
        return inf
    return largest_pull(
        given.rating.value,
        driver_rpm if given.shaft == "driver" else driven_rpm,
        hours=given.hours,
        kind=given.bearing,
        overhang_mm=given.overhang.value,
        spacing_mm=given.spacing.value,
    )


def wanted_of(given: SelectIn, design_kw: float) -> DutyWanted:
    """The duty of a search as the core takes it; assumptions are said. Raises InputError beside the field."""
    low, high = centre_range(given.centre)
    room: LimitsIn = given.limits
    either = value_of(room.largest, inf)
    driver, driven = given.driver_speed.value, given.driven_speed.value
    return DutyWanted(
        power_kw=given.power.value,
        design_kw=design_kw,
        driver_rpm=driver,
        driven_rpm=driven,
        tolerance_percent=tolerance_of(given.tolerance),
        centre_low_mm=low,
        centre_high_mm=high,
        centre_mm=value_of(given.centre.about, 0.0),
        most_members=room.belts,
        largest_driver_mm=min(value_of(room.driver_outside, inf), either),
        largest_driven_mm=min(value_of(room.driven_outside, inf), either),
        widest_mm=value_of(room.width, inf),
        largest_load_n=min(value_of(room.shaft_load, inf), bearing_load_n(room.bearing, driver, driven)),
        driver_shaft_mm=value_of(room.driver_shaft, 0.0),
        driven_shaft_mm=value_of(room.driven_shaft, 0.0),
        weights=given.weights.model_dump(),
    )


def days_of(given: SelectIn) -> float:
    """Days a year for the losses; assumptions are said."""
    if given.days_a_year is None:
        notice("info", "days-assumed", "250 days a year are assumed for the losses.", "input.days_a_year")
    service = given.service_factor
    # Where the service factor follows from the hours, it says itself that they are assumed.
    if service is not None and service.assume is not None and service.hours_a_day is None:
        notice(
            "info", "hours-assumed", "10 hours a day are assumed for the losses.", "input.service_factor.hours_a_day"
        )
    return float(given.days_a_year or DAYS)


def _sought(family: Family[In, Sel, L, R, S, C], given: Sel, frame: Frame) -> tuple[Field[C], DutyWanted, float]:
    """(combinations, duty, design power) of a search; the design power is a step of the sheet."""
    factor = family.factor(given.service_factor)
    design = design_power(given.power.value, factor)
    wanted = in_stock(family.wanted_more(given, wanted_of(given, design)), given, family)
    return family.field(given, wanted, frame), wanted, design


def _worked(family: Family[In, Sel, L, R, S, C], given: In, frame: Frame) -> WorkedDrive[L, R, S]:
    with quiet(), collected_notices():
        return family.method.work(family.case(given, frame))


def _first_in(found: Ranked[C], every: tuple[Ranked[C], ...]) -> list[str]:
    """What an option is the best of those shown in, beside the three kinds."""
    out = list(found.kinds)
    for words, figure in (
        ("least shaft load", [x.shaft_load_n for x in (found, *every)]),
        ("narrowest", [x.width_mm for x in (found, *every)]),
        ("closest speed", [abs(x.error_percent) for x in (found, *every)]),
    ):
        if figure[0] <= min(figure[1:]) * (1 + 1e-9) + 1e-9:
            out.append(words)
    return out


def _service(given: SelectIn) -> dict[str, object]:
    """How hard the duty is, as it was said; every family's input takes it under this name."""
    return {} if given.service_factor is None else {"service_factor": given.service_factor}


def option_out(
    family: Family[In, Sel, L, R, S, C],
    found: Ranked[C],
    every: tuple[Ranked[C], ...],
    *,
    given: Sel,
    days: float,
    frame: Frame,
) -> OptionOut:
    """A found drive, worked by its own calculation and shown."""
    made = family.drive_of(found, given).model_copy(update=_service(given))
    worked = _worked(family, made, frame)
    assert worked.spare_percent is not None  # a search offers rated drives only
    f = frame.figure
    side = told_apart(family, worked, frame, service=given.service_factor, days=days)
    lost, price = side.yearly_loss, given.energy_price
    cost = None if price is None else frame.band(lost.low.value * price, lost.high.value * price, "money", "about")
    name = family.option_name(worked, frame)
    return OptionOut(
        name=name,
        telling=family.telling(worked, frame),
        family=family.key,
        calc=family.calc,
        input=dict(dumped(made)),
        driven_speed=f(worked.driven_rpm, "speed"),
        speed_error=f(found.error_percent, "percent"),
        centre_distance=side.centre_distance,
        spare=f(worked.spare_percent, "percent"),
        width=side.width,
        shaft_load=f(worked.shaft_load.newtons, "force", per="hub"),
        weight=side.weight,
        parts=side.parts,
        efficiency=side.efficiency,
        yearly_loss=lost,
        yearly_cost=cost,
        cost=round(found.cost, 4),
        cost_parts=found.terms,
        on_shelf=found.on_shelf,
        kinds=list(found.kinds),
        reasons=_first_in(found, every) + family.reasons(found, worked),
        more=family.more(worked, frame),
        elevation=elevation_out(worked.elevation, frame.units),
    )


def options_of(
    family: Family[In, Sel, L, R, S, C], given: Sel, frame: Frame, *, each: int | None = None
) -> tuple[SearchResult[C], list[OptionOut], DutyWanted, float]:
    """(what was found, the best few shown, the duty, the design power)."""
    of, wanted, design = _sought(family, given, frame)
    days = days_of(given)
    found = search(of, given.keep, each=each)
    options = [option_out(family, x, found.best, given=given, days=days, frame=frame) for x in found.best]
    return found, options, wanted, design


def rejected_out(family: Family[In, Sel, L, R, S, C], found: SearchResult[C], frame: Frame) -> list[RejectedOut]:
    """Where the others fell, and the nearest of each."""
    return [
        RejectedOut(
            limit=r.limit,
            count=r.count,
            nearest=r.nearest,
            says=limit_says(
                family.limit_words[r.limit], r.value, r.bound, bool(r.nearest) and r.miss_percent != inf, frame
            ),
        )
        for r in found.rejected
    ]


def select(family: Family[In, Sel, L, R, S, C], given: Sel, frame: Frame) -> SelectOut:
    """Search one family for a duty, and work the best few in the open."""
    check_ratio(given, most=family.facts.most_ratio, one_drive=family.facts.one_drive, words=family.facts.ratio_words)
    found, options, wanted, design = options_of(family, given, frame)
    f = frame.figure
    return SelectOut(
        considered=found.considered,
        accepted=found.accepted,
        best=", ".join(o.name for o in options[:3]) or NOTHING,
        missing=family.missing(given),
        design_power=f(design, "power"),
        centre_low=f(wanted.centre_low_mm, "length", "tape"),
        centre_high=f(wanted.centre_high_mm, "length", "tape"),
        spare=options[0].spare if options else None,
        options=options,
        rejected=rejected_out(family, found, frame),
    )


def why_not_this(
    family: Family[In, Sel, L, R, S, C], given: Sel, frame: Frame, *, one: Field[C], name: str
) -> WhyNotOut:
    """Search as before, then hold the one drive against the same limits; ``one`` is the field of that drive alone."""
    of, wanted, design = _sought(family, given, frame)
    with quiet(), collected_notices():
        found = search(of, 1)
        one.wanted = wanted
        told = why_not(one, found)
    lines = [
        WhyNotLine(
            limit=line.limit,
            passes=line.passes,
            says=limit_says(
                family.limit_words[line.limit],
                line.value,
                inf if line.passes and line.limit == "centre distance" else line.bound,
                line.miss_percent != inf,
                frame,
            )
            if not line.passes or line.limit in FIGURED
            else "",
        )
        for line in told.lines
        if not (line.passes and isnan(line.value))  # a belt too short has no arc, power or load to speak of
    ]
    fits = told.place > 0
    over = {n: p * wanted.weights.get(n, 0.0) for n, p in told.terms.items()}
    return WhyNotOut(
        name=name,
        design_power=frame.figure(design, "power"),
        fits=fits,
        place=told.place,
        accepted=found.accepted,
        cost=round(told.cost, 2) if fits else None,
        best_cost=round(float(found.costs[0]), 2) if len(found.costs) else None,
        heaviest=HEAVIEST[max(over, key=lambda n: over[n])] if fits and over else "",
        lines=sorted(lines, key=lambda x: x.passes),
    )


# What is said with its figure even where it is met.
FIGURED = ("speed", "centre distance", "arc", "wrap", "rim speed", "belts", "face width", "width", "shaft load")


def in_stock(wanted: DutyWanted, given: SelectIn, family: Family[In, Sel, L, R, S, C]) -> DutyWanted:
    """The duty with the shelf in it, where one is given."""
    stock = given.stock
    return wanted if stock is None or not (stock.belts or stock.sheaves) else replace(wanted, stock=family.stock(stock))


# What a field of one drive is made for before the search's own duty is put in.
NO_DUTY = DutyWanted(
    power_kw=1.0,
    design_kw=1.0,
    driver_rpm=1.0,
    driven_rpm=1.0,
    tolerance_percent=1.0,
    centre_low_mm=1.0,
    centre_high_mm=1.0,
)
