"""Simulated instruments: they agree with each other through the calculations, follow the moves, and are spoiled as said."""

from __future__ import annotations

import io
import wave
from dataclasses import replace
from datetime import UTC, datetime
from math import degrees
from typing import Any

import numpy as np
import pytest

from tuyere.calc.entry import reading_in
from tuyere.calc.families.duty_model import StoredDuty
from tuyere.calc.families.protocol import dumped, of_calc
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Units, find, work
from tuyere.calc.shop import read
from tuyere.core.errors import InputError
from tuyere.core.notices import collected_notices
from tuyere.core.signal.pluck import note_of
from tuyere.core.steps import quiet
from tuyere.instruments.interface import Shown, kinds, mishandlings_of
from tuyere.instruments.simulated import RUNNING_ONLY, SEES, Ask, instrument_for, take
from tuyere.instruments.sound import RATE, pluck, wav
from tuyere.instruments.twin import Twin, lined_up, movement_of_slack, out_of_line, turned, twin_for
from tuyere.jobs.facts import DriveKnown
from tuyere.jobs.reads import asked_at
from tuyere.jobs.situation import JobStep
from tuyere.jobs.template import shipped

# A tenth of a millimetre across a small wheel: what no reading tells from the limit itself.
AS_READ_DEG = 0.1
AT = datetime(2026, 11, 26, tzinfo=UTC)


def known(calc: str, units: Units) -> DriveKnown:
    """A calculation's example drive, as a job knows it."""
    example, family = find(calc).example, of_calc(calc)
    assert family is not None
    with reading_in(example["units"]), quiet(), collected_notices():
        given, frame = family.input_model.model_validate(example["input"]), Frame(units)
        worked = family.method.work(family.case(given, frame))
        duty = family.duty_of(given, worked)
        stored = StoredDuty(power_kw=duty.power.value, driver_rpm=duty.driver_speed.value)
        parts = family.parts(given, worked, frame)
        kept = family.given(stored, parts)
    what = family.what(parts.loop.designation, parts.loop.strands)
    return DriveKnown(calc=calc, input=dict(dumped(kept)), units=units, what=what)


V, CHAIN, SYNC = known("v-belt-drive", "us"), known("chain-drive", "si"), known("sync-drive", "si")


def shown(twin: Twin, of: DriveKnown, instrument: str, target: str, luck: int = 1, **more: Any) -> Shown:
    ask = Ask(instrument=instrument, target=target, units=of.units, **more)
    return take(twin, of, ask, luck=np.random.default_rng(luck), serial="SIM-1", at=AT)


def asked(calc: str, given: dict[str, Any]) -> Any:
    c = find(calc)
    # A kept drive speaks the core's units; what is typed beside it says its own.
    return work(c, c.request_model.model_validate({"units": "si", "input": given})).result


@pytest.mark.parametrize("seed", range(12))
def test_a_gauge_a_clip_and_a_note_say_the_same_tension(seed: int) -> None:
    twin = twin_for(V, seed)
    drive = {"calc": V.calc, "input": V.input}
    means = []
    for method, instrument, field in (
        ("plunger", "plunger", "force"),
        ("clip-on", "clip-on", "force"),
        ("frequency", "frequency-meter", "frequency"),
    ):
        lines = [
            {"belt": n, "method": method, field: shown(twin, V, instrument, f"belt {n}", 10 * seed + n).typed}
            for n in range(1, V.belts + 1)
        ]
        means.append(asked("tension-reading", {"drive": drive, "readings": lines}).mean.tension.value)
    true = float(np.mean(twin.tensions_n))
    assert means == pytest.approx([true] * 3, rel=0.15)


@pytest.mark.parametrize("tool", ["straightedge", "laser"])
def test_what_the_alignment_tells_brings_the_simulated_machine_into_line(tool: str) -> None:
    """Hidden poses, readings with their noise: inside the limits after one round in 95 of 100 cases, after two in all."""
    instrument, after = ("feeler", "feeler") if tool == "straightedge" else ("groove-laser", "groove laser")
    limits = asked("alignment-limits", {"kind": "v", "centre": f"{V.worked.centre_mm} mm"})
    in_one = 0
    for seed in range(60):
        twin = replace(twin_for(V, seed), rims=(7.0, 7.0))
        for no in range(2):
            gaps = {
                p: shown(twin, V, instrument, p, 100 * seed + no, reads="gaps").typed
                for p in ("near", "far", "top", "bottom")
            }
            feet = {n: shown(twin, V, "tape", n, reads="gaps").typed for n in ("inboard", "spacing", "height")}
            given = {
                "kind": "v",
                "centre": f"{V.worked.centre_mm} mm",
                "tool": after,
                "feet": feet,
                "moving": {"diameter": f"{V.moving_mm} mm", **gaps},
            }
            said = asked("alignment", given)
            twin = lined_up(twin, said.model_dump()["moves"])
            faults = out_of_line(twin)
            inside = (
                abs(faults["twist"]) <= limits.angle.value + AS_READ_DEG
                and abs(faults["toe"]) <= limits.angle.value + AS_READ_DEG
                and abs(faults["offset"]) <= limits.offset.value
            )
            in_one += no == 0 and inside
        assert inside, (seed, faults)
    assert in_one >= 57


