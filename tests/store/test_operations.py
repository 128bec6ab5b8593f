"""Every write is known by its id and its content: repeats, reused ids, two at once."""

from __future__ import annotations

import threading
import time
import uuid

import pytest
from sqlalchemy.engine import Engine
from sqlmodel import Session, select

from tuyere.exchange.stock_csv import read_part
from tuyere.store.machines.book import add_machine
from tuyere.store.machines.forms import MachineCreate
from tuyere.store.machines.tables import Machine
from tuyere.store.plumbing.actor import Actor
from tuyere.store.plumbing.operations import fingerprint, once
from tuyere.store.plumbing.trouble import Reused
from tuyere.store.shelf.book import current, keep_stock
from tuyere.store.shelf.tables import StockItem

WHO = Actor("I. Rook")


def test_a_fingerprint_is_of_what_is_said_and_where_not_of_the_order_of_its_keys() -> None:
    said = fingerprint("PUT", "/api/drives/1/duty", {"a": 1, "b": [1, 2]})
    assert said == fingerprint("PUT", "/api/drives/1/duty", {"b": [1, 2], "a": 1})
    others = {
        fingerprint("POST", "/api/drives/1/duty", {"a": 1, "b": [1, 2]}),
        fingerprint("PUT", "/api/drives/2/duty", {"a": 1, "b": [1, 2]}),
        fingerprint("PUT", "/api/drives/1/duty", {"a": 1, "b": [2, 1]}),
        fingerprint("PUT", "/api/drives/1/duty", {"a": "1", "b": [1, 2]}),
    }
    assert said not in others and len(others) == 4


def test_a_repeat_gets_the_first_answer_and_other_content_under_its_id_is_refused(db: Session) -> None:
    op, worked = uuid.uuid4(), []

    def work() -> str:
        worked.append(1)
        return f"answer {len(worked)}"

    assert once(db, op, "a", work) == once(db, op, "a", work) == "answer 1"
    with pytest.raises(Reused):
        once(db, op, "b", work)
    assert worked == [1]


def test_what_is_refused_leaves_its_id_free(db: Session) -> None:
    op = uuid.uuid4()

    def fails() -> str:
        raise ValueError("refused")

    with pytest.raises(ValueError, match="refused"), db.begin_nested():
        once(db, op, "a", fails)
    assert once(db, op, "b", lambda: "taken") == "taken"


def test_a_repeat_while_the_first_is_worked_waits_for_it_and_adds_nothing(engine: Engine) -> None:
    """Two threads, one operation: one machine, one answer."""
    form = MachineCreate(name=f"Twin {uuid.uuid4()}")
    answers: list[str] = []
    inside = threading.Event()

    def save(slow: bool) -> None:
        with Session(engine) as s, s.begin():

            def work() -> str:
                inside.set()
                time.sleep(0.3 if slow else 0)
                return str(add_machine(s, WHO, form).id)

            answers.append(once(s, form.op_id, "same", work))

    first = threading.Thread(target=save, args=(True,))
    first.start()
    inside.wait(5)
    second = threading.Thread(target=save, args=(False,))
    second.start()
    first.join(10)
    second.join(10)
    with Session(engine) as s:
        assert len(s.exec(select(Machine).where(Machine.name == form.name)).all()) == 1
    assert len(answers) == 2 and answers[0] == answers[1]


def test_two_lists_kept_at_once_are_one_of_the_two_never_both(engine: Engine) -> None:
    ready = threading.Barrier(2)

    def keep(section: str) -> None:
        with Session(engine) as s, s.begin():
            ready.wait(5)
            lines = [read_part(k, {"part": "belt", "size": f"{section}{40 + k}"}, "us") for k in (1, 2, 3)]
            keep_stock(s, WHO, lines)
            time.sleep(0.1)

    threads = [threading.Thread(target=keep, args=(x,)) for x in ("A", "B")]
    for t in threads:
        t.start()
    for t in threads:
        t.join(10)
    with Session(engine) as s, s.begin():
        kept = current(s, StockItem)
        assert len(kept) == 3 and len({x.section for x in kept}) == 1
        keep_stock(s, WHO, [])
