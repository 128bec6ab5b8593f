"""The nomenclature: every name a formula may use, with its symbol, unit and meaning.

A name has one unit for ever. Names of inch-based published formulas carry inch units here and are
converted where the formula begins and ends.
"""

from __future__ import annotations

from typing import NamedTuple


class Quantity(NamedTuple):
    """``latex`` is the symbol as printed, ``unit`` the one unit the name ever has."""

    latex: str
    unit: str
    meaning: str


_ = Quantity
QUANTITIES: dict[str, Quantity] = {
    # duty
    "P": _("P", "kW", "power to transmit"),
    "K_s": _(r"K_\mathrm{s}", "1", "service factor"),
    "K_list": _(r"K_\mathrm{list}", "1", "service factor of the table"),
    "K_choke": _(r"K_\mathrm{choke}", "1", "least service factor of a machine that can choke"),
    "P_d": _(r"P_\mathrm{d}", "kW", "design power"),
    # speeds
    "n_1": _("n_1", "rpm", "speed of the driver"),
    "n_2": _("n_2", "rpm", "speed of the driven shaft"),
    "n_s": _(r"n_\mathrm{s}", "rpm", "speed of the smaller sheave"),
    "d_1": _("d_1", "mm", "diameter of the driver (pitch or datum)"),
    "d_2": _("d_2", "mm", "diameter of the driven (pitch or datum)"),
    "s": _("s", "%", "slip"),
    "i": _("i", "1", "speed ratio, large over small"),
    "i_n": _("i_n", "1", "speed ratio, driver speed over driven speed"),
    "v": _("v", "m/s", "belt speed"),
    # geometry
    "d": _("d", "mm", "diameter of the smaller pulley"),
    "D": _("D", "mm", "diameter of the larger pulley"),
    "a": _("a", "mm", "centre distance"),
    "L": _("L", "mm", "belt length along the same line as the diameters"),
    "t": _("t", "mm", "free span"),
    "theta": _(r"\theta", "°", "arc of contact on the smaller pulley"),
    "Theta": _(r"\Theta", "°", "arc of contact on the larger pulley"),
    "d_e": _("d_e", "mm", "effective diameter"),
    "d_o": _("d_o", "mm", "outside diameter"),
    "d_d": _("d_d", "mm", "datum diameter"),
    "d_p": _("d_p", "mm", "pitch diameter"),
    "h_o": _("h_o", "mm", "added for the outside diameter"),
    "h_p": _("h_p", "mm", "taken off for the pitch diameter"),
    # inch-based rating
    "d_in": _(r"d''", "in", "pitch diameter of the smaller sheave"),
    "L_in": _(r"L''", "in", "belt length"),
    "number": _("N_0", "1", "number in the belt designation"),
    "L_add": _(r"\Delta L", "in", "from the designation number to the datum length"),
    "r": _("r", "1000 rpm", "speed of the smaller sheave"),
    "K_1": _("K_1", "hp/in", "rating constant"),
    "K_2": _("K_2", "hp", "bending constant"),
    "K_3": _("K_3", "hp/in³", "centrifugal constant"),
    "K_4": _("K_4", "hp/in", "life constant"),
    "K_SR": _(r"K_\mathrm{SR}", "1", "speed-ratio factor"),
    "h_a": _(r"h_\mathrm{a}", "hp/(1000 rpm)", "power added for the ratio, per 1000 rpm"),
    "H_b": _(r"H_\mathrm{b}", "hp", "basic power of one belt"),
    "H_a": _(r"H_\mathrm{a}", "hp", "power added for the ratio"),
    "H_r": _(r"H_\mathrm{r}", "hp", "power one belt carries on this drive"),
    "K_theta": _(r"K_\theta", "1", "arc factor"),
    "K_L": _("K_L", "1", "length factor"),
    "P_b": _(r"P_\mathrm{b}", "kW", "power one belt carries on this drive"),
    "N_x": _("N", "1", "belts needed, before rounding up"),
    "N": _("N", "1", "belts, rounded up"),
    "N_b": _(r"N_\mathrm{b}", "1", "belts on the drive"),
    "S_x": _("S", "%", "power to spare over the design power"),
    # tension
    "H_d": _(r"H_\mathrm{d}", "hp", "design power"),
    "V": _("V", "ft/min", "belt speed"),
    "G": _("G", "1", "arc factor of the tension formula"),
    "K_c": _("K_c", "lbf", "centrifugal tension at 1000 ft/min"),
    "T_c": _("T_c", "lbf", "centrifugal tension, per belt"),
    "T_st": _(r"T_\mathrm{st}", "lbf", "static tension, per belt"),
    "T_eq": _(r"T_\mathrm{eq}", "lbf", "static tension by plain statics, per belt"),
    "T_set": _(r"T_\mathrm{set}", "lbf", "static tension set, per belt"),
    "m_set": _(r"m_\mathrm{set}", "1", "multiple of the static tension"),
    "T_s": _(r"T_\mathrm{st,N}", "N", "static tension, per belt"),
    "T_1": _("T_1", "N", "tight-strand tension, per belt"),
    "T_2": _("T_2", "N", "slack-strand tension, per belt"),
    "T_cN": _(r"T_\mathrm{c,N}", "N", "centrifugal tension, per belt"),
    "dT": _(r"\Delta T", "N", "net pull, per belt"),
    "T_slip": _(r"T_\mathrm{slip}", "N", "static tension at which the belt would slip, per belt"),
    "f": _(r"f'", "1", "effective friction of a V-belt in its groove"),
    "Y": _("Y", "lbf", "deflection stiffness"),
    "t_in": _(r"t''", "in", "free span"),
    "q": _("q", "mm", "deflection at mid-span"),
    "q_in": _(r"q''", "in", "deflection at mid-span"),
    "L_s": _(r"L_\mathrm{s}", "in", "belt length that shares the stretch"),
    "F_q": _("F_q", "lbf", "deflection force, per belt"),
    "F_qN": _(r"F_\mathrm{q,N}", "N", "deflection force, per belt"),
    "m": _("m", "kg/m", "mass of one belt per metre"),
    "f_1": _("f_1", "Hz", "frequency of the free span"),
    "F_h0": _(r"F_\mathrm{h,0}", "N", "hub load standing, all belts"),
    "F_h": _(r"F_\mathrm{h}", "N", "hub load running, all belts"),
    "K_ts": _(r"K_\mathrm{1,2}", "1", "tight over slack tension, less centrifugal"),
}
