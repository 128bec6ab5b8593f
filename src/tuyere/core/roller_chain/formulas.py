"""Roller chain: power limits, geometry, pulls, wear and slack.

The power limits are inch-based as printed and give horsepower per strand. Teeth are counts.
"""

import math

from numpy import arcsin, ceil, cos, degrees, log, log10, minimum, pi, sin, sqrt, tan

from tuyere.core.sources import GEOMETRY, KINEMATICS, PRACTICE, STATICS, Source
from tuyere.core.steps import Num, formula
from tuyere.core.units import KW_PER_HP

ASME = Source(title="ASME B29.1 rating of roller chain, as carried by Shigley")
ISO606 = Source(title="ASME B29.1 and ISO 606, sprockets")
WEAR = Source(title="ASME and handbook practice, chain elongation")
ISO10823 = Source(title="ISO 10823, equations of the capacity charts", edition="2004", confidence="medium")
ISO10823_B = Source(title="ISO 10823, plate cross-section of the B series", edition="2004", confidence="low")
ISO10823_GALLING = Source(title="ISO 10823, galling line", edition="2004", confidence="low")
DIN8195 = Source(title="DIN 8195 life factor, as carried by Roloff/Matek", confidence="medium")
HAND = Source(title="Machinery's Handbook and chain association practice, slack of a chain", confidence="medium")
LIMITS = Source(title="Roloff/Matek and ISO 10823 practice", confidence="medium")


@formula("H_plate", ASME)
def link_plate_power(K_f: Num, N_s: Num, n_s: Num, p_in: Num) -> Num:
    """Fatigue of the link plates; governs at low speed."""
    return K_f * N_s**1.08 * n_s**0.9 * p_in ** (3 - 0.07 * p_in)


@formula("H_impact", ASME)
def impact_power(K_r: Num, N_s: Num, *, n_s: Num, p_in: Num, X: Num, h_life: Num) -> Num:
    """Impact of rollers and bushings; governs at high speed; corrected for length and life."""
    return 1000 * K_r * N_s**1.5 * p_in**0.8 / n_s**1.5 * (X / 100) ** 0.4 * (15000 / h_life) ** 0.4


@formula("H_gall", ASME)
def galling_power(N_s: Num, n_s: Num, p_in: Num) -> Num:
    """Galling of pins and bushings; at or below zero the chain cannot run so fast at all."""
    return (
        n_s
        * p_in
        * N_s
        / 110.84
        * (4.413 - 2.073 * p_in - 0.0274 * N_s - log(n_s / 1000) * (1.59 * log10(p_in) + 1.873))
    )


@formula("H_strand", ASME)
def strand_power(H_plate: Num, H_impact: Num, H_gall: Num) -> Num:
    """The least of the three limits."""
    return minimum(minimum(H_plate, H_impact), H_gall)


@formula("P_ch", ASME)
def chain_power(H_strand: Num, K_str: Num, K_lub: Num, K_off: Num) -> Num:
    """All strands, with what lubrication and an offset link leave."""
    return H_strand * K_str * K_lub * K_off * KW_PER_HP


@formula("X_e", PRACTICE)
def even_pitches(X: Num) -> Num:
    """The next even number: an odd one needs an offset link."""
    return 2 * ceil(X / 2 - 1e-9)


@formula("X", GEOMETRY)
def chain_pitches(a: Num, p: Num, N_s: Num, N_l: Num) -> Num:
    """Length in pitches on pitch circles as long as their teeth; the handbook series is its start."""
    return (
        2 * sqrt((a / p) ** 2 - ((N_l - N_s) / (2 * pi)) ** 2)
        + (N_s + N_l) / 2
        + (N_l - N_s) / pi * arcsin((N_l - N_s) / (2 * pi * a / p))
    )


@formula("theta", GEOMETRY)
def small_wrap(a: Num, p: Num, N_s: Num, N_l: Num) -> Num:
    """Arc of contact on the smaller sprocket."""
    return 180 - 2 * degrees(arcsin((N_l - N_s) / (2 * pi * a / p)))


@formula("t", GEOMETRY)
def chain_span(a: Num, p: Num, N_s: Num, N_l: Num) -> Num:
    """Free strand between the sprockets."""
    return sqrt(a**2 - ((N_l - N_s) * p / (2 * pi)) ** 2)


