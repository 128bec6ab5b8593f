"""Tension of V-belts: what to set, how to check it, and what it does to the shafts.

Published forms keep pounds and feet per minute; results are carried on in newtons.
"""

from numpy import cos, exp, floor, maximum, radians, sin, sqrt

from tuyere.core.sources import (
    ELASTIC_STRING,
    EXACT_UNITS,
    IP_TENSION,
    PRACTICE,
    STATICS,
    STRING,
    TEXTBOOK,
    Source,
)
from tuyere.core.steps import Num, formula
from tuyere.core.units import G_FT, KG_PER_LB, KW_PER_HP, M_PER_FT, MM_PER_IN, N_PER_LBF

ARC_FORM = Source(
    title="Closed form of the arc factor, friction 0.5123 and a 5 : 1 tension ratio at 180 degrees",
    origin="recalled",
    confidence="high",
)


@formula("H_d", EXACT_UNITS)
def design_horsepower(P_d: Num) -> Num:
    """Design power in horsepower."""
    return P_d / KW_PER_HP


@formula("V", EXACT_UNITS)
def speed_in_feet(v: Num) -> Num:
    """Belt speed in feet per minute."""
    return v * 60 / M_PER_FT


@formula("G", ARC_FORM)
def arc_factor_closed(theta: Num) -> Num:
    """Share of the pull that a shorter arc still carries; 1 at 180 degrees."""
    return 1.25 * (1 - exp(-0.5123 * radians(theta)))


@formula("T_c", TEXTBOOK)
def centrifugal_tension(K_c: Num, V: Num) -> Num:
    """What the belt's own mass takes up at speed."""
    return K_c * (V / 1000) ** 2


@formula("T_st", IP_TENSION)
def static_tension(G: Num, H_d: Num, N_b: Num, V: Num, T_c: Num) -> Num:
    """Static tension of one belt, the association's form (its 15 is 0.91 of plain statics' 16.5)."""
    return 15 * (2.5 - G) / G * (1000 * H_d) / (N_b * V) + T_c


@formula("T_eq", STATICS)
def static_tension_by_statics(G: Num, H_d: Num, N_b: Num, V: Num, T_c: Num) -> Num:
    """Static tension of one belt when the mean of both strands is worked exactly."""
    return 16.5 * (2.5 - G) / G * (1000 * H_d) / (N_b * V) + T_c


@formula("T_set", IP_TENSION)
def tension_to_set(m_set: Num, T_st: Num) -> Num:
    """A new belt is set higher, for it will relax as it seats."""
    return m_set * T_st


@formula("T_pub", EXACT_UNITS)
def static_tension_newtons(T_st: Num) -> Num:
    """Static tension in newtons."""
    return T_st * N_PER_LBF


@formula("T_cN", EXACT_UNITS)
def centrifugal_newtons(T_c: Num) -> Num:
    """Centrifugal tension in newtons."""
    return T_c * N_PER_LBF


@formula("m", TEXTBOOK)
def belt_mass(K_c: Num) -> Num:
    """Mass per metre that belongs to the centrifugal constant (w V^2 / g with V in ft/s)."""
    return K_c * G_FT / (1000 / 60) ** 2 * KG_PER_LB / M_PER_FT


@formula("dT", STATICS)
def net_pull(P: Num, v: Num, N_b: Num) -> Num:
    """Difference of the strand tensions that carries the power, per belt."""
    return 1000 * P / (v * N_b)


@formula("T_1", STATICS)
def tight_strand(T_s: Num, dT: Num) -> Num:
    """On fixed centres the strands share the pull equally about the static tension."""
    return T_s + dT / 2


@formula("T_2", STATICS)
def slack_strand(T_s: Num, dT: Num) -> Num:
    """On fixed centres the strands share the pull equally about the static tension."""
    return T_s - dT / 2


@formula("K_ts", ARC_FORM)
def tension_ratio_limit(f: Num, theta: Num) -> Num:
    """The most that friction lets the tight strand exceed the slack one (belt equation)."""
    return exp(f * radians(theta))


@formula("T_slip", STATICS)
def slip_limit(dT: Num, K_ts: Num, T_cN: Num) -> Num:
    """Static tension under which the belt slips as a whole."""
    return dT / 2 * (K_ts + 1) / (K_ts - 1) + T_cN


@formula("T_s", STATICS)
def tension_that_grips(T_pub: Num, T_slip: Num) -> Num:
    """The published static tension, but never under the one at which the belt slips at the duty's own power."""
    return maximum(T_pub, T_slip)


@formula("T_st", EXACT_UNITS)
def static_tension_pounds(T_s: Num) -> Num:
    """The static tension that is set, back in the published form's pounds."""
    return T_s / N_PER_LBF


@formula("q", IP_TENSION)
def deflection(t: Num) -> Num:
    """One sixty-fourth of the span."""
    return t / 64


@formula("q_t", PRACTICE)
def deflection_at_mark(q: Num, m_tape: Num) -> Num:
    """The nearest mark of the tape, the first one at least; the force is worked for it."""
    return maximum(1, floor(q / m_tape + 0.5)) * m_tape


@formula("t_in", EXACT_UNITS)
def span_inches(t: Num) -> Num:
    """Free span in inches."""
    return t / MM_PER_IN


@formula("q_in", EXACT_UNITS)
def deflection_inches(q: Num) -> Num:
    """Deflection, rounded to a tape mark, in inches."""
    return q / MM_PER_IN


@formula("F_q", ELASTIC_STRING)
def deflection_force(T_set: Num, q_in: Num, t_in: Num, Y: Num, L_s: Num) -> Num:
    """Force that presses one belt in by q at mid-span; with q = t/64 it is the published (T + Y t/L)/16."""
    return 4 * T_set * q_in / t_in + 16384 * Y * q_in**3 / (t_in**2 * L_s)


@formula("F_qN", EXACT_UNITS)
def deflection_newtons(F_q: Num) -> Num:
    """Deflection force in newtons."""
    return F_q * N_PER_LBF


@formula("f_1", STRING)
def span_frequency(t: Num, T_s: Num, m: Num) -> Num:
    """First natural frequency of the free span, belt stiffness left out."""
    return sqrt(T_s / m) / (2 * t / 1000)


@formula("F_h0", STATICS)
def shaft_load_standing(N_b: Num, T_s: Num, theta: Num) -> Num:
    """Both strands pull with the static tension."""
    return 2 * N_b * T_s * sin(radians(theta) / 2)


@formula("F_h", STATICS)
def shaft_load_running(N_b: Num, T_1: Num, T_2: Num, T_cN: Num, theta: Num) -> Num:
    """The strand tensions less their centrifugal part, added as vectors."""
    return N_b * sqrt((T_1 - T_cN) ** 2 + (T_2 - T_cN) ** 2 - 2 * (T_1 - T_cN) * (T_2 - T_cN) * cos(radians(theta)))
