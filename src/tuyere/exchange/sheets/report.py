"""The report of a period on paper."""

from __future__ import annotations

from dataclasses import dataclass
from importlib.resources import files

from jinja2 import Environment

from tuyere.exchange.drawing.pdf import font_faces
from tuyere.exchange.sheets.card import PAPERS, Paper


@dataclass(frozen=True, slots=True)
class Key:
    """One of the few figures at the head: what it is, the figure, and what it needs said."""

    label: str
    figure: str
    note: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Block:
    """A table of the report; ``bars`` are shares of the longest, for those that are drawn, and ``none`` is said where it is empty."""

    title: str
    head: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]
    none: str
    bars: tuple[float, ...] = ()
    note: str = ""


@dataclass(frozen=True, slots=True)
class ReportSheet:
    """The whole report."""

    title: str
    period: str
    keys: tuple[Key, ...]
    blocks: tuple[Block, ...]


def report_html(sheet: ReportSheet, paper: Paper = "letter") -> str:
    """A report as a page that carries its style and fonts."""
    text = files("tuyere.exchange.sheets").joinpath("report.html").read_text("utf-8")
    made = Environment(autoescape=True, trim_blocks=True, lstrip_blocks=True).from_string(text)
    return made.render(sheet=sheet, paper=PAPERS[paper], fonts=font_faces())
