"""How a word that was typed meets a word that is written: by its beginning, its plain form, or an everyday word."""

from __future__ import annotations

import re
from functools import cache

from tuyere.core.tables import declare, table

declare("tuyere.calc.find", ("everyday_words",))
ENDINGS = ("ings", "ing", "ed", "es", "s")
# A title says what a thing is, a summary what it does; fields and sources only what it has to do with.
IN_TITLE, IN_SUMMARY, IN_TEXT = 8.0, 4.0, 2.0
OTHERWISE_IN_TITLE, OTHERWISE_IN_SUMMARY = 5.0, 3.0


def split(text: str) -> list[str]:
    """The words and numbers of a text, lower case; `half-link` stays one word."""
    return re.findall(r"[a-z0-9]+(?:[-./][a-z0-9]+)*", text.lower())


def plain(word: str) -> str:
    """The word without its ending, where four letters stay.

    >>> plain("belts"), plain("squealing"), plain("lacing"), plain("gas")
    ('belt', 'squeal', 'lacing', 'gas')
    """
    for ending in ENDINGS:
        if word.endswith(ending) and len(word) - len(ending) >= 4:
            return word[: -len(ending)]
    return word


@cache
def _everyday() -> dict[str, tuple[str, ...]]:
    return {str(word): tuple(str(means).split()) for word, means in table("everyday_words").rows}


def otherwise(word: str) -> tuple[str, ...]:
    """What an everyday word is called here as well; nothing for any other word."""
    known = _everyday()
    return known.get(word) or known.get(plain(word)) or ()


def _meets(asked: str, written: list[str]) -> bool:
    stem = plain(asked)
    return any(w == asked or len(stem) >= 2 and w.startswith(stem) for w in written)


def closeness(asked: list[str], title: list[str], summary: list[str], text: list[str]) -> float:
    """How well a title, a summary and a text answer all the words asked for; 0 when one of them is in none."""
    total = 0.0
    for word in asked:
        more = otherwise(word)
        marks = (
            IN_TITLE * _meets(word, title),
            IN_SUMMARY * _meets(word, summary),
            IN_TEXT * _meets(word, text),
            OTHERWISE_IN_TITLE * any(_meets(m, title) for m in more),
            OTHERWISE_IN_SUMMARY * any(_meets(m, summary) for m in more),
        )
        if not any(marks):
            return 0.0
        total += max(marks) + 0.01 * sum(marks)
    # Of two that say it, the one that says little else is meant.
    return total + 1.0 / (1 + len(title))
