"""Bringing a record file in: every record is judged, then all are taken or none.

The same work is done to look at a file as to take it, in one transaction that a look rolls back: what is told beforehand is
what will happen. A record that is here already is changed where the file's is of a later revision; where the revisions are
equal or ours is later, ours stays. What was said once (readings, steps, photos) is never changed.
"""

from __future__ import annotations

import uuid
from collections import Counter
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field
from hashlib import sha256
from typing import Any, BinaryIO, Literal

import sqlalchemy as sa
from pydantic import JsonValue, ValidationError
from sqlalchemy.dialects.postgresql import insert
from sqlalchemy.exc import SQLAlchemyError
from sqlmodel import Session, col, select

from tuyere.calc.refusals import problems_of
from tuyere.exchange.photos import stands_as_kept
from tuyere.exchange.record_file import Head, Record, read_record_file
from tuyere.store.builds.read import build_views
from tuyere.store.builds.tables import Build
from tuyere.store.files.fields import OF, record_of, row_of
from tuyere.store.files.kinds import BY_NAME, Kind
from tuyere.store.files.tables import WHOLE_FILE, Carried
from tuyere.store.files.words import CANNOT_KEEP, fault_words, words_of
from tuyere.store.jobs.book import stale_states
from tuyere.store.jobs.tables import Job

Verdict = Literal["added", "changed", "same", "kept", "refused"]
# A file with more faults than this is not worth reading on: it is of something else.
MOST_REFUSED = 200
BATCH_BYTES = 4 * 2**20
FORMAT_FIELDS = ("format", "version", "scope")
NO_KIND = ("no such kind of record", "the kinds of docs/format")
NO_DRIVE = ("its wheels and belts make no drive that can be shown", "all parts of the build, of a family that is known")
NOT_AS_TOLD = ("its state is not what its steps tell", "the whole job")


@dataclass(frozen=True, slots=True, kw_only=True)
class Line:
    """What becomes of one record of the file."""

    no: int
    words: str
    verdict: Verdict
    reason: str = ""
    allowed: str = ""


@dataclass(slots=True)
class Item:
    """A record on its way: its place in the file, its row, and what is carried besides."""

    no: int
    row: dict[str, Any]
    carried: dict[str, JsonValue]


@dataclass(slots=True)
class Told:
    """What was found: how many of each kind went which way."""

    counts: Counter[tuple[str, Verdict]] = field(default_factory=Counter)
    refused: int = 0
    records: int = 0


class TooManyFaults(Exception):
    """Reading on is of no use."""


