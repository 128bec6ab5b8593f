"""What may be asked about the speed of a drive that stands on a machine: calculations with what is known of it filled in."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any, Literal

from pydantic import JsonValue

from tuyere.calc.as_entered import as_entered

Which = Literal["driver", "driven"]
Measured = Literal["outside", "pitch"]


@dataclass(frozen=True, slots=True)
class SpeedQuestion:
    """A calculation and the values of its fields that the drive knows, as texts of the person's units."""

    calc: str
    values: dict[str, JsonValue]


@dataclass(frozen=True, slots=True, kw_only=True)
class Standing:
    """What every drive knows of its speeds: rpm, diameters and centres in mm; ``units`` of the texts that come out."""

    driver_rpm: float
    driven_rpm: float
    driver_pitch_mm: float
    driven_pitch_mm: float
    driver_outside_mm: float
    driven_outside_mm: float
    centre_mm: float
    grooves: int
    units: str

    def text(self, value: float, kind: str = "length") -> str:
        """A text that reads back to the value."""
        return as_entered(value, None, kind, self.units)

    def size(self, mm: float) -> str:
        """A diameter as it is measured: to a thousandth of an inch or a hundredth of a millimetre."""
        return f"{mm / 25.4:.3f} in" if self.units == "us" else f"{mm:.2f} mm"

    def rpm(self, value: float) -> str:
        """A speed to the whole turn."""
        return f"{value:.0f}"


def standing_of(worked: Any, units: str) -> Standing:
    """The speeds of a worked drive of any family, between its driver and its first driven shaft."""
    driver, driven = worked.case.route.driver, worked.case.route.driven
    return Standing(
        driver_rpm=worked.case.driver_rpm,
        driven_rpm=worked.driven_rpm,
        driver_pitch_mm=driver.pitch_mm,
        driven_pitch_mm=driven.pitch_mm,
        driver_outside_mm=driver.outside_mm,
        driven_outside_mm=driven.outside_mm,
        centre_mm=worked.centre_mm,
        grooves=worked.rated.count,
        units=units,
    )


def of_any_drive(at: Standing) -> list[SpeedQuestion]:
    """What can be asked of a drive of every family."""
    return [
        SpeedQuestion(
            "tach-check",
            {
                "driver_diameter": at.size(at.driver_pitch_mm),
                "driven_diameter": at.size(at.driven_pitch_mm),
                "named_speed": at.rpm(at.driver_rpm),
            },
        ),
        SpeedQuestion("fan-speed", {"speed": at.rpm(at.driven_rpm)}),
        SpeedQuestion("pump-speed", {"speed": at.rpm(at.driven_rpm), "kind": "centrifugal"}),
    ]


def of_belts(at: Standing, groove: str | None) -> list[SpeedQuestion]:
    """What can be asked where a wheel can be turned down, or stepped."""
    round_now: dict[str, JsonValue] = {"diameter": at.size(at.driver_outside_mm), "driver": [], "driven": []}
    trim: dict[str, JsonValue] = {
        "wheel": "driver",
        "rounds": [round_now],
        "other": at.size(at.driven_outside_mm),
        "centres": at.size(at.centre_mm),
    }
    if groove is not None:
        trim["groove"] = groove
    cones: dict[str, JsonValue] = {"driver_speed": at.rpm(at.driver_rpm), "centres": at.size(at.centre_mm)}
    return [
        SpeedQuestion("pulley-for-speed", trim),
        SpeedQuestion("step-pulleys", {**cones, "first": at.size(at.driver_pitch_mm)}),
        SpeedQuestion("retrofit", dict(cones)),
    ]