@formula("n_2", KINEMATICS)
def driven_sprocket_speed(n_1: Num, z_1: Num, z_2: Num) -> Num:
    """Chain does not slip: speeds go as the teeth."""
    return n_1 * z_1 / z_2


@formula("v_ch", KINEMATICS)
def chain_speed(z_1: Num, p: Num, n_1: Num) -> Num:
    """Pitches that leave the driver in a second."""
    return z_1 * p * n_1 / 60000


@formula("D_p", GEOMETRY)
def pitch_diameter(p: Num, z: Num) -> Num:
    """Circle through the roller centres."""
    return p / sin(pi / z)


@formula("D_o", ISO606)
def outside_diameter(p: Num, z: Num) -> Num:
    """Over the tooth tips of a standard sprocket."""
    return p * (0.6 + 1 / tan(pi / z))


@formula("D_c", GEOMETRY)
def caliper_even(D_p: Num, D_r: Num) -> Num:
    """Over two opposite tooth roots, even number of teeth."""
    return D_p - D_r


@formula("D_c", GEOMETRY)
def caliper_odd(D_p: Num, z: Num, D_r: Num) -> Num:
    """Over the nearest to opposite tooth roots, odd number of teeth."""
    return D_p * cos(pi / 2 / z) - D_r


@formula("D_h", ISO606)
def hub_limit(p: Num, z: Num) -> Num:
    """Greatest hub that clears the link plates."""
    return p * (1 / tan(pi / z) - 1) - 0.762


@formula("w_v", KINEMATICS)
def chordal_variation(z: Num) -> Num:
    """The chain lies on the sprocket as a polygon: its speed pulses."""
    return 100 * pi / z * (1 / sin(pi / z) - 1 / tan(pi / z))


@formula("F_1", STATICS)
def working_pull(P: Num, v_ch: Num) -> Num:
    """Power over speed."""
    return 1000 * P / v_ch


@formula("F_cc", STATICS)
def centrifugal_pull(q_ch: Num, v_ch: Num) -> Num:
    """The chain's own mass on the bends; it does not load the shafts."""
    return q_ch * v_ch**2


@formula("F_f", STATICS)
def sag_pull(q_ch: Num, t: Num, f_s: Num) -> Num:
    """Horizontal pull of a strand that sags by f over a level span (parabola)."""
    return q_ch * 9.80665 * (t / 1000) ** 2 / (8 * f_s / 1000)


@formula("F_max", LIMITS)
def greatest_pull(F_1: Num, K_s: Num, F_cc: Num, F_f: Num) -> Num:
    """Tight strand with the service factor on the working pull."""
    return F_1 * K_s + F_cc + F_f


@formula("S_u", LIMITS)
def static_safety(F_u: Num, F_max: Num) -> Num:
    """Ultimate strength over the greatest pull; for slow drives at least 5 to 7."""
    return F_u / F_max


@formula("F_sh", LIMITS)
def shaft_pull(F_1: Num, K_s: Num, F_f: Num) -> Num:
    """Tight strand with its factor and the sag pull on both strands."""
    return F_1 * K_s + 2 * F_f


@formula("F_sh", STATICS)
def standing_pull(F_f: Num) -> Num:
    """At rest both strands hang on the shaft."""
    return 2 * F_f


@formula("eps", WEAR)
def elongation_outside(L_m: Num, D_r: Num, n_p: Num, p: Num) -> Num:
    """Measured outside to outside of two rollers n pitches apart."""
    return 100 * ((L_m - D_r) / (n_p * p) - 1)


@formula("eps", WEAR)
def elongation_centres(L_m: Num, n_p: Num, p: Num) -> Num:
    """Measured pin centre to pin centre, n pitches apart."""
    return 100 * (L_m / (n_p * p) - 1)


@formula("eps_lim", WEAR)
def large_sprocket_limit(N_l: Num) -> Num:
    """The longer chain climbs the teeth; on more than 67 teeth that comes before 3 %."""
    return 200 / N_l


@formula("r_out", GEOMETRY)
def ride_out(eps: Num, D_p: Num) -> Num:
    """A longer pitch needs a larger circle for the same teeth."""
    return eps / 100 * D_p / 2


@formula("e", GEOMETRY)
def excess_of_sag(f_s: Num, t: Num) -> Num:
    """Excess length of a shallow parabola of sag f over span t."""
    return 8 * f_s**2 / (3 * t)


@formula("e", GEOMETRY)
def excess_of_hand(m_h: Num, t: Num) -> Num:
    """Excess length when the strand is pulled straight both ways at mid-span."""
    return m_h**2 / (2 * t)


