"""Dues as an iCalendar feed (RFC 5545), written by a kept library: one all-day event each."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, datetime, timedelta

from icalendar import Calendar, Event

PRODUCT = "-//Tuyere//Round//EN"


@dataclass(frozen=True, slots=True, kw_only=True)
class DueEvent:
    """Something due as a day in a calendar; ``changed`` counts its versions."""

    id: uuid.UUID
    title: str
    place: str
    day: date
    details: str
    changed: int
    address: str


def feed_of(name: str, dues: Sequence[DueEvent], at: datetime) -> bytes:
    """The feed's text in UTF-8, as it stands at a moment."""
    calendar = Calendar()
    calendar.add("prodid", PRODUCT)
    calendar.add("version", "2.0")
    calendar.add("x-wr-calname", name)
    for due in dues:
        event = Event()
        event.add("uid", f"{due.id}@tuyere")
        event.add("dtstamp", at)
        event.add("dtstart", due.day)
        event.add("dtend", due.day + timedelta(days=1))
        event.add("summary", due.title)
        event.add("location", due.place)
        event.add("description", due.details)
        event.add("sequence", due.changed)
        event.add("transp", "TRANSPARENT")
        event.add("url", due.address)
        calendar.add_component(event)
    return bytes(calendar.to_ical())
