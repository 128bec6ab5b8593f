"""`GET /api/shorthand` and `GET /api/handbook/find`: where a typed line leads, and what of the handbook holds its words."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from sqlmodel import Session

from tuyere.calc.answer import Answer
from tuyere.calc.find.index import Entry, find
from tuyere.calc.shorthand import ShortDuty, read_duty
from tuyere.core.errors import InputError
from tuyere.core.v_belt.marking import read_marking
from tuyere.store.machines.book import list_machines
from tuyere.store.search.book import search
from tuyere.store.shelf.book import current
from tuyere.store.shelf.tables import StockItem
from tuyere.web.plumbing.common import ShorthandQuery, answer, documented, session

api = APIBlueprint("find", __name__, url_prefix="/api", abp_tags=[Tag(name="find")])
MOST = 12
MACHINES_OFFERED = 6


class Destination(Answer):
    """Somewhere the command line can go, with what it fills in."""

    label: str
    hint: str
    to: str
    query: dict[str, str]


class Destinations(Answer):
    """Best first."""

    destinations: list[Destination]


class HandbookFound(Answer):
    """Ids of the tables and of the formulas that hold the words, the closest first."""

    tables: list[str]
    formulas: list[str]


def _sentence(f: dict[str, str], machine: str | None) -> str:
    """A duty in the words of its form; what was not said is left out, never filled in."""
    motor = f"a {f['power']} motor" if "power" in f else "a motor"
    driven = f"{'an' if machine[:1] in 'AEIOU' else 'a'} {machine[:1].lower()}{machine[1:]}" if machine else "a machine"
    parts = [f"{motor} at {f['driver_speed']} turns {driven} at {f['driven_speed']} rpm"]
    if "centre" in f:
        parts.append(f"about {f['centre']} apart")
    if "hours_a_day" in f:
        parts.append(f"{f['hours_a_day']} hours a day")
    return ", ".join(parts)


def _duty_destinations(duty: ShortDuty) -> list[Destination]:
    """One filled-in duty; where the words fit several machines, none is taken and each is offered."""
    f = duty.filled
    unread = f"not understood: {' '.join(duty.unread)}" if duty.unread else ""
    one = duty.machines[0] if len(duty.machines) == 1 else None

    def line(machine: tuple[str, str] | None, hint: str) -> Destination:
        query = {**f, **({"machine": machine[0]} if machine else {})}
        return Destination(
            label=f"Choose: {_sentence(f, machine[1] if machine else None)}",
            hint="; ".join(w for w in (hint, unread) if w),
            to="/choose",
            query=query,
        )

    if one or not duty.machines:
        return [line(one, "" if unread else "a new drive, filled in")]
    return [line(m, "this machine?") for m in duty.machines[:MACHINES_OFFERED]] + [line(None, "none of these machines")]


def _belt_destinations(s: Session, text: str) -> list[Destination]:
    """A belt's marking leads to its reading and to the shelf where one lies there."""
    try:
        reading = read_marking(text)[0]
    except InputError:
        return []
    found = [
        Destination(
            label=f"What is this belt? {text.strip()}",
            hint=reading.words,
            to="/what-belt",
            query={"marking": text.strip()},
        )
    ]
    bare = "".join(text.split()).upper()
    for item in current(s, StockItem):
        if item.designation and bare in "".join(item.designation.split()).upper():
            found.append(
                Destination(
                    label=f"Shelf: {item.quantity} × {item.designation}", hint="in stock", to="/shelf", query={}
                )
            )
    return found


def _where(e: Entry) -> Destination:
    if e.kind == "task":
        return Destination(label=e.title, hint="page" if e.key.count("/") == 1 else "on the bench", to=e.key, query={})
    hint = "table of the handbook" if e.kind == "table" else "formula of the handbook"
    return Destination(label=e.title[:1].upper() + e.title[1:], hint=hint, to=f"/handbook#{e.key}", query={})


@api.get("/shorthand", summary="Read a command line", responses=documented(Destinations))
def shorthand(query: ShorthandQuery) -> Response:
    """Where a typed line leads: a filled-in duty, a machine, a belt, a task, a table, a formula."""
    found: list[Destination] = []
    text = query.text.strip()
    if (duty := read_duty(text, query.units)) is not None:
        found = _duty_destinations(duty)
    elif text:
        with session() as s:
            for m in list_machines(s, text).machines[:MACHINES_OFFERED]:
                hint = f"machine in {m.area}" if m.area else "machine"
                found.append(Destination(label=m.name, hint=hint, to=f"/machines/{m.id}", query={}))
                found += [
                    Destination(label=f"{m.name}: {d.name}", hint=d.fitted or "drive", to=f"/drives/{d.id}", query={})
                    for d in m.drives[:3]
                ]
            found = found[: MOST - 4] + _belt_destinations(s, text)
            # What is nearly so, or stands in a note, comes after what is named so.
            have = {d.to for d in found}
            near = [
                Destination(label=h.label, hint=h.hint, to=h.to, query={})
                for h in search(s, text, MOST - 4)
                if h.to not in have
            ]
        named = [_where(e) for e in find(text)]
        found += named[: max(MOST - len(found) - min(len(near), 4), 4)] + near
    return answer(Destinations(destinations=found[:MOST]))


@api.get("/handbook/find", summary="Search the handbook", responses=documented(HandbookFound))
def handbook_find(query: ShorthandQuery) -> Response:
    """Tables and formulas that hold every word, everyday words included."""
    found = find(query.text)
    return answer(
        HandbookFound(
            tables=[e.key for e in found if e.kind == "table"], formulas=[e.key for e in found if e.kind == "formula"]
        )
    )
