"""What a demo machine, drive and build are made of, in shop numbers."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any


@dataclass(frozen=True, kw_only=True)
class DemoBuild:
    """A build in shop numbers: sheave sizes in inches, belt, count (None: as needed), who made it."""

    driver: str
    driven: str
    groove: str
    belt: str
    count: int | None
    purpose: str = "fitted"
    by: str = "N. Dray"
    frozen: bool = True
    kind: str = "outside"
    temporary: str = ""


@dataclass(frozen=True, kw_only=True)
class OtherBuild:
    """A build of another family, or of a V-belt drive out of the usual: its input without the duty."""

    family: str
    given: dict[str, Any]
    purpose: str = "fitted"
    by: str = "N. Dray"
    frozen: bool = True
    temporary: str = ""


@dataclass(frozen=True, kw_only=True)
class DemoDrive:
    """A drive with its duty and builds; ``service`` as the calculations take it."""

    name: str
    power: str
    speed: str
    wanted: str
    service: dict[str, Any]
    builds: tuple[DemoBuild | OtherBuild, ...]
    centre: str = ""
    angle: float = 0.0
    clockwise: bool = True


@dataclass(frozen=True, kw_only=True)
class DemoMachine:
    """A machine, its energy sources as (type, isolation point, steps), its drives."""

    name: str
    tag: str
    area: str
    kind: str
    walk: int
    energy: tuple[tuple[str, str, str], ...]
    drives: tuple[DemoDrive, ...] = field(default=())


def runs(driver: str, machine: str, hours: float, **more: Any) -> dict[str, Any]:
    """What drives, what is driven and how long, as the calculations take it."""
    return {"driver": driver, "machine": machine, "hours_a_day": hours, **more}


MOTOR, DIRECT = "motor-nema-b", "motor-dol"
