"""Power of a synchronous belt where a public rating or the user's own exists."""

from __future__ import annotations

from dataclasses import dataclass
from math import pi

from tuyere.core.errors import InputError, NoSolution
from tuyere.core.notices import notice
from tuyere.core.sources import Source
from tuyere.core.steps import looked_up
from tuyere.core.synchronous.formulas import mesh_factor, synchronous_power, synchronous_speed, width_factor
from tuyere.core.synchronous.tables import Profile, least_teeth
from tuyere.core.tables import table

YOURS = Source(title="your own figure", origin="assumed", confidence="medium")


@dataclass(frozen=True, slots=True, kw_only=True)
class SyncRating:
    """Power in kW, belt speed in m/s, the factors, and whose tension it rests on."""

    power_kw: float
    speed_m_s: float
    mesh_factor: float
    width_factor: float
    basis: str


def rate_sync(
    of: Profile,
    width_mm: float,
    *,
    teeth: int,
    rpm: float,
    mesh: float,
    own_tension_n: float | None,
    own_mass_kg_m: float | None,
) -> SyncRating:
    """Power of a belt by ISO 5295, or from the user's own allowed tension at this very width.

    Raises InputError where there is no public rating and none was given, NoSolution beyond the speed
    limit or where the belt's own mass takes all of its tension.
    """
    speed = synchronous_speed(of.pitch_mm, teeth, rpm)
    k_z = mesh_factor(mesh)
    rows = table("iso5295").select(profile=of.name)
    if own_tension_n is not None:
        base, t_a = width_mm, looked_up("T_a", own_tension_n, "", YOURS)
        m_0 = looked_up("m_0", own_mass_kg_m or 0.0, "", YOURS)
        basis = "your own allowed tension"
        if own_mass_kg_m is None:
            notice("caution", "mass-assumed", "The belt's mass is left out: fine below about 10 m/s.", "input.own_mass")
    elif rows:
        t = table("iso5295")
        _, base, tension, mass, fastest = rows[0]
        t_a, m_0 = looked_up("T_a", tension, t.id, t.source_of()), looked_up("m_0", mass, t.id, t.source_of())
        basis = "ISO 5295"
        if speed > fastest:
            raise NoSolution(
                f"belt speed {speed:.0f} m/s is over the limit of {of.name}", "speed", f"up to {fastest:g} m/s"
            )
    else:
        raise InputError(
            "own_tension",
            None,
            f"no public rating of {of.name} is on hand: its maker's sheet gives the allowed tension",
            "the working tension allowed for this belt and width, in N or lbf",
        )
    if not 0.1 * base <= width_mm <= 4 * base:
        raise InputError(
            "width",
            width_mm,
            f"not a width of {of.name} belts",
            "{low} to {high}",
            low=(0.1 * base, "length"),
            high=(4 * base, "length"),
        )
    k_w = width_factor(width_mm, base)
    power = synchronous_power(k_z, k_w, T_a=t_a, b_s=width_mm, b_0=base, m_0=m_0, v_b=speed)
    if power <= 0:
        raise NoSolution(
            "nothing is left to carry at this speed and mesh",
            "speed",
            "a lower speed, more teeth in mesh",
        )
    least = least_teeth(of, rpm)
    if least is not None and teeth < least:
        notice("caution", "few-teeth", f"{least} teeth or more are asked for at this speed.", "input.teeth")
    if width_mm > teeth * of.pitch_mm / pi:
        notice(
            "caution", "wide", "Wider than its small pulley: side thrust will wear flanges and edges.", "input.width"
        )
    return SyncRating(power_kw=power, speed_m_s=speed, mesh_factor=k_z, width_factor=k_w, basis=basis)
