"""Inputs that the flat belt calculations share."""

from __future__ import annotations

from typing import Literal

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
