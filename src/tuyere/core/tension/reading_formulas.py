"""From what an instrument shows to the tension of one belt, and back. Newtons and millimetres."""

from numpy import cos, log10, radians, sin, sqrt

from tuyere.core.sources import ELASTIC_STRING, PRACTICE, STATICS, STRING, Source
from tuyere.core.steps import Num, formula
from tuyere.core.units import N_PER_LBF

MOVING_STRING = Source(title="equation of the string that travels along itself", origin="derived")
HOOKE = Source(title="elastic stretch of a belt", origin="derived")
RELAXING = Source(title="stress relaxation of polymers goes with the logarithm of time; common textbook form")
LEVER = Source(title="moments about the pivot of an arm", origin="derived")


@formula("EA", ELASTIC_STRING)
def stretch_stiffness(Y: Num) -> Num:
    """Pull that would stretch one belt to twice its length, from the association's deflection stiffness."""
    return 2048 * Y * N_PER_LBF


@formula("F_pl", ELASTIC_STRING)
def force_for_tension(T_one: Num, q_r: Num, t: Num, EA: Num, L_sh: Num) -> Num:
    """Force that presses one belt in at mid-span."""
    return 4 * T_one * q_r / t + 8 * EA * q_r**3 / (t**2 * L_sh)


@formula("T_one", ELASTIC_STRING)
def tension_of_force(F_pl: Num, q_r: Num, t: Num, EA: Num, L_sh: Num) -> Num:
    """Tension at rest from a force at mid-span; what the pressing itself adds by stretch is taken off."""
    return (F_pl - 8 * EA * q_r**3 / (t**2 * L_sh)) * t / (4 * q_r)


@formula("T_one", STRING)
def tension_of_frequency(m: Num, t: Num, f_1: Num) -> Num:
    """Tension at rest from the frequency of the free span."""
    return 4 * m * (t / 1000) ** 2 * f_1**2


@formula("T_one", HOOKE)
def tension_of_stretch(EA: Num, eps_m: Num) -> Num:
    """Tension at rest from the elongation of two marks."""
    return EA * eps_m / 100


@formula("eps_m", HOOKE)
def stretch_of_marks(l_m0: Num, l_m1: Num) -> Num:
    """Elongation of two marks."""
    return 100 * (l_m1 - l_m0) / l_m0


@formula("R_idl", LEVER)
def idler_force(F_arm: Num, l_arm_p: Num, l_arm_i: Num, delta_i: Num) -> Num:
    """Force of an idler on the loop from the pull at the arm; the loop's push is off square to the arm by an angle."""
    return F_arm * l_arm_p / (l_arm_i * cos(radians(delta_i)))


@formula("T_one", STATICS)
def tension_of_idler(R_idl: Num, theta_i: Num, N_b: Num) -> Num:
    """Strand tension of one belt from the idler's force and the turn of the belt on it."""
    return R_idl / (2 * N_b * sin(radians(theta_i) / 2))


@formula("R_idl", STATICS)
def idler_of_tension(T_one: Num, theta_i: Num, N_b: Num) -> Num:
    """Force of the idler on the loop that holds a strand tension."""
    return 2 * N_b * T_one * sin(radians(theta_i) / 2)


@formula("F_arm", LEVER)
def pull_of_idler(R_idl: Num, l_arm_p: Num, l_arm_i: Num, delta_i: Num) -> Num:
    """Pull at the arm that gives the idler its force."""
    return R_idl * l_arm_i * cos(radians(delta_i)) / l_arm_p


@formula("T_lim", STATICS)
def tension_for_shaft_load(F_lim: Num, N_b: Num, theta: Num) -> Num:
    """Tension of one belt at which the shaft load is so great."""
    return F_lim / (2 * N_b * sin(radians(theta) / 2))


@formula("dT_s", STATICS)
def start_pull(m_start: Num, P_mot: Num, v: Num, N_b: Num) -> Num:
    """Difference of the strand tensions that a start asks of one belt."""
    return 1000 * m_start * P_mot / (v * N_b)


@formula("c_w", STRING)
def wave_speed(T_run: Num, m: Num) -> Num:
    """Speed of a wave along the strand."""
    return sqrt(T_run / m)


@formula("f_run", MOVING_STRING)
def running_frequency(c_w: Num, v: Num, t: Num) -> Num:
    """First frequency of a strand that travels; it falls to nothing as the belt comes up to the wave's speed."""
    return (c_w**2 - v**2) / (2 * c_w * t / 1000)


@formula("k_turn", HOOKE)
def tension_per_turn(EA: Num, p_j: Num, L: Num) -> Num:
    """What one turn of both adjusters adds to one belt's tension by its stretch alone: two strands grow by the thread's pitch."""
    return EA * 2 * p_j / L


@formula("k_turn", PRACTICE)
def tension_per_turn_seen(T_after: Num, T_before: Num, n_done: Num) -> Num:
    """What one turn added, from two readings and the turns between."""
    return (T_after - T_before) / n_done


@formula("n_more", PRACTICE)
def turns_more(T_aim: Num, T_now: Num, k_turn: Num) -> Num:
    """Turns of each adjuster from here to the aim."""
    return (T_aim - T_now) / k_turn


@formula("T_h", RELAXING)
def tension_after(T_1h: Num, dT_10: Num, h_run: Num) -> Num:
    """Tension of a loop after so many running hours."""
    return T_1h - dT_10 * log10(h_run)
