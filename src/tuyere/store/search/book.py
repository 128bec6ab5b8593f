"""One search over machines, drives, belts, parts, jobs, findings, notes, people and days: trigrams for names, full text for notes.

The indexes are made by the migration; a word that is typed wrongly still shares most of its trigrams with the right one.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta

import sqlalchemy as sa
from sqlmodel import Session

from tuyere.store.jobs.book import list_jobs

# How much of the words must be alike, 0 to 1; pg_trgm's own default of 0.6 lets one wrong letter in a short name fall out.
ALIKE = 0.45
MOST_OF_A_KIND = 6
MONTHS = ("jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec")


@dataclass(frozen=True, slots=True, kw_only=True)
class Hit:
    """Something found: what it is, where, how well it fits (0 to 1, more for what is named so exactly)."""

    label: str
    hint: str
    to: str
    score: float


# What is searched: its kind, the text, its score and where it leads. Names by trigrams, notes by full text as well.
_NAMES = """
SELECT 'machine in ' || area AS hint, name || CASE WHEN tag = '' THEN '' ELSE ' ' || tag END AS label,
       '/machines/' || id AS link, word_similarity(:q, lower(name || ' ' || tag || ' ' || area)) AS score
  FROM machine WHERE archived_at IS NULL AND :q <% lower(name || ' ' || tag || ' ' || area)
UNION ALL
SELECT 'drive', m.name || ': ' || d.name, '/drives/' || d.id, word_similarity(:q, lower(d.name))
  FROM drive d JOIN machine m ON m.id = d.machine_id WHERE d.archived_at IS NULL AND :q <% lower(d.name)
UNION ALL
SELECT DISTINCT ON (b.drive_id) 'on ' || m.name || ', ' || d.name, l.designation, '/drives/' || d.id,
       word_similarity(:q, lower(l.designation))
  FROM loop l JOIN build b ON b.id = l.build_id JOIN drive d ON d.id = b.drive_id JOIN machine m ON m.id = d.machine_id
 WHERE b.archived_at IS NULL AND b.valid_to IS NULL AND :q <% lower(l.designation)
UNION ALL
SELECT 'on the shelf, ' || quantity, coalesce(nullif(designation, ''), section), '/shelf',
       word_similarity(:q, lower(designation || ' ' || section))
  FROM stock_item WHERE archived_at IS NULL AND :q <% lower(designation || ' ' || section)
UNION ALL
SELECT 'job at ' || m.name || ', ' || to_char(j.opened_at, 'DD Mon YYYY'), j.title, '/jobs/' || j.id,
       word_similarity(:q, lower(j.title)) * 0.9
  FROM job j JOIN machine m ON m.id = j.machine_id WHERE j.archived_at IS NULL AND :q <% lower(j.title)
"""
_NOTES = """
SELECT 'found at ' || m.name || ', ' || to_char(f.at, 'DD Mon YYYY') AS hint, f.note AS label, '/jobs/' || f.job_id AS link,
       greatest(word_similarity(:q, lower(f.note)), ts_rank(to_tsvector('english', f.note), plainto_tsquery('english', :q)) + 0.5) AS score
  FROM finding f JOIN drive d ON d.id = f.drive_id JOIN machine m ON m.id = d.machine_id
 WHERE f.archived_at IS NULL AND (:q <% lower(f.note) OR to_tsvector('english', f.note) @@ plainto_tsquery('english', :q))
UNION ALL
SELECT 'failure of ' || m.name || ', ' || to_char(f.at, 'DD Mon YYYY'), f.note, '/drives/' || f.drive_id || '/why',
       greatest(word_similarity(:q, lower(f.note)), ts_rank(to_tsvector('english', f.note), plainto_tsquery('english', :q)) + 0.5)
  FROM failure f JOIN drive d ON d.id = f.drive_id JOIN machine m ON m.id = d.machine_id
 WHERE f.archived_at IS NULL AND (:q <% lower(f.note) OR to_tsvector('english', f.note) @@ plainto_tsquery('english', :q))
UNION ALL
SELECT 'said at ' || m.name || ', ' || to_char(e.at, 'DD Mon YYYY'), e.reason, '/jobs/' || e.job_id,
       greatest(word_similarity(:q, lower(e.reason)), ts_rank(to_tsvector('english', e.reason), plainto_tsquery('english', :q)) + 0.5) * 0.9
  FROM step_event e JOIN job j ON j.id = e.job_id JOIN machine m ON m.id = j.machine_id
 WHERE e.reason <> '' AND (:q <% lower(e.reason) OR to_tsvector('english', e.reason) @@ plainto_tsquery('english', :q))
