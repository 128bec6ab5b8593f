"""`v-belt-select` and `v-belt-why-not`: every standard V-belt drive for a duty, and why one is not among them."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.families.select import NO_DUTY, select, why_not_this
from tuyere.calc.families.select_model import SelectOut, WhyNotOut
from tuyere.calc.families.v_belt.books import basis_of
from tuyere.calc.families.v_belt.family import V_BELTS
from tuyere.calc.families.v_belt.parts import SheaveIn, sheave_of
from tuyere.calc.families.v_belt.search_input import VBeltSelectIn
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Text
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet
from tuyere.core.v_belt.bases.pick import basis_for
from tuyere.core.v_belt.belts import belt
from tuyere.core.v_belt.catalogue import Fixed, build_catalogue
from tuyere.core.v_belt.field import VBeltField

GROUP = "V-belts"
DUTY = {
    "power": "15hp",
    "service_factor": {"driver": "motor-nema-b", "machine": "fan-over-10-hp", "hours_a_day": 16},
    "driver_speed": "1750",
    "driven_speed": "640",
    "tolerance": 3,
    "centre": {"about": "28 in"},
}


@calculation(
    "v-belt-select",
    "Choose a V-belt drive",
    summary="Every combination of standard sheaves and belts for a duty, ranked, with the reasons why others fell out.",
    source="ANSI/RMA IP-20 and IP-22",
    example={"units": "us", "input": DUTY},
    search=True,
)
def v_belt_select(given: VBeltSelectIn, frame: Frame) -> SelectOut:
    """Sweep, rank, and work the best few in the open."""
    return select(V_BELTS, given, frame)


class ThisOneIn(Input):
    """The drive in mind."""

    driver: SheaveIn = Field(description="the driver sheave")
    driven: SheaveIn = Field(description="the driven sheave")
    belt: Annotated[Text, Field(description="the belt, such as B90")]


class WhyNotIn(VBeltSelectIn):
    """A duty with its limits, and the drive in mind."""

    this: ThisOneIn


@calculation(
    "v-belt-why-not",
    "Why not this V-belt drive?",
    summary="One drive against every limit of the search: what it misses and by how much, or its place in the order.",
    source="ANSI/RMA IP-20 and IP-22",
    example={
        "units": "us",
        "input": DUTY
        | {
            "this": {
                "driver": {"diameter": "4.6 in", "kind": "datum", "groove": "B"},
                "driven": {"diameter": "12.4 in", "kind": "datum", "groove": "B"},
                "belt": "B81",
            }
        },
    },
    search=True,
)
def v_belt_why_not(given: WhyNotIn, frame: Frame) -> WhyNotOut:
    """Hold the one drive against the same limits."""
    basis = basis_of(frame, given.own_ratings)
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
        catalogue = build_catalogue(Fixed(driver=driver, driven=driven, section=None, belt=one, there=False), basis)
    if not len(catalogue):
        raise InputError(
            "this.belt",
            given.this.belt,
            "the rating basis has no length factor for this belt",
            "another length or basis",
        )
    sizes = [frame.figure(w.outside_mm, "length", "size") for w in (driver, driven)]
    return why_not_this(
        V_BELTS,
        given,
        frame,
        one=VBeltField(catalogue, NO_DUTY),
        name=f"{one.designation} on {sizes[0].number} / {sizes[1].shown} outside",
    )
