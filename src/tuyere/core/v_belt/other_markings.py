"""What stands on belts that are no plain V-belts: synchronous, ribbed, hexagonal; read, and said to be unrated where so."""

from __future__ import annotations

import re

from tuyere.core.units import MM_PER_IN
from tuyere.core.v_belt.reading import Reading

# Inch trapezoidal: length in tenths of an inch, pitch code, width in hundredths. ISO 5296, RMA IP-24.
INCH_TOOTHED = re.compile(r"^(\d{2,4})\s*-?\s*(MXL|XXL|XL|L|H|XH|XXH)\s*-?\s*(\d{3})?$")
# Metric trapezoidal: T or AT, pitch, length in mm, width before or after. DIN 7721, ISO 17396.
METRIC_TOOTHED = re.compile(
    r"^(?:(\d{1,3})\s*)?(A?T)\s*(2[.,]5|5|10|20)\s*[/X×-]\s*(\d{3,5})(?:\s*[/X×-]\s*(\d{1,3}))?$"
)
# Curvilinear: length in mm, tooth form where it stands, pitch, width. ISO 13050.
CURVED = re.compile(r"^(\d{2,5})\s*-?\s*([HRS]?)\s*(2|3|4[.,]5|5|8|14|20)M\s*-?\s*(\d{1,3})?$")
CURVED_FIRST = re.compile(r"^([HRS])(2|3|4[.,]5|5|8|14|20)M\s*[-/X× ]\s*(\d{2,5})(?:\s*[-/X× ]\s*(\d{1,3}))?$")
# Ribbed: number of ribs, profile, effective length in mm; or length in tenths of an inch, letter, ribs. ISO 9982, 9981.
RIBBED = re.compile(r"^(\d{1,3})\s*P([HJKLM])\s*-?\s*(\d{3,5})$")
RIBBED_FIRST = re.compile(r"^P([HJKLM])\s*(\d{3,5})\s*[X×/-]\s*(\d{1,3})$")
RIBBED_INCH = re.compile(r"^(\d{3,4})\s*-?\s*([HJKLM])\s*-?\s*(\d{1,2})$")
# Hexagonal, double-sided, by effective length in mm. ISO 5289.
HEXAGONAL = re.compile(r"^H(AA|BB|CC|DD)\s*-?\s*(\d{3,5})$")
PITCH_IN = {"MXL": 0.080, "XXL": 0.125, "XL": 0.200, "L": 0.375, "H": 0.500, "XH": 0.875, "XXH": 1.250}
RIB_MM = {"H": 1.60, "J": 2.34, "K": 3.56, "L": 4.70, "M": 9.40}
RATED = "rated here by ISO 5295"
UNRATED = "not rated here without the tension its maker allows"


def _toothed(
    name: str, profile: str, *, length_mm: float, pitch_mm: float, width: str, sure: str, more: str, metric: bool
) -> Reading:
    teeth = length_mm / pitch_mm
    whole = abs(teeth - round(teeth)) < 0.02
    words = f"synchronous, {profile}, {pitch_mm:g} mm pitch; {length_mm:g} mm pitch length"
    words += f", {round(teeth)} teeth" if whole else "; that is no whole number of teeth: read it again"
    return Reading(
        designation=name,
        section=profile,
        construction="synchronous",
        joined=1,
        inside_mm=None,
        line_mm=length_mm,
        line_kind="pitch",
        outside_mm=None,
        words="; ".join(w for w in (words + (f", {width} wide" if width else ""), more) if w),
        sure=sure if whole else "low",
        metric=metric,
    )


def _inch(text: str) -> list[Reading]:
    if not (m := INCH_TOOTHED.match(text)):
        return []
    code, profile, width = m[1], m[2], m[3]
    wide = f"{int(width) / 100:g} in" if width else ""
    length = int(code) / 10 * MM_PER_IN
    rated = RATED if profile not in ("MXL", "XXL") else RATED + ", small drives"
    name = f"{code}{profile}{width or ''}"
    return [
        _toothed(
            name,
            profile,
            length_mm=round(length, 3),
            pitch_mm=PITCH_IN[profile] * MM_PER_IN,
            width=wide,
            sure="high",
            more=rated,
            metric=False,
        )
    ]


