"""`v-belt-why-not`: one drive that somebody has in mind, against every limit and against what the search found."""

from math import isnan
from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.families.v_belt.choose_model import VBeltSelectIn
from tuyere.calc.families.v_belt.limit_words import limit_says
from tuyere.calc.families.v_belt.parts import SheaveIn, basis_of, sheave_of
from tuyere.calc.families.v_belt.search_input import INF, fixed_of, wanted_of
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Text
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet
from tuyere.core.v_belt.bases.pick import basis_for
from tuyere.core.v_belt.belts import belt
from tuyere.core.v_belt.catalogue import Fixed, build_catalogue
from tuyere.core.v_belt.choose import search, why_not

GROUP = "V-belts"


class ThisOneIn(Input):
    """The drive in mind."""

    driver: SheaveIn = Field(description="the driver sheave")
    driven: SheaveIn = Field(description="the driven sheave")
    belt: Annotated[Text, Field(description="the belt, such as B90")]


class WhyNotIn(VBeltSelectIn):
    """A duty with its limits, and the drive in mind."""

    this: ThisOneIn


class WhyNotLine(Answer):
    """One limit: does this drive meet it, and its figure."""

    limit: str
    passes: bool
    says: str


class WhyNotOut(Answer):
    """Every limit, the failed ones first; ``place`` among all that pass, 0 where it fails."""

    name: str
    design_power: Figure
    fits: bool
    place: int
    accepted: int
    cost: float | None
    best_cost: float | None
    heaviest: str = Field(description="what pulls it down most in the order; empty where it fails")
    lines: list[WhyNotLine]


WORDS = {
    "parts": "number of belts",
    "size": "size of the large sheave",
    "width": "width",
    "weight": "weight",
    "shaft_load": "shaft load",
    "speed": "speed error",
    "spare": "too little or too much to spare",
    "common": "sheaves that are seldom on a shelf",
    "stock": "not on the shelf",
}


@calculation(
    "v-belt-why-not",
    "Why not this V-belt drive?",
    summary="One drive against every limit of the search: what it misses and by how much, or its place in the order.",
    source="ANSI/RMA IP-20 and IP-22",
    example={
        "units": "us",
        "input": {
            "power": "15hp",
            "service_factor": {"driver": "motor-nema-b", "machine": "fan-over-10-hp", "hours_a_day": 16},
            "driver_speed": "1750",
            "driven_speed": "640",
            "tolerance": 3,
            "centre": {"about": "28 in"},
            "this": {
                "driver": {"diameter": "4.6 in", "kind": "datum", "groove": "B"},
                "driven": {"diameter": "12.4 in", "kind": "datum", "groove": "B"},
                "belt": "B81",
            },
        },
    },
    search=True,
)
def v_belt_why_not(given: WhyNotIn, frame: Frame) -> WhyNotOut:
    """Search as before, then hold the one drive against the same limits."""
    wanted, _ = wanted_of(given)
    basis = basis_of(frame.basis, given.own_ratings)
    one = belt(given.this.belt, "this.belt")
    basis_for(basis, one.section, "this.belt")
    driver, driven = sheave_of(given.this.driver, "this.driver"), sheave_of(given.this.driven, "this.driven")
    for role, wheel in (("driver", driver), ("driven", driven)):
        if wheel.groove != one.section.groove:
            raise InputError(
                f"this.{role}.groove",
                wheel.groove,
                f"a {one.section.shown} belt runs in {one.section.groove} grooves",
                one.section.groove,
            )
    with quiet(), collected_notices():
        found = search(build_catalogue(fixed_of(given.fixed, basis), basis, given.series), wanted, 1)
        catalogue = build_catalogue(Fixed(driver=driver, driven=driven, section=None, belt=one, there=False), basis)
        if not len(catalogue):
            raise InputError(
                "this.belt",
                given.this.belt,
                "the rating basis has no length factor for this belt",
                "another length or basis",
            )
        told = why_not(catalogue, wanted, found)
    lines = [
        WhyNotLine(
            limit=line.limit,
            passes=line.passes,
            says=limit_says(
                line.limit,
                line.value,
                INF if line.passes and line.limit == "centre distance" else line.bound,
                line.miss_percent != INF,
                frame,
            )
            if not line.passes or line.limit in FIGURED
            else "",
        )
        for line in told.lines
        if not (line.passes and isnan(line.value))  # a belt too short has no arc, power or pull to speak of
    ]
    fits = told.place > 0
    over = {n: p * wanted.weights.get(n, 0.0) for n, p in told.parts.items()}
    return WhyNotOut(
        name=f"{one.designation} on {frame.figure(driver.outside_mm, 'length', 'size').number} / "
        f"{frame.figure(driven.outside_mm, 'length', 'size').shown} outside",
        design_power=frame.figure(wanted.design_kw, "power", step="design_power"),
        fits=fits,
        place=told.place,
        accepted=found.accepted,
        cost=round(told.cost, 2) if fits else None,
        best_cost=round(float(found.costs[0]), 2) if len(found.costs) else None,
        heaviest=WORDS[max(over, key=lambda n: over[n])] if fits and over else "",
        lines=sorted(lines, key=lambda x: x.passes),
    )


FIGURED = ("speed", "centre distance", "arc", "rim speed", "belts", "face width", "shaft load")
