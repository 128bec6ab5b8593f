"""`flat-select` and `flat-why-not`: every flat belt drive for a duty, and why one is not among them."""

from pydantic import Field

from tuyere.calc.entry import Size
from tuyere.calc.families.flat.family import FLAT_BELTS, FlatSelectIn
from tuyere.calc.families.flat.parts import Material
from tuyere.calc.families.select import NO_DUTY, select, why_not_this
from tuyere.calc.families.select_model import SelectOut, WhyNotOut
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.flat.field import FlatCandidate, FlatField, flat_grid_of
from tuyere.core.flat.tables import material

GROUP = "Flat, round and link belts"
DUTY = {
    "power": "7.5hp",
    "service_factor": {"driver": "motor-nema-b", "machine": "line-shaft", "hours_a_day": 10},
    "driver_speed": "1160",
    "driven_speed": "400",
    "tolerance": 3,
    "centre": {"about": "8 ft"},
}


@calculation(
    "flat-select",
    "Choose a flat belt drive",
    summary="Leather and polyamide on preferred pulleys, each with the narrowest standard belt that does, ranked by shaft load, size, width, speed.",
    source="Shigley, flat belts; ISO 22",
    example={"units": "us", "input": DUTY},
    search=True,
)
def flat_select(given: FlatSelectIn, frame: Frame) -> SelectOut:
    """Sweep, rank, and work the best few."""
    return select(FLAT_BELTS, given, frame)


class ThisFlatIn(Input):
    """The drive in mind."""

    material: Material = Field(description="belt: leather by thickness, polyamide core by construction")
    width: Size = Field(description="belt width")
    driver_diameter: Size = Field(description="diameter of the driver pulley")
    driven_diameter: Size = Field(description="diameter of the driven pulley")


class FlatWhyNotIn(FlatSelectIn):
    """A duty with its limits, and the drive in mind."""

    this: ThisFlatIn


@calculation(
    "flat-why-not",
    "Why not this flat belt drive?",
    summary="One flat belt drive against every limit of the search: what it misses and by how much, or its place in the order.",
    source="Shigley, flat belts; ISO 22",
    example={
        "units": "us",
        "input": DUTY
        | {
            "this": {
                "material": "leather-20",
                "width": "3 in",
                "driver_diameter": "8 in",
                "driven_diameter": "23 in",
            }
        },
    },
    search=True,
)
def flat_why_not(given: FlatWhyNotIn, frame: Frame) -> WhyNotOut:
    """Hold the one drive against the same limits."""
    this = given.this
    mind = FlatCandidate(
        material=material(this.material, "this.material"),
        driver_mm=this.driver_diameter.value,
        driven_mm=this.driven_diameter.value,
    )
    one = FlatField(NO_DUTY, grid=flat_grid_of(mind), width_mm=this.width.value)
    sizes = [frame.figure(d, "length", "size") for d in (mind.driver_mm, mind.driven_mm)]
    return why_not_this(
        FLAT_BELTS, given, frame, one=one, name=f"{mind.material.name} on {sizes[0].number} / {sizes[1].shown}"
    )
