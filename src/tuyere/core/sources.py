"""Where a figure comes from, in a form that can be shown beside it."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True, kw_only=True)
class Source:
    """A publication or a derivation.

    ``origin`` is "recalled" (from memory, not open while writing), "derived" (follows from
    geometry or statics), "exact" (a definition), or "common practice".
    ``confidence`` is high, medium or low.
    """

    title: str
    edition: str = ""
    clause: str = ""
    origin: str = "recalled"
    confidence: str = "high"


IP20 = Source(title="ANSI/RMA IP-20, classical V-belts", edition="1988")
IP_RATING = Source(title="ANSI/RMA IP-20 and IP-22, power rating of V-belts", edition="1977, 1988; IP-22")
IP_TENSION = Source(
    title="ANSI/RMA IP-20 and IP-22, tensioning",
    edition="1988; IP-22",
    clause="",
    origin="recalled",
    confidence="medium",
)
IP_TENSION_FORCE = Source(title="ANSI/RMA IP-20 and IP-22, force-deflection method", edition="1988; IP-22")
TEXTBOOK = Source(title="Shigley, Mechanical Engineering Design, chapter on flexible elements")
GEOMETRY = Source(title="plane geometry", origin="derived")
STATICS = Source(title="statics of a belt on fixed centres", origin="derived")
STRING = Source(title="equation of the stretched string", origin="derived")
ELASTIC_STRING = Source(title="elastic string pressed at mid-span; Y = EA/2048", origin="derived")
KINEMATICS = Source(title="kinematics of a belt on two pulleys", origin="derived")
EXACT_UNITS = Source(title="definitions of the inch, the pound-force and the horsepower", origin="exact")
DUTY = Source(title="ANSI/RMA IP-20, service factors", edition="1988")
PRACTICE = Source(title="common practice", origin="common practice", confidence="medium")