def test_turning_the_screws_tightens_every_belt_and_moves_the_centres() -> None:
    twin = twin_for(V, 3)
    tighter = turned(twin, 1.0)
    assert all(b > a for a, b in zip(twin.tensions_n, tighter.tensions_n, strict=True))
    assert tighter.longer_mm - twin.longer_mm == pytest.approx(twin.screw_mm)
    assert all(t == 0 for t in turned(twin, -20.0).tensions_n)
    slack, snug = twin_for(CHAIN, 3), turned(twin_for(CHAIN, 3), 0.5)
    one, other = (shown(t, CHAIN, "tape", "it", reads="chain-hand").value for t in (slack, snug))
    assert other < one


def test_a_slack_strand_moves_by_pythagoras() -> None:
    span, slack = 500.0, 2.0
    half = movement_of_slack(span, slack) / 2
    assert 2 * np.hypot(span / 2, half) == pytest.approx(span + slack)


def test_running_instruments_agree_with_the_running_state() -> None:
    twin = turned(twin_for(V, 8), 2.0)
    rpm = shown(twin, V, "tachometer", "it", running=True).value
    assert rpm == pytest.approx(twin.running(V).driven_rpm, rel=0.005)
    slack = turned(twin, -3.0)
    assert slack.running(V).slip_percent > twin.running(V).slip_percent
    assert shown(slack, V, "tachometer", "it", running=True).value < rpm
    assert shown(slack, V, "thermometer", "wheel", running=True).value > shown(twin, V, "thermometer", "wheel").value
    assert shown(twin, V, "tachometer", "it").value == 0 and shown(twin, V, "clamp", "it").value == 0
    assert 0 < shown(twin, V, "clamp", "it", running=True).value < 1.1 * twin.rated_a


WRONG = {
    ("plunger", "not-square"): lambda a, b: b > 1.1 * a,
    ("plunger", "not-mid-span"): lambda a, b: b == pytest.approx(4 / 3 * a, rel=0.03),
    ("plunger", "wrong-ring"): lambda a, b: b != pytest.approx(a, rel=0.05),
    ("clip-on", "not-mid-span"): lambda a, b: b > 1.1 * a,
    ("frequency-meter", "wrong-span"): lambda a, b: b < 0.95 * a,
    ("frequency-meter", "beam-on-the-rim"): lambda a, b: b == pytest.approx(50, abs=2),
    ("groove-laser", "beam-on-the-rim"): lambda a, b: abs(b - a) > 0.02,
    ("dial", "not-square"): lambda a, b: abs(b) > abs(a),
    ("tachometer", "mark-left-on-twice"): lambda a, b: b == pytest.approx(2 * a, rel=0.01),
    ("clamp", "both-wires"): lambda a, b: b < 0.2 * a,
    ("clamp", "doors-open"): lambda a, b: b < a,
    ("thermometer", "bright-metal"): lambda a, b: b < a,
}


@pytest.mark.parametrize(("instrument", "way"), WRONG)
def test_an_instrument_held_wrongly_shows_what_a_real_one_would(instrument: str, way: str) -> None:
    twin = replace(turned(twin_for(V, 8), 1.0), rims=(6.0, 9.0))
    running = instrument in RUNNING_ONLY
    target = {
        "groove-laser": "near",
        "dial": "far",
        "plunger": "belt 1",
        "clip-on": "belt 1",
        "frequency-meter": "belt 1",
    }.get(instrument, "it")
    right, wrong = (
        shown(
            twin,
            V,
            instrument,
            target,
            reads="gaps" if instrument in ("dial", "groove-laser") else "",
            running=running,
            held=held,
        )
        for held in ((), (way,))
    )
    assert WRONG[instrument, way](right.value, wrong.value)


def test_every_way_of_spoiling_a_reading_is_tried_above_and_every_instrument_sees_something() -> None:
    assert {(m.instrument, m.key) for k in kinds() for m in mishandlings_of(k)} == set(WRONG)
    assert set(SEES) == set(kinds())


@pytest.mark.parametrize(
    ("instrument", "target", "more", "field"),
    [
        ("plunger", "belt 1", {"running": True}, "running"),
        ("plunger", "belt 9", {}, "target"),
        ("plunger", "fan", {}, "target"),
        ("groove-laser", "middle", {"reads": "gaps"}, "target"),
        ("tape", "it", {"reads": "chain-stretch"}, "target"),
        ("tape", "navel", {"reads": "gaps"}, "target"),
        ("plunger", "belt 1", {"held": ("upside-down",)}, "held"),
        ("divining-rod", "it", {}, "instrument"),
    ],
)
def test_what_cannot_be_read_is_refused_beside_the_part(instrument: str, target: str, more: Any, field: str) -> None:
    with pytest.raises(InputError) as e:
        shown(twin_for(V, 1), V, instrument, target, **more)
    assert e.value.field == field


