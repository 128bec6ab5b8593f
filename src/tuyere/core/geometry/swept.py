"""The same loop with one of its wheels at many places at once: its length and that wheel's arc, as arrays."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from tuyere.core.geometry.path import Circle

Array = NDArray[np.float64]


def swept(circles: Sequence[Circle], moving: int, xs: Array, ys: Array) -> tuple[Array, Array]:
    """(lengths in mm, arcs on the moving wheel in degrees) for each place; NaN where two neighbours overlap.

    Source: as `belt_path`, worked on arrays.
    """
    x = np.repeat(np.array([[c.x] for c in circles], dtype=float), len(xs), axis=1)
    y = np.repeat(np.array([[c.y] for c in circles], dtype=float), len(xs), axis=1)
    x[moving], y[moving] = xs, ys
    bent = np.array([[c.turn * c.r] for c in circles])
    dx, dy = np.roll(x, -1, axis=0) - x, np.roll(y, -1, axis=0) - y
    apart = np.hypot(dx, dy)
    with np.errstate(all="ignore"):
        lift = (np.roll(bent, -1, axis=0) - bent) / apart
        lift = np.where(np.abs(lift) < 1, lift, np.nan)
        heading = np.arctan2(dy, dx) - np.arcsin(lift)
        spans = apart * np.sqrt(1 - lift**2)
    turn = np.array([[c.turn] for c in circles])
    sweep = (turn * (heading - np.roll(heading, 1, axis=0))) % (2 * np.pi)
    arcs = np.abs(bent) * sweep
    lengths: Array = spans.sum(axis=0) + arcs.sum(axis=0)
    on_it: Array = np.degrees(sweep[moving])
    return lengths, on_it
