"""The rim of a flat pulley made to size, crowned or not."""

from __future__ import annotations

from tuyere.core.errors import InputError
from tuyere.core.flat.crown import crown_mm
from tuyere.core.units import MM_PER_IN
from tuyere.core.wheels.made import Rim, Tolerance

# Points along the crown's curve.
ALONG = 16


def pulley_rim(outside_mm: float, face_mm: float, *, crowned: bool) -> Rim:
    """A rim whose middle is higher by the crown, as an arc. Raises InputError for a face that is none, or under the table of crowns.

    Source: ISO 22 crowns as printed in Shigley; run-out as for grooved wheels.
    """
    if not 6 <= face_mm <= 2000:
        raise InputError("face", face_mm, "not a face of a flat pulley", "1/4 in to 80 in")
    crown = crown_mm(outside_mm, face_mm) if crowned else 0.0
    points = []
    for k in range(ALONG + 1):
        x = face_mm * (k / ALONG - 0.5)
        # So flat an arc is a parabola to within a thousandth of the crown.
        points.append((x, outside_mm / 2 - float(crown) * (2 * x / face_mm) ** 2))
    low = outside_mm / 2 - float(crown)
    inches = outside_mm / MM_PER_IN
    run_out = MM_PER_IN * (0.010 + 0.0005 * max(inches - 10, 0))
    return Rim(
        profile=tuple(points),
        outside_mm=outside_mm,
        face_mm=face_mm,
        under_mm=low,
        tolerances=(
            Tolerance("crown, higher in the middle on the radius by", float(crown), "gap", "ISO 22"),
            Tolerance("rim runs out by no more than", run_out, "gap", "as for grooved wheels, IP-20"),
        ),
    )
