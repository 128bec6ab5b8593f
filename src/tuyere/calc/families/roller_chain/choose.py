"""`chain-select`: every standard chain drive for a duty, ranked."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, ElevationOut, Figure
from tuyere.calc.duty import DutyIn
from tuyere.calc.entry import Length, Size, value_of
from tuyere.calc.families.offers import FellOut
from tuyere.calc.families.roller_chain.drive_model import ChainDriveOut, chain_drive_out
from tuyere.calc.frame import Frame, elevation_out
from tuyere.calc.parts import Whole, factor_of, tolerance_of
from tuyere.calc.registry import calculation
from tuyere.core.duty.design import design_power
from tuyere.core.errors import InputError
from tuyere.core.notices import collected_notices
from tuyere.core.roller_chain.choose import Wanted, search
from tuyere.core.roller_chain.rate import Given, rate
from tuyere.core.roller_chain.service import chain_factor
from tuyere.core.steps import mark, quiet

GROUP = "Roller chain"


class ChainSelectIn(DutyIn):
    """A duty for a chain drive."""

    centre: Length = Field(description="centre distance, about")
    series: Literal["ansi", "a", "b"] = Field(
        default="ansi", description="American numbers, or the A or B series of ISO 606"
    )
    largest: Size | None = Field(default=None, description="largest sprocket that fits, outside diameter")
    keep: Annotated[Whole, Field(ge=1, le=24)] = Field(default=9, description="options wanted")


class ChainOptionOut(Answer):
    """One chain drive that does the duty."""

    name: str
    driver_teeth: Figure
    driven_teeth: Figure
    speed_error: Figure
    width: Figure
    cost: float
    drive: ChainDriveOut
    elevation: ElevationOut


class ChainSelectOut(Answer):
    """Ranked options; empty when nothing fits, and then ``rejected`` says where they fell."""

    considered: int
    accepted: int
    design_power: Figure
    best: str
    options: list[ChainOptionOut]
    rejected: list[FellOut]


@calculation(
    "chain-select",
    "Choose a roller chain drive",
    summary="Every combination of chain, strands and teeth for a duty, ranked by shaft pull, size, width, weight and speed error.",
    source="ASME B29.1",
    example={
        "units": "us",
        "input": {
            "power": "10hp",
            "service_factor": {"load": "heavy", "driver": "motor-nema-b"},
            "driver_speed": "1000",
            "driven_speed": "380",
            "tolerance": 3,
            "centre": "24 in",
        },
    },
    search=True,
)
def chain_select(given: ChainSelectIn, frame: Frame) -> ChainSelectOut:
    """Sweep, rank, and work the best few."""
    factor = factor_of(given.service_factor, chain_factor)
    design = float(mark("design_power", design_power(given.power.value, factor)))
    tolerance = tolerance_of(given.tolerance)
    ratio = given.driver_speed.value / given.driven_speed.value
    if not 0.1 <= ratio <= 10:
        raise InputError(
            "driven_speed",
            given.driven_speed.value,
            f"{max(ratio, 1 / ratio):.0f} : 1 is beyond one chain drive",
            "up to 10 : 1",
        )
    found = search(
        Wanted(
            design_kw=design,
            power_kw=given.power.value,
            driver_rpm=given.driver_speed.value,
            driven_rpm=given.driven_speed.value,
            tolerance_percent=tolerance,
            centre_mm=given.centre.value,
            largest_mm=value_of(given.largest, float("inf")),
            series=given.series,
        ),
        given.keep,
    )
    options = []
    f = frame.figure
    for c in found.best:
        core = Given(
            power_kw=given.power.value,
            service_factor=factor,
            driver_rpm=given.driver_speed.value,
            chain=c.chain,
            strands=c.strands,
            z_1=c.z_1,
            z_2=c.z_2,
            centre_mm=given.centre.value,
            pitches=None,
        )
        with quiet(), collected_notices():
            worked = rate(core)
        name = c.chain.name + ("" if c.strands == 1 else f"-{c.strands}")
        options.append(
            ChainOptionOut(
                name=f"{name} on {c.z_1} / {c.z_2} teeth",
                driver_teeth=f(c.z_1, "count"),
                driven_teeth=f(c.z_2, "count"),
                speed_error=f(c.error_percent, "percent"),
                width=f(c.width_mm, "length", "size"),
                cost=round(c.cost, 4),
                drive=chain_drive_out(worked, core, frame),
                elevation=elevation_out(worked.length.elevation),
            )
        )
    return ChainSelectOut(
        considered=found.considered,
        accepted=found.accepted,
        design_power=f(design, "power", step="design_power"),
        best=", ".join(o.name for o in options[:3]) or "nothing standard does this",
        options=options,
        rejected=[FellOut(limit=n, count=k) for n, k in found.rejected],
    )
