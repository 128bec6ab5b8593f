"""Roller chain tables and look-ups."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from tuyere.core.errors import InputError
from tuyere.core.steps import looked_up
from tuyere.core.tables import declare, table
from tuyere.core.units import KG_PER_LB, M_PER_FT, MM_PER_IN, N_PER_LBF

declare(
    "tuyere.core.roller_chain",
    (
        "chains",
        "strand_factors",
        "chain_service_factors",
        "lubrication_quality",
        "oils",
        "max_bores",
        "chain_drivers",
        "chain_manners",
        "iso_chains",
        "iso_galling",
    ),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Chain:
    """A chain size: dimensions in mm and inches, strength of one strand in N, mass in kg/m, speeds in m/s."""

    name: str
    pitch_in: float
    pitch_mm: float
    roller_mm: float
    width_mm: float
    spacing_mm: float
    height_mm: float
    tensile_n: float
    mass_kg_m: float
    K_f: float
    K_r: float
    type_a_m_s: float
    type_b_m_s: float
    series: str = "ansi"
    pin_mm: float = 0.0
    inner_width_mm: float = 0.0


@cache
def chains() -> dict[str, Chain]:
    """Every size by number."""
    made = {}
    for name, pitch, roller, width, spacing, height, tensile, weight, k_f, k_r, a, b in table("chains").rows:
        made[name] = Chain(
            name=name,
            pitch_in=pitch,
            pitch_mm=pitch * MM_PER_IN,
            roller_mm=roller * MM_PER_IN,
            width_mm=width * MM_PER_IN,
            spacing_mm=spacing * MM_PER_IN,
            height_mm=height * MM_PER_IN,
            tensile_n=tensile * N_PER_LBF,
            mass_kg_m=weight * KG_PER_LB / M_PER_FT,
            K_f=k_f,
            K_r=k_r,
            type_a_m_s=a * M_PER_FT / 60,
            type_b_m_s=b * M_PER_FT / 60,
        )
    return made


@cache
def iso_chains() -> dict[str, Chain]:
    """Every size of ISO 606 by designation."""
    made = {}
    for name, series, _, pitch, roller, width, pin, height, spacing, inner, tensile, mass, a, b in table(
        "iso_chains"
    ).rows:
        made[name] = Chain(
            name=name,
            pitch_in=pitch / MM_PER_IN,
            pitch_mm=pitch,
            roller_mm=roller,
            width_mm=width,
            spacing_mm=spacing,
            height_mm=height,
            tensile_n=tensile,
            mass_kg_m=mass,
            K_f=float("nan"),
            K_r=float("nan"),
            type_a_m_s=a,
            type_b_m_s=b,
            series="085" if name == "085" else series,
            pin_mm=pin,
            inner_width_mm=inner,
        )
    return made


def equivalent(of: Chain) -> Chain | None:
    """The ISO size that is the same chain as an American number; None where there is none."""
    rows = table("iso_chains").select(ansi=of.name)
    return iso_chains()[rows[0][0]] if rows else None


def chain(name: str, field: str = "chain") -> Chain:
    """A size by American number or ISO 606 designation; raises InputError naming ``field``."""
    found = chains().get(name.strip()) or iso_chains().get(name.strip().upper())
    if found is None:
        raise InputError(field, name, "unknown chain number", "one of " + " ".join([*chains(), *iso_chains()]))
    return found


def strand_factor(strands: int, of: Chain, field: str = "strands") -> float:
    """Factor on one strand's power; raises InputError outside 1..6 and where the size is single only."""
    t = table("strand_factors")
    rows = t.select(strands=strands)
    if not rows:
        raise InputError(field, strands, "no factor for so many strands", "1 to 6")
    if strands > 1 and of.spacing_mm == 0:
        raise InputError(field, strands, f"chain {of.name} is made with one strand only", "1")
    return looked_up("K_str", rows[0][1], t.id, t.source_of(), z=float(strands))


def chain_service_factor(load: str, driver: str) -> float:
    """Service factor by load and driver, recorded."""
    t = table("chain_service_factors")
    try:
        row = t.row(load=load, driver=driver)
    except KeyError as e:
        raise InputError("load", load, "not in the table", "smooth, moderate or heavy") from e
    return looked_up("K_list", row["factor"], t.id, t.source_of())


def lubrication_share(key: str) -> tuple[float, str]:
    """(share of the rating left, what that condition is called), recorded."""
    t = table("lubrication_quality")
    try:
        row = t.row(key=key)
    except KeyError as e:
        raise InputError("lubrication", key, "not in the table", " ".join(str(k) for k in t.column("key"))) from e
    return looked_up("K_lub", row["factor"], t.id, t.source_of()), str(row["name"])


def lubrication_type(of: Chain, speed_m_s: float) -> str:
    """What lubrication the chain speed asks for, in words."""
    if speed_m_s <= of.type_a_m_s:
        return "manual with brush or can, or drip (type A)"
    if of.type_b_m_s and speed_m_s <= of.type_b_m_s:
        return "oil bath or slinger disc (type B)"
    if not of.type_b_m_s:
        return "oil bath or stream (the limit between them is not recalled for this size)"
    return "oil stream under pressure (type C)"


def oil_grade(celsius: float) -> str | None:
    """Oil grade for the temperature around the chain; None outside the table."""
    for low, high, oil in table("oils").rows:
        if low <= celsius <= high:
            return str(oil)
    return None


def greatest_bore_mm(of: Chain, teeth: int) -> float | None:
    """Recommended greatest bore; None where the table has none."""
    for pitch, z, bore in table("max_bores").rows:
        if abs(pitch - of.pitch_in) < 1e-9 and z == teeth:
            return float(bore) * MM_PER_IN
    return None
