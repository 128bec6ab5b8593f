"""The record file on the command line."""

from __future__ import annotations

import sys
import uuid
from pathlib import Path

from sqlmodel import Session

import tuyere.calc.every  # noqa: F401
from tuyere.exchange.record_file import FileRefused
from tuyere.store import models  # noqa: F401
from tuyere.store.files import out
from tuyere.store.files.take import Line, take_in
from tuyere.store.plumbing.engine import engine_for
from tuyere.store.plumbing.trouble import NotThere


def write_out(url: str, file: str, machine: uuid.UUID | None, drive: uuid.UUID | None) -> int:
    """Write to a file; 0, or 2 when there is no such machine or drive."""
    engine = engine_for(url)
    target = Path(file)
    fresh = target.with_name(f"{target.name}.part")
    try:
        with engine.connect() as connection, fresh.open("wb") as f:
            count = out.write_out(connection, f, machine_id=machine, drive_id=drive)
        fresh.replace(target)
        print(f"{count:,} records in {target}")
        return 0
    except NotThere as e:
        fresh.unlink(missing_ok=True)
        print(str(e), file=sys.stderr)
        return 2
    except OSError as e:
        print(f"{target}: {e.strerror}", file=sys.stderr)
        return 2
    finally:
        engine.dispose()


def bring_in(url: str, file: str, only_look: bool) -> int:
    """Bring a file in, or say what would become of it, line by line; 2 when some of it is refused: nothing is changed then."""
    engine = engine_for(url)

    def line(x: Line) -> None:
        if x.verdict == "refused" or only_look and x.verdict != "same":
            more = f": {x.reason}" if x.reason else ""
            print(f"record {x.no}: {x.verdict}, {x.words}{more}" + (f" ({x.allowed})" if x.allowed else ""))

    try:
        with Path(file).open("rb") as source, Session(engine) as session:
            told = take_in(session, source, line, lambda _: None)
            if told.refused or only_look:
                session.rollback()
            else:
                session.commit()
    except FileRefused as e:
        print(f"{file}: {e.why} ({e.allowed})", file=sys.stderr)
        return 2
    except OSError as e:
        print(f"{file}: {e.strerror}", file=sys.stderr)
        return 2
    finally:
        engine.dispose()
    ways = ("added", "changed", "same", "kept", "refused")
    counts = {w: sum(n for (_, v), n in told.counts.items() if v == w) for w in ways}
    print(", ".join(f"{n:,} {w}" for w, n in counts.items() if n) or "no records")
    if told.refused:
        print("Nothing was changed: a file is taken whole or not at all.", file=sys.stderr)
    return 2 if told.refused else 0
