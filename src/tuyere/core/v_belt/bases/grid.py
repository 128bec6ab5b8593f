"""A table over two axes, read bilinearly inside its full cells and never outside them."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from tuyere.core.steps import Num

NEAR = 1e-9


@dataclass(frozen=True, eq=False)
class Grid:
    """Values over rising ``xs`` and ``ys``; nan where the table has no figure."""

    xs: NDArray[np.float64]
    ys: NDArray[np.float64]
    values: NDArray[np.float64]

    def at(self, x: Num, y: Num) -> Num:
        """Value at (x, y), nan outside or where a corner of the cell with any weight is missing."""
        x, y = np.broadcast_arrays(np.asarray(x, dtype=float), np.asarray(y, dtype=float))
        i, fx = _cell(self.xs, x)
        j, fy = _cell(self.ys, y)
        out: NDArray[np.float64] = np.zeros(x.shape)
        for di, wx in ((0, 1 - fx), (1, fx)):
            for dj, wy in ((0, 1 - fy), (1, fy)):
                part = wx * wy * self.values[np.minimum(i + di, len(self.xs) - 1), np.minimum(j + dj, len(self.ys) - 1)]
                out = out + np.where(wx * wy > NEAR, part, 0.0)
        return np.where(np.isnan(fx) | np.isnan(fy), np.nan, out)


def _cell(axis: NDArray[np.float64], at: NDArray[np.float64]) -> tuple[NDArray[np.int64], NDArray[np.float64]]:
    """Left index of the cell and the share along it; nan outside the axis."""
    if len(axis) == 1:
        inside = np.abs(at - axis[0]) <= NEAR * abs(axis[0])
        return np.zeros(at.shape, dtype=np.int64), np.where(inside, 0.0, np.nan)
    k = np.clip(np.searchsorted(axis, at, side="right") - 1, 0, len(axis) - 2)
    share = (at - axis[k]) / (axis[k + 1] - axis[k])
    inside = (share >= -NEAR) & (share <= 1 + NEAR)
    return k, np.where(inside, np.clip(share, 0.0, 1.0), np.nan)


def grid_of(points: list[tuple[float, float, float]]) -> Grid:
    """A grid of (x, y, value) points; a point given twice raises ValueError."""
    xs, ys = sorted({p[0] for p in points}), sorted({p[1] for p in points})
    values = np.full((len(xs), len(ys)), np.nan)
    for x, y, v in points:
        at = xs.index(x), ys.index(y)
        if not np.isnan(values[at]):
            raise ValueError(f"two values at {x:g}, {y:g}")
        values[at] = v
    return Grid(np.array(xs), np.array(ys), values)
