"""What a synchronous drive adds to a drive: its belt, and its idler."""

from __future__ import annotations

from dataclasses import dataclass
from math import pi

from tuyere.core.drive.case import Case
from tuyere.core.drive.route import Route
from tuyere.core.drive.wheel import DRIVEN, DRIVER, Role, Wheel
from tuyere.core.errors import InputError
from tuyere.core.synchronous.tables import Profile
from tuyere.core.units import MM_PER_IN


@dataclass(frozen=True, slots=True, kw_only=True)
class SyncLoop:
    """The belt: ``teeth`` None takes the next whole number for the centres. mm, N, kg/m.

    ``own_tension_n`` and ``own_mass_kg_m`` are the belt maker's, where the person has them; ``upright`` are upright shafts.
    """

    profile: Profile
    width_mm: float
    teeth: int | None = None
    idler: str = "none"
    own_tension_n: float | None = None
    own_mass_kg_m: float | None = None
    upright: bool = False
    tape_mark_mm: float = MM_PER_IN / 32


SyncCase = Case[SyncLoop]


def toothed_wheel(of: Profile, teeth: int, ident: str, role: Role) -> Wheel:
    """A pulley as a wheel of the route: the pitch line runs above its teeth."""
    path = teeth * of.pitch_mm / pi
    return Wheel(
        id=ident,
        role=role,
        path_mm=path,
        pitch_mm=path,
        outside_mm=path - 2 * of.a_mm,
        count=teeth,
        profile="toothed",
    )


def sync_case(
    profile: Profile,
    width_mm: float = 25.0,
    *,
    power_kw: float = 0.0,
    load_factor: float = 1.0,
    driver_rpm: float = 0.0,
    z_1: int,
    z_2: int,
    centre_mm: float | None,
    belt_teeth: int | None,
    idler: str = "none",
    own_tension_n: float | None = None,
    own_mass_kg_m: float | None = None,
    upright: bool = False,
    angle_deg: float = 0.0,
    clockwise: bool = True,
    tape_mark_mm: float = MM_PER_IN / 32,
) -> SyncCase:
    """A plain synchronous drive: two pulleys, and a centre distance or a number of teeth.

    Raises InputError when both or neither are given.
    """
    if (centre_mm is None) == (belt_teeth is None):
        raise InputError(
            "centre_distance", centre_mm, "give the centre distance or the belt's teeth", "exactly one of the two"
        )
    return Case(
        power_kw=power_kw,
        service_factor=load_factor,
        driver_rpm=driver_rpm,
        centre_mm=centre_mm,
        route=Route.two(
            toothed_wheel(profile, z_1, DRIVER, "driver"),
            toothed_wheel(profile, z_2, DRIVEN, "driven"),
            centre_mm=centre_mm,
            angle_deg=angle_deg,
            clockwise=clockwise,
        ),
        loop=SyncLoop(
            profile=profile,
            width_mm=width_mm,
            teeth=belt_teeth,
            idler=idler,
            own_tension_n=own_tension_n,
            own_mass_kg_m=own_mass_kg_m,
            upright=upright,
            tape_mark_mm=tape_mark_mm,
        ),
    )
