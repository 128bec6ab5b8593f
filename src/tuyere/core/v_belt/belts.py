"""A belt from its designation: B90, BX 90, 5VX-1000, 4L430, SPB 2000."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import cache

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.steps import looked_up
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN
from tuyere.core.v_belt.formulas import datum_length, effective_length, metric_length
from tuyere.core.v_belt.sections import Section, section

PATTERN = re.compile(r"^\s*([2345]L|[SX]P[ZABC]|[358]VX?|[A-EZ]X?)[\s\-./]*([0-9]{2,5}(?:\.[0-9])?)(\s*COGGED)?\s*$")
LISTS = {"metric": "metric_lengths", "light": "light_lengths"}


@dataclass(frozen=True, slots=True)
class Belt:
    """A belt: its section, the number on it, its length along the datum or effective line, in inches."""

    section: Section
    number: float
    length_in: float
    length_kind: str

    @property
    def designation(self) -> str:
        """As it is written on the belt; metric cogged belts as "SPZ 1000 cogged"."""
        if self.section.metric:
            return f"{self.section.shown.removesuffix(' cogged')} {self.number:g}" + (
                " cogged" if self.section.cogged else ""
            )
        return f"{self.section.name}{self.number:g}"


def parse_designation(text: str, field: str = "belt.designation") -> tuple[str, float]:
    """Section and number of a designation; spaces, dashes and lower case are forgiven. Raises InputError."""
    found = PATTERN.match(text.upper())
    if not found:
        raise InputError(
            field,
            text,
            "not a belt designation this program reads",
            "section and number, such as B90, BX90, 5VX1000, SPB 2000",
        )
    name = found[1]
    if found[3]:
        if name[:2] not in ("SP", "XP"):
            raise InputError(
                field, text, "only metric wedge belts are written so", "SPZ, SPA, SPB or SPC, a number, cogged"
            )
        name = "XP" + name[2]
    return name, float(found[2])


@cache
def standard_numbers(of: Section) -> tuple[float, ...]:
    """The numbers of the standard lengths of a section, rising."""
    t = table(LISTS.get(of.family, "lengths"))
    return tuple(sorted(float(n) for n in t.column("number", section=of.groove)))


def belt(text: str, field: str = "belt.designation") -> Belt:
    """A belt from its designation; a number outside the standard series is allowed and said.

    Raises InputError for an unknown section or a number beyond the standard lengths.
    """
    name, number = parse_designation(text, field)
    made = belt_of(section(name, field), number, field)
    if number not in standard_numbers(made.section):
        notice(
            "caution",
            "length-not-standard",
            f"{made.designation} is not in the standard lengths: check that it can be had.",
            field,
        )
    return made


def belt_of(of: Section, number: float, field: str = "belt.designation") -> Belt:
    """A belt of a section by the number on it; raises InputError beyond the standard lengths."""
    known = standard_numbers(of)
    if not known[0] <= number <= known[-1]:
        raise InputError(
            field,
            number,
            f"{of.shown} lengths run from {known[0]:.0f} to {known[-1]:.0f}",
            f"{of.shown} {known[0]:.0f} to {of.shown} {known[-1]:.0f}",
        )
    if of.metric:
        return Belt(of, number, metric_length(number), "datum")
    if of.line_kind == "effective":
        return Belt(of, number, effective_length(number), "effective")
    t = table("length_addition")
    add = [row for row in t.select(section=of.groove) if row[1] <= number][-1]
    addition = looked_up("L_add", float(add[2]), t.id, t.source_of(str(add[3])), number=number)
    return Belt(of, number, datum_length(number, addition), "datum")


def length_mm_of(one: Belt) -> float:
    """Length along the datum or effective line, mm."""
    return one.length_in * MM_PER_IN
