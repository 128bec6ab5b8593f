"""What stands on a belt, read: section, length with its convention, construction, joined count; several readings ranked."""

from __future__ import annotations

import re
from collections.abc import Callable
from dataclasses import replace
from itertools import product

from tuyere.core.errors import InputError
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN
from tuyere.core.v_belt.other_markings import read_other
from tuyere.core.v_belt.reading import Reading

JOINED = re.compile(r"^(\d{1,2})\s*/\s*(.+)$")
JOINED_AFTER = re.compile(r"^(.+?)\s*/\s*(\d{1,2})$")
COUNTED = re.compile(r"^([2-9]|1[0-2])\s*(?=[A-E]X?\s*-?\s*[\d?]{2,3}$)")
CLASSICAL = re.compile(r"^([A-EZ])(X?)[\s\-.]*([\d?]{2,3}(?:\.\d)?)$")
DOUBLE = re.compile(r"^([ABCD])\1[\s\-.]*([\d?]{2,3})$")
NARROW = re.compile(r"^([358])V(X?)[\s\-.]*([\d?]{3,4})$")
LIGHT = re.compile(r"^([2345])L[\s\-.]*([\d?]{2,4})$")
# A classical belt by its datum length in millimetres: Z in any length, the others from four digits on. ISO 4184.
CLASSICAL_MM = re.compile(r"^(?:(Z)[\s\-.]*([\d?]{3,4})|([A-E])[\s\-.]*([\d?]{4,5}))(?:\s*L?[DPW])?$")
METRIC = re.compile(r"^(SP|XP)([ZABC])[\s\-.]*([\d?]{3,5})(?:\s*L[DPW])?$")
DIN = re.compile(r"^(8|10|13|17|20|22|25|32|40)\s*[X×]\s*([\d?]{3,5})\s*(LI|LA|LD|LP|LW)?$")
AUTOMOTIVE = re.compile(r"^AV\s*(\d{1,2}(?:\.\d)?)\s*[X×]\s*(\d{3,4})\s*(LA)?$")
OF_WIDTH = {"10": "Z", "13": "A", "17": "B", "22": "C", "32": "D", "40": "E"}
LONGEST_NUMBER = 660  # of D and E; a higher one is a length in millimetres
SURE = ("high", "medium", "low")


def _conventions(section: str) -> tuple[float, float] | None:
    rows = table("length_conventions").select(section=section)
    return (float(rows[0][1]), float(rows[0][2])) if rows else None


def _classical(letter: str, cogged: bool, number: float, joined: int) -> Reading:
    section = letter + ("X" if cogged else "")
    name = f"{section}{number:g}"
    inside = number * MM_PER_IN
    made = _conventions(section) or (0.0, 0.0)
    line: float | None = inside + made[0]
    listed = table("lengths").select(section=letter, number=int(number)) if number == int(number) else []
    words = (
        f"{letter} section{', cogged (raw edge)' if cogged else ''}; {number:g} is the nominal inside length in inches"
    )
    if listed:
        line = float(listed[0][2]) * MM_PER_IN
        # Over number 210 the number is no longer the inside length: it follows from the length along the line.
        inside = line - made[0]
    elif number > 210:
        line, words = None, words + "; long belts add less to the inside length"
    return Reading(
        designation=name,
        section=section,
        construction="cogged" if cogged else "wrapped",
        joined=joined,
        inside_mm=inside,
        line_mm=line,
        line_kind="datum",
        outside_mm=inside + made[1],
        words=words,
        sure="high",
    )


def _narrow(section: str, number: int, joined: int) -> Reading:
    length = number / 10 * MM_PER_IN
    words = f"{section} section; {number} is the effective length in tenths of an inch"
    return Reading(
        designation=f"{section}{number}",
        section=section,
        construction="cogged" if section.endswith("X") else "wrapped",
        joined=joined,
        inside_mm=None,
        line_mm=length,
        line_kind="effective",
        outside_mm=length,
        words=words,
        sure="high",
    )


def _light(section: str, digits: str) -> Reading:
    outside = int(digits) / 10 * MM_PER_IN
    words = "light duty; the last digits are the OUTSIDE length in tenths of an inch. Not for a heavy drive, whatever its width"
    return Reading(
        designation=f"{section}{digits}",
        section=section,
        construction="light duty",
        joined=1,
        inside_mm=None,
        line_mm=None,
        line_kind="outside",
        outside_mm=outside,
        words=words,
        sure="high",
    )


