"""The rim of a synchronous pulley made to size; its teeth where the tool that cuts them is public."""

from __future__ import annotations

from math import cos, hypot, pi, radians, sin, tan

import numpy as np

from tuyere.core.errors import InputError
from tuyere.core.synchronous.tables import Profile, pulley
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN
from tuyere.core.wheels.made import Rim, Tolerance

Point = tuple[float, float]
# The tool is rolled in so many places, its outline has so many points, the groove is read at so many angles, one in so many kept.
ROLLED, ALONG, ANGLES, KEPT = 201, 150, 401, 10


def groove_of(profile: str, teeth: int) -> tuple[float, float, float, float, float] | None:
    """(flank angle, depth, width at the bottom, r1, r2) of the generating rack; None where none is public. Source: ISO 5294, recalled."""
    rows = [r for r in table("sync_racks").select(profile=profile) if r[1] <= teeth]
    return None if not rows else (rows[-1][2], rows[-1][3], rows[-1][4], rows[-1][5], rows[-1][6])


def groove_outline(of: Profile, teeth: int) -> tuple[Point, ...] | None:
    """One groove, mm, straight up, from its left edge to its right: what the rack leaves when it rolls on the pitch circle.

    Corners are sharp: their radii are small beside the form. None where no rack is public.
    """
    found = groove_of(of.name, teeth)
    if found is None:
        return None
    angle, depth, tip, _, _ = found
    pitch_d, outside_d = pulley(of, teeth)
    pitch_r, outside_r = float(pitch_d) / 2, float(outside_d) / 2
    slope = tan(radians(angle / 2))
    # The tool's tooth: x along the rack, y up from the pitch line; its tip is the groove's bottom.
    bottom = outside_r - pitch_r - depth
    wide = tip / 2 + depth * slope
    share = np.linspace(0, 1, ALONG)
    x = np.concatenate([-wide + share * (wide - tip / 2), -tip / 2 + share * tip, tip / 2 + share * (wide - tip / 2)])
    y = np.concatenate([bottom + depth * (1 - share), np.full(ALONG, bottom), bottom + depth * share])
    angles, radii = [], []
    for turn in np.linspace(-0.9 * of.pitch_mm / pitch_r, 0.9 * of.pitch_mm / pitch_r, ROLLED):
        # Rolled by an angle, the rack has gone along by the arc, and the wheel has turned: seen from the wheel it turns back.
        px, py = x + pitch_r * turn, y + pitch_r
        c, s = cos(turn), sin(turn)
        qx, qy = px * c - py * s, px * s + py * c
        angles.append(np.arctan2(qx, qy))
        radii.append(np.hypot(qx, qy))
    theta, r = np.concatenate(angles), np.concatenate(radii)
    inside = r <= outside_r + 1e-9
    half = float(np.max(np.abs(theta[inside])))
    edges = np.linspace(-half, half, ANGLES + 1)
    where = np.clip(np.digitize(theta[inside], edges) - 1, 0, ANGLES - 1)
    least = np.full(ANGLES, np.nan)
    np.fmin.at(least, where, r[inside])
    middles = (edges[:-1] + edges[1:]) / 2
    points = [(outside_r * sin(-half), outside_r * cos(-half))]
    read = [(float(v * sin(a)), float(v * cos(a))) for a, v in zip(middles, least, strict=True) if not np.isnan(v)]
    points += read[::KEPT]
    return (*points, (outside_r * sin(half), outside_r * cos(half)))


def sync_rim(of: Profile, teeth: int, face_mm: float) -> Rim:
    """A pulley's rim. Raises InputError for a face that is none.

    Source: ISO 5294, ISO 13050 diameters; grooves rolled from the rack of ISO 5294; run-out of RMA IP-24; recalled.
    """
    if not 2 <= face_mm <= 500:
        raise InputError("face", face_mm, "not a face of a toothed pulley", "1/8 in to 20 in")
    pitch, over = pulley(of, teeth)
    outside = float(over)
    groove = groove_outline(of, teeth)
    side: tuple[Point, ...] = ()
    low = outside / 2 - of.pitch_mm / 3
    if groove is not None:
        low = min(hypot(x, y) for x, y in groove)
        made: list[Point] = []
        for k in range(teeth):
            a = -2 * pi * k / teeth
            made += [(x * cos(a) - y * sin(a), x * sin(a) + y * cos(a)) for x, y in groove]
        side = tuple(made)
    inches = outside / MM_PER_IN
    return Rim(
        profile=((-face_mm / 2, outside / 2), (face_mm / 2, outside / 2)),
        outside_mm=over,
        face_mm=face_mm,
        under_mm=low,
        side=side,
        circles_mm=(float(pitch),),
        tolerances=(
            Tolerance(
                "rim runs out by no more than",
                MM_PER_IN * (0.005 + 0.0005 * max(inches - 8, 0)),
                "gap",
                "IP-24, recalled",
            ),
            Tolerance("face runs out by no more than", MM_PER_IN * 0.001 * min(inches, 10), "gap", "IP-24, recalled"),
        ),
    )
