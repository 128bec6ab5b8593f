"""Speeds of induction motors."""

from tuyere.core.sources import KINEMATICS
from tuyere.core.steps import Num, formula


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
