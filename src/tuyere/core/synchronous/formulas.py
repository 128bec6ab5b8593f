"""Synchronous belts: geometry by teeth, and the rating of ISO 5295."""

from numpy import arcsin, ceil, degrees, floor, maximum, minimum, pi, sqrt

from tuyere.core.sources import GEOMETRY, KINEMATICS, STATICS, STRING, Source
from tuyere.core.steps import Num, formula

ISO5295 = Source(title="ISO 5295 / GB/T 11362, power rating of synchronous belts", edition="1987")
PULLEYS = Source(title="ISO 5294 and ISO 13050, pulleys")
IP24_TENSION = Source(title="RMA IP-24 practice, strand tensions 8 : 1 at design power", confidence="medium")


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


@formula("z_w", GEOMETRY)
def whole_teeth(z_b: Num) -> Num:
    """The next whole number of teeth."""
    return ceil(z_b - 1e-9)


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
def synchronous_power(k_z: Num, k_w: Num, *, T_a: Num, b_s: Num, b_0: Num, m_0: Num, v_b: Num) -> Num:
    """Allowed tension less what the belt's own mass takes, times the speed."""
    return (k_z * k_w * T_a - b_s / b_0 * m_0 * v_b**2) * v_b / 1000


@formula("K_sum", ISO5295)
def summed_factor(K_s: Num, K_up: Num, K_idl: Num) -> Num:
    """Load factor with what speed-up and an idler add."""
    return K_s + K_up + K_idl


@formula("m_bw", STATICS)
def mass_at_width(m_0: Num, b_s: Num, b_0: Num) -> Num:
    """Mass per metre goes with the width."""
    return m_0 * b_s / b_0


@formula("T_cN", STATICS)
def belt_centrifugal(m_bw: Num, v_b: Num) -> Num:
    """What the belt's own mass takes up at speed."""
    return m_bw * v_b**2


@formula("T_s", IP24_TENSION)
def sync_static_tension(T_e: Num, R_T: Num, T_cN: Num) -> Num:
    """Set so that at design power the tight strand pulls R times as hard as the slack one."""
    return T_e / 2 * (R_T + 1) / (R_T - 1) + T_cN


@formula("T_e", STATICS)
def effective_pull(P_d: Num, v_b: Num) -> Num:
    """Difference of the strands that carries a power."""
    return 1000 * P_d / v_b


@formula("J", STATICS)
def jump_margin(T_s: Num, T_cN: Num, T_du: Num) -> Num:
    """Times the duty's pull at which the slack strand goes empty and the belt may climb its teeth."""
    return 2 * (T_s - T_cN) / T_du


@formula("F_qN", STRING)
def string_force(T_s: Num, q: Num, t: Num) -> Num:
    """Force that presses a strand in by q at mid-span, the belt's own stiffness left out."""
    return 4 * T_s * q / t
