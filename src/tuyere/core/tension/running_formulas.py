"""A drive as it runs: how much of its grip it uses, how far it slips, how warm the slip makes it."""

from numpy import maximum

from tuyere.core.sources import KINEMATICS, PRACTICE, STATICS, Source
from tuyere.core.steps import Num, formula

HEAT = Source(title="heat given to the air by a surface (Newton's law of cooling)", origin="derived")


@formula("u_g", STATICS)
def grip_used(dT: Num, K_ts: Num, T_one: Num, T_cN: Num) -> Num:
    """Net pull over the most that friction holds at a tension at rest; over 1 it slips as a whole."""
    return dT * (K_ts + 1) / (2 * (K_ts - 1) * maximum(T_one - T_cN, 1e-6))


@formula("s_run", PRACTICE)
def slip_running(s_el: Num, k_gs: Num, u_g: Num) -> Num:
    """Creep goes with the pull; past its grip the loop slips, the more the further."""
    return s_el * u_g + k_gs * maximum(u_g - 1, 0)


@formula("n_run", KINEMATICS)
def speed_with_slip(n_free: Num, s_run: Num) -> Num:
    """Speed of the driven shaft that slip leaves."""
    return n_free * (1 - s_run / 100)


@formula("P_sl", KINEMATICS)
def power_of_slip(P: Num, s_run: Num) -> Num:
    """Power that goes into heat where the loop slips."""
    return P * s_run / 100


@formula("dTheta", HEAT)
def warmer_than_air(P_sl: Num, h_air: Num, A_air: Num) -> Num:
    """How much warmer than the air a surface is that gives off the heat."""
    return 1000 * P_sl / (h_air * A_air)
