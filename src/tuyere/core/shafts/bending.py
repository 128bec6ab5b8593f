"""How great a shaft load a shaft stands at the wheel, by the textbook's fatigue method."""

from __future__ import annotations

from dataclasses import dataclass
from math import pi

from numpy import maximum, minimum, sqrt, where

from tuyere.core.errors import InputError, NoSolution
from tuyere.core.notices import notice
from tuyere.core.sources import Source
from tuyere.core.steps import Num, formula, looked_up

SHIGLEY_SHAFT = Source(
    title="Shigley, Mechanical Engineering Design, shafts: distortion energy with the Goodman line; rotating bending, steady torque"
)
SHIGLEY_LIMIT = Source(title="Shigley, Mechanical Engineering Design, endurance limit and its factors")
STEEL_MPA = 570.0  # hot-rolled medium carbon steel, 0.45 % C: Shigley's table of steels, recalled
# Fatigue notch factors of an end-milled keyway, and of a plain shaft: Shigley's first estimates, recalled.
NOTCH = {"keyway": (2.14, 3.0), "plain": (1.0, 1.0)}


@formula("S_e0", SHIGLEY_LIMIT)
def endurance_of_strength(S_ut: Num) -> Num:
    """Half the tensile strength, 700 MPa at most."""
    return minimum(S_ut / 2, 700)


@formula("k_a", SHIGLEY_LIMIT)
def machined_surface(S_ut: Num) -> Num:
    """Machined or cold drawn."""
    return minimum(4.51 * S_ut ** (-0.265), 1)


@formula("k_bz", SHIGLEY_LIMIT)
def size_in_bending(d_sh: Num) -> Num:
    """A thick shaft stands less."""
    return where(d_sh <= 51, minimum(1.24 * maximum(d_sh, 2.79) ** (-0.107), 1), 1.51 * d_sh ** (-0.157))


@formula("S_e", SHIGLEY_LIMIT)
def endurance_of_shaft(k_a: Num, k_bz: Num, k_rel: Num, S_e0: Num) -> Num:
    """With surface, size and reliability."""
    return k_a * k_bz * k_rel * S_e0


@formula("M_b", SHIGLEY_SHAFT)
def bending_that_is_left(d_sh: Num, n_saf: Num, K_fs_q: Num, S_ut: Num, S_e: Num) -> Num:
    """Bending moment beside a steady torque; what the torque takes of the strength is taken off. Newton metres."""
    return (pi * (d_sh / 1000) ** 3 * 1e6 / (16 * n_saf) - sqrt(3) * K_fs_q / S_ut) * S_e / 2


@formula("K_fs_q", SHIGLEY_SHAFT)
def torque_with_notch(K_ft: Num, M_q: Num) -> Num:
    """Steady torque with the notch factor of the keyway."""
    return K_ft * M_q


@formula("F_bend", SHIGLEY_SHAFT)
def load_of_bending(M_b: Num, K_fb: Num, l_o: Num) -> Num:
    """Shaft load whose moment, with the notch factor, is the one that is left."""
    return M_b / (K_fb * l_o / 1000)


@formula("M_q", Source(title="definition of power", origin="exact"))
def torque_of_power(P: Num, n_b: Num) -> Num:
    """Torque of a shaft."""
    return 60000 * P / (2 * pi * n_b)


@dataclass(frozen=True, slots=True, kw_only=True)
class ShaftStands:
    """Greatest shaft load in N at which the shaft lasts, the torque it carries besides in N m, its endurance limit in MPa."""

    load_n: float
    torque_nm: float
    endurance_mpa: float


def shaft_stands(
    *,
    diameter_mm: float,
    overhang_mm: float,
    power_kw: float,
    rpm: float,
    strength_mpa: float | None,
    notch: str,
    safety: float,
    field: str = "shaft",
) -> ShaftStands:
    """The shaft load that a rotating shaft stands for good at a wheel that hangs ``overhang_mm`` outside its bearing; ``field`` is what the caller calls it.

    99 % reliability. Raises InputError for a shaft that cannot be, NoSolution where the torque alone takes all.
    Source: Shigley, shafts; notch factors his first estimates.
    """
    if notch not in NOTCH:
        raise InputError(f"{field}.seat", notch, "not a seat that is known", ", ".join(NOTCH))
    if not 3 <= diameter_mm <= 254:
        raise InputError(
            f"{field}.diameter",
            diameter_mm,
            "outside the size factor's range",
            "{low} to {high}",
            low=(3.0, "length"),
            high=(254.0, "length"),
        )
    if overhang_mm <= 0 or rpm <= 0 or not 1 <= safety <= 5:
        raise InputError(
            f"{field}.overhang", overhang_mm, "an overhang, a speed and a safety from 1 to 5 are needed", "over nothing"
        )
    if strength_mpa is None:
        notice(
            "caution",
            "steel-assumed",
            "The shaft is taken as hot-rolled medium carbon steel, 570 MPa.",
            f"input.{field}.strength",
        )
    s_ut = looked_up("S_ut", strength_mpa or STEEL_MPA, "", SHIGLEY_LIMIT)
    reliability = looked_up("k_rel", 0.814, "", SHIGLEY_LIMIT)
    endurance = endurance_of_shaft(
        machined_surface(s_ut), size_in_bending(diameter_mm), reliability, endurance_of_strength(s_ut)
    )
    k_b, k_t = NOTCH[notch]
    torque = torque_of_power(power_kw, rpm)
    left = bending_that_is_left(diameter_mm, safety, torque_with_notch(k_t, torque), s_ut, endurance)
    if left <= 0:
        raise NoSolution("the torque alone is too much for this shaft", f"{field}.diameter", "a thicker shaft")
    return ShaftStands(
        load_n=load_of_bending(left, looked_up("K_fb", k_b, "", SHIGLEY_SHAFT), overhang_mm),
        torque_nm=torque,
        endurance_mpa=endurance,
    )
