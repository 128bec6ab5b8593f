"""A wheel made to size, of any family: rim, web, hub, bore and keyway as they are cut, its tolerances, and how fast it may run."""

from __future__ import annotations

from dataclasses import dataclass

from numpy import pi

from tuyere.core.errors import InputError
from tuyere.core.shafts.keyways import Keyway
from tuyere.core.sources import KINEMATICS
from tuyere.core.speeds.formulas import belt_speed
from tuyere.core.steps import Num, formula, looked_up, quiet
from tuyere.core.tables import declare, table
from tuyere.core.wheels.mass import LARGE_BORE, SINGLE
from tuyere.core.wheels.rules import hub_thickness, rim_thickness

declare("tuyere.core.wheels", ("rim_materials",))
Point = tuple[float, float]
M_S_PER_FT_MIN = 0.00508
# Above this rim speed a wheel is balanced in two planes; ISO 254, recalled.
TWO_PLANES_M_S = 30.0
HUB_LENGTH = 1.25


@formula("n_rim", KINEMATICS)
def most_rpm(v_rim: Num, D_w: Num) -> Num:
    """The speed at which the rim runs as fast as its material bears."""
    return 60000 * v_rim / (pi * D_w)


@dataclass(frozen=True, slots=True)
class Tolerance:
    """What has to be kept: in words, mm either way (or degrees), where it comes from."""

    what: str
    amount: float
    kind: str
    source: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Rim:
    """A rim as a family gives it: (along the shaft, from its middle line) points of the half-section from face to face, mm.

    ``under_mm`` is the least radius of the grooves or roots, ``side`` the outline seen along the shaft where it has teeth,
    ``circles_mm`` the diameters that are drawn dashed, ``tolerances`` what has to be kept; ``plate`` is a rim that is one plate down to the hub.
    """

    profile: tuple[Point, ...]
    outside_mm: float
    face_mm: float
    under_mm: float
    side: tuple[Point, ...] = ()
    circles_mm: tuple[float, ...] = ()
    tolerances: tuple[Tolerance, ...] = ()
    plate: bool = False


@dataclass(frozen=True, slots=True, kw_only=True)
class MadeWheel:
    """The whole wheel, mm: ``section`` is the upper half cut through the shaft, closed; ``most_rpm`` by the rim's material."""

    rim: Rim
    section: tuple[Point, ...]
    bore_mm: float
    hub_mm: float
    hub_length_mm: float
    keyway: Keyway | None
    solid: bool
    most_rpm: float
    rim_limit_m_s: float
    two_planes: bool


def made_wheel(
    rim: Rim,
    *,
    bore_mm: float,
    keyway: Keyway | None,
    material: str,
    rpm: float | None = None,
    hub_length_mm: float | None = None,
) -> MadeWheel:
    """Rim, web and hub by the textbook's rules round a bore. Raises InputError for a bore that leaves no wheel, or a rim that runs too fast.

    Source: Unwin's rules for rim and hub; rim speeds of IP-20, IP-22 and common practice.
    """
    if not 0 < bore_mm <= LARGE_BORE * 2 * rim.under_mm:
        raise InputError(
            "bore",
            bore_mm,
            "no wheel is left round such a bore",
            "up to {most}",
            most=(LARGE_BORE * 2 * rim.under_mm, "length"),
        )
    t = table("rim_materials")
    rows = t.select(material=material)
    if not rows:
        raise InputError("material", material, "not in the table", ", ".join(str(x) for x in t.column("material")))
    limit = looked_up("v_rim", float(rows[0][1]) * M_S_PER_FT_MIN, t.id, t.source_of(str(rows[0][2])))
    most = most_rpm(limit, rim.outside_mm)
    if rpm is not None and rpm > most:
        raise InputError(
            "speed",
            rpm,
            "its rim would run faster than its material bears: it may burst",
            "up to {most}",
            most=(float(most), "speed"),
        )
    with quiet():
        edge = 0.0 if rpm is None else float(belt_speed(rim.outside_mm, rpm))
        metal = float(hub_thickness(SINGLE[2], rim.face_mm, rim.outside_mm))
        rim_metal = float(rim_thickness(rim.outside_mm, SINGLE[0]))
    # The keyway takes some of the hub's metal away.
    deep = 0.0 if keyway is None else float(keyway.over_mm) - bore_mm
    hub = min(bore_mm + 2 * (metal + deep), 2 * rim.under_mm)
    length = max(rim.face_mm, HUB_LENGTH * bore_mm) if hub_length_mm is None else hub_length_mm
    if length < 0.5 * rim.face_mm or length > 10 * rim.face_mm + 10 * bore_mm:
        raise InputError("hub_length", length, "not a hub of this wheel", "half the face to ten times face and bore")
    inner = rim.under_mm - rim_metal
    solid = rim.plate or inner <= hub / 2 + rim_metal
    return MadeWheel(
        rim=rim,
        section=_section(rim, bore=bore_mm / 2, hub=hub / 2, length=length, inner=None if solid else inner),
        bore_mm=bore_mm,
        hub_mm=hub,
        hub_length_mm=length,
        keyway=keyway,
        solid=solid,
        most_rpm=most,
        rim_limit_m_s=limit,
        two_planes=edge > TWO_PLANES_M_S,
    )


def _section(rim: Rim, *, bore: float, hub: float, length: float, inner: float | None) -> tuple[Point, ...]:
    """The upper half: along the bore, up the right face, back over the rim, down the left face."""
    half, face = length / 2, rim.face_mm / 2
    web = rim.face_mm / 2 if rim.plate else min(max(0.2 * rim.face_mm, 6.0), rim.face_mm) / 2
    right: list[Point] = [(half, bore)]
    hub_top = hub
    if inner is None:
        if half > face + 1e-9 or half < face - 1e-9:
            right += [(half, hub_top), (face, hub_top)]
    else:
        right += [(half, hub_top), (web, hub_top), (web, inner), (face, inner)]
    left = [(-x, y) for x, y in reversed(right)]
    return (*right, *reversed(rim.profile), *left)
