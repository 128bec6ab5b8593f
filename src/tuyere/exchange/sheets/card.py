"""The job card: before going out with blanks to write in, after it with what was read and who did it."""

from __future__ import annotations

from dataclasses import dataclass
from importlib.resources import files
from typing import Literal

from jinja2 import Environment

from tuyere.core.drawing.scene import Scene
from tuyere.exchange.drawing.pdf import font_faces
from tuyere.exchange.drawing.svg import svg_of
from tuyere.exchange.sheets.facts import Big
from tuyere.exchange.sheets.qr import qr_scene

Paper = Literal["letter", "a4"]
PAPERS = {"letter": "8.5in 11in", "a4": "210mm 297mm"}


@dataclass(frozen=True, slots=True, kw_only=True)
class Row:
    """Something to do or done: words, a remark under it, who and when (empty: blanks), ``mark`` done, left out or open."""

    words: str
    note: str = ""
    by: str = ""
    at: str = ""
    mark: Literal["", "done", "left out"] = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class ReadRow:
    """One value to read: what, what it was last time, what it is now, and what is allowed where that is its own."""

    label: str
    before: str
    value: str
    limit: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class ReadBlock:
    """Values that are read together, what is allowed, what they say, and pictures of them."""

    title: str
    limit: str
    rows: tuple[ReadRow, ...]
    says: str
    pictures: tuple[Scene, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Card:
    """A whole card. ``blank`` is the one that goes out."""

    title: str
    place: str
    date: str
    who: str
    number: str
    address: str
    blank: bool
    safe: tuple[Row, ...]
    picture: Scene
    scale: str
    figures: tuple[Big, ...]
    reads: tuple[ReadBlock, ...]
    ruler: Scene | None
    steps: tuple[Row, ...]
    close: tuple[Row, ...]
    foot: str


def card_html(card: Card, paper: Paper = "letter") -> str:
    """A card as a page that carries its style, fonts and drawings."""
    text = files("tuyere.exchange.sheets").joinpath("card.html").read_text("utf-8")
    made = Environment(autoescape=True, trim_blocks=True, lstrip_blocks=True).from_string(text)
    return made.render(
        card=card, paper=PAPERS[paper], fonts=font_faces(), svg=svg_of, qr=svg_of(qr_scene(card.address, 20.0))
    )
