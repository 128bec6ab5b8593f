"""V-belts on a flat driven pulley: no wedging there, the belt's bottom on the face, and an arc factor of its own."""

from __future__ import annotations

from functools import cache

import numpy as np

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.steps import Num, looked_up
from tuyere.core.tables import Axis, axis, table
from tuyere.core.v_belt.formulas import diameter_on_face, effective_from_pitch
from tuyere.core.v_belt.groove_fit import belt_profile, pitch_under_top
from tuyere.core.v_belt.sections import Section, groove_at
from tuyere.core.v_belt.sheaves import Sheave

USUAL_RATIO = 3.0  # common practice: under it grooves on both ends are better


@cache
def _axis() -> Axis:
    return axis(table("arc_factor_flat"), "arc", "K_theta")


def flat_arc_factor(theta: Num) -> Num:
    """K_theta by the arc on the small sheave in degrees. Raises InputError outside the table."""
    t = table("arc_factor_flat")
    return looked_up(
        "K_theta", _axis().at(np.minimum(theta, 180.0), "centre_distance"), t.id, t.source_of(), theta=theta
    )


def flat_pulley(outside_mm: float, of: Section, field: str = "driven.sheave") -> Sheave:
    """A flat pulley as the belt sees it: its pitch line runs above the face. Raises InputError for a pulley too small.

    Source: geometry of the belt; crowns are left out.
    """
    if outside_mm < 2 * of.min_diameter_mm:
        raise InputError(
            f"{field}.diameter",
            outside_mm,
            "too small for the flat pulley of a V-flat drive",
            f"{2 * of.min_diameter_mm:.0f} mm or more for {of.shown}: the flat pulley is the large one",
        )
    profile = belt_profile(of.name)
    under = pitch_under_top(profile, outside_mm)
    row = groove_at(of.groove, outside_mm)
    if under is None or row is None:
        raise InputError(
            f"{field}.groove", of.name, "the pitch line of this belt is not known", "a section with a standard groove"
        )
    pitch = diameter_on_face(outside_mm, of.depth_mm, looked_up("c_p", under, row.table_id, row.source))
    line = effective_from_pitch(pitch, row.to_pitch_mm) if of.line_kind == "effective" else pitch
    return Sheave(of.groove, line, pitch, outside_mm)


def judge_ratio(ratio: float) -> None:
    """Say when a grooved driven sheave would be better."""
    if ratio < USUAL_RATIO:
        notice(
            "caution",
            "v-flat-ratio",
            "Under 3 : 1 the flat pulley slips before the small sheave is used: grooves on both ends are better "
            "(common practice).",
            "driven.sheave",
            "A grooved driven sheave, or a larger ratio.",
        )
