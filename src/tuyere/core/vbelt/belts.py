"""A belt from its designation: B90, BX 90, 5VX-1000."""

from __future__ import annotations

import re
from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.steps import looked_up
from tuyere.core.tables import table
from tuyere.core.vbelt.formulas import datum_length, effective_length
from tuyere.core.vbelt.tables import Section, length_axis, section

PATTERN = re.compile(r"^\s*(2L|3L|4L|5L|SPZ|SPA|SPB|SPC|[358]VX?|[A-EZ]X?)[\s\-./]*([0-9]{2,5}(?:\.[0-9])?)\s*$")


@dataclass(frozen=True, slots=True)
class Belt:
    """A belt: its section, the number on it, its length along the datum or effective line, in inches."""

    section: Section
    number: float
    length_in: float
    length_kind: str

    @property
    def designation(self) -> str:
        """As it is written on the belt."""
        return f"{self.section.name}{self.number:g}"

    @property
    def factor_number(self) -> float:
        """What the length-factor table is entered with."""
        return self.length_in if self.section.narrow else self.number


def parse_designation(text: str, field: str = "belt.designation") -> tuple[str, float]:
    """Section and number of a designation; spaces, dashes and lower case are forgiven. Raises InputError."""
    found = PATTERN.match(text.upper())
    if not found:
        raise InputError(
            field, text, "not a belt designation this program reads", "section and number, such as B90, BX90, 5VX1000"
        )
    return found[1], float(found[2])


def belt(text: str, field: str = "belt.designation") -> Belt:
    """A belt from its designation; a number outside the standard series is allowed and said.

    Raises InputError for an unknown section or a number outside the length-factor table.
    """
    name, number = parse_designation(text, field)
    made = belt_of(section(name, field), number, field)
    if not table("lengths").select(section=made.section.groove, number=int(number)):
        notice(
            "caution",
            "length-not-standard",
            f"{made.designation} is not in the standard lengths: check that it can be had.",
            field,
        )
    return made


def belt_of(of: Section, number: float, field: str = "belt.designation") -> Belt:
    """A belt of a section by the number on it; raises InputError outside the length-factor table."""
    xs = length_axis(of.groove).xs
    if of.narrow:
        if not xs[0] <= number / 10 <= xs[-1]:
            raise InputError(
                field,
                number,
                f"{of.name} lengths run from {xs[0] * 10:.0f} to {xs[-1] * 10:.0f}",
                f"{of.name}{xs[0] * 10:.0f} to {of.name}{xs[-1] * 10:.0f}",
            )
        return Belt(of, number, float(effective_length(number)), "effective")
    if not xs[0] <= number <= xs[-1]:
        raise InputError(
            field,
            number,
            f"{of.name} lengths run from {xs[0]:.0f} to {xs[-1]:.0f}",
            f"{of.name}{xs[0]:.0f} to {of.name}{xs[-1]:.0f}",
        )
    t = table("length_addition")
    add = [row for row in t.select(section=of.groove) if row[1] <= number][-1]
    addition = looked_up("L_add", float(add[2]), t.id, t.source_of(str(add[3])), number=number)
    return Belt(of, number, float(datum_length(number, addition)), "datum")
