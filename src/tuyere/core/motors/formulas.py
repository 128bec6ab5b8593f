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
