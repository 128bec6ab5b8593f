"""`chain-select` and `chain-why-not`: every standard chain drive for a duty, and why one is not among them."""

from pydantic import Field

from tuyere.calc.families.roller_chain.family import ROLLER_CHAINS, ChainSelectIn
from tuyere.calc.families.roller_chain.parts import Number, Strands, Teeth
from tuyere.calc.families.select import NO_DUTY, select, why_not_this
from tuyere.calc.families.select_model import SelectOut, WhyNotOut
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.roller_chain.field import ChainField, chain_grid_of
from tuyere.core.roller_chain.tables import chain

GROUP = "Roller chain"
DUTY = {
    "power": "10hp",
    "service_factor": {"load": "heavy", "driver": "motor-nema-b"},
    "driver_speed": "1000",
    "driven_speed": "380",
    "tolerance": 3,
    "centre": {"about": "24 in"},
}


@calculation(
    "chain-select",
    "Choose a roller chain drive",
    summary="Every combination of chain, strands and teeth for a duty, ranked by shaft load, size, width, weight and speed error.",
    source="ASME B29.1",
    example={"units": "us", "input": DUTY},
    search=True,
)
def chain_select(given: ChainSelectIn, frame: Frame) -> SelectOut:
    """Sweep, rank, and work the best few."""
    return select(ROLLER_CHAINS, given, frame)


class ThisChainIn(Input):
    """The drive in mind."""

    chain: Number = Field(description="chain number")
    strands: Strands = Field(default=1, description="strands")
    driver_teeth: Teeth = Field(description="teeth of the driver")
    driven_teeth: Teeth = Field(description="teeth of the driven")


class ChainWhyNotIn(ChainSelectIn):
    """A duty with its limits, and the drive in mind."""

    this: ThisChainIn


@calculation(
    "chain-why-not",
    "Why not this chain drive?",
    summary="One chain drive against every limit of the search: what it misses and by how much, or its place in the order.",
    source="ASME B29.1",
    example={"units": "us", "input": DUTY | {"this": {"chain": "40", "driver_teeth": 19, "driven_teeth": 50}}},
    search=True,
)
def chain_why_not(given: ChainWhyNotIn, frame: Frame) -> WhyNotOut:
    """Hold the one drive against the same limits."""
    this, of = given.this, chain(given.this.chain, "this.chain")
    try:
        grid = chain_grid_of(of, this.strands, this.driver_teeth, this.driven_teeth)
    except IndexError as e:
        raise InputError(
            "this.chain", this.chain, "no search knows this size with so many strands", "another size or one strand"
        ) from e
    one = ChainField(NO_DUTY, of.series, grid=grid)
    return why_not_this(ROLLER_CHAINS, given, frame, one=one, name=one.name(0))
