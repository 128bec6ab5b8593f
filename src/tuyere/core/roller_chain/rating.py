"""Power of a roller chain by ASME B29.1 or ISO 10823."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.duty.carried import kilowatts
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.notices import notice
from tuyere.core.roller_chain.formulas import (
    chain_power,
    galling_power,
    impact_power,
    iso_chain_power,
    iso_galling_power,
    iso_life_factor,
    iso_plate_power,
    iso_roller_power,
    link_plate_power,
    plate_area_a,
    plate_area_b,
    strand_power,
)
from tuyere.core.roller_chain.tables import (
    Chain,
    equivalent,
    lubrication_share,
    strand_factor,
)
from tuyere.core.sources import Source
from tuyere.core.steps import looked_up
from tuyere.core.tables import table

GOVERNING = ("link plates", "roller and bushing impact", "galling of the pins")
OFFSET_SHARE = 0.8
OFFSET = Source(title="ISO 10823 and Roloff practice, cranked link", confidence="medium")


@dataclass(frozen=True, slots=True, kw_only=True)
class ChainRating:
    """The three limits per strand (kW), which governs, what all strands carry (kW), and by which method."""

    plate_kw: float
    impact_kw: float
    galling_kw: float
    governing: str
    power_kw: float
    method: str = "asme"


def rate_chain(
    of: Chain,
    strands: int,
    *,
    small_teeth: int,
    small_rpm: float,
    pitches: float,
    life_h: float,
    lubrication: str,
    offset_link: bool,
    method: str = "own",
) -> ChainRating:
    """Power of a chain by ``method`` "asme" or "iso10823"; "own" takes that of its designation.

    Raises NoSolution where galling forbids the speed altogether, InputError where the method does not
    know the size. Source: ASME B29.1, ISO 10823.
    """
    if method == "iso10823" or of.series != "ansi":
        if method == "asme":
            raise InputError(
                "method", method, f"the ASME formulas rate the American numbers, not {of.name}", "iso10823"
            )
        return rate_by_iso(
            of,
            strands,
            small_teeth=small_teeth,
            small_rpm=small_rpm,
            life_h=life_h,
            lubrication=lubrication,
            offset_link=offset_link,
        )
    plate = link_plate_power(of.K_f, small_teeth, small_rpm, of.pitch_in)
    impact = impact_power(of.K_r, small_teeth, n_s=small_rpm, p_in=of.pitch_in, X=pitches, h_life=life_h)
    gall = galling_power(small_teeth, small_rpm, of.pitch_in)
    if gall <= 0:
        raise NoSolution(
            "at this speed pins and bushings would gall: no lubrication helps",
            "driver.speed",
            "a smaller pitch, fewer teeth or a lower speed",
        )
    one = strand_power(plate, impact, gall)
    k_str = strand_factor(strands, of)
    share, words = lubrication_share(lubrication)
    k_off = looked_up("K_off", OFFSET_SHARE if offset_link else 1.0, "", OFFSET)
    power = chain_power(one, k_str, share, k_off)
    limits = (kilowatts(plate), kilowatts(impact), kilowatts(gall))
    governing = GOVERNING[limits.index(min(limits))]
    if lubrication != "best":
        notice(
            "caution",
            "lubrication",
            f"Lubrication counted as: {words}. It leaves {share:g} of the rating.",
            "input.lubrication",
        )
    return ChainRating(
        plate_kw=limits[0], impact_kw=limits[1], galling_kw=limits[2], governing=governing, power_kw=power
    )


def iso_constants(of: Chain) -> tuple[float, float, float, float]:
    """(plate constant, cross-section mm2, pitch exponent 1/mm, roller constant) of the ISO equations for a size.

    Raises InputError for sizes that no equation covers.
    """
    if of.series == "x":
        raise InputError(
            "chain",
            of.name,
            "no published rating equation covers this size",
            "sizes 04C, 06C, 085, and those ending in A or B",
        )
    if of.series == "085":
        return 86.2, 0.0745 * of.pitch_mm**2, 0.0008, 190.7
    if of.series == "b":
        area = plate_area_b(of.inner_width_mm, of.width_mm, of.height_mm, of.roller_mm, of.pin_mm)
        return 99.0, area, 0.0009, 953.5
    return 99.0, plate_area_a(of.pitch_mm), 0.0008, 1626.6 if of.series == "c" else 953.5


def rate_by_iso(
    of: Chain, strands: int, *, small_teeth: int, small_rpm: float, life_h: float, lubrication: str, offset_link: bool
) -> ChainRating:
    """Power by the equations of the ISO capacity charts, worked at the real number of teeth.

    Basis: 120 links, 15,000 h. Source: ISO 10823, medium confidence for the A series, low for B and for galling.
    """
    size = of
    if of.series == "ansi":
        found = equivalent(of)
        if found is None:
            raise InputError("method", "iso10823", f"{of.name} has no ISO equivalent", "asme")
        size = found
    k_a, area, e_p, k_r = iso_constants(size)
    plate = iso_plate_power(small_teeth, small_rpm, k_A=k_a, A_i=area, p=size.pitch_mm, e_p=e_p)
    roller = iso_roller_power(small_teeth, small_rpm, k_r, size.pitch_mm)
    t = table("iso_galling")
    k_ps = looked_up("K_ps", next(r[2] for r in t.rows if r[0] < size.pitch_mm <= r[1] + 1e-9), t.id, t.source_of())
    gall = iso_galling_power(small_teeth, small_rpm, size.pitch_mm, k_ps)
    if gall <= 0:
        raise NoSolution(
            "at this speed pins and bushings would gall: no lubrication helps",
            "driver.speed",
            "a smaller pitch, fewer teeth or a lower speed",
        )
    k_str = strand_factor(strands, size)
    share, words = lubrication_share(lubrication)
    k_off = looked_up("K_off", OFFSET_SHARE if offset_link else 1.0, "", OFFSET)
    power = iso_chain_power(
        plate, roller, P_gall=gall, K_str=k_str, K_lub=share, K_off=k_off, f_5=iso_life_factor(life_h)
    )
    limits = (plate, roller, gall)
    governing = GOVERNING[limits.index(min(limits))]
    if size.series == "b" or governing == GOVERNING[2]:
        notice(
            "caution",
            "iso-low",
            "The ISO equation that governs here is recalled with low confidence: the chain's own sheet comes first.",
            "input.chain",
        )
    if lubrication != "best":
        notice(
            "caution",
            "lubrication",
            f"Lubrication counted as: {words}. It leaves {share:g} of the rating.",
            "input.lubrication",
        )
    return ChainRating(
        plate_kw=limits[0],
        impact_kw=limits[1],
        galling_kw=limits[2],
        governing=governing,
        power_kw=power,
        method="iso10823",
    )