@dataclass(slots=True, kw_only=True)
class Taking:
    """The state of bringing a file in; ``line`` is told what becomes of each record as soon as it is known."""

    session: Session
    line: Callable[[Line], None]
    told: Told = field(default_factory=Told)
    kind: Kind | None = None
    waiting: list[Item] = field(default_factory=list)
    weight: int = 0
    loose: list[tuple[Kind, int, uuid.UUID, dict[str, uuid.UUID]]] = field(default_factory=list)
    builds: dict[uuid.UUID, int] = field(default_factory=dict)
    jobs: dict[uuid.UUID, int] = field(default_factory=dict)
    heads: dict[str, JsonValue] = field(default_factory=dict)

    def say(self, kind: Kind | None, no: int, verdict: Verdict, words: str, why: tuple[str, str] = ("", "")) -> None:
        """Tell what becomes of a record, ``why`` with its reason and what would do; raises TooManyFaults."""
        self.told.counts[kind.name if kind else "", verdict] += 1
        self.line(Line(no=no, words=words, verdict=verdict, reason=why[0], allowed=why[1]))
        if verdict == "refused":
            self.told.refused += 1
            if self.told.refused >= MOST_REFUSED:
                raise TooManyFaults

    def refuse(self, kind: Kind, no: int, row: dict[str, Any], why: tuple[str, str]) -> None:
        """A record that cannot be."""
        self.say(kind, no, "refused", words_of(kind, row), why)

    def feed(self, record: Record) -> None:
        """The next record of the file."""
        self.told.records = record.no
        fields = record.fields
        kind = BY_NAME.get(fields.get(OF, "")) if isinstance(fields, dict) and isinstance(fields.get(OF), str) else None
        if kind is None:
            of = str(fields.get(OF, ""))[:40] if isinstance(fields, dict) else ""
            self.say(None, record.no, "refused", of or "a record", NO_KIND)
            return
        try:
            row, carried = row_of(kind, fields)
        except ValidationError as e:
            first = problems_of(e)[0]
            why = f"{first['path'].replace('_', ' ')}: {first['reason']}" if first["path"] else first["reason"]
            self.say(kind, record.no, "refused", words_of(kind, fields), (why, first["allowed"]))
            return
        except (RecursionError, ValueError):
            self.say(kind, record.no, "refused", kind.words, (CANNOT_KEEP, ""))
            return
        if row["rev"] < 1:
            self.refuse(kind, record.no, row, ("rev: too small", "1 or more"))
            return
        if kind.name == "photo" and not _sound_photo(row):
            self.refuse(kind, record.no, row, ("the picture is broken or not as this program keeps it", "JPEG or PNG"))
            return
        if kind is not self.kind or len(self.waiting) >= kind.batch or self.weight > BATCH_BYTES:
            self.flush()
        self.kind = kind
        self.waiting.append(Item(record.no, row, carried))
        self.weight += len(row.get("data") or b"") + 500

    def flush(self) -> None:
        """Judge and write what waits."""
        kind, items = self.kind, self.waiting
        self.waiting, self.weight = [], 0
        if kind is None or not items:
            return
        seen: set[uuid.UUID] = set()
        once = []
        for item in items:
            if item.row["id"] in seen:
                self.refuse(kind, item.no, item.row, ("the same record stands twice in the file", ""))
            else:
                seen.add(item.row["id"])
                once.append(item)
        here = self._here(kind, [i.row["id"] for i in once])
        for item in once:
            self._note(kind, item)
        fresh = [i for i in once if i.row["id"] not in here]
        self._insert(kind, fresh)
        for item in once:
            if item.row["id"] in here:
                self._meet(kind, item, *here[item.row["id"]])

    def _here(self, kind: Kind, ids: Sequence[uuid.UUID]) -> dict[uuid.UUID, tuple[dict[str, JsonValue], int]]:
        """Records that are here, as a file would have them, with their revision."""
        columns = [kind.table.__table__.columns[c] for c in kind.columns]  # type: ignore[attr-defined]
        rows = self.session.execute(sa.select(*columns).where(col(kind.table.id).in_(ids))).mappings().all()
        if not rows:
            return {}
        known = sa.select(col(Carried.record_id), col(Carried.fields)).where(col(Carried.record_id).in_(ids))
        carried = {i: f for i, f in self.session.execute(known).all()}
        return {r["id"]: (record_of(kind, dict(r), carried.get(r["id"])), r["rev"]) for r in rows}

    def _note(self, kind: Kind, item: Item) -> None:
        """What must be looked at when all is in."""
        if kind.table is Build:
            self.builds[item.row["id"]] = item.no
        elif kind.table is Job:
            self.jobs[item.row["id"]] = item.no

    def _later(self, kind: Kind, item: Item) -> None:
        """What may point further down is set when all is in."""
        later = {c: item.row[c] for c in kind.loose if item.row[c] is not None}
        if later:
            self.loose.append((kind, item.no, item.row["id"], later))

    def _insert(self, kind: Kind, items: Sequence[Item]) -> None:
        """Write new records; where the database will not have some of them, halve until they are found."""
        if not items:
            return
        rows = [self._row(kind, i) for i in items]
        try:
            with self.session.begin_nested():
                self.session.execute(sa.insert(kind.table), rows)
                self._carry(kind, items)
        except (SQLAlchemyError, ValueError, RecursionError) as e:
            if len(items) == 1:
                self.refuse(kind, items[0].no, items[0].row, fault_words(e))
                return
            half = len(items) // 2
            self._insert(kind, items[:half])
            self._insert(kind, items[half:])
            return
        for item in items:
            self._later(kind, item)
            self.say(kind, item.no, "added", words_of(kind, item.row))

    @staticmethod
    def _row(kind: Kind, item: Item) -> dict[str, Any]:
        return item.row | dict.fromkeys(kind.loose) | {"op_id": uuid.uuid4()}

    def _carry(self, kind: Kind, items: Sequence[Item]) -> None:
        """Keep what is not known of these records."""
        rows = [{"record_id": i.row["id"], "of": kind.name, "fields": i.carried} for i in items if i.carried]
        self._carry_rows(rows)

    def _carry_rows(self, rows: Sequence[dict[str, Any]]) -> None:
        if rows:
            made = [Carried(**r).model_dump() for r in rows]
            wanted = insert(Carried)
            self.session.execute(
                wanted.on_conflict_do_update(index_elements=["record_id"], set_={"fields": wanted.excluded.fields}),
                made,
            )

    def _meet(self, kind: Kind, item: Item, ours: dict[str, JsonValue], rev: int) -> None:
        """A record that is here already."""
        theirs = record_of(kind, item.row, item.carried)
        words = words_of(kind, item.row)
        unlike = sorted(k.replace("_", " ") for k in {*ours, *theirs} if ours.get(k) != theirs.get(k) and k != "rev")
        if not unlike and item.row["rev"] == rev:
            self.say(kind, item.no, "same", words)
            return
        named = f"{', '.join(unlike[:6])}{' and more' if len(unlike) > 6 else ''}" or "nothing but its revision"
        fields = f"other here: {named}"
        if kind.said:
            self.say(kind, item.no, "refused", words, (f"{fields}; what was recorded is never changed", "leave it out"))
            return
        if item.row["rev"] <= rev:
            self.say(kind, item.no, "kept", words, (f"{fields}; here it is as new or newer and stays", ""))
            return
        try:
            with self.session.begin_nested():
                row = {c: v for c, v in item.row.items() if c != "id"} | dict.fromkeys(kind.loose)
                self.session.execute(sa.update(kind.table).where(col(kind.table.id) == item.row["id"]).values(**row))
                self._carry(kind, [item])
        except (SQLAlchemyError, ValueError, RecursionError) as e:
            self.refuse(kind, item.no, item.row, fault_words(e))
            return
        self._later(kind, item)
        self.say(kind, item.no, "changed", words, (f"changes: {named}", ""))

    def end(self) -> None:
        """When all is in: what points further down, and what only shows when it is whole."""
        self.flush()
        self._tie()
        self._loops()
        self._readable()
        self._as_told()
        if extra := {k: v for k, v in self.heads.items() if k not in FORMAT_FIELDS}:
            self._carry_rows([{"record_id": WHOLE_FILE, "of": "file", "fields": extra}])

    def _tie(self) -> None:
        for kind, no, ident, later in self.loose:
            try:
                with self.session.begin_nested():
                    self.session.execute(sa.update(kind.table).where(col(kind.table.id) == ident).values(**later))
            except SQLAlchemyError as e:
                self.say(kind, no, "refused", kind.words, fault_words(e))

    def _loops(self) -> None:
        """Records that come back to themselves by what they point at."""
        by_kind: dict[str, dict[uuid.UUID, int]] = {}
        for kind, no, ident, _ in self.loose:
            by_kind.setdefault(kind.name, {})[ident] = no
        for name, ids in by_kind.items():
            kind = BY_NAME[name]
            by = " or ".join(c.removesuffix("_id").replace("_", " ") for c in kind.loose)
            why = (f"it points back at itself by its {by}", "records that point at earlier ones")
            for ident in _circular(self.session, kind, list(ids)):
                self.say(kind, ids[ident], "refused", kind.words, why)

    def _readable(self) -> None:
        """Builds whose parts make no drive that the program can show."""
        for ids in _chunks(list(self.builds), 50):
            builds = self.session.exec(select(Build).where(col(Build.id).in_(ids))).all()
            if not _reads(self.session, builds):
                for build in builds:
                    if not _reads(self.session, [build]):
                        words = f"build {build.no} {build.purpose}"
                        self.say(BY_NAME["build"], self.builds[build.id], "refused", words, NO_DRIVE)
            self.session.expunge_all()

    def _as_told(self) -> None:
        """Jobs whose state is not what their steps tell."""
        for ids in _chunks(list(self.jobs), 100):
            jobs = self.session.exec(select(Job).where(col(Job.id).in_(ids))).all()
            try:
                wrong = stale_states(self.session, jobs)
            except Exception:  # noqa: BLE001 - a file can hold anything: each job is looked at alone then
                wrong = [j.id for j in jobs if not _tells(self.session, j)]
            for ident in wrong:
                self.say(BY_NAME["job"], self.jobs[ident], "refused", "job", NOT_AS_TOLD)
            self.session.expunge_all()


