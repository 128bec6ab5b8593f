"""The textbook tension analysis of a V-belt: peaks of pull and bending, and the passes a belt stands."""

from tuyere.core.sources import TEXTBOOK
from tuyere.core.steps import Num, formula


@formula("dF", TEXTBOOK)
def pull_per_belt(H_d: Num, N_b: Num, V: Num) -> Num:
    """Net pull of one belt at design power."""
    return 33000 * H_d / (N_b * V)


@formula("F_t", TEXTBOOK)
def tight_pull(T_c: Num, dF: Num, K_ts: Num) -> Num:
    """Tight-strand tension of a belt set as low as its grip allows."""
    return T_c + dF * K_ts / (K_ts - 1)


@formula("T_k1", TEXTBOOK)
def small_peak(F_t: Num, K_b: Num, d_in: Num) -> Num:
    """Peak on the small sheave: pull and bending together."""
    return F_t + K_b / d_in


@formula("T_k2", TEXTBOOK)
def large_peak(F_t: Num, K_b: Num, D_in: Num) -> Num:
    """Peak on the large sheave."""
    return F_t + K_b / D_in


@formula("N_p", TEXTBOOK)
def passes(K_T: Num, b_T: Num, T_k1: Num, T_k2: Num) -> Num:
    """Passes round the drive until the belt is worn out."""
    return 1 / ((K_T / T_k1) ** (-b_T) + (K_T / T_k2) ** (-b_T))


@formula("t_life", TEXTBOOK)
def life_hours(N_p: Num, L_in: Num, V: Num) -> Num:
    """Hours that the passes take."""
    return N_p * L_in / (720 * V)
