"""How the wheel that moves stands to the one that stays, from any readings of the gap between them.

Every reading is a straight line in the three faults and in what its set-up leaves unknown (where a string lies, where a
dial was set to zero), so all of them together are one least-squares problem; what it cannot see it says.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field
from math import degrees, inf, sqrt

import numpy as np

from tuyere.core.alignment.formulas import RIGID
from tuyere.core.errors import InputError
from tuyere.core.steps import looked_up

TWIST, TOE, OFFSET = range(3)
NAMES = ("twist", "toe", "offset")
BY = "least squares of the readings"


@dataclass(frozen=True, slots=True, kw_only=True)
class Observed:
    """One reading: its value in mm, what it is made of (mm per radian of twist and toe, mm per mm of offset), its usual error.

    ``unknown`` are the further unknowns of its set-up, by name, with their share.
    """

    name: str
    value_mm: float
    twist: float
    toe: float
    offset: float
    error_mm: float
    unknown: dict[str, float] = field(default_factory=dict)


def on_moving(
    name: str, gap_mm: float, *, x_mm: float = 0.0, y_mm: float = 0.0, rim_mm: float = 0.0, error_mm: float
) -> Observed:
    """A gap from the plane of the wheel that stays to the other's face, x_mm past its centre and y_mm above it.

    ``rim_mm`` is face to groove of the moving wheel less that of the other.
    """
    return Observed(name=name, value_mm=gap_mm + rim_mm, twist=y_mm, toe=x_mm, offset=1.0, error_mm=error_mm)


def on_staying(
    name: str, gap_mm: float, *, x_mm: float = 0.0, y_mm: float = 0.0, centre_mm: float, error_mm: float
) -> Observed:
    """A gap from the plane of the wheel that moves back to the other one: a laser carried by the moving wheel."""
    return Observed(name=name, value_mm=gap_mm, twist=-y_mm, toe=centre_mm - x_mm, offset=-1.0, error_mm=error_mm)


def level_difference(name: str, tilt_rad: float, error_rad: float) -> Observed:
    """Tilt of the moving wheel's face by a level, less that of the one that stays; in mm over a metre."""
    return Observed(name=name, value_mm=1000 * tilt_rad, twist=1000.0, toe=0.0, offset=0.0, error_mm=1000 * error_rad)


@dataclass(frozen=True, slots=True, kw_only=True)
class Fault:
    """One of the three: its value and its uncertainty, one standard deviation."""

    value: float
    error: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Pose:
    """Twist and toe in degrees, offset of the grooves in mm; None where no reading sees it.

    ``residuals_mm`` by reading; ``spare`` readings beyond what was needed; ``disagreement`` is how many times their usual
    error they are apart (None with no spare one); ``again`` names the reading to take again.
    """

    twist: Fault | None
    toe: Fault | None
    offset: Fault | None
    residuals_mm: dict[str, float]
    spare: int
    disagreement: float | None
    again: str

    @property
    def agree(self) -> bool | None:
        """Whether the readings agree within what they usually do; None where nothing checks them."""
        return None if self.disagreement is None else self.disagreement <= 2.5


def pose_of(readings: Sequence[Observed]) -> Pose:
    """The pose that fits the readings best. Raises InputError where there is none.

    Source: least squares; small rotations of a rigid body.
    """
    if not readings:
        raise InputError("readings", None, "nothing was read", "two gaps across the wheel at least")
    unknown = sorted({name for r in readings for name in r.unknown})
    rows = np.array([[r.twist, r.toe, r.offset, *(r.unknown.get(u, 0.0) for u in unknown)] for r in readings])
    values = np.array([r.value_mm for r in readings])
    weights = 1 / np.array([r.error_mm for r in readings])
    # Columns to one size, or a rank of millimetres and radians means nothing.
    size = np.abs(rows).max(axis=0)
    scale = np.where(size > 0, size, 1.0)
    scaled = rows / scale * weights[:, None]
    u, s, vt = np.linalg.svd(scaled, full_matrices=False)
    kept = s > 1e-9 * s[0]
    inverse = (vt[kept].T / s[kept]) @ u[:, kept].T
    found = inverse @ (values * weights) / scale
    covariance = inverse @ inverse.T / np.outer(scale, scale)
    seen = vt[kept].T @ vt[kept]
    rest = values - rows @ found
    rank = int(kept.sum())
    spare = len(readings) - rank
    leverage = np.einsum("ij,ji->i", scaled, inverse)
    # A reading that nothing else checks has no say in which one is wrong.
    own = np.where(leverage < 1 - 1e-9, np.sqrt(np.maximum(1 - leverage, 1e-12)), inf)
    standing = np.abs(rest * weights) / own
    disagreement = float(sqrt(float(np.sum((rest * weights) ** 2)) / spare)) if spare else None
    worst = np.flatnonzero(np.isclose(standing, standing.max(), rtol=1e-6))
    again = readings[int(worst[0])].name if spare and len(worst) == 1 else ""

    def fault(k: int) -> tuple[float, float] | None:
        if seen[k, k] < 1 - 1e-6:
            return None
        return float(found[k]), float(sqrt(covariance[k, k]))

    twist, toe, offset = (fault(k) for k in range(3))
    return Pose(
        twist=None
        if twist is None
        else Fault(value=looked_up("beta_v", degrees(twist[0]), BY, RIGID), error=degrees(twist[1])),
        toe=None
        if toe is None
        else Fault(value=looked_up("beta_h", degrees(toe[0]), BY, RIGID), error=degrees(toe[1])),
        offset=None if offset is None else Fault(value=looked_up("z_g", offset[0], BY, RIGID), error=offset[1]),
        residuals_mm={r.name: float(x) for r, x in zip(readings, rest, strict=True)},
        spare=spare,
        disagreement=disagreement,
        again=again,
    )


def across(diameter_mm: float, at: str) -> tuple[float, float]:
    """Where a clock point of a wheel lies from its centre, mm: near (toward the other wheel), far, top, bottom.

    >>> across(200.0, "far")
    (100.0, 0.0)
    """
    r = diameter_mm / 2
    return {"near": (-r, 0.0), "far": (r, 0.0), "top": (0.0, r), "bottom": (0.0, -r)}[at]
