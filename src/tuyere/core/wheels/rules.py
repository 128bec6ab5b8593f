"""Textbook rules for the parts of a cast wheel: rim, arms or web, hub. mm and kg; floats or arrays."""

from __future__ import annotations

from numpy import pi

from tuyere.core.sources import Source
from tuyere.core.steps import Num, formula

RULES = Source(
    title="Unwin, Elements of Machine Design: rims, arms and naves of pulleys, as engineers' handbooks carry them",
    origin="recalled",
    confidence="medium",
)
RIM_SPEED_LIMIT_M_S = 33.02  # 6500 ft/min, cast-iron sheaves, ANSI/RMA IP-20 and IP-22
SOLIDS = Source(title="volume of a ring, a disc and a tapering arm", origin="exact", confidence="high")


@formula("t_rim", RULES)
def rim_thickness(D_w: Num, t_k: Num) -> Num:
    """Rim at its edge: a two-hundredth of the diameter and an eighth of an inch (single belts) or a quarter (double)."""
    return 0.005 * D_w + t_k


@formula("w_arm", RULES)
def arm_width(c_arm: Num, b_w: Num, D_w: Num, n_arm: Num) -> Num:
    """Width of an oval arm at the hub, from the pull that the face and the diameter let a belt have; four tenths as thick."""
    return 25.4 * c_arm * (b_w * D_w / 25.4**2 / n_arm) ** (1 / 3)


@formula("t_hub", RULES)
def hub_thickness(c_hub: Num, b_w: Num, D_w: Num) -> Num:
    """Metal round the bore."""
    return 25.4 * (c_hub * (b_w * D_w / 25.4**2) ** (1 / 3) + 0.25)


@formula("m_ring", SOLIDS)
def ring_mass(rho: Num, d_a: Num, d_i: Num, l_r: Num) -> Num:
    """A ring, or a disc where the inner diameter is nothing."""
    return rho * 1e-9 * pi / 4 * (d_a**2 - d_i**2) * l_r


@formula("m_arms", SOLIDS)
def arms_mass(rho: Num, n_arm: Num, w_arm: Num, l_arm: Num) -> Num:
    """Oval arms, four tenths as thick as wide, that taper to two thirds at the rim: 19/27 of the full prism."""
    return rho * 1e-9 * n_arm * pi / 4 * 0.4 * w_arm**2 * l_arm * 19 / 27


@formula("m_grv", SOLIDS)
def grooves_mass(rho: Num, N_g: Num, A_g: Num, D_w: Num, h_g: Num) -> Num:
    """What the grooves take away: their area once round at half their depth."""
    return rho * 1e-9 * N_g * A_g * pi * (D_w - h_g)
