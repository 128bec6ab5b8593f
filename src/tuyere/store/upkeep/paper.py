"""The round as it goes on paper."""

from __future__ import annotations

from datetime import datetime, timedelta, timezone
from itertools import groupby

from sqlmodel import Session

from tuyere.calc.designation import what_in_system
from tuyere.exchange.sheets.round import RoundRow, RoundSheet, RoundStop
from tuyere.store.upkeep.round import round_view
from tuyere.store.upkeep.views import RoundLine


def day_words(days: int, when: datetime) -> str:
    """How late, or when, in words a person says.

    >>> day_words(2, datetime(2026, 11, 24)), day_words(0, datetime(2026, 11, 26)), day_words(-1, datetime(2026, 11, 27))
    ('2 days late', 'today', 'Fri 27 Nov')
    """
    if days > 0:
        return f"{days} day{'' if days == 1 else 's'} late"
    return "today" if days == 0 and when is not None else f"{when:%a} {when.day} {when:%b}"


def _row(line: RoundLine, zone: timezone, units: str) -> RoundRow:
    due = line.due
    when = (due.when or due.by_date or datetime.now(zone)).astimezone(zone)
    return RoundRow(
        machine=" · ".join(x for x in (due.machine, due.drive) if x),
        what=what_in_system(line.what, units),
        title=due.title,
        when="today" if line.grade == "watch" else day_words(line.days, when),
        late=line.grade == "act",
        minutes=due.minutes,
        guard="guard off" if due.guard_off else "guard on",
    )


def round_sheet(session: Session, area: str, minutes_from_utc: int, units: str = "us") -> RoundSheet:
    """The round of a day by the clock of who asks, the areas in walking order."""
    view = round_view(session, area, minutes_from_utc)
    zone = timezone(timedelta(minutes=minutes_from_utc))
    numbers = {a.name: a.no for a in view.areas}
    lines = sorted((*view.late, *view.today, *view.week), key=lambda x: numbers.get(x.due.area, len(numbers) + 1))
    stops = tuple(
        RoundStop(no=numbers.get(name, 0), name=name or "No area", rows=tuple(_row(x, zone, units) for x in of))
        for name, of in ((n, list(g)) for n, g in groupby(lines, key=lambda x: x.due.area))
    )
    return RoundSheet(
        title=f"Round, {area}" if area else "Round",
        date=f"{view.day:%a} {view.day.day} {view.day:%b %Y}",
        minutes=view.minutes,
        left_out=max(view.total - len(lines), 0),
        stops=stops,
        temporary=tuple(
            RoundRow(
                machine=f"{t.machine} · {t.drive}",
                what=what_in_system(t.what, units),
                title=t.reason,
                when=f"{t.days_left} days left" if t.days_left >= 0 else f"{-t.days_left} days over",
                late=t.days_left < 0,
                minutes=0,
                guard="",
            )
            for t in view.temporary
        ),
    )
