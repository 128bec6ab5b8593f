"""Bearing loads of an overhung pull, and rolling-bearing life."""

from tuyere.core.sources import STATICS, Source
from tuyere.core.steps import Num, formula

ISO281 = Source(title="ISO 281, basic rating life")


@formula("R_n", STATICS)
def near_bearing(F_p: Num, l_o: Num, l_b: Num) -> Num:
    """The bearing beside the sheave carries the pull and its leverage."""
    return F_p * (l_o + l_b) / l_b


@formula("R_f", STATICS)
def far_bearing(F_p: Num, l_o: Num, l_b: Num) -> Num:
    """The far bearing holds the shaft down."""
    return F_p * l_o / l_b


@formula("L_10", ISO281)
def rating_life(C_b: Num, P_b_eq: Num, e_b: Num, n_b: Num) -> Num:
    """Hours that nine bearings in ten reach."""
    return 1e6 / (60 * n_b) * (C_b / P_b_eq) ** e_b


@formula("P_b_eq", ISO281)
def load_for_life(C_b: Num, e_b: Num, n_b: Num, L_10: Num) -> Num:
    """The load under which nine bearings in ten reach the hours."""
    return C_b * (60 * n_b * L_10 / 1e6) ** (-1 / e_b)


@formula("F_p", STATICS)
def pull_of_near_load(P_b_eq: Num, l_o: Num, l_b: Num) -> Num:
    """The pull that puts that load on the bearing beside the sheave."""
    return P_b_eq * l_b / (l_o + l_b)
