"""The rim of a sprocket made to size: tooth form, plate thickness, chamfer, and what has to be kept."""

from __future__ import annotations

from math import hypot, sqrt

from tuyere.core.errors import InputError
from tuyere.core.roller_chain.formulas import pitch_diameter
from tuyere.core.roller_chain.sprockets import outside_mm
from tuyere.core.roller_chain.tables import Chain
from tuyere.core.roller_chain.tooth_form import tooth_outline
from tuyere.core.units import MM_PER_IN
from tuyere.core.wheels.made import Rim, Tolerance


def plate_mm(of: Chain, strands: int) -> float:
    """Thickness of the toothed plate, mm. Source: ASME B29.1 flange thickness; ISO 606 b_f1; both recalled."""
    if of.series == "ansi":
        share = 0.93 if strands == 1 else 0.90 if strands <= 3 else 0.88
        return share * of.width_mm - 0.006 * MM_PER_IN
    small = of.pitch_mm <= 12.7
    share = (0.93 if small else 0.95) if strands == 1 else (0.91 if small else 0.93)
    return share * of.width_mm


def sprocket_rim(of: Chain, teeth: int, strands: int = 1) -> Rim:
    """A sprocket's rim, one plate a strand. Raises InputError for teeth or strands that are none.

    Source: tooth_form; chamfer of ASME B29.1 (0.13 pitch across, 0.5 pitch down) and ISO 606 (0.13 pitch); recalled.
    """
    if not 1 <= strands <= 6:
        raise InputError("strands", strands, "not so many strands here", "1 to 6")
    outline = tooth_outline(of, teeth)
    plate = plate_mm(of, strands)
    over = outside_mm(of, teeth)
    tip, root = float(over) / 2, min(hypot(x, y) for x, y in outline)
    face = plate + (strands - 1) * of.spacing_mm
    across, down = min(0.13 * of.pitch_mm, 0.4 * plate), min(0.5 * of.pitch_mm, tip - 0.5 * root)
    land = max(root - 0.25 * of.pitch_mm, 0.6 * root)
    points: list[tuple[float, float]] = []
    for k in range(strands):
        left = -face / 2 + k * of.spacing_mm
        right = left + plate
        if k:
            points += [(left, land)]
        points += [(left, tip - down), (left + across, tip), (right - across, tip), (right, tip - down)]
        if k < strands - 1:
            points += [(right, land)]
    tolerance = MM_PER_IN * (0.003 + 0.001 * of.pitch_mm / MM_PER_IN * sqrt(teeth))
    bottom = 2 * root
    run_out = min(max(0.001 * bottom + 0.003 * MM_PER_IN, 0.006 * MM_PER_IN), 0.032 * MM_PER_IN)
    return Rim(
        profile=tuple(points),
        outside_mm=over,
        face_mm=face,
        under_mm=root if strands == 1 else min(root, land),
        side=outline,
        plate=True,
        circles_mm=(float(pitch_diameter(of.pitch_mm, teeth)),),
        tolerances=(
            Tolerance("bottom diameter, smaller by no more than", tolerance, "gap", "ASME B29.1, recalled"),
            Tolerance("bottom runs out by no more than", run_out, "gap", "ASME B29.1, recalled"),
        ),
    )
