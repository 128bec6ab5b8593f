"""Writing the record out: one look at the database, a few rows at a time."""

from __future__ import annotations

import uuid
from collections.abc import Callable, Iterator
from typing import Any, BinaryIO

import sqlalchemy as sa
from pydantic import JsonValue
from sqlalchemy.engine import Connection
from sqlmodel import col

from tuyere.exchange.record_file import write_record_file
from tuyere.store.files.fields import record_of
from tuyere.store.files.kinds import KINDS, Kind, Scope, within
from tuyere.store.files.tables import WHOLE_FILE, Carried
from tuyere.store.machines.tables import Drive, Machine
from tuyere.store.plumbing.trouble import NotThere

Told = Callable[[int], None]


def scope_of(connection: Connection, machine_id: uuid.UUID | None, drive_id: uuid.UUID | None) -> Scope:
    """What is asked for; raises NotThere."""
    if drive_id is not None:
        machine_id = connection.execute(sa.select(col(Drive.machine_id)).where(col(Drive.id) == drive_id)).scalar()
        if machine_id is None:
            raise NotThere("drive", drive_id)
    elif machine_id is not None:
        there = connection.execute(sa.select(col(Machine.id)).where(col(Machine.id) == machine_id)).scalar()
        if there is None:
            raise NotThere("machine", machine_id)
    return Scope(machine_id, drive_id)


def _carried(connection: Connection, ids: list[uuid.UUID]) -> dict[uuid.UUID, dict[str, JsonValue]]:
    rows = connection.execute(
        sa.select(col(Carried.record_id), col(Carried.fields)).where(col(Carried.record_id).in_(ids))
    )
    return {ident: fields for ident, fields in rows.all()}


def _rows(connection: Connection, kind: Kind, where: sa.ColumnElement[bool]) -> Iterator[list[Any]]:
    """Rows of a kind, oldest first, a batch at a time; each batch is a short statement of its own."""
    columns = [kind.table.__table__.columns[c] for c in kind.columns]  # type: ignore[attr-defined]
    made, ident = col(kind.table.created_at), col(kind.table.id)
    after: tuple[Any, Any] | None = None
    while True:
        wanted = sa.select(*columns).where(where).order_by(made, ident).limit(kind.batch)
        if after is not None:
            wanted = wanted.where(sa.tuple_(made, ident) > sa.tuple_(*(sa.literal(x) for x in after)))
        rows = list(connection.execute(wanted).mappings().all())
        if rows:
            yield rows
        if len(rows) < kind.batch:
            return
        after = (rows[-1]["created_at"], rows[-1]["id"])


def records(connection: Connection, scope: Scope, told: Told = lambda _: None) -> Iterator[dict[str, JsonValue]]:
    """Every record of a scope, in the order of the file."""
    count = 0
    for kind in KINDS:
        where = within(kind, scope)
        if where is None:
            continue
        for rows in _rows(connection, kind, where):
            carried = _carried(connection, [r["id"] for r in rows])
            for row in rows:
                yield record_of(kind, row, carried.get(row["id"]))
            count += len(rows)
            told(count)


def write_out(
    connection: Connection,
    out: BinaryIO,
    *,
    machine_id: uuid.UUID | None = None,
    drive_id: uuid.UUID | None = None,
    told: Told = lambda _: None,
) -> int:
    """Write a shop, a machine or a drive as a record file; returns how many records. Raises NotThere.

    ``connection`` has begun no transaction: all is read from one moment (repeatable read).
    """
    connection = connection.execution_options(isolation_level="REPEATABLE READ")
    with connection.begin():
        scope = scope_of(connection, machine_id, drive_id)
        head: dict[str, JsonValue] = {"scope": scope.word}
        if scope.word == "shop":
            head |= _carried(connection, [WHOLE_FILE]).get(WHOLE_FILE, {})
        return write_record_file(out, head, records(connection, scope, told))
