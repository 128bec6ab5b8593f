"""The machine that moves, as a rigid body on its feet: no small angles, so that nothing here is what the alignment assumes.

x away from the wheel that stays, y up, z outward along the shaft; mm and radians. Source: rigid-body rotation (Rodrigues).
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from math import asin, atan, atan2, cos, hypot, sin

import numpy as np
from numpy.typing import NDArray

Vec = NDArray[np.float64]
UP, ALONG = (0.0, 1.0, 0.0), (1.0, 0.0, 0.0)


def _turn(axis: tuple[float, float, float], angle: float) -> Vec:
    """The matrix that turns by an angle about an axis of length one."""
    x, y, z = axis
    cross = np.array([[0.0, -z, y], [z, 0.0, -x], [-y, x, 0.0]])
    turned: Vec = np.eye(3) + sin(angle) * cross + (1 - cos(angle)) * cross @ cross
    return turned


@dataclass(frozen=True, slots=True, kw_only=True)
class Body:
    """Feet ``inboard`` and ``inboard + spacing`` behind the wheel and ``height`` under the shaft; mm. ``turned`` is the rotation
    matrix by rows and ``at`` the wheel's middle.
    """

    inboard: float
    spacing: float
    height: float
    centre: float
    turned: tuple[tuple[float, ...], ...]
    at: tuple[float, ...]

    @property
    def matrix(self) -> Vec:
        """The rotation."""
        return np.array(self.turned)

    @property
    def nose(self) -> Vec:
        """Where the free end of the shaft points."""
        nose: Vec = self.matrix @ np.array([0.0, 0.0, 1.0])
        return nose

    @property
    def twist(self) -> float:
        """Nose up, radians."""
        return atan2(self.nose[1], self.nose[2])

    @property
    def toe(self) -> float:
        """Nose away from the other machine, radians."""
        return atan2(self.nose[0], self.nose[2])

    @property
    def offset(self) -> float:
        """The wheel's middle behind the other's plane."""
        return -self.at[2]

    @property
    def centres(self) -> float:
        """Distance of the two wheels."""
        return hypot(self.at[0], self.at[1])

    def behind(self, x: float, y: float) -> float:
        """How far the wheel's face lies behind the other's plane, x past its middle and y above it."""
        n = self.nose
        return float(-self.at[2] + (n[0] * x + n[1] * y) / n[2])

    def _about(self, pivot: tuple[float, float, float], turn: Vec) -> Body:
        at, place = np.array(self.at), np.array(pivot)
        hinge = at + self.matrix @ place
        moved = hinge + turn @ (at - hinge)
        rows = turn @ self.matrix
        return replace(self, turned=tuple(tuple(float(v) for v in r) for r in rows), at=tuple(float(v) for v in moved))

    def raised(self, pair: str, thickness: float) -> Body:
        """With shims under both feet of a pair, the other pair on its soles; a negative thickness takes them out."""
        angle = asin(thickness / self.spacing)
        if pair == "outboard":
            return self._about((0.0, -self.height, -self.inboard), _turn(ALONG, angle))
        return self._about((0.0, -self.height, -self.inboard - self.spacing), _turn(ALONG, -angle))

    def swung(self, away: float) -> Body:
        """With the outboard feet moved away from the other machine, the inboard ones held."""
        return self._about((0.0, -self.height, -self.inboard), _turn(UP, -atan(away / self.spacing)))

    def slid(self, outward: float) -> Body:
        """Moved along its own shaft."""
        at = np.array(self.at) + outward * self.nose
        return replace(self, at=tuple(float(v) for v in at))


def standing(*, inboard: float, spacing: float, height: float, centre: float, pose: tuple[float, float, float]) -> Body:
    """A machine out of line by twist and toe (radians) and offset (mm, behind)."""
    twist, toe, offset = pose
    turned = _turn(UP, toe) @ _turn(ALONG, -twist)
    return Body(
        inboard=inboard,
        spacing=spacing,
        height=height,
        centre=centre,
        turned=tuple(tuple(float(v) for v in r) for r in turned),
        at=(centre, 0.0, -offset),
    )
