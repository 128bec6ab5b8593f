"""The tag that stays on the machine: what to press, what the gauge should show, when it was set, and what comes first."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from tuyere.core.drawing.scene import Circle, Item, Line, Scene, Shape, Text, box
from tuyere.exchange.sheets.facts import ToSet
from tuyere.exchange.sheets.qr import qr_scene

Size = Literal["100x50", "4x2in", "round60"]
SIZES: dict[str, tuple[float, float]] = {"100x50": (100.0, 50.0), "4x2in": (101.6, 50.8), "round60": (60.0, 60.0)}
RULE_MM, RULE_IN = 1.0, 25.4 / 16


@dataclass(frozen=True, slots=True, kw_only=True)
class Tag:
    """What a tag says. ``first`` is what has to be off before a hand goes in; ``due`` what comes next."""

    name: str
    at: ToSet
    set_on: str
    due: str
    first: str
    address: str
    inches: bool


def _wide(text: str, size: float, face: str) -> float:
    """About how wide a text is: figures have one width, labels are narrow."""
    return len(text) * size * (0.6 if face == "figure" else 0.42 if face == "label" else 0.5)


def _fit(text: str, size: float, face: str, room: float) -> float:
    """The size at which a text has room."""
    wide = _wide(text, size, face)
    return size if wide <= room else size * room / wide


def _line(x: float, y: float, text: str, size: float, *, room: float, **how: object) -> Text:
    face = str(how.get("face", "label"))
    return Text(x=x, y=y, text=text, size=_fit(text, size, face, room), **{"face": "label", **how})  # type: ignore[arg-type]


def _rule(x: float, y: float, tall: float, mark_mm: float, inches: bool) -> list[Item]:
    """A piece of rule of true length from the top down, with a pointer at the mark."""
    step, long = (RULE_IN, 4) if inches else (RULE_MM, 5)
    items: list[Item] = [Shape(points=box(x, y, 5.5, tall), pen="thin")]
    k = 0
    while k * step <= tall - 1.2:
        reach = 3.8 if k % long == 0 else 2.2
        at = y + tall - 1.0 - k * step
        items.append(Line(x1=x, y1=at, x2=x + reach, y2=at, pen="thin"))
        k += 1
    at = y + tall - 1.0 - mark_mm
    if at > y:
        items.append(Shape(points=((x + 5.6, at), (x + 7.8, at + 1.2), (x + 7.8, at - 1.2)), fill="ink"))
    return items


def oblong(tag: Tag, width: float, height: float) -> Scene:
    """A tag 100 x 50 mm or 4 x 2 in, its hole upper left."""
    at, qr = tag.at, 18.0
    top, foot = height - 7.2, 7.4
    items: list[Item] = [
        Shape(points=box(0.4, 0.4, width - 0.8, height - 0.8), pen="thick"),
        Circle(x=3.6, y=height - 3.8, r=1.7, pen="thin"),
        _line(7.0, height - 5.2, tag.name, 4.6, room=width - 10, bold=True),
        Line(x1=7.0, y1=top, x2=width - 3, y2=top, pen="thin"),
        *qr_scene(tag.address, qr).placed(width - qr - 4.0, height - qr - 9.6),
        Line(x1=3, y1=18.2, x2=width - 3, y2=18.2, pen="thin"),
        Shape(points=box(0.6, 0.6, width - 1.2, foot - 0.6), pen="thin", fill="ink"),
        _line(3.2, 2.6, f"FIRST: {tag.first}", 3.9, room=width - 6.4, bold=True, light=True),
    ]
    room = width - qr - 40.0
    if at.bands:
        rule = height - 7.2 - 2.0 - 19.6
        short = at.mark_mm < rule - 2
        if short:
            items += _rule(3.2, 19.6, rule, at.mark_mm, tag.inches)
        x = 12.2 if short else 4.0
        items += [
            _line(x, height - 12.0, "press to", 3.0, room=20),
            _line(x, height - 18.2, at.mark, 5.4, room=21, bold=True),
            _line(x, height - 22.6, "true length" if short else "by the rule", 2.8, room=20),
        ]
        y = height - 14.6
        for band in at.bands[:2]:
            items.append(_line(34.0, y, band.number, 6.2, room=room, face="figure", bold=True))
            items.append(_line(34.0, y - 4.0, f"{band.unit}, {band.label}", 3.4, room=room, bold=True))
            y -= 10.8
    else:
        items.append(
            _line(4.0, height - 17.0, at.words or "set as the maker says", 5.2, room=width - qr - 12, bold=True)
        )
    items.append(_line(3.2, 13.4, at.what, 4.2, room=36, face="figure", bold=True))
    if at.span:
        items.append(_line(42.0, 13.4, f"span {at.span}", 3.5, room=22, bold=True))
    if at.notes:
        note = at.notes[0]
        said = f"{note.label.removeprefix('by ear, ')}, by ear {note.number} {note.unit}"
        items.append(_line(width - 3.2, 13.4, said, 3.4, room=33, align="right"))
    items.append(_line(3.2, 9.2, tag.set_on, 3.2, room=45))
    items.append(_line(width - 3.2, 9.2, tag.due, 3.4, room=46, align="right", bold=True))
    return Scene(width=width, height=height, title=f"Tag: {tag.name}", items=tuple(items))


def disc(tag: Tag) -> Scene:
    """A round tag of 60 mm, its hole at the top."""
    at, r = tag.at, 30.0
    items: list[Item] = [
        Circle(x=r, y=r, r=r - 0.4, pen="thick"),
        Circle(x=r, y=56.0, r=1.7, pen="thin"),
        _line(r, 49.2, tag.name, 3.6, room=34, align="middle", bold=True),
        _line(r, 44.8, at.what, 3.4, room=42, align="middle", face="figure", bold=True),
    ]
    y = 39.0
    if at.bands:
        items.append(_line(r, y, f"press to {at.mark}, span {at.span}", 3.1, room=50, align="middle", bold=True))
        for band in at.bands[:2]:
            y -= 5.6
            items.append(_line(5.2, y, band.number, 4.6, room=27, face="figure", bold=True))
            after = 8.0 + _wide(band.number, 4.6, "figure")
            label = band.label.removesuffix(" belt")
            items.append(_line(after, y, f"{band.unit}, {label}", 3.2, room=54.0 - after, bold=True))
    else:
        items.append(_line(r, y - 3, at.words or "set as the maker says", 3.8, room=50, align="middle", bold=True))
        y -= 11.2
    items += qr_scene(tag.address, 15.5).placed(12.0, y - 17.6)
    x = 30.5
    items += [
        _line(x, y - 6.5, tag.set_on.split(",")[0], 2.8, room=23),
        _line(x, y - 10.5, tag.due.split(",")[0], 2.8, room=22, bold=True),
        _line(r, 4.6, "FIRST: " + tag.first.split(",")[0], 3.2, room=29, align="middle", bold=True),
    ]
    return Scene(width=60.0, height=60.0, title=f"Tag: {tag.name}", items=tuple(items))


def tag_scene(tag: Tag, size: Size) -> Scene:
    """A tag of one of the sizes."""
    return disc(tag) if size == "round60" else oblong(tag, *SIZES[size])
