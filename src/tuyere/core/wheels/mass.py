"""How heavy a wheel is, as a band of two: the lighter and the heavier way the kind is usually made.

No maker's weights stand behind it: it tells options apart and says whether a hoist is wanted, and no more.
"""

from __future__ import annotations

from dataclasses import dataclass

from numpy import maximum, minimum, where

from tuyere.core.steps import Num
from tuyere.core.wheels.rules import (
    arm_width,
    arms_mass,
    grooves_mass,
    hub_thickness,
    rim_thickness,
    ring_mass,
)

CAST_IRON, STEEL = 7200.0, 7850.0
# Rim and hub of single and double belts: eighth and quarter of an inch; the constants of arms and naves.
SINGLE, DOUBLE = (25.4 / 8, 0.6337, 0.14), (25.4 / 4, 0.798, 0.18)
SMALL_BORE, LARGE_BORE = 0.2, 0.4
LEAST_SHAFT_MM = 20.0


@dataclass(frozen=True, slots=True)
class Weight:
    """The lighter and the heavier estimate, kg (floats or arrays)."""

    low_kg: Num
    high_kg: Num

    @property
    def middle_kg(self) -> Num:
        """Halfway, for an order."""
        return (self.low_kg + self.high_kg) / 2

    def __add__(self, other: Weight) -> Weight:
        return Weight(self.low_kg + other.low_kg, self.high_kg + other.high_kg)

    def plus(self, kg: Num) -> Weight:
        """With something whose weight is known, a belt or a chain."""
        return Weight(self.low_kg + kg, self.high_kg + kg)


def _shaft(outside: Num) -> Num:
    """A bore that goes with a wheel: a tenth of its diameter (common practice, no source)."""
    return maximum(0.1 * outside, LEAST_SHAFT_MM)


def _hub(rho: float, outside: Num, face: Num, constant: float) -> tuple[Num, Num]:
    """(mass, outside diameter) of a hub as long as the face, or as five quarters of the bore."""
    bore = _shaft(outside)
    across = bore + 2 * hub_thickness(constant, face, outside)
    return ring_mass(rho, across, bore, maximum(face, 1.25 * bore)), across


def _arms(outside: Num) -> Num:
    """Four arms to 24 in, six above (common practice)."""
    return where(outside <= 609.6, 4.0, 6.0)


def _spoked(outside: Num, face: Num, depth: Num, rule: tuple[float, float, float]) -> Num:
    """Rim, arms and hub; ``depth`` is what the rim carries over its thickness: grooves or teeth."""
    t_k, c_arm, c_hub = rule
    inside = outside - 2 * (depth + rim_thickness(outside, t_k))
    hub, across = _hub(CAST_IRON, outside, face, c_hub)
    arms = _arms(outside)
    width = arm_width(c_arm, face, outside, arms)
    length = maximum((inside - across) / 2, 0.0)
    return ring_mass(CAST_IRON, outside, maximum(inside, 0.0), face) + arms_mass(CAST_IRON, arms, width, length) + hub


def _webbed(outside: Num, face: Num, depth: Num) -> Num:
    """Rim, solid web as thick as the rim, and hub."""
    t_k, _, c_hub = DOUBLE
    thickness = rim_thickness(outside, t_k)
    inside = maximum(outside - 2 * (depth + thickness), 0.0)
    hub, across = _hub(CAST_IRON, outside, face, c_hub)
    web = ring_mass(CAST_IRON, maximum(inside, across), across, minimum(thickness, face))
    return ring_mass(CAST_IRON, outside, inside, face) + web + hub


def _disc(rho: float, outside: Num, face: Num, bore: float) -> Num:
    return ring_mass(rho, outside, bore * outside, face)


def grooved_sheave(outside_mm: Num, face_mm: Num, grooves: Num, depth_mm: Num, groove_mm2: Num) -> Weight:
    """A cast-iron V-belt sheave, spoked to webbed; a solid disc where it is too small for either.

    ``groove_mm2`` is the cross-section of one groove, ``depth_mm`` its depth.
    """
    cut = grooves_mass(CAST_IRON, grooves, groove_mm2, outside_mm, depth_mm)
    low = minimum(_spoked(outside_mm, face_mm, depth_mm, SINGLE), _disc(CAST_IRON, outside_mm, face_mm, LARGE_BORE))
    high = minimum(_webbed(outside_mm, face_mm, depth_mm), _disc(CAST_IRON, outside_mm, face_mm, SMALL_BORE))
    return Weight(low - cut, maximum(low, high) - cut)


def flat_pulley(outside_mm: Num, face_mm: Num) -> Weight:
    """A cast-iron flat pulley with arms, for a single to a double belt; a solid disc where it is small."""
    low = minimum(_spoked(outside_mm, face_mm, 0.0, SINGLE), _disc(CAST_IRON, outside_mm, face_mm, LARGE_BORE))
    high = minimum(_spoked(outside_mm, face_mm, 0.0, DOUBLE), _disc(CAST_IRON, outside_mm, face_mm, SMALL_BORE))
    return Weight(low, maximum(low, high))


def toothed_pulley(outside_mm: Num, face_mm: Num, pitch_mm: Num) -> Weight:
    """A cast-iron synchronous pulley, spoked to webbed; its teeth fill half of their ring, a third of the pitch deep."""
    depth = pitch_mm / 3
    gaps = ring_mass(CAST_IRON, outside_mm, outside_mm - 2 * depth, face_mm) / 2
    low = minimum(_spoked(outside_mm, face_mm, depth, SINGLE), _disc(CAST_IRON, outside_mm, face_mm, LARGE_BORE))
    high = minimum(_webbed(outside_mm, face_mm, depth), _disc(CAST_IRON, outside_mm, face_mm, SMALL_BORE))
    return Weight(low - gaps, maximum(low, high) - gaps)


def steel_sprocket(pitch_diameter_mm: Num, tooth_mm: Num, pitch_mm: Num, strands: Num, spacing_mm: Num) -> Weight:
    """A steel sprocket: a plate alone, to a plate with a hub on one side; further strands are rings two pitches deep."""
    ring = ring_mass(STEEL, pitch_diameter_mm, maximum(pitch_diameter_mm - 4 * pitch_mm, 0.0), spacing_mm)
    bore = _shaft(pitch_diameter_mm)
    plate = ring_mass(STEEL, pitch_diameter_mm, 0.0, tooth_mm) + (strands - 1) * ring
    across = minimum(1.6 * bore, pitch_diameter_mm)
    hub = ring_mass(STEEL, across, minimum(bore, across), 1.25 * bore)
    return Weight(plate - ring_mass(STEEL, minimum(bore, 0.8 * pitch_diameter_mm), 0.0, tooth_mm), plate + hub)
