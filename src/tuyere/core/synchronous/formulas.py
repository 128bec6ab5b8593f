"""Synchronous belts: geometry by teeth, and the rating of ISO 5295."""

from numpy import arcsin, degrees, floor, maximum, minimum, pi, sqrt

from tuyere.core.sources import GEOMETRY, KINEMATICS, Source
from tuyere.core.steps import Num, formula

ISO5295 = Source("ISO 5295 / GB/T 11362, power rating of synchronous belts", "1987")
PULLEYS = Source("ISO 5294 and ISO 13050, pulleys")


@formula("D_p", GEOMETRY)
def pulley_pitch_diameter(p_b: Num, z: Num) -> Num:
    """The circle as long as its teeth."""
    return p_b * z / pi


@formula("D_o", PULLEYS)
def pulley_outside_diameter(D_p: Num, a_b: Num) -> Num:
    """Over the teeth: the pitch line runs above them."""
    return D_p - 2 * a_b


@formula("z_b", GEOMETRY)
def belt_teeth(a: Num, p_b: Num, z_s: Num, z_l: Num) -> Num:
    """Belt length in teeth, exact."""
    return (
        2 * sqrt((a / p_b) ** 2 - ((z_l - z_s) / (2 * pi)) ** 2)
        + (z_s + z_l) / 2
        + (z_l - z_s) / pi * arcsin((z_l - z_s) / (2 * pi * a / p_b))
    )


@formula("theta", GEOMETRY)
def pulley_wrap(a: Num, p_b: Num, z_s: Num, z_l: Num) -> Num:
    """Arc of contact on the smaller pulley."""
    return 180 - 2 * degrees(arcsin((z_l - z_s) / (2 * pi * a / p_b)))


@formula("t", GEOMETRY)
def pulley_span(a: Num, p_b: Num, z_s: Num, z_l: Num) -> Num:
    """Free span."""
    return sqrt(a**2 - ((z_l - z_s) * p_b / (2 * pi)) ** 2)


@formula("z_m", GEOMETRY)
def teeth_in_mesh(z_s: Num, theta: Num) -> Num:
    """Whole teeth on the arc of contact."""
    return floor(z_s * theta / 360 + 1e-9)


@formula("v_b", KINEMATICS)
def synchronous_speed(p_b: Num, z: Num, n_1: Num) -> Num:
    """Teeth that pass in a second."""
    return p_b * z * n_1 / 60000


@formula("k_z", ISO5295)
def mesh_factor(z_m: Num) -> Num:
    """Full from six teeth on, a fifth less for each one missing."""
    return maximum(0, minimum(1, 1 - 0.2 * (6 - z_m)))


@formula("k_w", ISO5295)
def width_factor(b_s: Num, b_0: Num) -> Num:
    """A wider belt carries a little more than in proportion."""
    return (b_s / b_0) ** 1.14


@formula("P_s", ISO5295)
def synchronous_power(k_z: Num, k_w: Num, T_a: Num, b_s: Num, b_0: Num, m_0: Num, v_b: Num) -> Num:
    """Allowed tension less what the belt's own mass takes, times the speed."""
    return (k_z * k_w * T_a - b_s / b_0 * m_0 * v_b**2) * v_b / 1000
