"""What the first stages of a drive answer, alike for every family: what it is, what it must do, what it carries."""

from __future__ import annotations

from collections.abc import Sequence

from tuyere.calc.answer import Figure
from tuyere.calc.frame import Frame, main_answer, shaft_answer
from tuyere.calc.sheet import MainAnswer


def found_answers(
    designation: str, why: str, sizes: Sequence[MainAnswer], *, step: str | None = None
) -> list[MainAnswer]:
    """What stands there: its name, then its sizes."""
    what = MainAnswer(key="what", label="", main=designation, unit="", how=why, step=step, stage="found")
    return [what, *(s.model_copy(update={"stage": "found"}) for s in sizes)]


def duty_answers(frame: Frame, power_kw: float, factor: Figure | None, design: Figure) -> list[MainAnswer]:
    """What it must carry: the duty's power by how hard it works."""
    power = frame.figure(power_kw, "power")
    how = f"{power.shown} × {factor.number}" if factor is not None else f"from {power.shown}"
    return [main_answer("design", "Design power", design, how, stage="duty")]


def choose_answers(
    carries: Figure | None, design: Figure, *, word: str, how: str, load: Figure, case: str
) -> list[MainAnswer]:
    """What it carries against what it needs, and what that puts on the shafts."""
    shaft = shaft_answer(load, case)
    if carries is None:
        return [shaft]
    of = f"of {design.shown} needed" + (f"; {how}" if how else "")
    return [main_answer("carries", word, carries, of, stage="choose"), shaft]