def _metric(prefix: str, letter: str, length: int) -> Reading:
    cogged = prefix == "XP"
    name = f"SP{letter} {length}" + (" cogged" if cogged else "")
    words = f"metric wedge SP{letter}{', cogged' if cogged else ''}; {length} is the datum length in mm"
    words += ". A wedge belt, deeper than a classical one, for its own grooves"
    return Reading(
        designation=name,
        section=f"SP{letter}" if not cogged else f"XP{letter}",
        construction="cogged" if cogged else "wrapped",
        joined=1,
        inside_mm=None,
        line_mm=float(length),
        line_kind="datum",
        outside_mm=None,
        words=words,
        sure="high",
        metric=True,
    )


def _din(width: str, length: int, kind: str | None) -> list[Reading]:
    letter = OF_WIDTH.get(width)
    made = _conventions(width)
    out = []
    if kind in (None, "LI") and letter and made:
        words = f"{width} mm wide ({letter}); {length} mm inside length, old metric marking"
        out.append(
            Reading(
                designation=f"{width}x{length} Li",
                section=letter,
                construction="wrapped",
                joined=1,
                inside_mm=float(length),
                line_mm=length + made[0],
                line_kind="datum",
                outside_mm=length + made[1],
                words=words,
                sure="high" if kind else "medium",
                metric=True,
            )
        )
    if kind in ("LD", "LP", "LW") and letter and made:
        words = f"{width} mm wide ({letter}); {length} mm datum length"
        out.append(
            Reading(
                designation=f"{width}x{length} Ld",
                section=letter,
                construction="wrapped",
                joined=1,
                inside_mm=length - made[0],
                line_mm=float(length),
                line_kind="datum",
                outside_mm=length - made[0] + made[1],
                words=words,
                sure="high",
                metric=True,
            )
        )
    if kind in (None, "LA"):
        words = f"{width} mm wide, {length} mm OUTSIDE length: an automotive belt, other angle and depth; not for an industrial sheave"
        out.append(
            Reading(
                designation=f"AV{width}x{length} La",
                section=f"AV{width}",
                construction="automotive",
                joined=1,
                inside_mm=None,
                line_mm=None,
                line_kind="outside",
                outside_mm=float(length),
                words=words,
                sure="medium" if kind else "low",
                metric=True,
            )
        )
    return out


def _digits(pattern: str, choices: list[str] | None) -> list[str]:
    """All numbers a half-worn one may be: those of the standard lengths first, then any, for belts are made off the list too."""
    if "?" not in pattern:
        return [pattern]
    if pattern.count("?") > 2:
        return []
    fits = re.compile("^" + pattern.replace("?", r"\d") + "$")
    parts = [("0123456789" if c == "?" else c) for c in pattern]
    every = ["".join(p) for p in product(*parts)]
    listed = [c for c in choices or [] if fits.match(c)]
    return listed + [n for n in every if n not in listed and not n.startswith("0")]


def _classical_mm(letter: str, length: int) -> Reading:
    made = _conventions({"Z": "10", "A": "13", "B": "17", "C": "22", "D": "32", "E": "40"}[letter])
    words = f"{letter} section; {length} is the datum length in mm (ISO 4184)"
    inside = length - made[0] if made else None
    outside = inside + made[1] if made and inside is not None else None
    return Reading(
        designation=f"{letter} {length}",
        section=letter,
        construction="wrapped",
        joined=1,
        inside_mm=inside,
        line_mm=float(length),
        line_kind="datum",
        outside_mm=outside,
        words=words,
        sure="high",
        metric=True,
    )


def _standard(section: str) -> list[str]:
    return [f"{float(n):g}" for n in table("lengths").column("number", section=section)]


def _listed_first(groove: str, pattern: str, read: Callable[[str], Reading]) -> list[Reading]:
    """A half-worn number: lengths of the list first; the others, which are made as well, are less likely."""
    standard = _standard(groove)
    found = []
    for n in _digits(pattern, standard or None):
        one = read(n)
        worn = "?" in pattern and f"{float(n):g}" not in standard
        found.append(
            replace(one, sure="medium", words=one.words + "; not in the list of standard lengths") if worn else one
        )
    return found


