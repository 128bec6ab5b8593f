"""The metric rating tables: power by datum diameter and speed, with their own arc and length factors."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

import numpy as np

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.steps import Num, looked_up
from tuyere.core.tables import Axis, axis, table
from tuyere.core.v_belt.bases.grid import Grid, grid_of
from tuyere.core.v_belt.bases.protocol import Powers
from tuyere.core.v_belt.belts import Belt, length_mm_of
from tuyere.core.v_belt.formulas import corrected_power_kw
from tuyere.core.v_belt.sections import Section

NEAR_RATIO = 1e-9


@cache
def power_grid(section: str) -> Grid:
    """Basic power in kW over datum diameter (mm) and speed (rpm)."""
    return grid_of([(r[1], r[2], r[3]) for r in table("metric_power").select(section=section)])


@cache
def _added(section: str) -> tuple[np.ndarray, list[Axis]] | None:
    """Ratios at which a step begins, and the added power by speed of each step; None where none is recalled."""
    t = table("metric_power_added")
    ratios = sorted(set(t.column("ratio", section=section)))
    if not ratios:
        return None
    return np.array(ratios), [axis(t, "speed", "power", section=section, ratio=r) for r in ratios]


@cache
def _arcs() -> Axis:
    return axis(table("metric_arc_factor"), "arc", "K_theta")


@cache
def _lengths(section: str) -> Axis:
    return axis(table("metric_length_factor"), "length", "K_L", section=section)


@dataclass(frozen=True)
class MetricTable:
    """GB/T 13575.1."""

    id: str = "metric-table"
    title: str = "metric rating tables"
    source: str = "GB/T 13575.1, as carried by machine-design textbooks"

    def without(self, of: Section) -> str:
        """Why a section is not rated."""
        if table("metric_power").select(section=of.name):
            return ""
        if of.metric and of.cogged:
            return f"no public rating of {of.shown} is on hand: use your own rating table"
        return f"the metric tables have no {of.shown}"

    def arc_factor(self, theta: Num) -> Num:
        """K_theta."""
        t = table("metric_arc_factor")
        return looked_up(
            "K_theta", _arcs().at(np.minimum(theta, 180.0), "centre_distance"), t.id, t.source_of(), theta=theta
        )

    def length_factor(self, one: Belt) -> float:
        """K_L by datum length."""
        t = table("metric_length_factor")
        value = _lengths(one.section.name).at(length_mm_of(one), "belt.designation")
        return looked_up("K_L", value, t.id, t.source_of(), L=length_mm_of(one))

    def powers(self, of: Section, small_mm: Num, *, ratio: Num, rpm: Num, K_theta: Num, K_L: Num) -> Powers:
        """Bilinear in diameter and speed, stepped in ratio; never beyond the table."""
        t = table("metric_power")
        found = power_grid(of.name).at(small_mm, rpm)
        if np.ndim(found) == 0:
            _inside(of, float(small_mm), float(rpm), float(found))
            found = float(found)
        basic = looked_up("P_0", found, t.id, t.source_of(), d_d=small_mm, n_s=rpm)
        at = table("metric_power_added")
        if _added(of.name) is None and np.ndim(ratio) == 0 and ratio > 1.02:
            notice(
                "info",
                "no-ratio-power",
                f"No power for the speed ratio is on hand for {of.shown}: none is counted, which is the safe side.",
                "belt.designation",
            )
        more = looked_up("P_add", _added_power(of.name, ratio, rpm), at.id, at.source_of(), i=ratio, n_s=rpm)
        kw = corrected_power_kw(basic, more, K_theta, K_L)
        return Powers(basic, more, kw)


def _added_power(section: str, ratio: Num, rpm: Num) -> Num:
    steps = _added(section)
    if steps is None:
        return 0.0 * np.asarray(rpm) if np.ndim(rpm) else 0.0
    ratios, axes = steps
    ratio, rpm = np.broadcast_arrays(np.asarray(ratio, dtype=float), np.asarray(rpm, dtype=float))
    at = np.clip(np.searchsorted(ratios, ratio + NEAR_RATIO, side="right") - 1, 0, len(ratios) - 1)
    found = np.stack([np.interp(rpm, a.xs, a.ys, left=np.nan, right=np.nan) for a in axes])
    value = np.take_along_axis(found, at[None, ...], axis=0)[0]
    # Below the first speed of the table nothing is added: the share there is small, and leaving it out is cautious.
    value = np.where(np.isnan(value) & (rpm < axes[0].xs[0]), 0.0, value)
    return float(value) if value.ndim == 0 else value


def _inside(of: Section, small_mm: float, rpm: float, found: float) -> None:
    """Say which way a point leaves the table."""
    if np.isfinite(found):
        return
    grid = power_grid(of.name)
    if not grid.xs[0] <= small_mm <= grid.xs[-1]:
        raise InputError(
            "driver.sheave.diameter",
            small_mm,
            f"the rating table of {of.shown} runs from {grid.xs[0]:g} to {grid.xs[-1]:g} mm on the small sheave, and is not extended",
            f"{grid.xs[0]:g} to {grid.xs[-1]:g} mm datum diameter, another basis, or your own rating table",
        )
    raise InputError(
        "driver.speed",
        rpm,
        f"the rating table of {of.shown} has no figure at {rpm:.0f} rpm on {small_mm:.0f} mm, and is not extended",
        f"{grid.ys[0]:g} to {grid.ys[-1]:g} rpm, less on large sheaves",
    )


METRIC_TABLE = MetricTable()
