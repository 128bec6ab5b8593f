"""Where a job stands after what happened: rules of this project, and of lock-out practice."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime
from random import Random

import pytest

from tests.jobs.walk import EVERY_SOURCE, doing, event, job_for, walked
from tuyere.core.errors import InputError
from tuyere.jobs.answers import _sheave_turns
from tuyere.jobs.job import Event, Job, Read, advance, replayed
from tuyere.jobs.situation import Situation, steps_for
from tuyere.jobs.template import shipped

RETENSION = shipped()["retension-v"]


def fresh() -> Job:
    at = Situation(loop="v", take_up="slide-base", mounting="taper-flush", sources=EVERY_SOURCE[:1])
    return Job(steps=steps_for(RETENSION, at))


def refused(job: Job, e: Event, field: str, says: str) -> None:
    with pytest.raises(InputError) as caught:
        advance(job, e)
    assert caught.value.field == field and says in caught.value.why


def test_nothing_is_proved_before_it_is_off_and_the_meter_comes_after_the_try() -> None:
    job = walked(fresh(), until="lock-electric:s0")
    refused(job, event("try-start", "done"), "step", "shut off before")
    refused(job, event("safe-signed", "signed"), "step", "not safe yet")
    job = walked(fresh(), until="try-start")
    refused(job, event("test-dead", "done"), "step", "try to start it first")
    job = advance(advance(job, event("try-start", "done")), event("test-dead", "done", "E. Sparks"))
    assert not job.isolated
    job = advance(job, event("safe-signed", "signed"))
    assert job.isolated and job.isolated_by == ("N. Dray",)


def test_isolations_and_proofs_are_never_skipped_and_others_only_with_a_reason() -> None:
    job = fresh()
    for key in ("stop", "lock-electric:s0", "try-start", "test-dead"):
        refused(job, event(key, "skipped", reason="no time"), "kind", "never skipped")
    refused(job, event("travel-left", "skipped"), "reason", "why is it left out")
    job = advance(job, event("travel-left", "skipped", reason="no scale on it"))
    assert job.so_far("travel-left").status == "skipped" and job.so_far("travel-left").note == "no scale on it"
    # What cannot be done is said, and stays open.
    noted = advance(job, event("lock-electric:s0", "noted", reason="isolator broken"))
    assert (
        noted.so_far("lock-electric:s0").status == "open" and noted.so_far("lock-electric:s0").note == "isolator broken"
    )


def test_a_hand_goes_in_unsafe_only_with_a_reason_that_stays_in_sight() -> None:
    job = fresh()
    refused(job, event("guard-off", "done"), "reason", "not made safe")
    job = advance(job, event("guard-off", "done", reason="guard was off when we came"))
    assert job.so_far("guard-off").exception == "guard was off when we came"


def test_the_guard_comes_before_power_and_locks_come_off_by_who_hung_them() -> None:
    job = walked(fresh(), until="guard-on")
    refused(job, event("locks-off", "done"), "step", "guard is not on")
    job = advance(job, event("guard-on", "signed"))
    refused(job, event("locks-off", "done", "A. Other"), "reason", "N. Dray")
    other = advance(job, event("locks-off", "done", "A. Other", reason="shift lead, by the written rule"))
    assert other.given_back and other.so_far("locks-off").exception
    own = advance(job, event("locks-off", "done"))
    assert own.given_back and not own.so_far("locks-off").exception and not own.isolated


def test_running_checks_wait_for_the_power_and_the_job_closes_after_it() -> None:
    job = walked(fresh(), until="locks-off")
    refused(job, event("start-look", "found", data={"grade": "fine"}), "reason", "locks are still on")
    refused(job, event("job-signed", "signed"), "reason", "locks are still on")
    end = walked(fresh())
    assert end.state == "closed" and end.closed_by == "N. Dray"
    refused(end, event("tagged", "done"), "job", "closed")
    again = advance(end, event("tagged", "reopened", reason="forgot the tag"))
    assert again.state == "open"


def test_the_same_event_again_does_nothing_and_other_content_under_its_name_is_refused() -> None:
    job = fresh()
    first = event("tell", "done")
    once = advance(job, first)
    assert advance(once, first) == once
    refused(once, replace(first, actor="A. Other"), "id", "another event")
    for bad, field in (
        (event("nowhere", "done"), "step"),
        (event("tell", "exploded"), "kind"),
        (event("tell", "done", " "), "created_by_name"),
        (event("tell", "read", data={"target": "x", "quantity": "length", "value": 1.0}), "kind"),
        (event("tell", "signed"), "kind"),
        (event("safe-signed", "done"), "kind"),
        (event("travel-left", "read", reason="early", data={"value": 3.0}), "data.target"),
        (
            event("travel-left", "read", reason="early", data={"target": "t", "quantity": "length", "value": None}),
            "data.value",
        ),
        (event("tell", "done", corrects="e0"), "corrects"),
        (event("stop", "done", corrects=first.id), "corrects"),
    ):
        with pytest.raises(InputError) as e:
            advance(once, bad)
        assert e.value.field == field


def test_a_correction_leaves_the_job_as_if_the_first_had_never_been() -> None:
    job = walked(fresh(), until="tension-read")
    wrong = event("tension-read", "read", data={"target": "belt 1", "quantity": "force", "value": 99.0})
    right = event(
        "tension-read", "read", data={"target": "belt 1", "quantity": "force", "value": 19.0}, corrects=wrong.id
    )
    other = event("tension-read", "read", data={"target": "belt 2", "quantity": "force", "value": 21.0})
    corrected = replayed(job.steps, [*job.events, wrong, other, right])
    values = {t: r.value for t, r in corrected.so_far("tension-read").readings.items()}
    assert values == {"belt 1": 19.0, "belt 2": 21.0}
    # A correction of a correction, and everything that happened stays on record.
    last = replace(right, id="e-last", corrects=right.id, data={"target": "belt 1", "quantity": "force", "value": 20.0})
    twice = advance(corrected, last)
    assert (
        twice.so_far("tension-read").readings["belt 1"].value == 20.0 and len(twice.events) == len(corrected.events) + 1
    )


def test_moves_begin_a_new_round_of_readings_and_their_turns_add_up() -> None:
    job = walked(fresh(), until="tension-read")
    job = advance(job, event("tension-read", "read", data={"target": "belt 1", "quantity": "force", "value": 12.0}))
    job = advance(job, event("tension-read", "moved", data={"turns": 0.75}))
    job = advance(job, event("tension-read", "read", data={"target": "belt 1", "quantity": "force", "value": 17.0}))
    job = advance(job, event("tension-read", "moved", data={"turns": 0.5}))
    at = job.so_far("tension-read")
    assert at.turns == (0.0, 0.75, 1.25) and [len(r) for r in at.rounds] == [1, 1, 0]


@pytest.mark.parametrize("seed", range(12))
def test_whatever_is_sent_in_whatever_order_the_machine_is_never_said_to_be_safe_when_it_is_not(seed: int) -> None:
    """A property: events in random order, many refused. Isolated means that every source and every proof is done, and none given back."""
    luck = Random(seed)
    job = job_for(RETENSION, "v", take_up="slide-base", mounting=None)
    pile = [e for s in job.steps for e in doing(s, luck.choice(["N. Dray", "A. Other"])) for _ in range(2)]
    luck.shuffle(pile)
    taken: list[Event] = []
    for e in pile * 3:
        e = replace(e, id=f"{e.id}-{len(taken)}")
        try:
            job = advance(job, e)
        except InputError:
            continue
        taken.append(e)
        if job.isolated:
            assert all(job.is_done(s.key) for s in job.of_kind("isolate", "prove")) and not job.given_back
        if job.given_back:
            assert job.is_done("guard-on")
    # What is kept tells the same story when it is told again.
    assert replayed(job.steps, taken) == job


@pytest.mark.parametrize(("turns", "verdict"), [(2.5, "fine"), (3.0, "fine"), (2.25, "act"), (0.0, "fine")])
def test_an_adjustable_sheave_stops_at_half_turns(turns: float, verdict: str) -> None:
    """Common practice: the set screw finds a flat every half-turn, and only there."""

    def reading(value: float) -> dict[str, Read]:
        at = datetime(2026, 11, 26, tzinfo=UTC)
        return {
            "it": Read(
                event="e",
                target="it",
                quantity="turns",
                value=value,
                typed=str(value),
                origin="user",
                actor="A",
                at=at,
                data={},
            )
        }

    said = _sheave_turns(reading(turns))
    assert said is not None and said.verdict == verdict
    with pytest.raises(InputError, match="so far"):
        _sheave_turns(reading(40.0))
