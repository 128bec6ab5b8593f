"""Geometry of wear, and the frequencies of what turns. Millimetres, degrees, hertz."""

from numpy import cos, radians, tan

from tuyere.core.sources import GEOMETRY, KINEMATICS, Source
from tuyere.core.steps import Num, formula

PHYSICS = Source(title="difference of two temperatures", origin="exact")
HEAT = Source(
    title="rule of ten degrees (Arrhenius) for rubber and grease; handbooks", origin="recalled", confidence="low"
)
ISO281 = Source(title="ISO 281, basic rating life")


@formula("h_drop", GEOMETRY)
def drop_in_groove(w_less: Num, alpha_g: Num) -> Num:
    """How much deeper a belt sits when belt and groove together have lost a width, measured across."""
    return w_less / (2 * tan(radians(alpha_g) / 2))


@formula("w_less", GEOMETRY)
def width_of_dish(g_dish: Num, alpha_g: Num) -> Num:
    """Width that both flanks lost together, measured across, where the gauge shows a gap on each, measured square to the flank."""
    return 2 * g_dish / cos(radians(alpha_g) / 2)


@formula("d_worn", GEOMETRY)
def diameter_worn(d_now: Num, h_drop: Num) -> Num:
    """Diameter at which the belt runs when it sits so much deeper."""
    return d_now - 2 * h_drop


@formula("n_worn", KINEMATICS)
def speed_worn(n_1: Num, d_worn: Num, D_worn: Num) -> Num:
    """Speed of the driven shaft on worn wheels, slip left out."""
    return n_1 * d_worn / D_worn


@formula("L_left", GEOMETRY)
def growth_left(c_left: Num) -> Num:
    """Length that a take-up can still take in by its travel along the centres: both strands grow with it, by nearly all of it."""
    return 2 * c_left


@formula("p_grown", GEOMETRY)
def growth_in_percent(dL_gr: Num, L: Num) -> Num:
    """Growth of a loop over its length."""
    return 100 * dL_gr / L


@formula("f_bt", KINEMATICS)
def belt_turns(v: Num, L: Num) -> Num:
    """How often the belt comes round."""
    return 1000 * v / L


@formula("f_sh", KINEMATICS)
def shaft_turns(n_sh: Num) -> Num:
    """How often a shaft comes round."""
    return n_sh / 60


@formula("f_mesh", KINEMATICS)
def teeth_met(v: Num, p_t: Num) -> Num:
    """How often a tooth or a link meets its wheel."""
    return 1000 * v / p_t


@formula("f_k", KINEMATICS)
def multiple_of(f_sh: Num, k_h: Num) -> Num:
    """A multiple of a frequency: what happens so often in each turn."""
    return f_sh * k_h


@formula("h_left", GEOMETRY)
def hours_left(h_run: Num, dL_gr: Num, L_left: Num) -> Num:
    """Running hours until the rest of the growth is used, at the rate so far; a belt grows fastest when it is new."""
    return h_run * L_left / dL_gr


@formula("q_left", GEOMETRY)
def section_left(t_now: Num, b_now: Num, t_n: Num, b_n: Num) -> Num:
    """Cross section that is left of a flat belt."""
    return 100 * t_now * b_now / (t_n * b_n)


@formula("p_short", GEOMETRY)
def pitch_short(d_lost: Num, D_seat: Num) -> Num:
    """How much shorter the pitch of a toothed wheel is when its seat has sunk: pitch goes with the diameter."""
    return 100 * d_lost / D_seat


@formula("dtheta", PHYSICS)
def temperature_rise(theta_b: Num, theta_a: Num) -> Num:
    """What a bearing is warmer than its surroundings."""
    return theta_b - theta_a


@formula("l_heat", HEAT)
def life_by_heat(dtheta_r: Num) -> Num:
    """What is left of a rubber's life, or of a grease's, when it is so much warmer: half for every ten degrees."""
    return 100 * 2 ** (-dtheta_r / 10)


@formula("l_load", ISO281)
def life_by_load(k_F: Num, e_b: Num) -> Num:
    """What is left of a rolling bearing's life under so many times the load."""
    return 100 * k_F ** (-e_b)
