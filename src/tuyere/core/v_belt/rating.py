"""Power of one belt by a rating book, and what forbids a sheave."""

from __future__ import annotations

from dataclasses import dataclass, replace

from tuyere.core.errors import InputError, NoSolution
from tuyere.core.notices import notice
from tuyere.core.sources import Source
from tuyere.core.speeds.formulas import ratio_of_diameters
from tuyere.core.steps import looked_up
from tuyere.core.v_belt.bases.pick import DEFAULT, basis_for
from tuyere.core.v_belt.bases.protocol import Basis
from tuyere.core.v_belt.belts import Belt
from tuyere.core.v_belt.formulas import link_power
from tuyere.core.v_belt.sections import Section, least_diameter_mm
from tuyere.core.v_belt.sheaves import Sheave
from tuyere.core.v_belt.tables import RIM_SPEED_LIMIT_M_S
from tuyere.core.v_belt.v_flat import flat_arc_factor

LINK_SECTIONS = ("A", "B", "C")
LINK_SHARE = 0.9
LINK_SOURCE = Source(
    title="practice with link belts, 0.9 to 1.0 of the plain belt", origin="common practice", confidence="low"
)


@dataclass(frozen=True, slots=True, kw_only=True)
class BeltRating:
    """Power of one belt in kW: basic, added for the ratio, corrected for arc and length; and the book it is from."""

    basic_kw: float
    added_kw: float
    arc_factor: float
    length_factor: float
    corrected_kw: float
    basis: str
    basis_title: str
    basis_source: str


def check_section_limits(belt: Section, small: Sheave, speed_m_s: float, field: str, book: str = "") -> None:
    """Refuse a sheave under the section's least diameter and a rim faster than cast iron stands."""
    size = small.pitch_mm if belt.min_kind == "pitch" else small.line_mm
    least = least_diameter_mm(belt, book)
    if size < least * (1 - 1e-9):
        other = "a cogged belt, a smaller section or a larger sheave would make it possible"
        raise InputError(
            f"{field}.diameter",
            size,
            f"smaller than section {belt.shown} can bend round; {other}",
            "{least} " + f"{belt.min_kind} diameter or more",
            least=(least, "length"),
        )
    if speed_m_s > RIM_SPEED_LIMIT_M_S:
        raise InputError(
            f"{field}.diameter",
            size,
            "belt speed {speed} is over the limit of cast-iron sheaves",
            "{most} at most",
            speed=(speed_m_s, "belt_speed"),
            most=(RIM_SPEED_LIMIT_M_S, "belt_speed"),
        )
    if belt.min_confidence == "low":
        stands = "the smallest standard sheave of its groove ({least}) stands in." if least else "none is checked."
        notice(
            "info",
            "least-diameter-assumed",
            f"No published least diameter of {belt.shown} is on hand; " + stands,
            "belt.designation",
            least=(least, "length"),
        )


def rate_one_belt(
    belt: Belt,
    small_pitch_mm: float,
    *,
    large_pitch_mm: float,
    small_rpm: float,
    arc_deg: float,
    asked: Basis = DEFAULT,
    v_flat: bool = False,
) -> BeltRating:
    """Power of one belt on a drive, by a rating basis; ``v_flat`` on a flat driven pulley. Raises InputError outside its tables."""
    basis = basis_for(asked, belt.section)
    ratio = ratio_of_diameters(large_pitch_mm, small_pitch_mm)
    k_theta = flat_arc_factor(arc_deg) if v_flat else basis.arc_factor(arc_deg)
    k_l = basis.length_factor(belt)
    p = basis.powers(belt.section, small_pitch_mm, ratio=ratio, rpm=small_rpm, K_theta=k_theta, K_L=k_l)
    if p.belt_kw <= 0:
        raise NoSolution(
            "at this speed the belt carries nothing: all its strength goes into its own weight and bending",
            "driver.speed",
            "a larger sheave or a lower speed",
        )
    return BeltRating(
        basic_kw=p.basic_kw,
        added_kw=p.added_kw,
        arc_factor=k_theta,
        length_factor=k_l,
        corrected_kw=p.belt_kw,
        basis=basis.id,
        basis_title=basis.title,
        basis_source=basis.source,
    )


def rated_as_link(belt: Belt, one: BeltRating) -> BeltRating:
    """A link belt of the section in place of the plain belt. Raises InputError on narrow, cogged and large sections.

    Source: common practice, 0.9 to 1.0 of the plain belt; the low end is taken.
    """
    if belt.section.name not in LINK_SECTIONS:
        raise InputError(
            "belt.construction",
            "link",
            f"no link belt is known to run in place of {belt.section.name}",
            " ".join(LINK_SECTIONS),
        )
    share = looked_up("K_link", LINK_SHARE, "", LINK_SOURCE)
    notice(
        "caution",
        "link-belt",
        "A link belt counts as 0.9 of the plain belt (common practice, low confidence): tabs trailing, retension after 24 h, "
        "never beside an endless belt, not as a clutch.",
        "belt.construction",
        "Its own sheet comes first.",
    )
    kw = link_power(one.corrected_kw, share)
    return replace(one, corrected_kw=kw)
