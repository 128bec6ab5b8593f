"""Warm bearings: how warm they may be, which of two is the odd one, what heat and pull do to their life."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.sources import PRACTICE
from tuyere.core.steps import looked_up
from tuyere.core.wear.formulas import life_by_heat, life_by_load, temperature_rise

# Housing of a greased rolling bearing, on its outside, °C and K over the surroundings; recalled from memory, common practice.
USUAL_C, MOST_C = 70.0, 90.0
RISE_USUAL_K, RISE_MOST_K = 40.0, 55.0
# Two bearings of one shaft that differ by more: one of them has a reason of its own. Common practice, no source.
APART_K = 15.0
EXPONENT = {"ball": 3.0, "roller": 10 / 3}


@dataclass(frozen=True, slots=True, kw_only=True)
class BearingHeat:
    """Rise in K, and the rise from which it is warm and too hot in these surroundings (0 or less where they are so themselves); what to
    do; the odd one's lead over the other in K (None: one was read); life left in percent by heat and by pull."""

    rise_k: float
    warm_k: float
    hot_k: float
    verdict: str
    apart_k: float | None
    life_by_heat: float | None
    life_by_pull: float | None


def bearing_heat(
    bearing_c: float,
    *,
    around_c: float,
    other_c: float | None = None,
    pull_share: float | None = None,
    kind: str = "ball",
) -> BearingHeat:
    """A bearing by its temperature, that of its surroundings and of the other bearing, and the pull over what was set.

    Raises InputError for temperatures that are none of a machine's. Source: limits of common practice, recalled; the rule of
    ten degrees; ISO 281 for the pull.
    """
    for name, value in (("bearing", bearing_c), ("around", around_c), ("other", other_c)):
        if value is not None and not -40 <= value <= 250:
            ends = {"low": (-40.0, "temperature"), "high": (250.0, "temperature")}
            raise InputError(name, value, "not a temperature of a running machine", "{low} to {high}", **ends)
    if bearing_c < around_c - 5:
        raise InputError(
            "bearing", bearing_c, "colder than its surroundings: read both again", "the surroundings or more"
        )
    if kind not in EXPONENT:
        raise InputError("kind", kind, "not a kind of rolling bearing", "ball or roller")
    if pull_share is not None and not 0.2 <= pull_share <= 5:
        raise InputError("pull", pull_share, "not so many times the pull that was set", "0.2 to 5")
    rise = temperature_rise(bearing_c, around_c)
    warm_k, hot_k = min(RISE_USUAL_K, USUAL_C - around_c), min(RISE_MOST_K, MOST_C - around_c)
    apart = None if other_c is None else bearing_c - other_c
    odd = apart is not None and apart >= APART_K
    over = bearing_c - USUAL_C
    by_heat = life_by_heat(looked_up("dtheta_r", over, "", PRACTICE)) if over > 0 else None
    return BearingHeat(
        rise_k=rise,
        warm_k=warm_k,
        hot_k=hot_k,
        verdict="act" if rise >= hot_k else "watch" if rise >= warm_k or odd else "fine",
        apart_k=apart,
        life_by_heat=by_heat,
        life_by_pull=None if pull_share is None else life_by_load(pull_share, EXPONENT[kind]),
    )
