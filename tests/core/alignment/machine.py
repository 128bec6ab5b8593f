"""A machine as a rigid body in three dimensions: nothing here is a small angle, and nothing of the product is used."""

from __future__ import annotations

from dataclasses import dataclass, field

import numpy as np

Vec = np.ndarray


def about_x(angle: float) -> Vec:
    c, s = np.cos(angle), np.sin(angle)
    return np.array([[1, 0, 0], [0, c, -s], [0, s, c]])


def about_y(angle: float) -> Vec:
    c, s = np.cos(angle), np.sin(angle)
    return np.array([[c, 0, s], [0, 1, 0], [-s, 0, c]])


@dataclass
class Machine:
    """A wheel on a shaft, feet ``a`` and ``a + b`` behind it and ``h`` below. x away from the other wheel, y up, z outward."""

    a: float
    b: float
    h: float
    centre: float
    turned: Vec = field(default_factory=lambda: np.eye(3))
    at: Vec = field(default_factory=lambda: np.zeros(3))

    def set_out_of_line(self, twist: float, toe: float, offset: float) -> None:
        """Nose up by ``twist`` and away by ``toe`` (rad) about the wheel's middle, which lies ``offset`` behind."""
        self.turned = about_y(toe) @ about_x(-twist)
        self.at = np.array([self.centre, 0.0, -offset])

    @property
    def nose(self) -> Vec:
        return self.turned @ np.array([0.0, 0.0, 1.0])

    @property
    def twist(self) -> float:
        return float(np.arctan2(self.nose[1], self.nose[2]))

    @property
    def toe(self) -> float:
        return float(np.arctan2(self.nose[0], self.nose[2]))

    @property
    def offset(self) -> float:
        return float(-self.at[2])

    def place(self, p: Vec) -> Vec:
        """A point of the machine, given from the wheel's middle, in the world."""
        return self.at + self.turned @ p

    def face_behind(self, x: float, y: float) -> float:
        """How far the wheel's plane lies behind the other's, on a line along z through a point of the world."""
        n = self.nose
        return float(-(self.at[2] - (n[0] * (x - self.at[0]) + n[1] * (y - self.at[1])) / n[2]))

    def other_behind(self, x: float, y: float) -> float:
        """How far the plane that stays lies behind this wheel's, seen square to this wheel's plane, at (x, y) of the other's."""
        n = self.nose
        # A laser plane carried by this wheel: where it stands over the point of the plane z = 0.
        z = self.at[2] - (n[0] * (x - self.at[0]) + n[1] * (y - self.at[1])) / n[2]
        return float(z)

    def _turn(self, about: Vec, turn: Vec) -> None:
        pivot = self.place(about)
        self.at = pivot + turn @ (self.at - pivot)
        self.turned = turn @ self.turned

    def raise_pair(self, pair: str, thickness: float) -> None:
        """Shims under both feet of a pair; the other pair stays on its soles."""
        inboard, outboard = np.array([0, -self.h, -self.a]), np.array([0, -self.h, -self.a - self.b])
        angle = np.arcsin(thickness / self.b)
        if pair == "outboard":
            self._turn(inboard, about_x(angle))
        else:
            self._turn(outboard, about_x(-angle))

    def swing_back(self, away: float) -> None:
        """The outboard feet moved sideways, the inboard ones held."""
        self._turn(np.array([0, -self.h, -self.a]), about_y(-np.arctan(away / self.b)))

    def slide(self, outward: float) -> None:
        self.at = self.at + outward * self.nose