def _tells(session: Session, job: Job) -> bool:
    try:
        return not stale_states(session, [job])
    except Exception:  # noqa: BLE001 - whatever is wrong with it, it cannot be taken
        return False


def _reads(session: Session, builds: Sequence[Build]) -> bool:
    try:
        build_views(session, builds, None)
    except Exception:  # noqa: BLE001 - whatever is wrong with them, they cannot be shown
        return False
    return True


def _sound_photo(row: dict[str, Any]) -> bool:
    return (
        sha256(row["data"]).hexdigest() == row["sha256"]
        and stands_as_kept(row["data"], row["type"])
        and stands_as_kept(row["thumbnail"], "image/jpeg")
    )


def _chunks(ids: list[uuid.UUID], size: int) -> Iterator[list[uuid.UUID]]:
    for at in range(0, len(ids), size):
        yield ids[at : at + size]


# What a record leads to by a column that may point further down: itself again, or a due and from there the job that found it.
NEXT = {
    "job": "SELECT j.id, f.job_id FROM job j JOIN due d ON d.id = j.due_id JOIN finding f ON f.id = d.made_by_finding_id",
    "build": "SELECT id, supersedes_id FROM build WHERE supersedes_id IS NOT NULL",
    "step_event": "SELECT id, corrects_id FROM step_event WHERE corrects_id IS NOT NULL",
    "reading": "SELECT id, corrects_id FROM reading WHERE corrects_id IS NOT NULL",
}


