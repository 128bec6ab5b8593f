"""The machine and the drive that a job is for, as far as steps depend on them."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from tuyere.core.errors import InputError
from tuyere.jobs.template import Template, TemplateStep
from tuyere.jobs.words import ANY, Mounting, TakeUp, words


@dataclass(frozen=True, slots=True, kw_only=True)
class Source:
    """A source of energy of the machine: its id, type, where it is isolated and how."""

    id: str
    type: str
    point: str
    how: str = ""


@dataclass(frozen=True, slots=True, kw_only=True)
class Situation:
    """``take_up`` and ``mounting`` are None where nobody said: then every step shows. ``answers`` are to the template's questions.

    ``recheck`` is the school by which a new loop is looked at again.
    """

    loop: str
    take_up: str | None = None
    mounting: str | None = None
    sources: tuple[Source, ...] = ()
    answers: Mapping[str, bool] = field(default_factory=dict)
    recheck: str = "all"

    def check(self) -> None:
        """Refuse words that nobody knows. Raises InputError."""
        for name, value, known in (
            ("take_up", self.take_up, words(TakeUp)),
            ("mounting", self.mounting, words(Mounting)),
        ):
            if value is not None and value not in known:
                raise InputError(name, value, f"not a word for {name.replace('_', ' ')}", ", ".join(known))


@dataclass(frozen=True, slots=True, kw_only=True)
class JobStep:
    """A step of one job: the template's, and the source of energy it is about where it is about one.

    ``move`` is what is done between two rounds of a reading, as the template has it in a step of its own.
    """

    key: str
    of: TemplateStep
    source: Source | None = None
    move: TemplateStep | None = None


def _shows(step: TemplateStep, at: Situation) -> bool:
    """Whether a step is for this drive. What nobody said hides nothing; a machine without recorded sources shows every isolation."""
    if step.ask and not at.answers.get(step.ask, False):
        return False
    have = {
        "family": {at.loop},
        "take_up": None if at.take_up is None else {at.take_up},
        "mounting": None if at.mounting is None else {at.mounting},
        "energy": {s.type for s in at.sources} or None,
    }
    return all(
        ANY in wanted or mine is None or bool(set(wanted) & mine)
        for name, wanted in step.when.items()
        for mine in (have[name],)
    )


def steps_for(template: Template, at: Situation) -> tuple[JobStep, ...]:
    """The steps of a job in the order that is advised: one isolation step for every source of the machine that it is for.

    Raises InputError for a drive that the template is not for, or words that are none.
    """
    at.check()
    if not template.serves(at.loop):
        raise InputError("template", template.key, "this job is not for such a drive", ", ".join(template.families))
    out: list[JobStep] = []
    shown = [s for s in template.steps if _shows(s, at)]
    moves = {s.repeats: s for s in shown if s.repeats}
    for step in shown:
        if step.repeats:
            continue
        if step.per == "source" and at.sources:
            for source in at.sources:
                if source.type in step.when.get("energy", ()):
                    out.append(
                        JobStep(
                            key=f"{step.key}:{source.id}",
                            of=replace(step, key=f"{step.key}:{source.id}"),
                            source=source,
                        )
                    )
        else:
            out.append(JobStep(key=step.key, of=step, move=moves.get(step.key)))
    return tuple(out)
