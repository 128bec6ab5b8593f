"""The round on paper: what is due by area in walking order, with a box to tick and a line to write on."""

from __future__ import annotations

from dataclasses import dataclass
from importlib.resources import files

from jinja2 import Environment

from tuyere.exchange.drawing.pdf import font_faces
from tuyere.exchange.sheets.card import PAPERS, Paper


@dataclass(frozen=True, slots=True, kw_only=True)
class RoundRow:
    """One thing to do: where, what is on it, what to do, how late in words, about how long, and whether a hand goes in."""

    machine: str
    what: str
    title: str
    when: str
    late: bool
    minutes: int
    guard: str


@dataclass(frozen=True, slots=True, kw_only=True)
class RoundStop:
    """An area of the works and what is to do there."""

    no: int
    name: str
    rows: tuple[RoundRow, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class RoundSheet:
    """The whole round: the stops in walking order and what is only for a while."""

    title: str
    date: str
    minutes: int
    left_out: int
    stops: tuple[RoundStop, ...]
    temporary: tuple[RoundRow, ...]


def round_html(sheet: RoundSheet, paper: Paper = "letter") -> str:
    """A round as a page that carries its style and fonts."""
    text = files("tuyere.exchange.sheets").joinpath("round.html").read_text("utf-8")
    made = Environment(autoescape=True, trim_blocks=True, lstrip_blocks=True).from_string(text)
    return made.render(sheet=sheet, paper=PAPERS[paper], fonts=font_faces())
