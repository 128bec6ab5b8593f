"""Round, timeline and search of a large works: 3,000 drives, 500,000 readings, five years; against the same with 5,000 readings.

Everything is invented and made by the database itself; server time is that of the app without a network (Flask's own client).
``python bench/round.py`` prints one run's figures.
"""

from __future__ import annotations

import statistics
import time
import uuid
from collections.abc import Callable
from pathlib import Path

import sqlalchemy as sa
from sqlmodel import Session, select

import tuyere.calc.every  # noqa: F401
from own_database import own_database
from tuyere.calc.registry import find
from tuyere.ops.postgres import Cluster
from tuyere.ops.setup import data_home
from tuyere.store.builds.book import save_build
from tuyere.store.builds.forms import BuildSave
from tuyere.store.machines.book import add_drive, add_machine
from tuyere.store.machines.forms import DriveCreate, MachineCreate
from tuyere.store.machines.tables import Drive
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.engine import engine_for
from tuyere.web.app import create_app

DRIVES, TIMES = 3000, 60
ACTOR = Actor("Bench")


def one_drive(session: Session) -> None:
    """A machine with one real drive, the pattern of all the others."""
    machine = add_machine(session, ACTOR, MachineCreate(name="Machine 0", area="Area 0", walk_order=0))
    drive = add_drive(session, ACTOR, machine.id, DriveCreate(name="Main"))
    given = {**find("v-belt-drive").example["input"]}
    given["belt"] = {**given["belt"], "count": 4}
    form = {"purpose": "fitted", "freeze": True, "family": "v-belt", "input": given}
    save_build(session, ACTOR, drive, BuildSave.model_validate(form))


# Copies of the pattern: every row under new ids, so that nothing is shared.
COPY = """
CREATE TEMP TABLE made AS SELECT n, gen_random_uuid() AS machine, gen_random_uuid() AS drive, gen_random_uuid() AS duty,
  gen_random_uuid() AS build, gen_random_uuid() AS loop, gen_random_uuid() AS s1, gen_random_uuid() AS s2,
  gen_random_uuid() AS e1, gen_random_uuid() AS e2 FROM generate_series(1, {n}) n;
"""


def copies(connection: sa.Connection, n: int) -> None:
    """So many drives more, each a copy of the first in rows of its own."""
    connection.execute(sa.text(COPY.format(n=n)))
    first = {
        t: connection.execute(sa.text(f"SELECT id FROM {t} ORDER BY created_at, id")).scalars().all()
        for t in ("machine", "drive", "duty", "build", "loop", "shaft", "element", "route_stop")
    }
    columns = {
        t: [
            c
            for c in connection.execute(
                sa.text("SELECT column_name FROM information_schema.columns WHERE table_name = :t"), {"t": t}
            ).scalars()
        ]
        for t in first
    }

    def copy(table: str, ident: uuid.UUID, **new: str) -> None:
        given = {"op_id": "gen_random_uuid()", **new}
        picked = ", ".join(f"{given[c]} AS {c}" if c in given else f"t.{c}" for c in columns[table])
        names = ", ".join(columns[table])
        connection.execute(
            sa.text(f"INSERT INTO {table} ({names}) SELECT {picked} FROM {table} t, made WHERE t.id = :i"), {"i": ident}
        )

    copy(
        "machine",
        first["machine"][0],
        id="made.machine",
        name="'Machine ' || made.n",
        area="'Area ' || (made.n % 40)",
        walk_order="made.n",
    )
    copy("drive", first["drive"][0], id="made.drive", machine_id="made.machine")
    copy("duty", first["duty"][0], id="made.duty", drive_id="made.drive")
    for k, shaft in enumerate(first["shaft"][:2], 1):
        copy("shaft", shaft, id=f"made.s{k}", drive_id="made.drive")
    copy("build", first["build"][0], id="made.build", drive_id="made.drive", duty_id="made.duty")
    shaft_of = {
        e: connection.execute(sa.text("SELECT shaft_id FROM element WHERE id = :i"), {"i": e}).scalar_one()
        for e in first["element"]
    }
    order = {s: k for k, s in enumerate(first["shaft"][:2], 1)}
    for k, element in enumerate(first["element"][:2], 1):
        copy("element", element, id=f"made.e{k}", build_id="made.build", shaft_id=f"made.s{order[shaft_of[element]]}")
    copy("loop", first["loop"][0], id="made.loop", build_id="made.build")
    place = {e: k for k, e in enumerate(first["element"][:2], 1)}
    for stop in first["route_stop"]:
        of = connection.execute(sa.text("SELECT element_id FROM route_stop WHERE id = :i"), {"i": stop}).scalar_one()
        copy("route_stop", stop, id="gen_random_uuid()", loop_id="made.loop", element_id=f"made.e{place[of]}")


