"""A duty between a build's input and the store, the same for every family."""

from __future__ import annotations

from dataclasses import dataclass

from pydantic import JsonValue

from tuyere.calc.entry import Entered
from tuyere.calc.parts import ServiceFactorIn
from tuyere.calc.wanted import WantedIn


@dataclass(frozen=True, kw_only=True)
class DutyPart:
    """What a build's input says of its duty; ``wanted`` is the driven speed it is held against, if one was said."""

    power: Entered
    driver_speed: Entered
    service: ServiceFactorIn | None
    driven_rpm: float
    wanted: WantedIn | None


@dataclass(frozen=True, kw_only=True)
class StoredDuty:
    """A duty as the store has it: kW, rpm, percent, and the service factor as the calculations take it."""

    power_kw: float
    driver_rpm: float
    service: dict[str, JsonValue] | None = None
    wanted_rpm: float | None = None
    tolerance_percent: float | None = None

    @property
    def common(self) -> dict[str, JsonValue]:
        """What every family's input takes from a duty under the same names; nothing that was not said."""
        out: dict[str, JsonValue] = {"power": self.power_kw}
        if self.service is not None:
            out["service_factor"] = self.service
        if self.wanted_rpm is not None:
            wanted: dict[str, JsonValue] = {"speed": self.wanted_rpm}
            if self.tolerance_percent is not None:
                wanted["tolerance"] = self.tolerance_percent
            out["wanted"] = wanted
        return out
