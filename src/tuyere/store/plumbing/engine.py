"""The database engine; apart from the migrations, whose package is slow to load.

Nothing waits on the database for ever: not for a connection, not for a lock, not for a statement, and not for a server
that holds the line and says nothing. What waits too long fails as a database that does not answer.
"""

from __future__ import annotations

from typing import Any, TypeVar

import psycopg
from psycopg import errors
from psycopg.abc import PQGen
from sqlalchemy import event
from sqlalchemy.engine import Engine
from sqlmodel import create_engine

RV = TypeVar("RV")
CONNECT_S, ANSWER_S, POOL_S = 3, 6.0, 4.0
ON_THE_SERVER = "-c statement_timeout=5000 -c lock_timeout=4000 -c idle_in_transaction_session_timeout=20000"


class Timed(psycopg.Connection[Any]):
    """A connection whose every wait has an end, even when the server's processes stand still."""

    def wait(self, gen: PQGen[RV], interval: float = 0.1, timeout: float | None = None) -> RV:
        """Wait for an answer; raises OperationalError, and closes, after ``ANSWER_S`` seconds."""
        try:
            return super().wait(gen, interval, ANSWER_S if timeout is None else timeout)
        except errors._WaitTimeout as e:
            self.pgconn.finish()
            raise psycopg.OperationalError(f"no answer within {ANSWER_S:g} s") from e


def engine_for(url: str) -> Engine:
    """An engine that notices a database that went away, or that stands still."""
    engine = create_engine(
        url,
        pool_pre_ping=True,
        pool_size=5,
        max_overflow=10,
        pool_timeout=POOL_S,
        connect_args={"connect_timeout": CONNECT_S, "options": ON_THE_SERVER},
    )

    @event.listens_for(engine, "do_connect")
    def _connect(_dialect: Any, _record: Any, args: Any, kwargs: Any) -> Any:
        return Timed.connect(*args, **kwargs)

    return engine
