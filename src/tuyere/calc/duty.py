"""What every search is asked: a power, two speeds, how hard, how exactly."""

from __future__ import annotations

from pydantic import Field

from tuyere.calc.entry import Percent, Power, Speed
from tuyere.calc.parts import ServiceFactorIn
from tuyere.calc.registry import Input


class DutyIn(Input):
    """A duty that a drive is searched for."""

    power: Power = Field(description="power to transmit")
    service_factor: ServiceFactorIn | None = Field(default=None, description="how hard the duty is")
    driver_speed: Speed = Field(description="speed of the driver")
    driven_speed: Speed = Field(description="wanted speed of the driven shaft")
    tolerance: Percent | None = Field(default=None, description="allowed speed error either way; 3 % is assumed")
