"""Exact geometry of a synchronous drive, by teeth."""

from __future__ import annotations

from dataclasses import dataclass
from math import pi

from tuyere.core.errors import InputError
from tuyere.core.geometry.centre import centre_of_length
from tuyere.core.geometry.elevation import Elevation, two_wheel_elevation
from tuyere.core.notices import notice
from tuyere.core.rounding import round_up
from tuyere.core.steps import mark, quiet, solved
from tuyere.core.synchronous.formulas import belt_teeth, pulley_span, pulley_wrap, teeth_in_mesh
from tuyere.core.synchronous.tables import Profile
from tuyere.core.tables import table


@dataclass(frozen=True, slots=True, kw_only=True)
class SyncLength:
    """Belt teeth, centre distance and free span (mm), wrap (deg), teeth in mesh, room (mm)."""

    exact_teeth: float
    teeth: int
    length_mm: float
    centre_mm: float
    wrap_deg: float
    mesh: int
    span_mm: float
    fit_mm: float | None
    tension_mm: float | None
    elevation: Elevation


def work_sync_length(
    of: Profile,
    z_1: int,
    *,
    z_2: int,
    centre_mm: float | None,
    teeth: int | None,
    angle_deg: float = 0.0,
    clockwise: bool = True,
) -> SyncLength:
    """Give a centre distance (the next whole number of teeth is taken) or the belt's teeth.

    Raises InputError when both or neither are given or the pulleys would touch. Source: geometry, exact.
    """
    if (centre_mm is None) == (teeth is None):
        raise InputError(
            "centre_distance", centre_mm, "give the centre distance or the belt's teeth", "exactly one of the two"
        )
    small, large, p = min(z_1, z_2), max(z_1, z_2), of.pitch_mm
    touch = (small + large) * p / pi / 2
    if centre_mm is not None:
        if centre_mm <= touch:
            raise InputError(
                "centre_distance", centre_mm, "the pulleys would touch", "over {touch}", touch=(float(touch), "length")
            )
        exact = float(mark("exact_teeth", belt_teeth(centre_mm, p, small, large)))
        count = int(round_up(exact))
    else:
        assert teeth is not None
        exact, count = float(teeth), teeth
    centre = centre_of_length(count * p, small * p / pi, large * p / pi, field="belt_teeth")
    mark("centre_distance", solved("a", centre, belt_teeth, a=centre, p_b=p, z_s=float(small), z_l=float(large)))
    wrap = mark("wrap", pulley_wrap(centre, p, small, large))
    mesh = mark("mesh", teeth_in_mesh(small, wrap))
    span = mark("span", pulley_span(centre, p, small, large))
    if mesh < 6:
        notice(
            "caution",
            "few-in-mesh",
            f"Only {int(mesh)} teeth in mesh: under six each one missing costs a fifth of the rating.",
            "input.centre_distance",
            "Lengthen the centre distance or take a larger small pulley.",
        )
    if centre > 8 * small * p / pi:
        notice(
            "info",
            "flanges",
            "The centres are over 8 times the small pulley: flange both pulleys on both sides.",
            "input.driver_teeth",
        )
    else:
        notice(
            "info",
            "flanges",
            "Flange one pulley on both sides, or both on opposite sides; on upright shafts also the other one below.",
            "input.driver_teeth",
        )
    room = next(((f, t) for over, through, f, t in table("sync_allowances").rows if over < count * p <= through), None)
    d_1, d_2 = z_1 * p / pi, z_2 * p / pi
    with quiet():
        drawing = two_wheel_elevation(
            "synchronous",
            "toothed",
            counts=(z_1, z_2),
            thickness_mm=of.height_mm or 0.4 * p,
            centre_mm=centre,
            driver_path_mm=d_1,
            driver_outside_mm=d_1 - 2 * of.a_mm,
            driven_path_mm=d_2,
            driven_outside_mm=d_2 - 2 * of.a_mm,
            angle_deg=angle_deg,
            clockwise=clockwise,
            pitch_mm=p,
        )
    return SyncLength(
        exact_teeth=exact,
        teeth=count,
        length_mm=count * p,
        centre_mm=centre,
        wrap_deg=float(wrap),
        mesh=int(mesh),
        span_mm=float(span),
        fit_mm=room[0] if room else None,
        tension_mm=room[1] if room else None,
        elevation=drawing,
    )
