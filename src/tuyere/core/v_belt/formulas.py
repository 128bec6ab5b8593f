"""Power rating of inch V-belts, as the association prints it: inches, thousands of rpm, horsepower."""

from numpy import log10, pi, radians, tan

from tuyere.core.rounding import round_up
from tuyere.core.sources import EXACT_UNITS, GEOMETRY, IP20, IP_RATING, PRACTICE, Source
from tuyere.core.steps import Num, formula
from tuyere.core.units import KW_PER_HP, MM_PER_IN

GROOVES = Source(title="ANSI/RMA IP-20 and IP-22, sheave grooves", edition="1988; IP-22")
OLD_RATING = Source(
    title="older engineering handbooks, formula of the association before 1977", edition="regular grade"
)
DEFINITION = Source(title="definition", origin="exact")


@formula("d_in", EXACT_UNITS)
def inch_diameter(d: Num) -> Num:
    """Pitch diameter of the smaller sheave in inches."""
    return d / MM_PER_IN


@formula("r", EXACT_UNITS)
def thousand_rpm(n_s: Num) -> Num:
    """Speed of the smaller sheave in thousands of rpm."""
    return n_s / 1000


@formula("H_b", IP_RATING)
def basic_power(d_in: Num, r: Num, *, K_1: Num, K_2: Num, K_3: Num, K_4: Num) -> Num:
    """Power of one belt at ratio 1, 180 degrees and the standard length."""
    return d_in * r * (K_1 - K_2 / d_in - K_3 * (d_in * r) ** 2 - K_4 * log10(d_in * r))


@formula("h_a", IP20)
def ratio_power_classical(K_2: Num, K_SR: Num) -> Num:
    """A larger other sheave bends the belt less: power added per 1000 rpm."""
    return K_2 * (1 - 1 / K_SR)


@formula("H_a", IP_RATING)
def added_power(h_a: Num, r: Num) -> Num:
    """Power added for the ratio."""
    return h_a * r


@formula("H_r", IP_RATING)
def corrected_power(H_b: Num, H_a: Num, K_theta: Num, K_L: Num) -> Num:
    """Power of one belt on this drive: its arc and its length."""
    return (H_b + H_a) * K_theta * K_L


@formula("P_b", EXACT_UNITS)
def belt_power_kw(H_r: Num) -> Num:
    """Power of one belt on this drive, in kilowatts."""
    return H_r * KW_PER_HP


@formula("N_x", IP_RATING)
def belts_needed(P_d: Num, P_b: Num) -> Num:
    """Belts needed, before rounding up."""
    return P_d / P_b


@formula("N", IP_RATING)
def whole_belts(N_x: Num) -> Num:
    """Whole belts."""
    return round_up(N_x)


@formula("S_x", DEFINITION)
def spare_power(P_b: Num, N_b: Num, P_d: Num) -> Num:
    """What the belts carry beyond the design power."""
    return 100 * (P_b * N_b / P_d - 1)


@formula("P_all", DEFINITION)
def all_belts_power(P_b: Num, N_b: Num) -> Num:
    """Each belt of the set carries its share."""
    return P_b * N_b


@formula("L", EXACT_UNITS)
def length_mm(L_in: Num) -> Num:
    """Belt length in millimetres."""
    return L_in * MM_PER_IN


@formula("L_in", IP20)
def datum_length(number: Num, L_add: Num) -> Num:
    """Datum length from the number on the belt."""
    return number + L_add


@formula("L_in", Source(title="ANSI/RMA IP-22, narrow V-belts", edition="IP-22"))
def effective_length(number: Num) -> Num:
    """Effective length: the number on the belt in tenths of an inch."""
    return number / 10


@formula("L_in", Source(title="ISO 4184 and DIN 7753, metric V-belts"))
def metric_length(number: Num) -> Num:
    """Datum length: the number on the belt in millimetres."""
    return number / MM_PER_IN


@formula(
    "P_b", Source(title="GB/T 13575.1, V-belt drives", edition="", clause="", origin="recalled", confidence="medium")
)
def corrected_power_kw(P_0: Num, P_add: Num, K_theta: Num, K_L: Num) -> Num:
    """Power of one belt on this drive: its ratio, its arc and its length."""
    return (P_0 + P_add) * K_theta * K_L


@formula("S_o", EXACT_UNITS)
def old_speed(d_in: Num, r: Num) -> Num:
    """Belt speed in thousands of feet a minute."""
    return pi * d_in * r / 12


