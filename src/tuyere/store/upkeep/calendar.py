"""What goes into the calendar feed: dues with a day, and temporary fixes on the day they are promised for."""

from __future__ import annotations

from datetime import timedelta

from sqlmodel import Session

from tuyere.exchange.calendar.feed import DueEvent
from tuyere.store.builds.standing import temporary_now
from tuyere.store.jobs.dues import list_dues
from tuyere.store.plumbing.base import now

AHEAD = timedelta(days=400)


def calendar_events(session: Session, area: str, address: str) -> list[DueEvent]:
    """Dues of an area (all where it is empty) up to a year ahead; ``address`` is the server's."""
    until = now() + AHEAD
    events = []
    for due in list_dues(session).dues:
        if due.when is None or due.when > until or area and due.area != area:
            continue
        where = ", ".join(x for x in (due.area, due.machine, due.drive) if x)
        details = [due.every, f"put off: {due.snooze_reason}" if due.snoozed_until else ""]
        events.append(
            DueEvent(
                id=due.id,
                title=f"{due.machine}: {due.title}",
                place=where,
                day=due.when.date(),
                details="\n".join(x for x in details if x),
                changed=due.rev,
                address=f"{address}/drives/{due.drive_id}" if due.drive_id else f"{address}/machines/{due.machine_id}",
            )
        )
    for build, drive, machine in temporary_now(session, area):
        if build.promised_date is None:
            continue
        events.append(
            DueEvent(
                id=build.id,
                title=f"{machine.name}: temporary until today, {build.temporary_reason}",
                place=", ".join(x for x in (machine.area, machine.name, drive.name) if x),
                day=build.promised_date,
                details="",
                changed=build.rev,
                address=f"{address}/drives/{drive.id}",
            )
        )
    return sorted(events, key=lambda e: e.day)
