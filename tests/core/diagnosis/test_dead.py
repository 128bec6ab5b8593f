"""The tree of a dead drive: every way ends, safely, and in the order of least work by enumeration of all orders."""

from __future__ import annotations

from itertools import permutations

import pytest

from tuyere.core.diagnosis.dead import PARTS, ends, every_way, looks, walk
from tuyere.core.errors import InputError
from tuyere.jobs.template import shipped

WAYS = list(every_way())


def test_every_way_ends_and_every_end_is_reached() -> None:
    assert {w.end.key for w in WAYS if w.end} == set(ends())
    assert all(w.end is not None and len(w.path) <= 10 for w in WAYS)
    assert {look.key for w in WAYS for look, _ in w.path} == set(looks())


def test_nothing_is_looked_at_without_its_guard_before_it_was_made_safe() -> None:
    for way in WAYS:
        keys = [look.key for look, _ in way.path]
        for k, (look, _) in enumerate(way.path):
            if look.guard == "off" and look.key != "make-safe":
                assert "make-safe" in keys[:k] and dict((x.key, a) for x, a in way.path)["make-safe"] == "safe"
    unsafe = [w for w in WAYS if w.end and w.end.key == "not-safe"]
    assert unsafe and all("Stop here" in w.end.does for w in unsafe if w.end)


def test_a_part_is_held_only_where_the_search_ends_and_what_went_is_not() -> None:
    for way in WAYS:
        held = [p for p, s in way.parts.items() if s == "held"]
        assert held == ([way.end.part] if way.end and way.end.part else [])
        assert set(way.parts) == set(PARTS)
    free = walk(
        {
            "supply": "there",
            "loop": "yes",
            "make-safe": "safe",
            "strands": "both slack",
            "loop-off": "off",
            "driven": "free",
        }
    )
    assert free.parts["machine"] == "well" and free.then is not None and free.then.key == "driver"


@pytest.mark.outside(
    "enumeration: of all orders of the looks by hand, the least minutes expected until the fault is found"
)
def test_the_looks_by_hand_stand_in_the_order_of_least_work() -> None:
    by_hand = ["driven", "driver", "idler", "keys"]

    def expected(order: tuple[str, ...]) -> float:
        spent, mean = 0.0, 0.0
        for key in order:
            spent += looks()[key].minutes
            mean += spent * looks()[key].share
        return mean

    best = min(expected(o) for o in permutations(by_hand))
    assert expected(tuple(by_hand)) == pytest.approx(best)


@pytest.mark.outside("common practice, no source: what can be seen from outside goes before what wants the guard off")
def test_from_outside_first() -> None:
    for way in WAYS:
        guards = [look.guard for look, _ in way.path]
        assert guards == sorted(guards, key=lambda g: g == "off")


def test_its_jobs_are_there_and_shares_are_shares() -> None:
    assert {e.job for e in ends().values()} <= set(shipped())
    assert 80 <= sum(x.share for x in looks().values()) <= 100


@pytest.mark.parametrize(
    "answers", [{"driver": "free"}, {"supply": "perhaps"}, {"supply": "none", "loop": "yes"}, {"nothing": "x"}]
)
def test_answers_that_were_not_asked_are_refused(answers: dict[str, str]) -> None:
    with pytest.raises(InputError) as e:
        walk(answers)
    assert e.value.field == "answers" and e.value.allowed
