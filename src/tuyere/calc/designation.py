"""What is on a drive, as lists and papers say it, with its sizes in the person's system."""

from __future__ import annotations

import re

from tuyere.core.units import MM_PER_IN

_INCHES = re.compile(r"(?:(?:(\d+) )?(\d+)/(\d+)|(\d+(?:\.\d+)?)) in\b")


def _mm(found: re.Match[str]) -> str:
    whole, top, bottom, plain = found.groups()
    inches = float(plain) if plain is not None else int(whole or 0) + int(top) / int(bottom)
    mm = inches * MM_PER_IN
    return f"{f'{mm:.1f}'.rstrip('0').rstrip('.') if mm < 1000 else f'{mm:.0f}'} mm"


def what_in_system(what: str, units: str) -> str:
    """Leather and toothed belts are kept by their width in inches; inches do not stand beside millimetres on one sheet.

    Belt and chain numbers are names and stay. Digits are those of a size in the drive's own answer, so that one width
    reads alike everywhere. Source: 25.4 mm to the inch, by definition.

    >>> what_in_system("leather, 2-ply, 5/16 in, 7 in wide", "si"), what_in_system("2 × 5VX1000", "si")
    ('leather, 2-ply, 7.9 mm, 177.8 mm wide', '2 × 5VX1000')
    """
    return what if units == "us" else _INCHES.sub(_mm, what)
