"""What is this belt? From a tape and a caliper, or from the pulleys alone when the belt is gone."""

from __future__ import annotations

from dataclasses import dataclass
from math import exp, pi

from tuyere.core.errors import InputError
from tuyere.core.geometry.centre import centre_of_length
from tuyere.core.notices import notice
from tuyere.core.steps import quiet
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN
from tuyere.core.v_belt.belts import belt_of, length_mm_of, standard_numbers
from tuyere.core.v_belt.groove_fit import USUAL_MM, belt_profile, pitch_under_top
from tuyere.core.v_belt.sections import belt_groove, sections

# How far a used belt's caliper reading strays: common practice, no source.
WIDTH_SPREAD_MM, DEPTH_SPREAD_MM = 0.6, 0.8
SEEMS, HARDLY = 0.25, 0.02
OFF_LIST = 0.005  # a belt half a percent off the list is another belt


@dataclass(frozen=True, slots=True, kw_only=True)
class Candidate:
    """A section that the measures fit, from 0 to 1, with the nearest standard belt where a length was given (mm)."""

    section: str
    family: str
    construction: str
    fit: float
    width_off_mm: float
    depth_off_mm: float | None
    nearest: str
    length_off_mm: float | None


@dataclass(frozen=True, slots=True)
class Verdict:
    """Candidates, best first; which are easily taken for each other; what would tell them apart."""

    candidates: tuple[Candidate, ...]
    either: tuple[str, ...]
    ask: str


def _lengths(section: str, family: str) -> list[tuple[str, float]]:
    """(designation, outside length in mm) of the standard belts of a section; light-duty belts come in half inches."""
    if family == "light duty":
        return [(f"{section}{n}", n / 10 * MM_PER_IN) for n in range(120, 1001, 5)]
    of = sections().get(section)
    if of is not None and of.metric:
        with quiet():
            above = pitch_under_top(belt_profile(section), USUAL_MM) or 0.0
            made = [belt_of(of, number) for number in standard_numbers(of)]
        # A metric belt counts its datum length; its outside lies further out all the way round.
        return [(b.designation, length_mm_of(b) + 2 * pi * above) for b in made]
    groove = section.removesuffix("X")
    add = table("length_conventions").select(section=section)
    out = []
    for row in table("lengths").select(section=groove):
        number = float(row[1])
        outside = (
            float(row[2]) * MM_PER_IN
            if groove.endswith("V")
            else float(row[2]) * MM_PER_IN + (float(add[0][2]) - float(add[0][1]) if add else 0.0)
        )
        out.append((f"{section}{number:g}", outside))
    return out


def own_number(section: str, outside_mm: float) -> tuple[str, float] | None:
    """(designation, outside length in mm) of the whole number that a tape comes to, listed or not; None where none is counted so.

    Belts are made by number, not only by the association's list: the number on an odd belt is its nominal inside length.
    Source: common practice with the inside-to-outside additions of the length table.
    """
    add = table("length_conventions").select(section=section)
    if not add or len(section.removesuffix("X")) != 1 or section.startswith("Z"):
        return None
    number = round((outside_mm - float(add[0][2])) / MM_PER_IN)
    return (f"{section}{number}", number * MM_PER_IN + float(add[0][2])) if 16 <= number <= 210 else None


