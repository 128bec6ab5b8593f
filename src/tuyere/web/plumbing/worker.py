"""The server's worker: a thread each for many requests, and an end to those that are sent by halves.

Gunicorn's threads wait without end for the rest of a request that has begun; a few dozen such connections would hold
every thread. Here each request must be in within ``READ_S`` seconds; after that its line is closed for reading, which
the parser takes as the client having gone; within ``CROWDED_S`` where every thread is taken, for then somebody waits.
A request that is in and being worked loses nothing by it: what has come is still read. A connection that says nothing
gives its thread back after ``SILENT_S``.
"""

from __future__ import annotations

import contextlib
import socket
import time
from typing import Any

from gunicorn.workers.gthread import _DEFER, TConn, ThreadWorker

READ_S, CROWDED_S, SILENT_S = 3.0, 0.5, 0.25


class PatientWorker(ThreadWorker):  # type: ignore[misc]
    """Gunicorn's threaded worker with a deadline for reading a request."""

    def __init__(self, *args: Any, **kwargs: Any) -> None:
        super().__init__(*args, **kwargs)
        self.reading: dict[TConn, float] = {}

    def handle(self, conn: TConn) -> Any:
        """One request, in a thread; gives the connection back to the poller where nothing comes."""
        if not conn.initialized and not conn.data_ready and not conn.wait_for_data(SILENT_S):
            return _DEFER
        self.reading[conn] = time.monotonic()
        try:
            return super().handle(conn)
        finally:
            self.reading.pop(conn, None)

    def murder_pending(self) -> None:
        """Gunicorn's own round of closing what waits too long; the half-sent ones are closed for reading with it."""
        super().murder_pending()
        now, reading = time.monotonic(), list(self.reading.items())
        patience = CROWDED_S if len(reading) >= self.cfg.threads else READ_S
        for conn, began in reading:
            if now - began > patience:
                with contextlib.suppress(OSError):
                    conn.sock.shutdown(socket.SHUT_RD)
