"""What a step is about is marked on the drive: every shipped step names a part, and every part is found on every drive."""

from __future__ import annotations

import re
from importlib.resources import files

import pytest

from tests.instruments.test_simulated import CHAIN, SYNC, V
from tuyere.jobs.facts import DriveKnown
from tuyere.jobs.handled import handled_at
from tuyere.jobs.words import Part, words


def test_every_step_of_every_template_says_what_it_is_about() -> None:
    steps = silent = 0
    for f in files("tuyere.jobs").joinpath("templates").iterdir():
        for line in f.read_text("utf-8").splitlines():
            if re.match(r'\s+\{key="', line):
                steps += 1
                silent += ' at="' not in line
    assert steps > 200 and silent == 0


@pytest.mark.parametrize("known", [V, CHAIN, SYNC], ids=["v", "chain", "sync"])
@pytest.mark.parametrize("part", [p for p in words(Part) if p != "away"])
def test_every_part_is_found_on_a_drive(known: DriveKnown, part: str) -> None:
    e = known.worked.elevation
    of = handled_at(e, part)
    assert of.words and (of.wheels or of.strands or of.loop or of.around)
    assert set(of.wheels) <= {w.id for w in e.wheels} and set(of.strands) <= {s.id for s in e.strands}


def test_the_side_that_moves_is_the_driver_and_what_is_away_is_marked_nowhere() -> None:
    e = V.worked.elevation
    assert [w.role for w in e.wheels if w.id in handled_at(e, "mover").wheels] == ["driver"]
    away = handled_at(e, "away")
    assert not (away.words or away.wheels or away.strands or away.loop or away.around)