def identify(width_mm: float, depth_mm: float | None, outside_mm: float | None, cogged: bool | None) -> Verdict:
    """Rank sections by how well a top width, a depth and a construction fit; nearest standard belt by outside length.

    Raises InputError for a width no V-belt has. Source: section tables; the spread of used belts is common practice.
    """
    if not 5 <= width_mm <= 45:
        raise InputError("top_width", width_mm, "no V-belt of the tables is so wide", "1/4 to 1 5/8 in (6 to 41 mm)")
    found = []
    for section, family, construction, width, depth, _groove, _alike, _ in table("belt_profiles").rows:
        if cogged is not None and construction != "either" and cogged != (construction == "cogged"):
            continue
        z = (width_mm - width) / WIDTH_SPREAD_MM
        fit = exp(-0.5 * z * z)
        off = None
        if depth_mm is not None:
            off = depth_mm - depth
            fit *= exp(-0.5 * (off / DEPTH_SPREAD_MM) ** 2)
        nearest, length_off = "", None
        if outside_mm is not None and (lengths := _lengths(section, family)):
            nearest, there = min(lengths, key=lambda x: abs(x[1] - outside_mm))
            length_off = outside_mm - there
            own = own_number(section, outside_mm)
            if own and abs(length_off) > OFF_LIST * outside_mm and abs(outside_mm - own[1]) < abs(length_off):
                nearest, length_off = own[0], outside_mm - own[1]
        found.append(
            Candidate(
                section=section,
                family=family,
                construction=construction,
                fit=fit,
                width_off_mm=width_mm - width,
                depth_off_mm=off,
                nearest=nearest,
                length_off_mm=length_off,
            )
        )
    found.sort(key=lambda c: -c.fit)
    if not found or found[0].fit < HARDLY:
        near = ", ".join(c.section for c in sorted(found, key=lambda c: abs(c.width_off_mm))[:3])
        raise InputError(
            "top_width",
            width_mm,
            "fits no section of the tables; an automotive or a machine's own belt looks like this",
            f"nearest by width: {near}",
        )
    kept = tuple(c for c in found if c.fit >= max(HARDLY, 0.05 * found[0].fit))
    either = tuple(c.section for c in kept if c.fit >= SEEMS * found[0].fit)
    ask = _ask(kept, either, depth_mm, outside_mm, cogged)
    if any(c.family == "light duty" for c in kept[:4]) and any(c.family == "classical" for c in kept[:4]):
        notice(
            "caution",
            "either",
            "Light-duty and industrial belts of this width cannot be told apart by a tape: marking, cover and duty decide. "
            "On more than about 1 hp take the industrial one.",
            "input.top_width",
        )
    return Verdict(kept, either, ask)


def _ask(
    kept: tuple[Candidate, ...],
    either: tuple[str, ...],
    depth: float | None,
    outside: float | None,
    cogged: bool | None,
) -> str:
    """The one more thing that would tell the rest apart."""
    if len(either) < 2:
        return (
            "Nothing more: one section fits."
            if outside is not None
            else "The outside length by tape, for the designation."
        )
    rows = {r[0]: r for r in table("belt_profiles").rows}
    left = [rows[s] for s in either]
    if depth is None and max(r[4] for r in left) - min(r[4] for r in left) > DEPTH_SPREAD_MM:
        return "The depth by caliper: it differs most among those left."
    if cogged is None and len({r[2] for r in left} - {"either"}) > 1:
        return "Is it cogged underneath or smooth?"
    if len({r[1] for r in left}) > 1:
        return "The marking, the cover and the duty: steep narrow, classical and light-duty belts of one width differ in strength, not by tape."
    return "The marking, if any of it is left."


@dataclass(frozen=True, slots=True)
class Stands:
    """A standard belt on two sheaves: the centre distance it gives and what is left of the take-up, mm."""

    designation: str
    centre_mm: float
    from_low_mm: float
    to_high_mm: float


def belts_that_fit(
    groove: str, driver_line_mm: float, driven_line_mm: float, low_mm: float, high_mm: float
) -> list[Stands]:
    """Standard belts of a groove whose centre distance lies in a range; diameters along the length's line.

    Raises InputError when none does, naming the nearest. Source: exact geometry, standard lengths.
    """
    small, large = min(driver_line_mm, driven_line_mm), max(driver_line_mm, driven_line_mm)
    every: list[Stands] = []
    of = sections().get(belt_groove(groove))
    if of is None:
        raise InputError(
            "groove",
            groove,
            "no standard lengths in the table",
            " ".join(sorted({x.groove for x in sections().values()})),
        )
    with quiet():
        for number in standard_numbers(of):
            one = belt_of(of, number)
            try:
                centre = centre_of_length(length_mm_of(one), small, large)
            except InputError:
                continue
            every.append(Stands(one.designation, centre, centre - low_mm, high_mm - centre))
    fits = [s for s in every if s.from_low_mm >= -1e-6 and s.to_high_mm >= -1e-6]
    if not fits:
        near = min(every, key=lambda s: max(-s.from_low_mm, -s.to_high_mm), default=None)
        allowed = f"nearest: {near.designation} at {{centre}}" if near else "larger centres"
        at = {"centre": (near.centre_mm, "length")} if near else {}
        raise InputError("centre", low_mm, "no standard belt stands in that range", allowed, **at)
    return fits
