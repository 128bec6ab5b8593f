"""Inputs that the flat belt calculations share."""

from __future__ import annotations

from typing import Literal

from tuyere.calc.frame import Frame
from tuyere.core.flat.tables import Material as Belting
from tuyere.core.units import MM_PER_IN

Material = Literal[
    "leather-11",
    "leather-13",
    "leather-18",
    "leather-20",
    "leather-23",
    "polyamide-f0",
    "polyamide-f1",
    "polyamide-f2",
    "polyamide-a2",
    "polyamide-a3",
    "polyamide-a4",
    "polyamide-a5",
]


def belt_words(of: Belting, width_mm: float, frame: Frame) -> str:
    """Material and width in the person's system: leather goes by its thickness in inches, which no line has beside millimetres.

    >>> from tuyere.core.flat.tables import material
    >>> belt_words(material("leather-20"), 177.8, Frame("us")), belt_words(material("leather-20"), 177.8, Frame("si"))
    ('leather, 2-ply, 20/64 in, 7 in wide', 'leather, 2-ply, 7.9 mm, 177.8 mm wide')
    """
    f, name = frame.figure, of.name
    kind, _, thick = name.rpartition(", ")
    if frame.units == "si" and thick.endswith(" in"):
        name = f"{kind}, {f(of.thickness_in * MM_PER_IN, 'length', 'size').shown}"
    return f"{name}, {f(width_mm, 'length', 'size').shown} wide"
