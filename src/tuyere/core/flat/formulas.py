"""Flat belts by the textbook's method: inches, pounds, feet per minute; round and link belts."""

from numpy import exp, floor, log, maximum, minimum, radians

from tuyere.core.sources import EXACT_UNITS, PRACTICE, STATICS, TEXTBOOK
from tuyere.core.steps import Num, formula
from tuyere.core.units import G_FT, KG_PER_LB, KW_PER_HP, MM_PER_IN


@formula("w_f", TEXTBOOK)
def belt_weight(gamma: Num, b_in: Num, t_b: Num) -> Num:
    """Weight of a foot of belt."""
    return 12 * gamma * b_in * t_b


@formula("F_cb", TEXTBOOK)
def hoop_tension(w_f: Num, V: Num) -> Num:
    """What the belt's own mass takes at speed."""
    return w_f / G_FT * (V / 60) ** 2


@formula("F_1a", TEXTBOOK)
def allowed_tight(b_in: Num, F_a: Num, C_pul: Num, C_vel: Num) -> Num:
    """Greatest tension of the tight strand."""
    return b_in * F_a * C_pul * C_vel


@formula("dF", STATICS)
def net_pull_pounds(H_d: Num, V: Num) -> Num:
    """Pull that carries the design power."""
    return 33000 * H_d / V


@formula("F_2", STATICS)
def slack_tension(F_1a: Num, dF: Num) -> Num:
    """What is left in the slack strand."""
    return F_1a - dF


@formula("F_1n", STATICS)
def tight_needed(dF: Num, F_cb: Num, mu: Num, theta: Num) -> Num:
    """Tight strand that just carries the pull before the belt slips."""
    return F_cb + dF / (1 - 1 / exp(mu * radians(theta)))


@formula("F_1s", PRACTICE)
def tight_to_set(F_1n: Num, F_cb: Num, k_fl: Num, F_1a: Num) -> Num:
    """A margin over the slip limit at design power, never over what the belt stands."""
    return minimum(F_cb + k_fl * (F_1n - F_cb), maximum(F_1a, F_1n))


@formula("F_i", TEXTBOOK)
def initial_tension(F_1a: Num, F_2: Num, F_cb: Num) -> Num:
    """Mean of the strands less the centrifugal part."""
    return (F_1a + F_2) / 2 - F_cb


@formula("mu_dev", TEXTBOOK)
def developed_friction(F_1a: Num, F_2: Num, F_cb: Num, theta: Num) -> Num:
    """Friction the drive makes use of; slip begins where it reaches what there is."""
    return log((F_1a - F_cb) / (F_2 - F_cb)) / radians(theta)


@formula("H_cap", TEXTBOOK)
def slip_power(F_1a: Num, F_cb: Num, mu: Num, theta: Num, V: Num) -> Num:
    """Power at the slip limit with the tight strand fully used."""
    return (F_1a - F_cb) * (1 - 1 / exp(mu * radians(theta))) * V / 33000


@formula("P_cap", EXACT_UNITS)
def slip_power_kw(H_cap: Num) -> Num:
    """The same in kilowatts."""
    return H_cap * KW_PER_HP


@formula("dip", TEXTBOOK)
def dip_inches(C_ft: Num, w_f: Num, F_i: Num) -> Num:
    """Dip of a level span by its own weight; a way to see the tension."""
    return 3 * C_ft**2 * w_f / (2 * F_i)


@formula("C_ft", EXACT_UNITS)
def span_feet(t_in: Num) -> Num:
    """The free span in feet."""
    return t_in / 12


@formula("T_mean", STATICS)
def mean_strand(T_iN: Num, T_cN: Num) -> Num:
    """On fixed centres the centrifugal part is there at rest too."""
    return T_iN + T_cN


@formula("b_do", STATICS)
def width_that_does(b_is: Num, P_d: Num, P_cap: Num) -> Num:
    """What a belt carries goes with its width."""
    return b_is * P_d / P_cap


@formula("m_bl", EXACT_UNITS)
def belt_mass_kg(w_f: Num, L_bl: Num) -> Num:
    """Weight of a foot of belt over its length."""
    return w_f * KG_PER_LB * L_bl / MM_PER_IN / 12


@formula("L_cut", PRACTICE)
def round_cut_length(L_path: Num, stretch: Num, d_r: Num) -> Num:
    """Cut short by the stretch; the weld eats about one diameter."""
    return L_path / (1 + stretch / 100) + d_r


@formula("n_off", PRACTICE)
def links_off(n_hand: Num, one_in: Num) -> Num:
    """Links to take off a link belt that was joined hand-tight."""
    return floor(n_hand / one_in + 1e-9)


@formula("L_cut", PRACTICE)
def cut_short_length(L_path: Num, c_s: Num, L_lap: Num, L_gap: Num) -> Num:
    """The loop less what the belt will stretch, with the lap added and the joint's gap taken off."""
    return L_path * (1 - c_s / 100) + L_lap - L_gap


@formula("L_short", PRACTICE)
def relative_shortening(L_path: Num, c_s: Num) -> Num:
    """What the belt is cut shorter than the tape."""
    return L_path * c_s / 100