def _circular(session: Session, kind: Kind, ids: list[uuid.UUID]) -> list[uuid.UUID]:
    """Those of ``ids`` that a walk along what they point at leads back to."""
    found: list[uuid.UUID] = []
    for some in _chunks(ids, 500):
        walk = sa.text(
            f"WITH RECURSIVE step(here, further) AS ({NEXT[kind.name]}), "  # noqa: S608 - our own words
            "walk(start, at) AS (SELECT here, further FROM step WHERE here = ANY(:ids) "
            "UNION SELECT walk.start, step.further FROM walk JOIN step ON step.here = walk.at) "
            "SELECT DISTINCT start FROM walk WHERE start = at"
        )
        found += session.execute(walk, {"ids": some}).scalars().all()
    return found


def take_in(session: Session, source: BinaryIO, line: Callable[[Line], None], told: Callable[[int], None]) -> Told:
    """Judge every record of a file and write those that can be; the caller commits, or rolls back where any was refused.

    Raises FileRefused when the file cannot be read at all.
    """
    taking = Taking(session=session, line=line)
    try:
        for part in read_record_file(source):
            if isinstance(part, Head):
                taking.heads[part.name] = part.value
            else:
                taking.feed(part)
                if part.no % 500 == 0:
                    told(source.tell())
        taking.end()
    except TooManyFaults:
        pass
    return taking.told
