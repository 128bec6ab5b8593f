"""The calendar feed read back by another library than the one that writes it."""

from __future__ import annotations

import uuid
from datetime import UTC, date, datetime

import pytest
import vobject

from tuyere.exchange.calendar.feed import DueEvent, feed_of

AT = datetime(2026, 11, 26, 8, tzinfo=UTC)


def due(title: str, day: date) -> DueEvent:
    return DueEvent(
        id=uuid.uuid4(), title=title, place="Hall; 2, north", day=day, details="a\nb", changed=3, address="http://x/d"
    )


@pytest.mark.parametrize(
    "title",
    ["Oil the chain", "Sheave 7 1/4 in; worn, change: \\ backslash", "Großes Rad, 皮带 " * 9, "two\nlines"],
    ids=["plain", "signs", "long-and-foreign", "lines"],
)
def test_every_event_comes_back_as_it_went(title: str) -> None:
    """RFC 5545: escaping, folding and UTF-8, as another reader understands them."""
    dues = [due(title, date(2026, 12, 24)), due("other", date(2027, 2, 28))]
    text = feed_of("Round, Yard", dues, AT)
    assert all(len(line) <= 75 for line in text.split(b"\r\n"))
    back = vobject.readOne(text.decode("utf-8"))
    events = {e.uid.value: e for e in back.vevent_list}
    assert len(events) == 2
    for d in dues:
        e = events[f"{d.id}@tuyere"]
        assert e.summary.value == d.title and e.location.value == d.place and e.description.value == d.details
        assert e.dtstart.value == d.day and (e.dtend.value - e.dtstart.value).days == 1
        assert e.sequence.value == "3" and e.dtstamp.value == AT


def test_an_empty_feed_is_still_a_calendar() -> None:
    assert b"BEGIN:VCALENDAR" in feed_of("Round", [], AT) and b"VEVENT" not in feed_of("Round", [], AT)
