"""The form of a duty."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field, StringConstraints

from tuyere.calc.ends import EndsIn
from tuyere.calc.entry import Length, Percent, Power, Speed
from tuyere.calc.parts import ServiceFactorIn, Whole
from tuyere.store.plumbing.forms import PLAIN, InUnits


class EndsSave(InUnits):
    """What is known of start, shafts and the maker's number; ``rev`` is the version it was read at, 0 where there was none."""

    rev: Annotated[Whole, Field(ge=0, le=2**31 - 1)] = 0
    asked: EndsIn


class DutySave(InUnits):
    """What the drive must do; ``rev`` is the version it was read at, 0 where there was none."""

    rev: Annotated[Whole, Field(ge=0, le=2**31 - 1)] = 0
    power: Power
    driver_speed: Speed
    driven_speed: Speed
    tolerance: Percent | None = None
    service_factor: ServiceFactorIn | None = None
    centre: Length | None = None
    centre_give: Length | None = None
    surroundings: Annotated[str, StringConstraints(strip_whitespace=True, max_length=200, pattern=PLAIN)] = ""
