"""Worn chain and slack chain: elongation, its limit, what it does; sag and hand movement told apart."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.roller_chain.formulas import (
    HAND,
    elongation_centres,
    elongation_outside,
    excess_of_hand,
    excess_of_sag,
    hand_of_excess,
    large_sprocket_limit,
    least_hand_movement,
    most_hand_movement,
    pitch_diameter,
    ride_out,
    sag_of_excess,
)
from tuyere.core.roller_chain.tables import Chain
from tuyere.core.sources import PRACTICE
from tuyere.core.steps import looked_up, quiet

# A chain that is ordered at this share of its limit comes before it is worn out; common practice.
ORDER_AT = 0.7
GENERAL, FIXED, TIMING = 3.0, 1.5, 0.8


@dataclass(frozen=True, slots=True, kw_only=True)
class Wear:
    """Elongation and limit in percent; ride-out and length at the limit in mm; the verdict in one word."""

    elongation: float
    limit: float
    limit_why: str
    ride_out_mm: float | None
    length_new_mm: float
    length_limit_mm: float
    verdict: str


def judge_wear(
    of: Chain,
    pitches: int,
    *,
    measured_mm: float,
    over_rollers: bool,
    large_teeth: int | None,
    fixed_centres: bool,
    timing: bool,
) -> Wear:
    """Elongation from a length over ``pitches`` pitches, over the rollers or pin centre to pin centre.

    Raises InputError under 4 pitches (a tape cannot tell wear there) and for a length that is no chain's.
    """
    if not 4 <= pitches <= 400:
        raise InputError(
            "pitches",
            pitches,
            "too few to tell wear from reading error" if pitches < 4 else "more than is measured",
            "4 to 400; 12 in or more of chain",
        )
    nominal = pitches * of.pitch_mm + (of.roller_mm if over_rollers else 0.0)
    if not 0.98 * nominal < measured_mm < 1.12 * nominal:
        raise InputError(
            "measured",
            measured_mm,
            f"{pitches} pitches of chain {of.name} are {{nominal}} new; count the pitches and the size again",
            "{low} to {high}",
            nominal=(nominal, "length"),
            low=(0.98 * nominal, "length"),
            high=(1.12 * nominal, "length"),
        )
    if over_rollers:
        stretch = elongation_outside(measured_mm, of.roller_mm, float(pitches), of.pitch_mm)
    else:
        stretch = elongation_centres(measured_mm, float(pitches), of.pitch_mm)
    percent = stretch
    limits = [(GENERAL, "general limit")]
    if fixed_centres:
        limits.append((FIXED, "fixed centres without a take-up"))
    if timing:
        limits.append((TIMING, "it keeps time"))
    limit, why = min(limits)
    if large_teeth is not None and large_teeth > 67 and 200 / large_teeth < limit:
        limit, why = large_sprocket_limit(float(large_teeth)), f"{large_teeth} teeth: 200 / N"
    else:
        limit = looked_up("eps_lim", limit, "", PRACTICE)

    out = None
    if large_teeth is not None:
        with quiet():
            circle = pitch_diameter(of.pitch_mm, large_teeth)
        out = ride_out(max(percent, 0.0), circle)
    length_limit = pitches * of.pitch_mm * (1 + limit / 100) + (of.roller_mm if over_rollers else 0.0)
    verdict = "replace" if percent >= limit else "soon" if percent >= ORDER_AT * limit else "fine"
    if percent < -0.2:
        notice(
            "caution",
            "shorter-than-new",
            "Shorter than a new chain: measure again, pulled straight, or check the size.",
            "input.measured",
        )
    if verdict == "replace":
        notice(
            "danger",
            "worn-out",
            "Worn past the limit. A new chain on hooked teeth is eaten at once: look at both sprockets.",
            "input.measured",
            "Replace the chain; replace the sprockets if the teeth are hooked.",
        )
    return Wear(
        elongation=percent,
        limit=limit,
        limit_why=why,
        ride_out_mm=out,
        length_new_mm=nominal,
        length_limit_mm=length_limit,
        verdict=verdict,
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Slack:
    """Sag, hand movement, excess and the wanted band of hand movement in mm; percents of the span."""

    sag_mm: float
    hand_mm: float
    excess_mm: float
    sag_percent: float
    hand_percent: float
    wanted_mm: tuple[float, float]
    verdict: str


def judge_slack(span_mm: float, hand_mm: float | None, sag_mm: float | None, steep_or_shock: bool) -> Slack:
    """Slack from the hand movement at mid-span (both ways together) or from the hanging sag, not both.

    Raises InputError when both or neither are given, or beyond a fifth of the span. Source: geometry;
    bands: handbook and trade practice.
    """
    if (hand_mm is None) == (sag_mm is None):
        raise InputError(
            "hand_movement",
            hand_mm,
            "give the hand movement or the sag: they are different numbers",
            "exactly one of the two",
        )
    given, field = (hand_mm, "hand_movement") if hand_mm is not None else (sag_mm, "sag")
    assert given is not None
    if given > 0.2 * span_mm:
        raise InputError(
            field,
            given,
            "more than a fifth of the span: a link or two too long",
            "up to {most}",
            most=(0.2 * span_mm, "length"),
        )
    if hand_mm is not None:
        excess = excess_of_hand(hand_mm, span_mm)
        hand, sag = hand_mm, sag_of_excess(excess, span_mm)
    else:
        assert sag_mm is not None
        excess = excess_of_sag(sag_mm, span_mm)
        sag, hand = sag_mm, hand_of_excess(excess, span_mm)
    share = looked_up("k_st", 0.5 if steep_or_shock else 1.0, "", HAND)
    low, high = least_hand_movement(span_mm, share), most_hand_movement(span_mm, share)
    percent = 100 * hand / span_mm
    verdict = "too tight" if hand < low else "too slack" if hand > high else "fine"
    if verdict != "fine":
        notice(
            "caution",
            "slack",
            f"{verdict.capitalize()}: {100 * low / span_mm:g} to {100 * high / span_mm:g} % of the span is wanted as hand movement, both ways "
            "together.",
            f"input.{field}",
            "The slack must leave on the strand that comes off the driver.",
        )
    return Slack(
        sag_mm=sag,
        hand_mm=hand,
        excess_mm=excess,
        sag_percent=100 * sag / span_mm,
        hand_percent=percent,
        wanted_mm=(low, high),
        verdict=verdict,
    )
