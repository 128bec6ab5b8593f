"""Geometry of wear, and the frequencies of what turns. Millimetres, degrees, hertz."""

from numpy import cos, radians, tan

from tuyere.core.sources import GEOMETRY, KINEMATICS
from tuyere.core.steps import Num, formula


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
