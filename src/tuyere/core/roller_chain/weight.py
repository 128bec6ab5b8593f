"""How wide and how heavy a chain drive is: the one place that both the drive and the search ask."""

from __future__ import annotations

from tuyere.core.roller_chain.formulas import pitch_diameter
from tuyere.core.roller_chain.tables import Chain
from tuyere.core.steps import Num, quiet
from tuyere.core.wheels.mass import Weight, steel_sprocket

# Teeth stand a little narrower than the chain is inside. Source: ASME B29.1, 0.93 of the width between inner plates.
TOOTH = 0.93


def over_strands(width_mm: Num, spacing_mm: Num, strands: Num) -> Num:
    """Width between inner plates, and the spacing of every further strand, mm."""
    return width_mm + (strands - 1) * spacing_mm


def sprockets_weight(pitch_mm: Num, width_mm: Num, *, spacing_mm: Num, strands: Num, z_1: Num, z_2: Num) -> Weight:
    """Both sprockets, floats or arrays."""
    with quiet():
        d_1, d_2 = pitch_diameter(pitch_mm, z_1), pitch_diameter(pitch_mm, z_2)
        tooth = TOOTH * width_mm
        return steel_sprocket(d_1, tooth, pitch_mm, strands, spacing_mm) + steel_sprocket(
            d_2, tooth, pitch_mm, strands, spacing_mm
        )


def chain_weight(of: Chain, strands: int, z_1: int, z_2: int, pitches: int) -> Weight:
    """Sprockets and chain of one drive."""
    wheels = sprockets_weight(of.pitch_mm, of.width_mm, spacing_mm=of.spacing_mm, strands=strands, z_1=z_1, z_2=z_2)
    return wheels.plus(of.mass_kg_m * strands * pitches * of.pitch_mm / 1000)
