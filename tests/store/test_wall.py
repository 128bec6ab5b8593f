"""The works as a wall: every drive of the demo once, in walking order, its mark by what is late, temporary or unknown."""

from __future__ import annotations

from datetime import date, timedelta

from sqlmodel import Session, col, select

from tuyere.store.builds.tables import Build
from tuyere.store.machines.tables import Drive, Machine
from tuyere.store.upkeep.round import round_view
from tuyere.store.upkeep.wall import wall_view


def test_every_drive_hangs_once_in_walking_order_to_scale(demo: Session) -> None:
    wall = wall_view(demo)
    machines = demo.exec(select(Machine).where(col(Machine.archived_at).is_(None))).all()
    drives = demo.exec(select(Drive).where(col(Drive.archived_at).is_(None))).all()
    assert [m.id for m in wall.machines] == [
        m.id for m in sorted(machines, key=lambda m: (m.walk_order, m.area, m.name, m.id))
    ]
    hung = [d for m in wall.machines for d in m.drives]
    assert {d.id for d in hung} == {d.id for d in drives} and len(hung) == len(drives)
    for d in hung:
        assert (d.elevation is not None) == bool(d.what), d.name
        assert (d.state == "none") == (not d.what) or d.state in ("act", "watch"), d.name
        if d.elevation is not None:
            # To scale: what is drawn is as long as its own dimension says, mm.
            first = d.elevation.dimensions[0]
            assert abs(((first.x2 - first.x1) ** 2 + (first.y2 - first.y1) ** 2) ** 0.5 - first.length) < 1e-6


def test_what_is_late_on_the_round_is_red_on_the_wall_and_says_why(demo: Session) -> None:
    """Two ways to one figure: the round and the wall count the same drives late."""
    late = {x.due.drive_id for x in round_view(demo).late if x.due.drive_id is not None}
    over = {
        b.drive_id
        for b in demo.exec(select(Build).where(col(Build.temporary).is_(True), col(Build.valid_to).is_(None))).all()
        if b.promised_date is not None and b.promised_date < date.today()
    }
    red = {d.id: d.why for m in wall_view(demo).machines for d in m.drives if d.state == "act"}
    assert late and set(red) == late | over
    assert all(w.startswith(("late: ", "temporary, was")) for w in red.values())


def test_a_temporary_fix_says_until_when_and_over_its_date_it_is_red(demo: Session) -> None:
    build = next(
        b
        for b in demo.exec(select(Build).where(col(Build.temporary).is_(True))).all()
        if b.valid_to is None and b.state == "frozen"
    )
    found = {d.id: d for m in wall_view(demo).machines for d in m.drives}[build.drive_id]
    assert found.state in ("act", "watch")
    build.promised_date = date.today() - timedelta(days=3)
    demo.add(build)
    demo.flush()
    found = {d.id: d for m in wall_view(demo).machines for d in m.drives}[build.drive_id]
    assert found.state == "act"


def test_words_find_by_area_and_belt_and_nothing_finds_nothing(demo: Session) -> None:
    whole = wall_view(demo)
    area = whole.areas[0]
    assert {m.area for m in wall_view(demo, area).machines} == {area}
    assert wall_view(demo, "no such machine at all").machines == []
    assert wall_view(demo, "", start=whole.total).machines == []


def test_a_machine_has_its_own_part_of_the_wall(demo: Session) -> None:
    """Two ways to one picture: the whole wall's cells of a machine, and those asked for by themselves."""
    for m in wall_view(demo).machines[:4]:
        assert wall_view(demo, machine=m.id).machines == [m]
