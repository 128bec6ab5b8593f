"""Gears or a direct coupling replaced by a belt: the ranges as they were, pulleys for each, and which way it then turns."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.sources import Source
from tuyere.core.speeds.cones import Cones, exact_cones, one_pair, rounded_cones
from tuyere.core.steps import Num, formula

GEARS = Source(title="a pair of gears", origin="exact", confidence="high")


@formula("n_2", GEARS)
def geared_speed(n_1: Num, z_pin: Num, z_gear: Num) -> Num:
    """The gear turns by the teeth of its pinion."""
    return n_1 * z_pin / z_gear


@dataclass(frozen=True, slots=True)
class Gears:
    """One range as it was: teeth of the driving and of the driven gear, and how many meshes lie between both shafts."""

    pinion: int
    gear: int
    meshes: int = 1


@dataclass(frozen=True, slots=True, kw_only=True)
class Retrofit:
    """Old speeds (rpm), the new pulleys, and whether the direction turns about."""

    old_rpm: tuple[float, ...]
    cones: Cones
    reverses: bool
    mixed: bool


def retrofit(
    driver_rpm: float,
    gears: Sequence[Gears],
    *,
    wanted: Sequence[float] = (),
    centres_mm: float,
    first_mm: float,
    crossed: bool,
    make_mm: float | None,
    within_percent: float,
) -> Retrofit:
    """Pulleys for every range of the gears, or for wanted speeds in their order.

    Raises InputError for gears that are none, or for ranges that no pair of pulleys takes. An odd number of meshes turned the
    machine against the driver; an open belt turns it with it, a crossed one against it. Source: kinematics; core/speeds/cones.
    """
    if not gears:
        raise InputError("gears", None, "which gears are replaced?", "teeth of both, range by range")
    for k, g in enumerate(gears):
        if not (4 <= g.pinion <= 400 and 4 <= g.gear <= 400):
            raise InputError(f"gears.{k}.pinion", g.pinion, "not the teeth of a gear", "4 to 400 teeth")
        if not 0 <= g.meshes <= 6:
            raise InputError(f"gears.{k}.meshes", g.meshes, "not so many meshes", "0 (direct) to 6")
    old = tuple(float(geared_speed(driver_rpm, float(g.pinion), float(g.gear))) for g in gears)
    if wanted and len(wanted) != len(gears):
        raise InputError("speeds", len(wanted), "as many speeds as ranges are wanted", f"{len(gears)} speeds, or none")
    speeds = tuple(wanted) or old
    if len(speeds) == 1:
        cones = one_pair(driver_rpm, speeds[0], centres_mm=centres_mm, first_mm=first_mm, crossed=crossed)
    else:
        cones = exact_cones(driver_rpm, speeds, centres_mm=centres_mm, first_mm=first_mm, crossed=crossed)
    if make_mm is not None:
        cones = rounded_cones(driver_rpm, cones, centres_mm=centres_mm, make_mm=make_mm, speed_percent=within_percent)
    against = {g.meshes % 2 == 1 for g in gears}
    return Retrofit(
        old_rpm=old,
        cones=cones,
        reverses=any(a != crossed for a in against),
        mixed=len(against) > 1,
    )