def _metric(text: str) -> list[Reading]:
    if not (m := METRIC_TOOTHED.match(text)):
        return []
    pitch = float(m[3].replace(",", "."))
    profile = f"{m[2]}{pitch:g}"
    width = m[1] or m[5]
    name = f"{profile}/{m[4]}" + (f", {width} mm" if width else "")
    return [
        _toothed(
            name,
            profile,
            length_mm=float(m[4]),
            pitch_mm=pitch,
            width=f"{width} mm" if width else "",
            sure="high",
            more=UNRATED,
            metric=True,
        )
    ]


def _curved(text: str) -> list[Reading]:
    if m := CURVED.match(text):
        length, form, pitch, width = m[1], m[2], m[3], m[4]
    elif m := CURVED_FIRST.match(text):
        form, pitch, length, width = m[1], m[2], m[3], m[4]
    else:
        return []
    number = float(pitch.replace(",", "."))
    profile = f"{form}{number:g}M"
    more = (
        UNRATED
        if form
        else f"the letter for the tooth (H, R or S) is missing: look at the tooth before ordering; {UNRATED}"
    )
    name = f"{length}-{profile}" + (f"-{width}" if width else "")
    return [
        _toothed(
            name,
            profile,
            length_mm=float(length),
            pitch_mm=number,
            width=f"{width} mm" if width else "",
            sure="high" if form else "medium",
            more=more,
            metric=True,
        )
    ]


def _rib(name: str, letter: str, *, ribs: int, length_mm: float, sure: str, metric: bool) -> Reading:
    words = (
        f"ribbed, profile P{letter}, {ribs} ribs {RIB_MM[letter]:g} mm apart, about {ribs * RIB_MM[letter]:.0f} mm wide; "
        f"{length_mm:g} mm effective length; not rated here"
    )
    return Reading(
        designation=name,
        section=f"P{letter}",
        construction="ribbed",
        joined=1,
        inside_mm=None,
        line_mm=length_mm,
        line_kind="effective",
        outside_mm=None,
        words=words,
        sure=sure,
        metric=metric,
    )


def _ribbed(text: str) -> list[Reading]:
    if m := RIBBED.match(text):
        return [_rib(f"{m[1]}P{m[2]}{m[3]}", m[2], ribs=int(m[1]), length_mm=float(m[3]), sure="high", metric=True)]
    if m := RIBBED_FIRST.match(text):
        return [_rib(f"{m[3]}P{m[1]}{m[2]}", m[1], ribs=int(m[3]), length_mm=float(m[2]), sure="high", metric=True)]
    if m := RIBBED_INCH.match(text):
        return [
            _rib(
                f"{m[1]}{m[2]}{m[3]}",
                m[2],
                ribs=int(m[3]),
                length_mm=round(int(m[1]) / 10 * MM_PER_IN, 1),
                sure="medium",
                metric=False,
            )
        ]
    return []


def _hexagonal(text: str) -> list[Reading]:
    if not (m := HEXAGONAL.match(text)):
        return []
    words = f"hexagonal, drives from both sides, {m[1][0]} grooves; {m[2]} mm effective length; not rated here"
    return [
        Reading(
            designation=f"H{m[1]} {m[2]}",
            section=f"H{m[1]}",
            construction="double-sided",
            joined=1,
            inside_mm=None,
            line_mm=float(m[2]),
            line_kind="effective",
            outside_mm=None,
            words=words,
            sure="medium",
            metric=True,
        )
    ]


def read_other(text: str) -> list[Reading]:
    """Readings of a marking, upper case and single-spaced, that is not one of a V-belt; empty where it is none.

    Source: ISO 5296, DIN 7721 and ISO 17396, ISO 13050, ISO 9982 and 9981, ISO 5289; all recalled.
    """
    return [r for read in (_inch, _metric, _curved, _ribbed, _hexagonal) for r in read(text)]
