"""How a loop holds: what readings of its tension, and its limits, are worked from. One record for every family that is tensioned.

Everything is for one belt of the set unless it says set.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import inf


@dataclass(frozen=True, slots=True, kw_only=True)
class TensionBand:
    """What to set, N for one belt: a new loop or one that has run in."""

    state: str
    low_n: float
    high_n: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Hold:
    """A loop that is held by its tension. mm, N, kg/m, m/s, kW, degrees; for one belt unless it says set.

    ``stiffness_n`` is the pull that would stretch the belt to twice its length, None where it is not known; ``share_mm``
    the length that shares a stretch when the belt is pressed. ``grip_ratio`` is what friction holds at the wheel that slips
    first, infinite for teeth. ``most_n`` is the belt's own limit at rest, None where no source gives one.
    """

    belts: int
    span_mm: float
    length_mm: float
    share_mm: float
    mass_kg_m: float | None
    stiffness_n: float | None
    static_n: float
    bands: tuple[TensionBand, ...]
    centrifugal_n: float
    arc_deg: float
    grip_ratio: float
    speed_m_s: float
    power_kw: float
    design_kw: float
    width_mm: float
    tape_mark_mm: float
    most_n: float | None = None
    most_why: str = ""

    @property
    def slips(self) -> bool:
        """Whether it carries by friction."""
        return self.grip_ratio < inf

    def band(self, state: str) -> TensionBand:
        """The band of a state; the only one where the family has but one."""
        return next((b for b in self.bands if b.state == state), self.bands[0])
