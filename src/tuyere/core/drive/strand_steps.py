"""The working of a loop's strands, step by step: from the first strand past every wheel, each wheel's grip and pull.

The same figures as ``strands`` solves all at once; a test holds both against each other. Source: statics of a loop at one
speed; belt equation.
"""

from __future__ import annotations

from dataclasses import dataclass

from numpy import cos, radians, sqrt

from tuyere.core.drive.case import L, R, S, WorkedDrive
from tuyere.core.drive.loads import shared
from tuyere.core.drive.pulled import pull_for_newton
from tuyere.core.sources import STATICS
from tuyere.core.steps import Num, about, formula, quiet


@formula("T_fs", STATICS)
def first_strand_set(T_mn: Num, dT_mn: Num) -> Num:
    """The strand after the driver: what was set, less what the others rise over it on the mean of the free lengths."""
    return T_mn - dT_mn


@formula("T_fp", STATICS)
def first_strand_pulled(F_tu: Num, s_tu: Num, dT_tu: Num, T_cl: Num) -> Num:
    """The strand after the driver where a pull holds the loop: the pull over its leverage, less the rise up to the take-up."""
    return F_tu / s_tu - dT_tu + T_cl


@formula("T_nxt", STATICS)
def strand_next(T_prv: Num, P_whl: Num, v: Num) -> Num:
    """Past a wheel that takes power a strand pulls harder by that power over the loop's speed."""
    return T_prv + 1000 * P_whl / v


@formula("g_used", STATICS)
def grip_used(T_hi: Num, T_lo: Num, T_cl: Num) -> Num:
    """Ratio of both strands at a wheel, less what holds the loop's own mass on its curve."""
    return (T_hi - T_cl) / (T_lo - T_cl)


@formula("R_whl", STATICS)
def wheel_pull(T_wa: Num, T_wb: Num, theta_w: Num) -> Num:
    """Pull of both strands on a wheel, less their centrifugal part, by the arc between them."""
    return sqrt(T_wa**2 + T_wb**2 - 2 * T_wa * T_wb * cos(radians(theta_w)))


@dataclass(frozen=True, slots=True, kw_only=True)
class StrandSteps:
    """Worked figures that know their steps, N: strands by id, pulls by wheel, ratios used by wheel."""

    tensions: dict[str, float]
    pulls: dict[str, float]
    used: dict[str, float]


def strand_steps(worked: WorkedDrive[L, R, S], static_n: float) -> StrandSteps:
    """Work the strands in the open. ``static_n`` is the mean that was set, for a loop that nothing pulls."""
    path, light = worked.shape.path, float(worked.level.centrifugal_n)
    speed, take_up = worked.speeds.loop_m_s, path.route.take_up
    with quiet():
        taken = shared(worked.case.route, worked.case.power_kw, worked.case.loads)
        rises = [0.0]
        for w in path.wraps[1:]:
            rises.append(rises[-1] + 1000 * taken[w.wheel.id] / float(speed))
    spans = path.spans
    if take_up is not None and take_up.force_n is not None:
        with quiet():
            share = pull_for_newton(path, take_up)
        k = next(i for i, w in enumerate(path.wraps) if w.wheel.id == take_up.wheel)
        ux, uy = path.route.travel()
        (ax, ay), (bx, by) = spans[k - 1].heading, spans[k].heading
        before, after = ax * ux + ay * uy, -(bx * ux + by * uy)
        rise = (before * rises[k - 1] + after * rises[k]) / share
        with about(spans[0].id):
            tension = first_strand_pulled(take_up.force_n, share, rise, light)
    else:
        lengths = [s.length_mm for s in spans]
        mean = sum(r * x for r, x in zip(rises, lengths, strict=True)) / sum(lengths)
        with about(spans[0].id):
            tension = first_strand_set(static_n, mean)
    tensions = {spans[0].id: tension}
    for span, wrap in zip(spans[1:], path.wraps[1:], strict=True):
        if taken[wrap.wheel.id]:
            with about(span.id):
                tension = strand_next(tension, taken[wrap.wheel.id], speed)
        tensions[span.id] = tension
    pulls: dict[str, float] = {}
    used: dict[str, float] = {}
    for k, wrap in enumerate(path.wraps):
        a, b = tensions[spans[k - 1].id], tensions[spans[k].id]
        with about(wrap.wheel.id):
            pulls[wrap.wheel.id] = wheel_pull(a - light, b - light, wrap.arc_deg)
            if taken[wrap.wheel.id] and min(a, b) > light:
                used[wrap.wheel.id] = grip_used(max(a, b), min(a, b), light)
    return StrandSteps(tensions=tensions, pulls=pulls, used=used)