LIFE = """
INSERT INTO job (id, op_id, rev, created_at, created_by_name, machine_id, drive_id, build_id, kind, template_key, template_version,
  template_text, title, belts, situation, state, steps_done, steps_all, opened_at, closed_at, closed_by_name)
SELECT gen_random_uuid(), gen_random_uuid(), 1, now(), 'Bench', d.machine_id, d.id, b.id, 'inspect', 'round-weekly', 1, 'x',
  'Weekly look and listen, guards on', 'run in', '{{}}', 'closed', 10, 10, now() - k * interval '1825 days' / {jobs},
  now() - k * interval '1825 days' / {jobs}, 'Bench'
FROM drive d JOIN build b ON b.drive_id = d.id, generate_series(1, {jobs}) k;
INSERT INTO reading (id, op_id, rev, created_at, created_by_name, drive_id, job_id, step, reads, target, quantity, value, words, typed,
  origin, instrument, conditions, at)
SELECT gen_random_uuid(), gen_random_uuid(), 1, now(), 'Bench', j.drive_id, j.id, 'tension-read', 'tension', 'belt ' || k, 'force',
  20 + random(), '', '', 'hand', '{{}}', '{{}}', j.closed_at
FROM job j, generate_series(1, {per}) k;
INSERT INTO due (id, op_id, rev, created_at, created_by_name, machine_id, drive_id, title, reason_key, template_key, by_event, made_by,
  snooze_reason, by_date, every_days)
SELECT gen_random_uuid(), gen_random_uuid(), 1, now(), 'Bench', d.machine_id, d.id, 'Weekly look and listen', 'person', 'round-weekly',
  '', 'person', '', now() + (random() * 14 - 3) * interval '1 day', 7 FROM drive d;
"""


def p95(work: Callable[[], object]) -> float:
    """The time that 95 of 100 calls stay under, milliseconds; the first call of a process is not one of them."""
    work()
    times = []
    for _ in range(TIMES):
        start = time.perf_counter()
        work()
        times.append(1000 * (time.perf_counter() - start))
    return statistics.quantiles(times, n=20)[-1]


def measured(url: str, jobs: int, per: int) -> tuple[int, dict[str, float]]:
    """(readings, p95 of each request in milliseconds) of a works with so many jobs a drive and readings a job."""
    engine = engine_for(url)
    with Session(engine) as session, session.begin():
        one_drive(session)
    # Making half a million rows takes longer than the app may wait.
    with sa.create_engine(url).begin() as connection:
        copies(connection, DRIVES - 1)
        connection.execute(sa.text(LIFE.format(jobs=max(jobs, 1), per=per)))
        if jobs == 0:
            # A young works: readings of a few drives only.
            connection.execute(sa.text("DELETE FROM reading WHERE drive_id NOT IN (SELECT id FROM drive LIMIT 1250)"))
    with sa.create_engine(url, isolation_level="AUTOCOMMIT").connect() as c:
        c.execute(sa.text("VACUUM ANALYZE"))
        count = int(c.execute(sa.text("SELECT count(*) FROM reading")).scalar_one())
    client = create_app(engine, Path("nowhere")).test_client()
    with Session(engine) as session:
        drive = session.exec(select(Drive.id).limit(1)).one()

    def get(path: str) -> Callable[[], object]:
        def ask() -> object:
            response = client.get(path, headers={"Host": "127.0.0.1"})
            assert response.status_code == 200, response.get_data()[:300]
            return response

        return ask

    found = {
        "round": p95(get("/api/round")),
        "round of one area": p95(get("/api/round?area=Area%207")),
        "timeline of a drive": p95(get(f"/api/drives/{drive}/timeline")),
        "trends of a drive": p95(get(f"/api/drives/{drive}/trends")),
        "search with a wrong letter": p95(get("/api/shorthand?text=mashine%20117")),
    }
    engine.dispose()
    return count, found


def main() -> None:
    """Print one run."""
    home = data_home().parent / f"{data_home().name}-bench"
    cluster = Cluster(home, 28500, lasting=False)
    cluster.create()
    cluster.start()
    try:
        with own_database(cluster) as url:
            small, before = measured(url, 0, 4)
        with own_database(cluster) as url:
            large, after = measured(url, 42, 4)
        print(f"{'request':<30}{f'{small:,} readings':>20}{f'{large:,} readings':>20}{'times':>8}")
        for name, ms in after.items():
            print(f"{name:<30}{before[name]:>17.1f} ms{ms:>17.1f} ms{ms / before[name]:>8.2f}")
    finally:
        cluster.stop()


if __name__ == "__main__":
    main()
