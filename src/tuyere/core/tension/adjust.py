"""The next move of the adjusters, from the readings and the turns so far; and how a tension falls and settles."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from math import log10

import numpy as np

from tuyere.core.errors import InputError
from tuyere.core.steps import looked_up
from tuyere.core.tension.reading_formulas import (
    RELAXING,
    tension_after,
    tension_per_turn,
    tension_per_turn_seen,
    turns_more,
)

# Shares of what stretch alone would do under which an adjuster is said not to move as it should: common practice, a guess.
STUCK, SLIPPING = 0.2, -0.05
FIRST_SHARE = 0.5  # of the worked turns, while nothing is known of this drive: frames and mounts give
STEP = 1 / 8
TRY = 1 / 2
SLACK_TAKEN_UP = 0.05


@dataclass(frozen=True, slots=True, kw_only=True)
class TurnsAnd:
    """A reading after so many turns of each adjuster in all, counted from the released place; N of one belt."""

    turns: float
    tension_n: float


@dataclass(frozen=True, slots=True, kw_only=True)
class NextMove:
    """Turns of each adjuster from here, positive to tighten; what one turn does (None where nothing says it yet), whether that was
    seen on this drive, and what is wrong."""

    turns: float
    per_turn_n: float | None
    seen: bool
    expected_n: float | None
    trouble: str


def next_move(
    done: Sequence[TurnsAnd],
    *,
    low_n: float,
    high_n: float,
    most_n: float | None,
    stiffness_n: float | None,
    pitch_mm: float | None,
    length_mm: float,
) -> NextMove:
    """What to turn next so that the tension comes into the band, by eighths of a turn and never past the upper limit.

    What one turn does is taken from the last two readings; before there are two, from the belt's stretch, and only a part of
    it is told. Raises InputError where nothing was read yet.
    """
    if not done:
        raise InputError("readings", None, "nothing was read yet", "one reading and the turns so far")
    now = done[-1]
    aim = (low_n + high_n) / 2
    known = stiffness_n is not None and pitch_mm is not None
    theory = tension_per_turn(stiffness_n, pitch_mm, length_mm) if known else None
    seen: float | None = None
    before = next((d for d in reversed(done[:-1]) if abs(d.turns - now.turns) > 1e-6), None)
    if before is not None:
        seen = tension_per_turn_seen(now.tension_n, before.tension_n, now.turns - before.turns)
    trouble = ""
    per_turn = seen if seen is not None else theory
    if per_turn is None:
        # Nothing says what a turn does: a small one is tried, and the next reading tells.
        wrong_by = 0.0 if low_n <= now.tension_n <= high_n else TRY if now.tension_n < low_n else -TRY
        return NextMove(turns=wrong_by, per_turn_n=None, seen=False, expected_n=None, trouble="")
    # A belt that hung slack takes a turn or two before it pulls at all: what one turn does is only known from the next on.
    was_slack = before is not None and before.tension_n < SLACK_TAKEN_UP * aim
    if was_slack and seen is not None:
        per_turn = seen if theory is None else max(seen, theory)
    if seen is not None and theory is not None and not was_slack:
        if seen < SLIPPING * theory:
            trouble = "It went the wrong way: a mount slips, a lock bolt is loose, or the wrong screw was turned."
        elif seen < STUCK * theory:
            trouble = "It hardly moves: a stuck slide, a lock bolt still tight, or the mount gives instead."
    if trouble:
        return NextMove(turns=0.0, per_turn_n=per_turn, seen=True, expected_n=now.tension_n, trouble=trouble)
    if per_turn <= 0:
        return NextMove(
            turns=0.0,
            per_turn_n=per_turn,
            seen=seen is not None and not was_slack,
            expected_n=now.tension_n,
            trouble="The last turn changed nothing that can be read: turn once more and read again.",
        )
    if low_n <= now.tension_n <= high_n:
        return NextMove(
            turns=0.0,
            per_turn_n=per_turn,
            seen=seen is not None and not was_slack,
            expected_n=now.tension_n,
            trouble="",
        )
    wanted = turns_more(aim, now.tension_n, per_turn)
    if seen is None or was_slack:
        wanted = wanted * FIRST_SHARE
    rounded = float(np.sign(wanted)) * max(STEP, np.floor(abs(wanted) / STEP + 0.5) * STEP)
    top = high_n if most_n is None else min(high_n, most_n)
    while rounded > STEP and now.tension_n + rounded * per_turn > top:
        rounded -= STEP
    return NextMove(
        turns=float(rounded),
        per_turn_n=per_turn,
        seen=seen is not None and not was_slack,
        expected_n=now.tension_n + rounded * per_turn,
        trouble="",
    )


def in_words(turns: float) -> str:
    """Turns as a wrench makes them.

    >>> in_words(0.75), in_words(-1.5), in_words(0.125)
    ('3/4 turn tighter', '1 1/2 turns slacker', '1/8 turn tighter')
    """
    eighths = round(abs(turns) * 8)
    whole, rest = divmod(eighths, 8)
    part = {0: "", 1: "1/8", 2: "1/4", 3: "3/8", 4: "1/2", 5: "5/8", 6: "3/4", 7: "7/8"}[rest]
    number = " ".join(x for x in (str(whole) if whole else "", part) if x)
    return f"{number} turn{'s' if eighths > 8 else ''} {'tighter' if turns > 0 else 'slacker'}"


@dataclass(frozen=True, slots=True, kw_only=True)
class Settling:
    """How a tension falls: N at one hour, N lost with every ten times the hours, N at the hours asked for, its error."""

    at_one_hour_n: float
    per_decade_n: float
    at_hours: float
    predicted_n: float
    error_n: float
    steady: bool


def settling(hours: Sequence[float], tensions_n: Sequence[float], at_hours: float) -> Settling:
    """Fall of a belt's tension by the logarithm of its running hours, fitted to three readings or more.

    Source: stress relaxation of polymers goes with the logarithm of time; common textbook form. Raises InputError for fewer
    readings, hours that do not rise, or a time before the last one.
    """
    if len(hours) != len(tensions_n) or len(hours) < 3:
        raise InputError("readings", len(hours), "too few readings to see how it settles", "three at different hours")
    if any(h <= 0 for h in hours) or any(b <= a for a, b in zip(hours, hours[1:], strict=False)):
        raise InputError("hours", None, "hours do not rise from reading to reading", "running hours, over nothing")
    if at_hours < hours[-1]:
        raise InputError("at_hours", at_hours, "before the last reading", "later than it")
    x = np.array([log10(h) for h in hours])
    y = np.array(tensions_n)
    rows = np.stack([np.ones_like(x), x], axis=1)
    (a, b), *_ = np.linalg.lstsq(rows, y, rcond=None)
    rest = y - rows @ np.array([a, b])
    spare = len(x) - 2
    var = float(rest @ rest) / spare
    at = np.array([1.0, log10(at_hours)])
    error = float(np.sqrt(var * (at @ np.linalg.inv(rows.T @ rows) @ at)))
    late = (tensions_n[-1] - tensions_n[-2]) / (log10(hours[-1]) - log10(hours[-2]))
    by = "least squares of the readings"
    at_one = looked_up("T_1h", float(a), by, RELAXING)
    per_ten = looked_up("dT_10", float(-b), by, RELAXING)
    return Settling(
        at_one_hour_n=at_one,
        per_decade_n=per_ten,
        at_hours=at_hours,
        predicted_n=tension_after(at_one, per_ten, at_hours),
        error_n=error,
        steady=abs(late) <= 0.05 * abs(y[-1]),
    )
