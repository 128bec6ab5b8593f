"""The failure finder: Bayes by hand, what the trade says, noise and kindred signs, what is asked next and what never is."""

from __future__ import annotations

import tomllib
from pathlib import Path
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.stats import entropy

from tuyere.core.diagnosis.finder import (
    SUREST,
    bits_of,
    contradictions,
    next_check,
    posterior,
    settled,
    weighed,
)
from tuyere.core.diagnosis.model import KINDS, OTHER, SLIP, kind_of_loop, likelihoods, model_of, slipped
from tuyere.core.errors import InputError
from tuyere.core.tables import table
from tuyere.jobs.template import shipped

SOME = settings(derandomize=True, deadline=None, max_examples=60)
ALL = sorted(set(KINDS.values()))
CASES: list[dict[str, Any]] = tomllib.loads(
    (Path(__file__).parents[2] / "published" / "failure_cases.toml").read_text("utf-8")
)["case"]


def answers_of(case: dict[str, Any]) -> dict[str, str]:
    return {s: "yes" for s in case["yes"]} | {s: "no" for s in case.get("no", [])}


@pytest.mark.outside("trouble charts, bulletins and handbooks, each case naming its own (recalled)")
@pytest.mark.parametrize("case", CASES, ids=lambda c: f"{c['kind']}-{c['cause'][0]}")
def test_a_case_as_a_book_tells_it_comes_among_the_first_three(case: dict[str, Any]) -> None:
    found = weighed(model_of(case["kind"]), answers_of(case))
    assert any(w.key in case["cause"] for w in found[:3]), case["source"]


@pytest.mark.outside("the same cases together: nine in ten named among the first two")
def test_nine_in_ten_of_the_cases_are_among_the_first_two() -> None:
    assert len(CASES) >= 40 and all(c["source"] for c in CASES)
    right = sum(any(w.key in c["cause"] for w in weighed(model_of(c["kind"]), answers_of(c))[:2]) for c in CASES)
    assert right >= 0.9 * len(CASES)


@pytest.mark.outside("Bayes' rule worked by hand for one sign: prior times likelihood, divided by the sum")
@pytest.mark.parametrize("kind", ALL)
def test_one_answer_is_bayes_rule(kind: str) -> None:
    model = model_of(kind)
    for k, s in enumerate(model.signs[:12]):
        for answer, p in (("yes", model.seen[:, k]), ("no", 1 - model.seen[:, k])):
            byhand = model.prior * p
            assert np.allclose(posterior(model, {s.key: answer}), byhand / byhand.sum())


@pytest.mark.outside("scipy.stats.entropy: mutual information of a sign and the cause")
@pytest.mark.parametrize("kind", ["v", "chain"])
def test_bits_of_a_look_are_the_mutual_information(kind: str) -> None:
    model = model_of(kind)
    bits = bits_of(model, {})
    for k in range(0, len(model.signs), 7):
        joint = np.array([model.prior * model.seen[:, k], model.prior * (1 - model.seen[:, k])])
        information = (
            entropy(joint.sum(axis=0), base=2) + entropy(joint.sum(axis=1), base=2) - entropy(joint.ravel(), base=2)
        )
        assert bits[k] == pytest.approx(information, abs=1e-9)


@SOME
@given(kind=st.sampled_from(ALL), data=st.data())
def test_shares_are_shares_whatever_is_answered_in_whatever_order(kind: str, data: st.DataObject) -> None:
    model = model_of(kind)
    keys = data.draw(st.lists(st.sampled_from([s.key for s in model.signs]), max_size=14, unique=True))
    answers = {k: data.draw(st.sampled_from(["yes", "no", "not looked"])) for k in keys}
    share = posterior(model, answers)
    assert share.sum() == pytest.approx(1) and (share > 0).all()
    turned = dict(reversed(list(answers.items())))
    assert np.allclose(posterior(model, turned), share)
    told = weighed(model, answers)
    assert max(w.share for w in told) <= SUREST + 1e-9 and sum(w.share for w in told) == pytest.approx(1)
    assert [w.share for w in told] == sorted((w.share for w in told), reverse=True)
    # "Not looked" is no answer: it adds nothing, and it can be taken back.
    looked = {k: a for k, a in answers.items() if a != "not looked"}
    assert np.allclose(posterior(model, looked), share)


@SOME
@given(kind=st.sampled_from(ALL), data=st.data())
def test_a_sign_of_a_cause_never_speaks_against_it(kind: str, data: st.DataObject) -> None:
    model = model_of(kind)
    listed = [(s, c) for (s, c), row in likelihoods().items() if row.p > 0.2]
    here = {s.key for s in model.signs}, set(model.cause_keys())
    pairs = [(s, c) for s, c in listed if s in here[0] and c in here[1]]
    sign, cause = data.draw(st.sampled_from(pairs))
    at, k = model.cause_keys().index(cause), model.sign(sign)
    if model.seen[at, k] <= model.background[k]:
        return
    before, after = posterior(model, {})[at], posterior(model, {sign: "yes"})[at]
    mean = float(posterior(model, {}) @ model.seen[:, k])
    assert (after >= before) == (model.seen[at, k] >= mean)


