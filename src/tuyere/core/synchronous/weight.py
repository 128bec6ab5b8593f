"""How wide and how heavy a synchronous drive is: the one place that both the drive and the search ask."""

from __future__ import annotations

import numpy as np

from tuyere.core.steps import Num, quiet
from tuyere.core.synchronous.tables import Profile, face_mm
from tuyere.core.wheels.mass import Weight, toothed_pulley

# Where no face width is tabled: a tenth more than the belt (common practice).
OVER_BELT = 1.1


def pulley_face_mm(of: Profile, belt_width_mm: float) -> float:
    """Face of a flanged pulley for a belt."""
    return face_mm(of, belt_width_mm, True) or OVER_BELT * belt_width_mm


def pulleys_weight(outside_1: Num, outside_2: Num, face: Num, pitch_mm: Num) -> Weight:
    """Both pulleys, floats or arrays."""
    with quiet(), np.errstate(all="ignore"):
        return toothed_pulley(outside_1, face, pitch_mm) + toothed_pulley(outside_2, face, pitch_mm)
