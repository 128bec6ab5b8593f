"""Power of a roller chain, and one chain drive worked in the order of the method."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.duty.design import design_power
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.notices import notice
from tuyere.core.roller_chain.formulas import (
    centrifugal_pull,
    chain_power,
    chain_speed,
    chordal_variation,
    driven_sprocket_speed,
    excess_of_sag,
    galling_power,
    greatest_pull,
    hand_of_excess,
    impact_power,
    iso_chain_power,
    iso_galling_power,
    iso_life_factor,
    iso_plate_power,
    iso_roller_power,
    link_plate_power,
    plate_area_a,
    plate_area_b,
    sag_pull,
    shaft_pull,
    static_safety,
    strand_power,
    usual_sag,
    working_pull,
)
from tuyere.core.roller_chain.length import ChainLength, work_length
from tuyere.core.roller_chain.sprockets import advise_teeth
from tuyere.core.roller_chain.tables import (
    Chain,
    equivalent,
    lubrication_share,
    lubrication_type,
    oil_grade,
    strand_factor,
)
from tuyere.core.roller_chain.weight import chain_weight, over_strands
from tuyere.core.sources import Source
from tuyere.core.steps import looked_up, mark
from tuyere.core.tables import table
from tuyere.core.tension.shaft_load import ShaftLoad, shaft_load
from tuyere.core.units import KW_PER_HP
from tuyere.core.wheels.mass import Weight

GOVERNING = ("link plates", "roller and bushing impact", "galling of the pins")
OFFSET_SHARE = 0.8
ROUGH_PERCENT = 4.0  # common practice, no source: under 13 teeth
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
    plate = mark("plate", link_plate_power(of.K_f, small_teeth, small_rpm, of.pitch_in))
    impact = mark(
        "impact", impact_power(of.K_r, small_teeth, n_s=small_rpm, p_in=of.pitch_in, X=pitches, h_life=life_h)
    )
    gall = mark("galling", galling_power(small_teeth, small_rpm, of.pitch_in))
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
    power = mark("power", chain_power(one, k_str, share, k_off))
    limits = tuple(float(x) * KW_PER_HP for x in (plate, impact, gall))
    governing = GOVERNING[limits.index(min(limits))]
    if lubrication != "best":
        notice(
            "caution",
            "lubrication",
            f"Lubrication counted as: {words}. It leaves {share:g} of the rating.",
            "input.lubrication",
        )
    return ChainRating(
        plate_kw=limits[0], impact_kw=limits[1], galling_kw=limits[2], governing=governing, power_kw=float(power)
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
        area = float(plate_area_b(of.inner_width_mm, of.width_mm, of.height_mm, of.roller_mm, of.pin_mm))
        return 99.0, area, 0.0009, 953.5
    return 99.0, float(plate_area_a(of.pitch_mm)), 0.0008, 1626.6 if of.series == "c" else 953.5


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
    plate = mark("plate", iso_plate_power(small_teeth, small_rpm, k_A=k_a, A_i=area, p=size.pitch_mm, e_p=e_p))
    roller = mark("impact", iso_roller_power(small_teeth, small_rpm, k_r, size.pitch_mm))
    t = table("iso_galling")
    k_ps = looked_up("K_ps", next(r[2] for r in t.rows if r[0] < size.pitch_mm <= r[1] + 1e-9), t.id, t.source_of())
    gall = mark("galling", iso_galling_power(small_teeth, small_rpm, size.pitch_mm, k_ps))
    if gall <= 0:
        raise NoSolution(
            "at this speed pins and bushings would gall: no lubrication helps",
            "driver.speed",
            "a smaller pitch, fewer teeth or a lower speed",
        )
    k_str = strand_factor(strands, size)
    share, words = lubrication_share(lubrication)
    k_off = looked_up("K_off", OFFSET_SHARE if offset_link else 1.0, "", OFFSET)
    power = mark(
        "power",
        iso_chain_power(plate, roller, P_gall=gall, K_str=k_str, K_lub=share, K_off=k_off, f_5=iso_life_factor(life_h)),
    )
    limits = (float(plate), float(roller), float(gall))
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
        power_kw=float(power),
        method="iso10823",
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Given:
    """A chain drive. kW, rpm, mm, h, degrees, Celsius. Centre distance or pitches."""

    power_kw: float
    service_factor: float
    driver_rpm: float
    chain: Chain
    strands: int
    z_1: int
    z_2: int
    centre_mm: float | None
    pitches: int | None
    life_h: float = 15_000
    lubrication: str = "best"
    celsius: float = 20.0
    angle_deg: float = 0.0
    clockwise: bool = True
    method: str = "own"


@dataclass(frozen=True, slots=True, kw_only=True)
class Drive:
    """A worked chain drive. kW, rpm, m/s, mm, N, percent."""

    design_kw: float
    driven_rpm: float
    speed_m_s: float
    length: ChainLength
    rating: ChainRating
    spare_percent: float
    chordal_percent: float
    pull_n: float
    centrifugal_n: float
    sag_mm: float
    hand_mm: float
    sag_pull_n: float
    greatest_n: float
    safety: float
    shaft_n: float
    shaft_load: ShaftLoad
    mass_kg: float
    lubrication: str
    oil: str | None
    width_mm: float
    weight: Weight


def rate(given: Given) -> Drive:
    """Work a chain drive through. Raises InputError and NoSolution. Source: ASME B29.1, statics, ISO practice."""
    of = given.chain
    design = mark("design_power", design_power(given.power_kw, given.service_factor))
    driven = mark("driven_speed", driven_sprocket_speed(given.driver_rpm, given.z_1, given.z_2))
    speed = mark("chain_speed", chain_speed(given.z_1, of.pitch_mm, given.driver_rpm))
    length = work_length(
        of,
        given.z_1,
        z_2=given.z_2,
        centre_mm=given.centre_mm,
        pitches=given.pitches,
        angle_deg=given.angle_deg,
        clockwise=given.clockwise,
    )
    small = min(given.z_1, given.z_2)
    small_rpm = given.driver_rpm if given.z_1 <= given.z_2 else float(driven)
    rating = rate_chain(
        of,
        given.strands,
        small_teeth=small,
        small_rpm=small_rpm,
        pitches=length.pitches,
        life_h=given.life_h,
        lubrication=given.lubrication,
        offset_link=length.offset_link,
        method=given.method,
    )
    spare = 100 * (rating.power_kw / float(design) - 1)
    pulse = mark("chordal", chordal_variation(small))
    for field, teeth in (("driver_teeth", given.z_1), ("driven_teeth", given.z_2)):
        advise_teeth(teeth, field)
    if pulse > ROUGH_PERCENT:
        notice(
            "caution",
            "chordal",
            "The chain's speed swings by {swing} with every tooth: it will be felt and heard.",
            "input.driver_teeth",
            swing=(float(pulse), "percent"),
        )
    mass = of.mass_kg_m * given.strands
    pull = mark("pull", working_pull(given.power_kw, speed))
    centrifugal = mark("centrifugal", centrifugal_pull(mass, speed))
    sag = mark("sag", usual_sag(length.span_mm))
    hand = mark("hand", hand_of_excess(excess_of_sag(sag, length.span_mm), length.span_mm))
    hang = mark("sag_pull", sag_pull(mass, length.span_mm, sag))
    greatest = mark("greatest", greatest_pull(pull, given.service_factor, centrifugal, hang))
    safety = mark("safety", static_safety(of.tensile_n * given.strands, greatest))
    shaft = mark("shaft", shaft_pull(pull, given.service_factor, hang))
    # What bearing and shaft carry is the duty's pull; the figure with the service factor is the strength check above.
    running = mark("shaft_running", shaft_pull(pull, 1.0, hang))
    if spare < 0:
        notice(
            "danger" if rating.power_kw < given.power_kw else "caution",
            "chain-short",
            "Carries {carried}, needs {wanted} with the service factor; " + rating.governing + " govern.",
            "input.strands",
            "More strands, more teeth, or another pitch.",
            carried=(rating.power_kw, "power"),
            wanted=(float(design), "power"),
        )
    if safety < 5:
        notice(
            "danger" if safety < 4 else "caution",
            "static-safety",
            f"Static safety {safety:.1f}: 5 with shocks counted is the least that is usual.",
            "input.chain",
        )
    if abs(given.angle_deg) % 180 > 60 and abs(given.angle_deg) % 180 < 120:
        notice(
            "info",
            "vertical",
            "Near upright the slack falls away from the lower sprocket: keep the strand tauter and use a take-up.",
            "input.layout.angle",
        )
    oil = oil_grade(given.celsius)
    if oil is None:
        notice(
            "caution",
            "oil",
            "Outside -7 to 60 °C the oil table says nothing: ask the oil supplier.",
            "input.temperature",
        )
    return Drive(
        design_kw=float(design),
        driven_rpm=float(driven),
        speed_m_s=float(speed),
        length=length,
        rating=rating,
        spare_percent=spare,
        chordal_percent=float(pulse),
        pull_n=float(pull),
        centrifugal_n=float(centrifugal),
        sag_mm=float(sag),
        hand_mm=float(hand),
        sag_pull_n=float(hang),
        greatest_n=float(greatest),
        safety=float(safety),
        shaft_n=float(shaft),
        shaft_load=shaft_load(standing_new_n=2 * float(hang), running_n=float(running)),
        mass_kg=mass * length.pitches * of.pitch_mm / 1000,
        lubrication=lubrication_type(of, float(speed)),
        oil=oil,
        width_mm=float(over_strands(of.width_mm, of.spacing_mm, given.strands)),
        weight=chain_weight(of, given.strands, given.z_1, given.z_2, length.pitches),
    )
