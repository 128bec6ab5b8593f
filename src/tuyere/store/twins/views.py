"""Instruments as they go out."""

from __future__ import annotations

from datetime import datetime

from pydantic import Field

from tuyere.calc.answer import Answer


class MishandlingOut(Answer):
    """A way of holding an instrument that spoils the reading."""

    key: str
    label: str
    does: str


class InstrumentOut(Answer):
    """A kind of instrument that has a simulated stand-in."""

    key: str
    label: str
    quantity: str
    us_step: float
    si_step: float
    most: float = Field(description="most it shows, in the core's unit")
    mishandlings: list[MishandlingOut]


class InstrumentList(Answer):
    """Every kind of instrument."""

    instruments: list[InstrumentOut]


class ShownView(Answer):
    """What an instrument showed."""

    instrument: str
    label: str
    serial: str
    quantity: str
    value: float
    unit: str
    resolution: float
    at: datetime
    simulated: bool
    warnings: list[str]
    typed: str = Field(description="value and unit, as a person would type it")


class ShownList(Answer):
    """What real instruments showed lately, the newest first."""

    shown: list[ShownView]


class TwinView(Answer):
    """That a drive has a simulated drive behind it; what is true of it is not told."""

    drive_has_one: bool
    taken: int
