"""Geometry of two wheels that should stand in one plane, for small angles.

Axes: x from the wheel that stays to the one that moves, y up, z outward along the shaft to its free end. A gap is from the
plane of the wheel that stays to the face of the other; positive where that face lies behind, toward its own machine.
"""

from numpy import maximum, minimum, radians, sign, tan

from tuyere.core.sources import EXACT_UNITS, PRACTICE, Source
from tuyere.core.steps import Num, formula
from tuyere.core.units import MM_PER_IN

RIGID = Source(title="small rotations of a rigid body about its feet", origin="derived")


@formula("s_sh", RIGID)
def shim_for_twist(b_ft: Num, beta_v: Num) -> Num:
    """Shim under both feet of one pair that takes the twist away; the other pair is the hinge."""
    return b_ft * abs(radians(beta_v))


@formula("y_dr", RIGID)
def drop_outboard_raised(a_ft: Num, beta_v: Num) -> Num:
    """How far the wheel comes down when the outboard pair is raised (inboard pair the hinge); negative: it rises."""
    return a_ft * radians(beta_v)


@formula("y_dr", RIGID)
def drop_inboard_lowered(a_ft: Num, b_ft: Num, beta_v: Num) -> Num:
    """How far the wheel comes down when the inboard pair is lowered (outboard pair the hinge); negative: it rises."""
    return (a_ft + b_ft) * radians(beta_v)


@formula("z_sh", RIGID)
def outward_by_shim(h_ft: Num, beta_v: Num) -> Num:
    """How far the wheel moves outward along its shaft when the twist is taken away, whichever pair is shimmed."""
    return h_ft * radians(beta_v)


@formula("z_r", RIGID)
def offset_after_shim(z_g: Num, z_sh: Num) -> Num:
    """Offset that is left when the twist has gone."""
    return z_g - z_sh


@formula("u_out", RIGID)
def swing_of_back_feet(b_ft: Num, beta_h: Num) -> Num:
    """How far the outboard feet go away from the other machine, the inboard ones held; negative: toward it."""
    return b_ft * radians(beta_h)


@formula("a_d", RIGID)
def centre_change_by_swing(a_ft: Num, beta_h: Num) -> Num:
    """What swinging about the inboard feet does to the centre distance; negative: the wheels come closer."""
    return -a_ft * radians(beta_h)


@formula("u_in", RIGID)
def inboard_feet_about_wheel(a_ft: Num, beta_h: Num) -> Num:
    """How far the inboard feet go when the machine swings about its wheel, which keeps centres and tension."""
    return a_ft * radians(beta_h)


@formula("u_out", RIGID)
def outboard_feet_about_wheel(a_ft: Num, b_ft: Num, beta_h: Num) -> Num:
    """How far the outboard feet go when the machine swings about its wheel."""
    return (a_ft + b_ft) * radians(beta_h)


@formula("n_j", RIGID)
def jack_turns(u_out: Num, p_j: Num) -> Num:
    """Turns of a jack bolt for a move."""
    return abs(u_out) / p_j


@formula("z_lim", PRACTICE)
def offset_limit(c_off: Num, a: Num, z_lo: Num, z_hi: Num) -> Num:
    """Offset that is allowed over a centre distance."""
    return minimum(maximum(c_off * a / 1000, z_lo), z_hi)


@formula("k_s", RIGID)
def slope_of_angle(beta: Num) -> Num:
    """An angle as a slope."""
    return 1000 * tan(radians(beta))


@formula("g_lim", RIGID)
def gap_of_limit(k_s: Num, D_rd: Num) -> Num:
    """Difference of two gaps across a wheel that the slope amounts to."""
    return k_s * D_rd / 1000


@formula("tir_in", Source(title="RMA IP-20, IP-22 and IP-24, run-out of wheels", confidence="medium"))
def run_out_limit(tir_0: Num, k_tir: Num, D_ro: Num, D_0: Num) -> Num:
    """Total indicator reading that is allowed at a diameter."""
    return tir_0 + k_tir * maximum(0, D_ro - D_0)


@formula("tir", EXACT_UNITS)
def run_out_mm(tir_in: Num) -> Num:
    """Total indicator reading that is allowed, in millimetres."""
    return tir_in * MM_PER_IN


@formula("walk", RIGID)
def walk_direction(beta_h: Num) -> Num:
    """Which way a flat belt walks on pulleys that are not parallel: 1 inward, -1 outward, to the side where they are closer."""
    return sign(beta_h)
