"""`drive-energy`: what a drive loses in a year, and what a better one would save."""

from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Hours, Percent, Power, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Real, Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.duty.losses import payback_years, yearly_loss
from tuyere.core.errors import InputError
from tuyere.core.notices import notice


class EnergyIn(Input):
    """A drive that runs, and one that might."""

    power: Power = Field(description="power the machine takes")
    efficiency: Percent = Field(
        description="efficiency of the drive that is there: V-belts 93 to 96 %, cogged 95 to 98 %, toothed 97 to 99 %"
    )
    better: Percent | None = Field(default=None, description="efficiency of the one that might replace it")
    hours_a_day: Hours | None = Field(default=None, description="running hours a day; 10 are assumed")
    days_a_year: Annotated[Whole, Field(ge=1, le=366)] | None = Field(
        default=None, description="days it runs; 250 are assumed"
    )
    energy_price: Annotated[Real, Field(ge=0, le=100)] | None = Field(
        default=None, description="price of a kilowatt-hour, in your money"
    )
    cost: Annotated[Real, Field(ge=0, le=1e7)] | None = Field(
        default=None, description="what the change costs, in your money"
    )


class EnergyOut(CardAnswer):
    """Losses, savings and when the change is paid back."""

    yearly_loss: Figure
    yearly_cost: Figure | None
    saved: Figure | None
    saved_money: Figure | None
    payback: str


@calculation(
    "drive-energy",
    "Losses and payback",
    summary="What a drive turns into heat in a year, what a better one saves, and when it is paid back.",
    source="definition of efficiency",
    example={
        "units": "us",
        "input": {
            "power": "15hp",
            "efficiency": 94,
            "better": 98,
            "hours_a_day": 16,
            "energy_price": 0.15,
            "cost": 400,
        },
    },
    card=Card(
        asks="What does the drive lose, and does a better one pay?",
        topic="What it carries and costs",
        sentence="A machine takes {power} through a drive of {efficiency}, {hours_a_day} hours a day on {days_a_year} days.|"
        "One of {better} would cost {cost}, and a kilowatt-hour {energy_price}.",
        figures=("yearly_loss", "saved", "saved_money"),
        picture="losses",
        fresh={"efficiency": "94", "hours_a_day": "10", "days_a_year": "250"},
    ),
)
def drive_energy(given: EnergyIn, frame: Frame) -> EnergyOut:
    """Work the losses."""
    for name, e in (("efficiency", given.efficiency), ("better", given.better)):
        if e is not None and not 50 <= e.value < 100:
            raise InputError(name, e.value, "not an efficiency of such a drive", "50 to under 100 %")
    if given.hours_a_day is None:
        notice("caution", "assumed", "10 hours a day are assumed.", "input.hours_a_day", "Say how long it runs.")
    if given.days_a_year is None:
        notice("info", "days-assumed", "250 days a year are assumed.", "input.days_a_year")
    hours, days = value_of(given.hours_a_day, 10.0), float(given.days_a_year or 250)
    if not 0 < hours <= 24:
        raise InputError("hours_a_day", hours, "a day has 24 hours", "over 0 to 24 h")
    lost = yearly_loss(given.power.value, given.efficiency.value, hours, days)
    saved, payback = None, "say what the better drive's efficiency is"
    if given.better is not None:
        after = yearly_loss(given.power.value, given.better.value, hours, days)
        saved = lost - after
        payback = "say the price of energy and of the change"
        if saved <= 0:
            payback = "never: it saves nothing"
        elif given.energy_price and given.cost is not None:
            years = payback_years(given.cost, saved, given.energy_price)
            payback = f"{12 * years:.0f} months" if years < 2 else f"{years:.1f} years"
    f, price = frame.figure, given.energy_price
    heat = f(lost, "energy", "about")
    spared = None if saved is None else f(saved, "energy", "about")
    says = f"It turns about {heat.shown} into heat in a year."
    if spared is not None:
        gain = f"A better one saves about {spared.shown}" if spared.value > 0 else "The other one saves nothing"
        paid = f", and is paid back in {payback}" if payback.endswith(("months", "years")) else ""
        says += f" {gain}{paid}."
    return EnergyOut(
        says=says,
        yearly_loss=heat,
        yearly_cost=None if price is None else f(lost * price, "money", "about"),
        saved=spared,
        saved_money=None if saved is None or price is None else f(saved * price, "money", "about"),
        payback=payback,
    )
