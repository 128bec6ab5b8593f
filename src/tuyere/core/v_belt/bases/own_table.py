"""The user's own rating table: power of one belt by section, diameter and speed, read as the metric tables are."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.sources import Source
from tuyere.core.steps import Num, looked_up
from tuyere.core.v_belt.bases.association import association_arc
from tuyere.core.v_belt.bases.grid import Grid, grid_of
from tuyere.core.v_belt.bases.protocol import Powers
from tuyere.core.v_belt.belts import Belt
from tuyere.core.v_belt.formulas import corrected_power_kw
from tuyere.core.v_belt.sections import Section

YOURS = Source(title="your own rating table", origin="your own table", confidence="yours")
FACTOR_ONE = Source(title="no length factor is in your table; 1 is taken", origin="your own table", confidence="yours")


@dataclass(frozen=True)
class OwnRow:
    """One line: a section's belt on a small sheave of a pitch (datum) diameter in mm at rpm carries kW."""

    section: str
    diameter_mm: float
    rpm: float
    power_kw: float


@dataclass(frozen=True, eq=False)
class OwnTable:
    """Rows as the user gave them."""

    rows: tuple[OwnRow, ...]
    id: str = "own-table"
    title: str = "your own rating table"
    source: str = "your own rating table"

    @cached_property
    def grids(self) -> dict[str, Grid]:
        """A grid a section."""
        names = {r.section for r in self.rows}
        return {n: grid_of([(r.diameter_mm, r.rpm, r.power_kw) for r in self.rows if r.section == n]) for n in names}

    def without(self, of: Section) -> str:
        """Why a section is not rated."""
        return "" if of.name in self.grids else f"your rating table has no line for {of.shown}"

    def arc_factor(self, theta: Num) -> Num:
        """The association's: a rating table gives power at 180 degrees."""
        return association_arc(theta)

    def length_factor(self, one: Belt) -> float:
        """1, and said."""
        return looked_up("K_L", 1.0, "", FACTOR_ONE)

    def powers(self, of: Section, small_mm: Num, *, ratio: Num, rpm: Num, K_theta: Num, K_L: Num) -> Powers:
        """Bilinear between the user's lines; nothing is added for the ratio."""
        grid = self.grids[of.name]
        found = grid.at(small_mm, rpm)
        if np.ndim(found) == 0:
            if not np.isfinite(found):
                raise InputError(
                    "driver.sheave.diameter",
                    float(small_mm),
                    f"your table of {of.shown} has no lines around {float(small_mm):.1f} mm and {float(rpm):.0f} rpm, and is not extended",
                    f"{grid.xs[0]:.1f} to {grid.xs[-1]:.1f} mm, {grid.ys[0]:g} to {grid.ys[-1]:g} rpm",
                )
            found = float(found)
            notice(
                "info",
                "own-table",
                "Rated by your own table: basic power of one belt, with the association's arc factor, "
                "nothing added for ratio or length.",
                "basis",
            )
        basic = looked_up("P_0", found, "", YOURS, d_d=small_mm, n_s=rpm)
        more = looked_up("P_add", 0.0 * found, "", YOURS, i=ratio)
        kw = corrected_power_kw(basic, more, K_theta, K_L)
        return Powers(basic, more, kw)
