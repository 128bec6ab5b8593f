"""A synchronous belt round its pulleys: exact geometry by teeth."""

from __future__ import annotations

from math import pi

from tuyere.core.drive.around import counted_around
from tuyere.core.drive.case import Shape
from tuyere.core.drive.path import solve_route
from tuyere.core.errors import InputError
from tuyere.core.geometry.centre import centre_of_length
from tuyere.core.geometry.formulas import loop_length
from tuyere.core.notices import notice
from tuyere.core.steps import about, solved
from tuyere.core.synchronous.case import SyncCase
from tuyere.core.synchronous.formulas import belt_teeth, pulley_span, pulley_wrap, teeth_in_mesh, whole_teeth
from tuyere.core.tables import table


def sync_shape(case: SyncCase) -> Shape:
    """The belt on its pulleys; at given centres the next whole number of teeth is taken.

    Raises InputError when the pulleys would touch. Source: geometry, exact.
    """
    two, p = case.route.plain, case.loop.profile.pitch_mm
    if two is None:
        return counted_around(case, p, case.loop.teeth, "belt_teeth", whole=whole_teeth)
    small, large = two.small.count, two.large.count
    touch = (two.small.path_mm + two.large.path_mm) / 2
    count: float
    if case.centre_mm is not None:
        if case.centre_mm <= touch:
            raise InputError(
                "centre_distance",
                case.centre_mm,
                "the pulleys would touch",
                "over {touch}",
                touch=(float(touch), "length"),
            )
        exact = belt_teeth(case.centre_mm, p, small, large)
        count = whole_teeth(exact)
    else:
        assert case.loop.teeth is not None
        exact, count = float(case.loop.teeth), case.loop.teeth
    length = loop_length(count, p)
    centre = centre_of_length(length, two.small.path_mm, two.large.path_mm, field="belt_teeth")
    centre = solved("a", centre, belt_teeth, a=centre, p_b=p, z_s=float(small), z_l=float(large))
    with about(two.small.id):
        wrap = pulley_wrap(centre, p, small, large)
    return Shape(
        path=solve_route(case.route, length, "belt_teeth"),
        length_mm=length,
        centre_mm=centre,
        span_mm=pulley_span(centre, p, small, large),
        small_arc_deg=wrap,
        large_arc_deg=360 - wrap,
        members=count,
        members_exact=exact,
    )


def small_pulley_teeth(case: SyncCase) -> int:
    """Teeth of the smallest pulley that carries power."""
    return min(w.count for w in case.route.wheels if w.role in ("driver", "driven"))


def mesh_of(case: SyncCase, shape: Shape) -> float:
    """Whole teeth in mesh on the small pulley."""
    mesh: float = teeth_in_mesh(small_pulley_teeth(case), shape.small_arc_deg)
    return mesh


def advise_length(case: SyncCase, shape: Shape, mesh: float) -> None:
    """Teeth in mesh and flanges."""
    small = small_pulley_teeth(case) * case.loop.profile.pitch_mm
    if mesh < 6:
        notice(
            "caution",
            "few-in-mesh",
            f"Only {int(mesh)} teeth in mesh: under six each one missing costs a fifth of the rating.",
            "input.centre_distance",
            "Lengthen the centre distance or take a larger small pulley.",
        )
    if shape.centre_mm > 8 * small / pi:
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


def plain_room_mm(length_mm: float) -> tuple[float, float] | None:
    """(closer to fit, apart to tension) in mm for pulleys without flanges; None outside the table."""
    rows = table("sync_allowances").rows
    return next(((float(f), float(t)) for over, through, f, t in rows if over < length_mm <= through), None)