@formula("f_s", GEOMETRY)
def sag_of_excess(e: Num, t: Num) -> Num:
    """Sag that an excess length makes in a span."""
    return sqrt(3 * e * t / 8)


@formula("m_h", GEOMETRY)
def hand_of_excess(e: Num, t: Num) -> Num:
    """Hand movement at mid-span, both ways together, that an excess length allows."""
    return sqrt(2 * e * t)


def steepness(slope_deg: float) -> float:
    """What a line of centres leaves of the slack that a level one takes: all of it up to 45 degrees, half beyond."""
    return 1.0 if abs(math.sin(math.radians(slope_deg))) <= math.sin(math.radians(45.0)) + 1e-9 else 0.5


@formula("f_s", HAND)
def usual_sag(t: Num, k_st: Num) -> Num:
    """Two per cent of the span up to 45 degrees, half of it on a steeper line."""
    return 0.02 * k_st * t


@formula("m_low", HAND)
def least_hand_movement(t: Num, k_st: Num) -> Num:
    """Four per cent of the span up to 45 degrees, half of it on a steeper line."""
    return 0.04 * k_st * t


@formula("m_high", HAND)
def most_hand_movement(t: Num, k_st: Num) -> Num:
    """Six per cent of the span up to 45 degrees, half of it on a steeper line."""
    return 0.06 * k_st * t


@formula("A_i", ISO10823)
def plate_area_a(p: Num) -> Num:
    """Cross-section of both inner plates, A series."""
    return 0.118 * p**2


@formula("A_i", ISO10823_B)
def plate_area_b(b_2: Num, b_1: Num, h_2: Num, D_r: Num, d_pin: Num) -> Num:
    """Cross-section of both inner plates beside the bushing, B series."""
    return (b_2 - b_1) * (0.99 * h_2 - d_pin * (D_r / d_pin) ** 0.475)


@formula("P_plate", ISO10823)
def iso_plate_power(N_s: Num, n_s: Num, *, k_A: Num, A_i: Num, p: Num, e_p: Num) -> Num:
    """Fatigue of the link plates, one strand."""
    return N_s**1.08 * n_s**0.9 * k_A * A_i * p ** (1 - e_p * p) / 6e7


@formula("P_roller", ISO10823)
def iso_roller_power(N_s: Num, n_s: Num, k_R: Num, p: Num) -> Num:
    """Impact of rollers and bushings, one strand."""
    return k_R * N_s**1.5 * p**0.8 / n_s**1.5


@formula("P_gall", ISO10823_GALLING)
def iso_galling_power(N_s: Num, n_s: Num, p: Num, K_ps: Num) -> Num:
    """Galling of pins and bushings, one strand; at or below zero the chain cannot run so fast at all."""
    return (
        N_s
        * n_s
        * p
        / (3780 * K_ps)
        * (4.413 - 2.073 * (p / 25.4) - 0.0274 * N_s - log(n_s / (1000 * K_ps)) * (1.59 * log10(p / 25.4) + 1.873))
    )


@formula("f_5", DIN8195)
def iso_life_factor(h_life: Num) -> Num:
    """What a longer or shorter life than 15,000 hours leaves."""
    return (15000 / h_life) ** (1 / 3)


@formula("P_ch", ISO10823)
def iso_chain_power(P_plate: Num, P_roller: Num, *, P_gall: Num, K_str: Num, K_lub: Num, K_off: Num, f_5: Num) -> Num:
    """The least of the three limits, for all strands, with what lubrication, an offset link and the life leave."""
    return minimum(minimum(P_plate, P_roller), P_gall) * K_str * K_lub * K_off * f_5


@formula("D_o", ISO606)
def iso_outside_diameter(D_p: Num, p: Num, D_r: Num) -> Num:
    """Largest tip diameter of an ISO sprocket."""
    return D_p + 1.25 * p - D_r


@formula("eps_d", STATICS)
def pitch_difference(L_m: Num, L_ref: Num) -> Num:
    """How much longer one chain is than the other over the same pitches."""
    return 100 * (L_m - L_ref) / L_ref


@formula("x_dog", GEOMETRY)
def dog_mismatch(eps_d: Num, p: Num, n_eng: Num) -> Num:
    """What the difference adds up to over the pitches that are engaged at once."""
    return eps_d / 100 * p * n_eng
