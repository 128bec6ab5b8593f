"""Operations: every write is known by its id and by what it says, so that a repeat does no harm.

A client names each write and may send it again when the answer was lost. The same id with the same content gets the
first answer again; the same id with other content is refused, for it would be answered as saved and be lost.
"""

from __future__ import annotations

import hashlib
import json
import uuid
from collections.abc import Callable
from datetime import datetime
from typing import Any

import sqlalchemy as sa
from sqlalchemy.dialects.postgresql import insert
from sqlmodel import Field, Session, SQLModel

from tuyere.store.plumbing.base import now
from tuyere.store.plumbing.trouble import Reused


class Operation(SQLModel, table=True):
    """A write that was taken: its fingerprint and the answer it got, as it was sent."""

    __tablename__ = "operation"

    op_id: uuid.UUID = Field(primary_key=True)
    fingerprint: str = Field(max_length=64)
    at: datetime = Field(default_factory=now, sa_type=sa.DateTime(timezone=True))
    answer: str = Field(default="", sa_type=sa.Text)


def fingerprint(method: str, path: str, body: Any) -> str:
    """What a write says: one hash of method, path and body, whatever the order of its keys."""
    text = json.dumps([method, path, body], sort_keys=True, separators=(",", ":"), ensure_ascii=False)
    return hashlib.sha256(text.encode("utf-8", "surrogatepass")).hexdigest()


def once(session: Session, op_id: uuid.UUID, mark: str, work: Callable[[], str]) -> str:
    """The answer of an operation: worked now, or as it was given the first time.

    A repeat that comes while the first is still being worked waits for it: the unfinished row holds the id.
    Raises Reused when the id stands for other content; whatever ``work`` raises leaves nothing behind.
    """
    taken = session.execute(
        insert(Operation)
        .values(op_id=op_id, fingerprint=mark, at=now(), answer="")
        .on_conflict_do_nothing(index_elements=["op_id"])
        .returning(Operation.op_id)  # type: ignore[call-overload]
    ).first()
    row = session.get_one(Operation, op_id, populate_existing=True)
    if taken is None:
        if row.fingerprint != mark:
            raise Reused(op_id)
        return row.answer
    row.answer = work()
    session.add(row)
    session.flush()
    return row.answer