def test_a_reading_comes_in_steps_of_the_instrument_and_is_the_same_for_the_same_luck() -> None:
    twin = twin_for(V, 5)
    one, same, other = (shown(twin, V, "plunger", "belt 1", k) for k in (1, 1, 2))
    assert one == same and one.value != other.value
    assert one.value * 10 == pytest.approx(round(one.value * 10)) and one.typed.endswith(" lbf")
    over = shown(replace(twin, start_n=9e4), V, "plunger", "belt 1")
    assert over.warnings == ("over its range",)


def test_a_synchronous_belt_is_read_by_its_note_and_a_chain_by_its_pitches() -> None:
    twin = twin_for(SYNC, 2)
    note = shown(twin, SYNC, "frequency-meter", "belt 1")
    drive = {"calc": SYNC.calc, "input": SYNC.input}
    read = asked("tension-reading", {"drive": drive, "readings": [{"method": "frequency", "frequency": note.typed}]})
    assert read.mean.tension.value == pytest.approx(float(np.mean(twin.tensions_n)), rel=0.05)
    chain = twin_for(CHAIN, 2)
    length = shown(chain, CHAIN, "tape", "length", reads="chain-stretch", beside={"pitches": 20.0}).value
    pitch = float(CHAIN.worked.elevation.pitch)
    assert length == pytest.approx(20 * pitch * (1 + chain.worn_percent / 100), abs=1.5)


@pytest.mark.parametrize("hertz", [9.0, 16.0, 31.5, 64.0, 120.0, 190.0])
def test_the_sound_of_a_pluck_has_its_note(hertz: float) -> None:
    samples = pluck(hertz, np.random.default_rng(4))
    with wave.open(io.BytesIO(wav(samples))) as f:
        assert (f.getnchannels(), f.getsampwidth(), f.getframerate()) == (1, 2, RATE)
    found = note_of(samples, RATE)
    assert found.hertz == pytest.approx(hertz, rel=0.01)


def test_a_made_drive_is_somewhere_between_serviced_and_neglected() -> None:
    for seed in range(40):
        twin = twin_for(V, seed)
        band = V.hold.band("run in")  # type: ignore[union-attr]
        assert 0.3 * band.low_n < np.mean(twin.tensions_n) < 1.2 * band.high_n
        assert abs(degrees(twin.body.twist)) < 1.5 and abs(degrees(twin.body.toe)) < 1.5


def _walked() -> list[tuple[str, str, str, str]]:
    """Every reading that any shipped job asks for in figures: (step, what it reads, target, quantity)."""
    out = {}
    for template in shipped().values():
        for step in template.steps:
            if step.kind != "read":
                continue
            for of in (V, CHAIN):
                for a in asked_at(JobStep(key=step.key, of=step), of, template.tool):
                    for kind in a.kinds:
                        out[(step.key, step.reads, a.target, kind)] = template.tool
    return [(*k, tool) for k, tool in out.items()]


@pytest.mark.parametrize(("step", "reads", "target", "kind", "tool"), _walked())
def test_every_figure_that_a_job_asks_for_has_a_stand_in(
    step: str, reads: str, target: str, kind: str, tool: str
) -> None:
    instrument = instrument_for(reads, target, kind, tool)
    if kind == "text":
        assert instrument == ""
        return
    of = CHAIN if reads.startswith("chain") else V
    got = shown(
        twin_for(of, 4),
        of,
        instrument,
        target,
        reads=reads,
        step=step,
        running=reads in ("speed", "amps"),
        beside={"pitches": 12.0},
    )
    assert got.quantity == kind and np.isfinite(got.value)
    # What it shows can be set on the pad as it stands.
    read(got.typed, kind, of.units)


def test_a_tape_round_the_loop_and_a_count_of_links_are_those_of_its_path() -> None:
    """The handbook's length of an open belt, Machinery's Handbook, recalled: 2C + 1.57 (D + d) + (D - d)^2 / 4C."""
    small, large = sorted(float(w.path_mm) for w in V.worked.case.route.wheels)
    c = float(V.worked.centre_mm)
    twin, path = twin_for(V, 4), 2 * c + 1.57 * (large + small) + (large - small) ** 2 / (4 * c)
    round_it = shown(twin, V, "tape", "it", reads="length", step="path-taped").value * 25.4
    links = shown(twin, V, "tally", "it", reads="count").value
    assert round_it == pytest.approx(path, abs=4) and links * 12.7 == pytest.approx(path, abs=13)
