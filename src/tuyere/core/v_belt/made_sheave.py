"""The rim of a sheave made to size: its grooves as they are cut, and what has to be kept."""

from __future__ import annotations

from math import radians, tan

from tuyere.core.errors import InputError
from tuyere.core.sources import Source
from tuyere.core.steps import Num, formula, looked_up
from tuyere.core.units import MM_PER_IN
from tuyere.core.v_belt.sections import METRIC_GROOVES, belt_groove, groove_of_outside
from tuyere.core.v_belt.sheaves import LIGHT_GROOVES, NARROW_GROOVES
from tuyere.core.wheels.made import Rim, Tolerance

GROOVES = Source(title="ANSI/RMA IP-20, IP-22; ISO 4183", origin="recalled", confidence="high")
MOST_GROOVES = 20


@formula("b_face", GROOVES)
def face_width(N_gr: Num, S_gr: Num, S_ed: Num) -> Num:
    """Over all grooves, an edge on both sides."""
    return (N_gr - 1) * S_gr + 2 * S_ed


def sheave_rim(groove: str, outside_mm: float, grooves: int) -> Rim:
    """Grooves of a standard section in a rim of that outside diameter.

    Raises InputError for an unknown groove, for more grooves than the table has a spacing for, or a rim too small.
    Source: ANSI/RMA IP-20, IP-22, IP-23; ISO 4183; tolerances of the same, recalled.
    """
    row = groove_of_outside(groove, outside_mm)
    if row is None:
        raise InputError("groove", groove, "no standard groove in the table", "a groove of the table")
    most = MOST_GROOVES if row.pitch_mm else 1
    if not 1 <= grooves <= most:
        words = f"1 to {most} grooves" if most > 1 else "1: light-duty drives run single belts"
        raise InputError("grooves", grooves, "not so many in one sheave", words)
    if outside_mm <= 3 * row.depth_mm:
        raise InputError(
            "outside",
            outside_mm,
            "too small for the depth of its groove",
            "over {least}",
            least=(3 * row.depth_mm, "length"),
        )
    spacing = looked_up("S_gr", row.pitch_mm, row.table_id, row.source)
    edge = looked_up("S_ed", row.edge_mm, row.table_id, row.source)
    face = face_width(grooves, spacing, edge)
    top, low = outside_mm / 2, outside_mm / 2 - row.depth_mm
    foot = row.top_width_mm / 2 - row.depth_mm * tan(radians(row.angle_deg / 2))
    points = [(-float(face) / 2, top)]
    for k in range(grooves):
        x = -float(face) / 2 + row.edge_mm + k * row.pitch_mm
        points += [
            (x - row.top_width_mm / 2, top),
            (x - max(foot, 0.0), low),
            (x + max(foot, 0.0), low),
            (x + row.top_width_mm / 2, top),
        ]
    points.append((float(face) / 2, top))
    return Rim(
        profile=tuple(points),
        outside_mm=outside_mm,
        face_mm=face,
        under_mm=low,
        circles_mm=(outside_mm - row.to_outside_mm - row.to_pitch_mm,),
        tolerances=_tolerances(groove, outside_mm, grooves),
    )


def _tolerances(groove: str, outside_mm: float, grooves: int) -> tuple[Tolerance, ...]:
    inches = outside_mm / MM_PER_IN
    out = [
        Tolerance(
            "rim runs out by no more than", MM_PER_IN * (0.010 + 0.0005 * max(inches - 10, 0)), "gap", "IP-20, IP-22"
        )
    ]
    out.append(
        Tolerance(
            "face runs out by no more than", MM_PER_IN * (0.005 + 0.001 * max(inches - 5, 0)), "gap", "IP-20, IP-22"
        )
    )
    base = belt_groove(groove)
    if base in METRIC_GROOVES:
        out.append(Tolerance("groove angle, either way", 0.5, "angle", "ISO 4183"))
    elif base not in LIGHT_GROOVES:
        out.append(
            Tolerance("groove angle, either way", 0.25 if base in NARROW_GROOVES else 0.33, "angle", "IP-20, IP-22")
        )
    if grooves > 1:
        few, spread = (6, 0.010) if inches < 20 else (10, 0.015)
        alike = MM_PER_IN * (spread + 0.0005 * max(grooves - few, 0))
        out.append(Tolerance("diameters of its grooves alike within", alike, "gap", "IP-20"))
    return tuple(out)