def test_kindred_signs_count_less_than_strangers_and_checked_is_not_unchecked() -> None:
    model = model_of("v")
    groups: dict[str, list[str]] = {}
    for s in model.signs:
        groups.setdefault(s.group, []).append(s.key)
    slip = [k for k in groups["slip"] if (k, "v-slack") in likelihoods()]
    at = model.cause_keys().index("v-slack")
    one = np.log(posterior(model, {slip[0]: "yes"})[at] / model.prior[at])
    two = np.log(posterior(model, {slip[0]: "yes", slip[1]: "yes"})[at] / model.prior[at])
    plain = sum(np.log(posterior(model, {k: "yes"})[at] / model.prior[at]) for k in slip[:2])
    assert one < two < plain
    assert posterior(model, {"tension-low": "no"})[at] < posterior(model, {"tension-low": "not looked"})[at]


@pytest.mark.parametrize("kind", ALL)
def test_a_hand_is_never_sent_into_a_live_machine(kind: str) -> None:
    """Guard off only with the isolation said; once isolated nothing is asked that wants it running."""
    model = model_of(kind)
    for isolated in (False, True):
        answers: dict[str, str] = {}
        for _ in range(30):
            found = next_check(model, answers, isolated=isolated)
            if found is None:
                break
            sign = model.signs[model.sign(found.sign)]
            assert found.needs_isolation == (sign.guard == "off" and not isolated)
            assert not (isolated and sign.needs_it_running)
            assert found.sign not in answers and found.bits > 0 and found.minutes > sign.minutes
            answers[found.sign] = "no"


def simulated(kind: str, cases: int, seed: int, wrong: float) -> tuple[float, float]:
    """(share first, share among the first two) of causes drawn by their priors: what the record knows, three things seen on the loop,
    then seven questions, each of them answered wrongly so often."""
    model, listed, luck = model_of(kind), likelihoods(), np.random.default_rng(seed)
    shown = np.array(
        [
            [listed[s.key, c.key].p if (s.key, c.key) in listed else s.background for s in model.signs]
            for c in model.causes
        ]
    )
    prior = model.prior[:-1] / model.prior[:-1].sum()
    first = two = 0
    for _ in range(cases):
        true = int(luck.choice(len(prior), p=prior))
        seen = luck.random(len(model.signs)) < shown[true]
        answers = {s.key: "yes" if seen[k] else "no" for k, s in enumerate(model.signs) if s.where == "history"}
        loop = [k for k, s in enumerate(model.signs) if s.where == "loop" and seen[k]]
        for k in luck.permutation(loop)[:3]:
            answers[model.signs[int(k)].key] = "yes"
        for _ in range(7):
            found = next_check(model, answers, isolated=False)
            if found is None:
                break
            truly = bool(seen[model.sign(found.sign)])
            answers[found.sign] = "yes" if truly != (luck.random() < wrong) else "no"
        told = [w.key for w in weighed(model, answers) if w.key != OTHER]
        first += told[0] == model.causes[true].key
        two += model.causes[true].key in told[:2]
    return first / cases, two / cases


@pytest.mark.parametrize("kind", ALL)
def test_wrong_answers_cost_something_but_do_not_mislead_wholly(kind: str) -> None:
    right, with_noise = simulated(kind, 60, 3, 0.0), simulated(kind, 60, 3, 0.1)
    assert right[1] >= with_noise[1] - 0.08
    assert with_noise[1] >= 0.6 and right[1] >= 0.7


def test_the_tables_hang_together() -> None:
    signs, causes = set(table("signs").column("key")), set(table("causes").column("key"))
    assert {s for s, _ in likelihoods()} <= signs and {c for _, c in likelihoods()} <= causes
    assert set(table("causes").column("job")) <= set(shipped())
    for kind in ALL:
        model = model_of(kind)
        assert len(model.causes) >= 10 and model.prior.sum() == pytest.approx(1)
        strong = (model.seen[:-1] > model.background * 1.5).sum(axis=1)
        assert (strong >= 3).all()
    assert all(0 < p < 1 for p in table("likelihoods").column("p"))
    assert float(slipped(1.0)) == pytest.approx(1 - SLIP)


def test_what_is_no_sign_no_answer_no_kind_is_refused_and_contradictions_are_named() -> None:
    model = model_of("v")
    for answers in ({"horns": "yes"}, {"flap": "perhaps"}):
        with pytest.raises(InputError) as e:
            posterior(model, answers)
        assert e.value.field == "answers"
    with pytest.raises(InputError):
        kind_of_loop("rope")
    with pytest.raises(InputError):
        model_of("rope")
    assert contradictions(model, {"tension-low": "yes", "tension-high": "yes"}) == (("tension-low", "tension-high"),)
    assert contradictions(model, {"tension-low": "yes", "tension-high": "no"}) == ()
    assert not settled(weighed(model, {}))
    assert settled(weighed(model, {"v-swollen": "yes", "oil-near": "yes", "v-sticky": "yes"}))
