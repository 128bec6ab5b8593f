"""Speeds and currents of induction motors."""

from numpy import sqrt

from tuyere.core.sources import KINEMATICS, Source
from tuyere.core.steps import Num, formula

TWO_CURRENTS = Source(
    title="induction motor: the magnetising current is constant and square to the part that goes with the load",
    origin="derived",
    confidence="medium",
)


@formula("n_sync", KINEMATICS)
def synchronous_motor_speed(f_m: Num, poles: Num) -> Num:
    """The field turns once for every pair of poles in a cycle."""
    return 120 * f_m / poles


@formula("s_m", KINEMATICS)
def motor_slip(n_sync: Num, n_full: Num) -> Num:
    """What the rotor lags behind the field at full load."""
    return 100 * (n_sync - n_full) / n_sync


@formula("n_full", KINEMATICS)
def speed_at_frequency(n_sync: Num, n_lag: Num) -> Num:
    """At another frequency and the same torque the rotor lags by about the same speed."""
    return n_sync - n_lag


@formula("I_mot", TWO_CURRENTS)
def current_at_load(I_0: Num, I_fl: Num, x_load: Num) -> Num:
    """Current of the motor at a share of its full load."""
    return sqrt(I_0**2 + x_load**2 * (I_fl**2 - I_0**2))


@formula("droop", KINEMATICS)
def governor_droop(n_idle: Num, n_full: Num) -> Num:
    """How much a governed engine slows from no load to full load."""
    return 100 * (n_idle - n_full) / n_full


@formula("n_gen", KINEMATICS)
def generator_speed(f_gen: Num, poles: Num) -> Num:
    """The speed at which a synchronous generator gives a frequency."""
    return 120 * f_gen / poles


@formula("P_sh", Source(title="power of a three-phase motor", origin="exact", confidence="high"))
def shaft_from_supply(U_l: Num, I_mot: Num, cos_phi: Num, eta_m: Num) -> Num:
    """Power at the shaft from volts, amps, power factor and efficiency."""
    return sqrt(3) * U_l * I_mot * cos_phi * eta_m / 100000


@formula("P_sh", TWO_CURRENTS)
def shaft_from_load(x_load: Num, P_name: Num) -> Num:
    """Power at the shaft from the share of full load that the current tells."""
    return x_load * P_name
