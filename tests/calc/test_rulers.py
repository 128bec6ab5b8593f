"""The rulers of the tension scale: each mark stands where the formula behind the ruler has its number."""

from __future__ import annotations

from itertools import pairwise
from typing import Any

import pytest

from tuyere.calc.registry import find, work
from tuyere.calc.rulers import nice_step

TARGET = find("tension-target")


def axis(units: str) -> Any:
    asked = {k: TARGET.example["input"][k] for k in ("drive", "state", "start")}
    request = TARGET.request_model.model_validate({"units": units, "input": asked})
    return work(TARGET, request).result


@pytest.mark.parametrize("units", ["us", "si"])
def test_marks_rise_and_stand_inside_the_scale(units: str) -> None:
    shown = axis(units).axis
    assert [r.key for r in shown.rulers] == ["force", "tension", "frequency"]
    for ruler in shown.rulers:
        places = [t.at for t in ruler.ticks]
        assert all(a < b for a, b in pairwise(places))
        assert shown.low <= places[0] and places[-1] <= shown.high
        assert 3 <= sum(1 for t in ruler.ticks if t.number) <= 14


@pytest.mark.parametrize("units", ["us", "si"])
def test_a_band_reads_the_same_on_every_ruler(units: str) -> None:
    """Two ways to one figure: what a band says of itself, and what is read off the ruler at its end."""
    result = axis(units)
    for end in (result.aim.low, result.aim.high):
        said = {"force": end.deflection_force, "tension": end.tension, "frequency": end.frequency}
        for ruler in result.axis.rulers:
            numbered = [(t.at, float(t.number.replace(",", ""))) for t in ruler.ticks if t.number]
            (a, x), (b, y) = next(
                ((p, q) for p, q in pairwise(numbered) if q[0] >= end.tension.value), (numbered[-2], numbered[-1])
            )
            read = x + (y - x) * (end.tension.value - a) / (b - a)
            assert read == pytest.approx(float(said[ruler.key].number.replace(",", "")), rel=0.02)


@pytest.mark.parametrize("span", [0.03, 1.0, 7.7, 14, 99, 480, 12_345])
def test_steps_are_those_of_a_ruler(span: float) -> None:
    step = nice_step(span, 7)
    lead = float(f"{step:e}".split("e")[0])
    assert lead in (1.0, 2.0, 5.0) and 3.5 <= span / step <= 14
