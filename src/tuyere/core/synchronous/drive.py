"""Exact geometry of a synchronous drive, and its power where a public rating or the user's own exists."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from math import pi

from tuyere.core.errors import InputError, NoSolution
from tuyere.core.geometry.centre import centre_of_length
from tuyere.core.geometry.elevation import Elevation, two_wheel_elevation
from tuyere.core.notices import notice
from tuyere.core.rounding import round_up
from tuyere.core.sources import Source
from tuyere.core.steps import looked_up, mark, quiet, solved
from tuyere.core.synchronous.formulas import (
    belt_teeth,
    mesh_factor,
    pulley_outside_diameter,
    pulley_pitch_diameter,
    pulley_span,
    pulley_wrap,
    synchronous_power,
    synchronous_speed,
    teeth_in_mesh,
    width_factor,
)
from tuyere.core.tables import declare, table

declare("tuyere.core.synchronous", "sync_profiles", "iso5295", "least_teeth", "sync_allowances")
YOURS = Source("your own figure", origin="assumed", confidence="medium")


@dataclass(frozen=True, slots=True)
class Profile:
    """A tooth profile: pitch, belt height and pitch-line difference in mm."""

    name: str
    family: str
    pitch_mm: float
    height_mm: float
    a_mm: float
    confidence: str


@cache
def profiles() -> dict[str, Profile]:
    """Every profile whose pulleys can be worked."""
    return {r[0]: Profile(*r) for r in table("sync_profiles").rows}


def profile(name: str, field: str = "profile") -> Profile:
    """A profile by name; raises InputError naming ``field``."""
    found = profiles().get(name)
    if found is None:
        raise InputError(field, name, "unknown profile", "one of " + " ".join(profiles()))
    if found.confidence == "low":
        notice(
            "caution",
            "profile-low",
            f"The dimensions of {name} are recalled with low confidence: check them.",
            f"input.{field}",
        )
    return found


def pulley(of: Profile, teeth: int, name: str) -> tuple[float, float]:
    """(pitch diameter, outside diameter) in mm, marked under ``name``."""
    t = table("sync_profiles")
    pitch = mark(f"{name}_pitch", pulley_pitch_diameter(of.pitch_mm, teeth))
    a_b = looked_up("a_b", of.a_mm, t.id, t.source_of(of.confidence))
    outside = mark(f"{name}_outside", pulley_outside_diameter(pitch, a_b))
    return float(pitch), float(outside)


def least_teeth(of: Profile, rpm: float) -> int | None:
    """Least pulley teeth at a speed; None where the table has no such profile."""
    # The table names curvilinear pitches without the letter; it was made for the H profiles.
    name = of.name[1:] if of.name.startswith("H") and of.name != "H" else of.name
    rows = [r for r in table("least_teeth").rows if r[0] == name and r[1] <= rpm]
    return int(rows[-1][2]) if rows else None


@dataclass(frozen=True, slots=True)
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


def work_sync_length(of: Profile, z_1: int, z_2: int, centre_mm: float | None, teeth: int | None) -> SyncLength:
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
                "centre_distance", centre_mm, "the pulleys would touch", f"over {touch / 25.4:.2f} in ({touch:.1f} mm)"
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
        notice("caution", "few-in-mesh", f"Only {int(mesh)} teeth in mesh: under six each one missing costs a fifth of the rating.",
               "input.centre_distance", "Lengthen the centre distance or take a larger small pulley.")  # fmt: skip
    if centre > 8 * small * p / pi:
        notice(
            "info",
            "flanges",
            "The centres are over 8 times the small pulley: flange both pulleys on both sides.",
            "input.driver_teeth",
        )
    else:
        notice("info", "flanges", "Flange one pulley on both sides, or both on opposite sides; on upright shafts also the other one below.",
               "input.driver_teeth")  # fmt: skip
    room = next(((f, t) for over, through, f, t in table("sync_allowances").rows if over < count * p <= through), None)
    with quiet():
        drawing = two_wheel_elevation("synchronous", "toothed", (z_1, z_2), of.height_mm or 0.4 * p, centre, z_1 * p / pi,
                                      z_1 * p / pi - 2 * of.a_mm, z_2 * p / pi, z_2 * p / pi - 2 * of.a_mm, pitch_mm=p)  # fmt: skip
    return SyncLength(exact, count, count * p, centre, float(wrap), int(mesh), float(span), room[0] if room else None,
                      room[1] if room else None, drawing)  # fmt: skip


@dataclass(frozen=True, slots=True)
class SyncRating:
    """Power in kW, belt speed in m/s, the factors, and whose tension it rests on."""

    power_kw: float
    speed_m_s: float
    mesh_factor: float
    width_factor: float
    basis: str


def rate_sync(of: Profile, width_mm: float, teeth: int, rpm: float, mesh: int, own_tension_n: float | None,
              own_mass_kg_m: float | None) -> SyncRating:  # fmt: skip
    """Power of a belt by ISO 5295, or from the user's own allowed tension at this very width.

    Raises InputError where there is no public rating and none was given, NoSolution beyond the speed
    limit or where the belt's own mass takes all of its tension.
    """
    speed = mark("belt_speed", synchronous_speed(of.pitch_mm, teeth, rpm))
    k_z = mark("mesh_factor", mesh_factor(float(mesh)))
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
                f"belt speed {float(speed):.0f} m/s is over the limit of {of.name}", "speed", f"up to {fastest:g} m/s"
            )
    else:
        raise InputError("own_tension", None, f"no public rating of {of.name} is on hand: its maker's sheet gives the allowed tension",
                         "the working tension allowed for this belt and width, in N or lbf")  # fmt: skip
    if not 0.1 * base <= width_mm <= 4 * base:
        raise InputError(
            "width", width_mm, f"not a width of {of.name} belts", f"{0.1 * base / 25.4:.2f} to {4 * base / 25.4:.2f} in"
        )
    k_w = mark("width_factor", width_factor(width_mm, base))
    power = float(mark("power", synchronous_power(k_z, k_w, t_a, width_mm, base, m_0, speed)))
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
    return SyncRating(power, float(speed), float(k_z), float(k_w), basis)