UNION ALL
SELECT 'printed on it at ' || m.name || ', ' || to_char(r.at, 'DD Mon YYYY'), r.words,
       '/drives/' || r.drive_id, word_similarity(:q, lower(r.words)) * 0.9
  FROM reading r JOIN drive d ON d.id = r.drive_id JOIN machine m ON m.id = d.machine_id
 WHERE r.archived_at IS NULL AND r.words <> '' AND :q <% lower(r.words)
UNION ALL
SELECT 'due at ' || m.name, u.title, '/round', word_similarity(:q, lower(u.title)) * 0.8
  FROM due u JOIN machine m ON m.id = u.machine_id
 WHERE u.archived_at IS NULL AND u.done_at IS NULL AND :q <% lower(u.title)
"""
_PEOPLE = """
SELECT count(*) || ' jobs' AS hint, created_by_name AS label, '/jobs?by=' || created_by_name AS link,
       word_similarity(:q, lower(created_by_name)) AS score
  FROM job WHERE archived_at IS NULL AND :q <% lower(created_by_name) GROUP BY created_by_name
"""


def _day(year: str | None, month: int, day: str) -> date | None:
    today = datetime.now(UTC).date()
    try:
        found = date(int(year) if year else today.year, month, int(day))
    except ValueError:
        return None
    # Without a year it is the last such day, for nothing is on record of the next one.
    return found if year or found <= today else found.replace(year=found.year - 1)


def day_of(text: str) -> date | None:
    """A day as people write it: 2026-11-26, 26 Nov 2026, Nov 26, 26.11.2026, 11/26/2026.

    >>> day_of("26 nov 2026"), day_of("2026-11-26"), day_of("26.11.2026"), day_of("nov 26 2026"), day_of("5VX1000")
    (datetime.date(2026, 11, 26), datetime.date(2026, 11, 26), datetime.date(2026, 11, 26), datetime.date(2026, 11, 26), None)
    """
    words = text.strip().lower()
    if m := re.fullmatch(r"(\d{4})-(\d{1,2})-(\d{1,2})", words):
        return _day(m[1], int(m[2]), m[3])
    if m := re.fullmatch(r"(\d{1,2})\.(\d{1,2})\.(\d{4})", words):
        return _day(m[3], int(m[2]), m[1])
    if m := re.fullmatch(r"(\d{1,2})/(\d{1,2})/(\d{4})", words):
        return _day(m[3], int(m[1]), m[2])
    if m := re.fullmatch(r"(\d{1,2})\s+([a-z]{3})[a-z]*\.?(?:\s+(\d{4}))?", words):
        return _day(m[3], MONTHS.index(m[2]) + 1, m[1]) if m[2] in MONTHS else None
    if m := re.fullmatch(r"([a-z]{3})[a-z]*\.?\s+(\d{1,2})(?:,?\s+(\d{4}))?", words):
        return _day(m[3], MONTHS.index(m[1]) + 1, m[2]) if m[1] in MONTHS else None
    return None


def _on_day(session: Session, day: date) -> list[Hit]:
    """Jobs of a day, and how many readings were taken."""
    start = datetime(day.year, day.month, day.day, tzinfo=UTC)
    end = start + timedelta(days=1)
    mine = list_jobs(session, on=day).jobs
    read = session.execute(
        sa.text("SELECT count(*) FROM reading WHERE at >= :a AND at < :b AND archived_at IS NULL"),
        {"a": start, "b": end},
    ).scalar_one()
    if not mine and not read:
        return []
    words = f"{day.day} {day:%b %Y}"
    hint = f"{len(mine)} job{'' if len(mine) == 1 else 's'}, {read} reading{'' if read == 1 else 's'}"
    return [
        Hit(label=words, hint=hint, to=f"/jobs?on={day.isoformat()}", score=1.0),
        *(Hit(label=j.title, hint=f"job of {words}", to=f"/jobs/{j.id}", score=0.9) for j in mine[:MOST_OF_A_KIND]),
    ]


def search(session: Session, text: str, most: int = 12) -> list[Hit]:
    """What is written down that holds the words or nearly, the best first; nothing for under two letters."""
    words = " ".join(text.lower().split())[:80]
    if len(words) < 2:
        return []
    if (day := day_of(words)) is not None:
        return _on_day(session, day)
    session.execute(sa.text(f"SET LOCAL pg_trgm.word_similarity_threshold = {ALIKE}"))
    found: list[Hit] = []
    for query in (_NAMES, _NOTES, _PEOPLE):
        rows = session.execute(
            sa.text(f"SELECT * FROM ({query}) AS found ORDER BY score DESC, label LIMIT {most}"), {"q": words}
        )
        found += [Hit(label=r.label, hint=r.hint.removesuffix(" in "), to=r.link, score=float(r.score)) for r in rows]
    best: dict[str, Hit] = {}
    for hit in sorted(found, key=lambda h: -h.score):
        best.setdefault(hit.to, hit)
    return list(best.values())[:most]