@formula("H_b", OLD_RATING)
def old_power(X_o: Num, Y_o: Num, Z_o: Num, S_o: Num, d_in: Num) -> Num:
    """Power of one belt at ratio 1, 180 degrees and the standard length, by the older formula."""
    return X_o * S_o**0.91 - Y_o * S_o / d_in - Z_o * S_o**3


@formula("d_c", OLD_RATING)
def counted_diameter(K_d: Num, d_in: Num) -> Num:
    """A larger other sheave bends the belt less: the small one counts as larger."""
    return K_d * d_in


@formula("H_a", OLD_RATING)
def added_by_diameter(Y_o: Num, S_o: Num, d_in: Num, d_c: Num) -> Num:
    """What the larger counted diameter adds."""
    return Y_o * S_o / d_in - Y_o * S_o / d_c


@formula("d_fo", GROOVES)
def light_outside(d: Num, h_p: Num) -> Num:
    """Outside diameter of a light-duty sheave in inches."""
    return (d + h_p) / MM_PER_IN


@formula("H_b", Source(title="ANSI/RMA IP-23, light-duty V-belts", edition="IP-23"))
def light_power(d_fo: Num, r: Num, c_1: Num, c_2: Num, c_3: Num) -> Num:
    """Power of one light-duty belt at 180 degrees."""
    return r * (c_1 * d_fo**0.91 * r ** (-0.09) - c_2 - c_3 * r**2 * d_fo**3)


@formula("H_r", IP_RATING)
def arc_only_power(H_b: Num, K_theta: Num, K_L: Num) -> Num:
    """Power of one belt on this drive: its arc; nothing for the ratio."""
    return H_b * K_theta * K_L


@formula("d_d", GROOVES)
def datum_from_outside(d_o: Num, h_o: Num) -> Num:
    """Datum diameter from the outside diameter."""
    return d_o - h_o


@formula("d_o", GROOVES)
def outside_from_datum(d_d: Num, h_o: Num) -> Num:
    """Outside diameter from the datum diameter."""
    return d_d + h_o


@formula("d_p", GROOVES)
def pitch_from_effective(d_e: Num, h_p: Num) -> Num:
    """Pitch diameter from the effective diameter."""
    return d_e - h_p


@formula("d_e", GROOVES)
def effective_from_pitch(d_p: Num, h_p: Num) -> Num:
    """Effective diameter from the pitch diameter."""
    return d_p + h_p


@formula("P_lk", PRACTICE)
def link_power(P_b: Num, K_link: Num) -> Num:
    """A link belt carries a share of what the plain belt of its section does."""
    return P_b * K_link


@formula("y_t", GEOMETRY)
def seat_depth(w_g: Num, W_t: Num, phi_g: Num) -> Num:
    """The belt sinks until its top is as wide as the groove is there."""
    return (w_g - W_t) / (2 * tan(radians(phi_g / 2)))


@formula("g_b", GEOMETRY)
def belt_gap(h_g: Num, y_t: Num, T_d: Num) -> Num:
    """What is left under the belt; less than nothing means that it touches the bottom."""
    return h_g - y_t - T_d


@formula("d_eff", GEOMETRY)
def ridden_diameter(d_out: Num, y_t: Num, c_p: Num) -> Num:
    """The pitch line runs a fixed depth under the belt's top."""
    return d_out - 2 * (y_t + c_p)


@formula("e_ride", GEOMETRY)
def ride_speed_change(d_eff: Num, d_own: Num) -> Num:
    """A belt that rides elsewhere in the driver's groove turns the driven in proportion."""
    return 100 * (d_eff / d_own - 1)


@formula("d_turn", GEOMETRY)
def opened_diameter(p_th: Num, turns: Num, phi_g: Num) -> Num:
    """One flank moves out by the thread's pitch a turn: the belt sinks between both."""
    return p_th * turns / tan(radians(phi_g / 2))


@formula("d_eff", GEOMETRY)
def diameter_on_face(d_out: Num, T_d: Num, c_p: Num) -> Num:
    """On a flat pulley the belt's bottom rides on the face: the pitch line runs above it."""
    return d_out + 2 * (T_d - c_p)


@formula("L_more", DEFINITION)
def length_gap(L_off: Num, L: Num) -> Num:
    """How much longer the offered belt is."""
    return L_off - L
