"""Every shipped template, for every kind of drive that it serves; rules of this project and of lock-out practice."""

from __future__ import annotations

import pytest

from tests.jobs.walk import EVERY_SOURCE, job_for, walked
from tuyere.core.errors import InputError
from tuyere.jobs.situation import Situation, steps_for
from tuyere.jobs.template import LONGEST, Template, blocks, shipped, shipped_text, template_of
from tuyere.jobs.words import ANY, Loop, Mounting, TakeUp, words

CASES = [(t, loop) for t in shipped().values() for loop in t.families]


def opens_nothing(template: Template) -> bool:
    """A round that is walked outside the guard while the machine runs: nothing is shut off for it."""
    return not any(s.kind == "isolate" for s in template.steps)


def some(of: tuple[str, ...], every: object) -> list[str | None]:
    return [None, *(words(every) if ANY in of else of)]


@pytest.mark.parametrize(("template", "loop"), CASES, ids=[f"{t.key}-{loop}" for t, loop in CASES])
def test_it_is_walked_from_make_safe_to_signed_whatever_the_drive(template: Template, loop: str) -> None:
    for take_up in some(template.take_up, TakeUp):
        for mounting in some(template.mounting, Mounting):
            job = job_for(template, loop, take_up=take_up, mounting=mounting)
            end = walked(job)
            assert end.state == "closed" and end.next_step is None
            if opens_nothing(template):
                assert not any(s.of.safe for s in job.steps)
                assert all(s.of.guarded or s.of.kind == "sign" for s in job.steps)
                continue
            assert end.given_back
            order = [s.key for s in job.steps]
            assert (
                order.index("safe-signed")
                < order.index("guard-off" if "guard-off" in order else "turned-round")
                < order.index("guard-on")
                < order.index("locks-off")
            )


@pytest.mark.outside(
    "OSHA 1910.147 and 1910.333(b), recalled: every source isolated, tried, tested dead by the qualified, before hands go in"
)
@pytest.mark.parametrize("key", [k for k, t in shipped().items() if not opens_nothing(t)])
def test_the_machines_own_sources_make_the_isolation(key: str) -> None:
    """By the machine's record and never by the template's idea of it: one row for every source, all of them where nothing is recorded."""
    template = shipped()[key]
    at = Situation(loop=template.families[0], sources=EVERY_SOURCE)
    rows = [s for s in steps_for(template, at) if s.source is not None]
    assert {s.source.id for s in rows if s.source} == {s.id for s in EVERY_SOURCE} and len(rows) == len(EVERY_SOURCE)
    few = Situation(loop=template.families[0], sources=EVERY_SOURCE[:1])
    keys = [s.key for s in steps_for(template, few)]
    assert "test-dead" in keys and "lock-electric:s0" in keys and not any(k.startswith("lead-off") for k in keys)
    assert keys.index("try-start") < keys.index("test-dead") < keys.index("safe-signed")
    none = [s.key for s in steps_for(template, Situation(loop=template.families[0]))]
    assert {"lock-electric", "lead-off", "air-off", "weight-blocked", "test-dead"} <= set(none)


def test_words_are_short_and_every_step_says_why_and_from_where() -> None:
    for template in shipped().values():
        for s in template.steps:
            # Whatever word the person chose for the wheel.
            assert len(s.words.replace("{wheel}", "sprocket")) <= LONGEST + 10 and s.why and s.source and s.confidence
    assert len({t.title for t in shipped().values()}) == len(shipped())
    # Every kind of loop has a job that fits it, one that sets it again, and one of its own.
    for loop in words(Loop):
        kinds = {t.kind for t in shipped().values() if t.serves(loop)}
        assert {"free"} <= kinds and (loop == "round" or "fit" in kinds), loop


def test_questions_hide_what_is_not_asked_for() -> None:
    template = shipped()["fit-v-taper"]
    at = {"loop": "v", "take_up": "slide-base", "mounting": "taper-flush"}
    off = {s.key for s in steps_for(template, Situation(**at))}
    on = {s.key for s in steps_for(template, Situation(**at, answers={"Do the wheels come off?": True}))}
    assert {"bolts-moved", "bushing-drawn"} <= on - off
    flanged = Situation(
        loop="v", take_up="slide-base", mounting="taper-flanged", answers={"Do the wheels come off?": True}
    )
    assert "bushing-again" not in {s.key for s in steps_for(template, flanged)}


GOOD = shipped_text("retension-v")


@pytest.mark.parametrize(
    ("change", "to", "where"),
    [
        ('kind = "retension"', 'kind = "dance"', "kind"),
        ('title = "Set V-belts again"', 'title = ""', "title"),
        ('families = ["v", ', 'families = ["rope", ', "families"),
        ('{use="set-tension"}', '{use="set-fire"}', "steps"),
        ('kind="decide"', 'kind="ponder"', "steps"),
        ('{use="make-safe"},', "", "steps"),
        ('reads="length"', 'reads="tea leaves"', "steps"),
        ('key="travel-left"', 'key="worn-first"', "steps"),
        ('kind="decide", at="loop",', 'kind="decide", at="loop", colour="red",', "steps"),
        ('kind="decide", at="loop",', 'kind="decide", at="loop", when={weather=["wet"]},', "steps"),
        ('kind="decide", at="loop",', 'kind="decide", at="loop", who="the boss",', "steps"),
        ('at="loop"', 'at="moon"', "steps"),
        ("Before the wrench:", "Before the wrench: " + "long " * 40, "steps"),
        ("steps = [", "steps = ", "text"),
        ('kind="decide", at="loop",', 'kind="isolate", skip=true,', "steps"),
    ],
)
def test_a_template_with_a_fault_is_refused_and_the_fault_named(change: str, to: str, where: str) -> None:
    assert change in GOOD
    with pytest.raises(InputError) as e:
        template_of(GOOD.replace(change, to, 1))
    assert e.value.field.startswith(where) and e.value.why


def test_a_copy_says_the_same_and_blocks_are_all_used() -> None:
    assert template_of(GOOD) == shipped()["retension-v"]
    used = {s.block for t in shipped().values() for s in t.steps}
    assert {b[0].block for b in blocks().values()} <= used
    with pytest.raises(KeyError):
        shipped_text("nothing")
    with pytest.raises(InputError, match="not for such a drive"):
        steps_for(shipped()["retension-v"], Situation(loop="chain"))
    with pytest.raises(InputError, match="not a word"):
        steps_for(shipped()["retension-v"], Situation(loop="v", take_up="elastic"))
