"""Fans and pumps at another speed: flow, pressure, power, and what the motor then draws."""

from __future__ import annotations

from dataclasses import dataclass
from math import log10

from numpy import sqrt

from tuyere.core.errors import InputError
from tuyere.core.motors.formulas import current_at_load
from tuyere.core.sources import Source
from tuyere.core.steps import Num, formula, quiet

AFFINITY = Source(
    title="fan and pump affinity laws (AMCA, ASHRAE, Hydraulic Institute)", origin="recalled", confidence="high"
)
CURVES = Source(
    title="parabolas of pump and system through the shut-off, the duty and the static point", origin="derived"
)
# Current without load over that at full load, where nobody has read it; small and slow motors draw more. Common practice, recalled.
NO_LOAD_SHARES = (0.25, 0.5)
MOST_CHANGE = 2.0
LEAST_SHARE = 0.05


@formula("q_f", AFFINITY)
def flow_percent(n_new: Num, n_ref: Num) -> Num:
    """Flow goes with the speed, in the same duct or pipe."""
    return 100 * n_new / n_ref


@formula("p_r", AFFINITY)
def pressure_percent(n_new: Num, n_ref: Num) -> Num:
    """Pressure goes with the square of the speed."""
    return 100 * (n_new / n_ref) ** 2


@formula("P_r", AFFINITY)
def power_percent(n_new: Num, n_ref: Num) -> Num:
    """Power goes with the cube of the speed."""
    return 100 * (n_new / n_ref) ** 3


@formula("P_r", AFFINITY)
def power_at_density(P_r: Num, rho_new: Num, rho_ref: Num) -> Num:
    """Power (and pressure) goes with the density of what is moved."""
    return P_r * rho_new / rho_ref


@formula("q_f", CURVES)
def flow_against_static(r_n: Num, h_0: Num, h_s: Num) -> Num:
    """Flow over that of now, where a part of the head is static: the pump's parabola, moved by the speed, meets the pipe's."""
    return 100 * sqrt((h_0 * r_n**2 - h_s) / (h_0 - h_s))


@formula("h_r", CURVES)
def head_against_static(q_f: Num, h_s: Num) -> Num:
    """Head of the pipe at that flow, over that of now."""
    return 100 * (h_s + (1 - h_s) * (q_f / 100) ** 2)


@dataclass(frozen=True, slots=True, kw_only=True)
class Amps:
    """Current of a motor at a new load, least and most where its current without load is not known, A; and share of full load now."""

    load_now: tuple[float, float]
    new: tuple[float, float]
    top_ratio: tuple[float, float]


def amps_at(amps: float, *, full: float, power_ratio: float, no_load: float | None = None) -> Amps:
    """What a motor will draw when the power goes to so many times, from what it draws now.

    ``top_ratio`` is how many times the power of now its nameplate bears. Without the current at no load both ends of a usual band
    are worked. Raises InputError for currents that contradict each other. Source: two currents square to each other.
    """
    if full <= 0 or amps < LEAST_SHARE * full:
        least = f"{LEAST_SHARE * full:.3g} A or more"
        raise InputError("amps", amps, "less than any motor draws without load: read the clamp again", least)
    if amps > 1.5 * full:
        raise InputError(
            "amps", amps, "far over the nameplate: stop it, it is overloaded or starting", f"{1.5 * full:.3g} A at most"
        )
    if no_load is not None and not 0 < no_load < min(amps, full):
        raise InputError(
            "no_load", no_load, "without load it draws less than under load", f"under {min(amps, full):.3g} A"
        )
    shares = (no_load / full,) * 2 if no_load is not None else NO_LOAD_SHARES
    loads, new, top = [], [], []
    for share in shares:
        idle = share * full
        if amps <= idle:
            # So little current that it may run idle: the band's upper end says nothing.
            idle = 0.9 * amps
        load = float(sqrt((amps**2 - idle**2) / (full**2 - idle**2)))
        with quiet():
            new.append(float(current_at_load(idle, full, load * power_ratio)))
        loads.append(load)
        top.append(1 / load)
    return Amps(load_now=(min(loads), max(loads)), new=(min(new), max(new)), top_ratio=(min(top), max(top)))


def sound_change_db(ratio: float) -> float:
    """How much louder a fan is at so many times its speed: 50 log of the ratio, dB. Source: AMCA fan laws, recalled."""
    return 50 * log10(ratio)


def check_ratio(ratio: float, name: str) -> float:
    """A change of speed that the laws still hold for. Raises InputError."""
    if not 1 / MOST_CHANGE <= ratio <= MOST_CHANGE:
        raise InputError(name, ratio, "too large a change for the laws to be trusted", "half to twice the speed of now")
    return ratio


def speed_for_power(power_ratio: float, *, shut_off: float, static: float) -> float:
    """Speed over that of now at which a centrifugal pump takes so many times the power of now; ``MOST_CHANGE`` where it is more.

    Source: the pump's parabola against the pipe's; the power only grows with the speed.
    """
    low, high = sqrt(static / shut_off), MOST_CHANGE
    if pump_flow(high, shut_off=shut_off, static=static)[2] <= 100 * power_ratio:
        return high
    for _ in range(60):
        middle = (low + high) / 2
        taken = 0.0 if shut_off * middle**2 <= static else pump_flow(middle, shut_off=shut_off, static=static)[2]
        low, high = (middle, high) if taken < 100 * power_ratio else (low, middle)
    return float(high)


def pump_flow(ratio: float, *, shut_off: float, static: float) -> tuple[float, float, float]:
    """(flow, head, power) of a centrifugal pump in percent of those of now, at so many times its speed.

    ``shut_off`` and ``static`` are heads over the head of now: what the pump makes against a shut valve, what the pipe holds against
    it standing still. Raises InputError where the pump then lifts nothing. Source: affinity laws on the pump's parabola.
    """
    if not 0 <= static < 1:
        raise InputError("static", static, "the static head is a part of the head of now", "0 to under 100 %")
    if not 1 < shut_off <= 4:
        raise InputError("shut_off", shut_off, "against a shut valve it makes more than now", "over 100 %, up to 400 %")
    if shut_off * ratio**2 <= static:
        raise InputError("speed", ratio, "so slow it does not lift against the static head: no flow at all", "faster")
    flow = flow_against_static(ratio, shut_off, static)
    head = head_against_static(flow, static)
    return flow, head, float(flow * head) / 100