def _one(text: str, joined: int) -> list[Reading]:
    if m := CLASSICAL.match(text):
        letter, cogged, number = m[1], bool(m[2]), m[3]
        if cogged and letter not in "ABC":
            return []
        if not cogged and "?" not in number and float(number) > LONGEST_NUMBER:
            return [_said(_classical_mm(letter, int(float(number))), "no inch number is so high", "medium")]
        return _listed_first(letter, number, lambda n: _classical(letter, cogged, float(n), joined))
    if m := CLASSICAL_MM.match(text):
        return [_classical_mm(m[1] or m[3], int(n)) for n in _digits(m[2] or m[4], None)]
    if m := NARROW.match(text):
        groove, section, number = f"{m[1]}V", f"{m[1]}V{m[2]}", m[3]
        if section == "8VX":
            return []
        return _listed_first(groove, number, lambda n: _narrow(section, int(n), joined))
    if m := LIGHT.match(text):
        return [_light(f"{m[1]}L", n) for n in _digits(m[2], None) if len(n) >= 3]
    if m := METRIC.match(text):
        return [_metric(m[1], m[2], int(n)) for n in _digits(m[3], None)]
    if m := DIN.match(text):
        return [r for n in _digits(m[2], None) for r in _din(m[1], int(n), m[3])]
    if m := AUTOMOTIVE.match(text):
        words = f"automotive, {m[1]} mm wide, {m[2]} mm outside length; not for an industrial sheave"
        return [
            Reading(
                designation=f"AV{m[1]}x{m[2]} La",
                section=f"AV{m[1]}",
                construction="automotive",
                joined=1,
                inside_mm=None,
                line_mm=None,
                line_kind="outside",
                outside_mm=float(m[2]),
                words=words,
                sure="high",
                metric=True,
            )
        ]
    if m := DOUBLE.match(text):
        words = "double-sided, drives from both sides; which length the number states is not recalled: measure it"
        return [
            Reading(
                designation=f"{m[1] * 2}{n}",
                section=m[1] * 2,
                construction="double-sided",
                joined=1,
                inside_mm=None,
                line_mm=None,
                line_kind="",
                outside_mm=None,
                words=words,
                sure="medium",
            )
            for n in _digits(m[2], _standard(m[1]) or None)
        ]
    return read_other(text)


def read_marking(text: str, field: str = "marking") -> list[Reading]:
    """Every reading of a marking, likeliest first. ``?`` stands for a worn character of the number.

    Raises InputError when nothing can be made of it. Source: IP-20, IP-22, IP-23, ISO 4184, DIN 2215 and 7753 conventions.
    """
    clean = re.sub(r"\s+", " ", text.strip().upper())
    found: list[Reading] = []
    if m := JOINED.match(clean):
        found += [_joined(r, int(m[1])) for r in _one(m[2].strip(), int(m[1]))]
    elif m := JOINED_AFTER.match(clean):
        found += [_joined(r, int(m[2])) for r in _one(m[1].strip(), int(m[2]))]
    elif m := COUNTED.match(clean):
        rest = clean[m.end() :]
        found += [_joined(r, int(m[1]), "medium") for r in _one(rest, int(m[1]))]
        found += [
            _said(r, f"or a count of {m[1]} single belts: look for the tie band", "medium") for r in _one(rest, 1)
        ]
    else:
        found += _one(clean, 1)
    if not found and "O" in clean:
        # A letter O where a digit belongs is a zero that was read or struck badly.
        swapped = re.sub(r"(?<=[\d?A-EXVL])O(?=[\dO?]*$)", "0", clean)
        if swapped != clean:
            found = [_said(r, "letter O read as zero", "low") for r in read_marking(swapped, field)]
    if not found:
        raise InputError(
            field,
            text,
            "no belt marking this program reads",
            "such as B68, BX68, 3/B90, 5VX900, 4L430, SPB 2000, 17x1600 Li, 210L050, 1200-8M-30, 6PK1200; ? for a worn digit",
        )
    return sorted(found, key=lambda r: SURE.index(r.sure))[:12]


def _joined(r: Reading, count: int, sure: str | None = None) -> Reading:
    named = replace(r, designation=f"{count}/{r.designation}", joined=count)
    return _said(named, f"{count} belts joined by a tie band", sure)


def _said(r: Reading, more: str, sure: str | None = None) -> Reading:
    worst = r.sure if sure is None else SURE[max(SURE.index(r.sure), SURE.index(sure))]
    return replace(r, words=f"{r.words}; {more}", sure=worst)
