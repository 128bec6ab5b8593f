"""`dead-drive`: a drive that does not turn: what to look at next, and which part is held."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Text
from tuyere.calc.registry import Input, calculation
from tuyere.core.diagnosis.dead import PARTS, walk
from tuyere.core.notices import notice

GROUP = "Upkeep"


class DeadDriveIn(Input):
    """What was answered so far, look by look."""

    answers: Annotated[
        dict[Annotated[str, Field(max_length=30)], Annotated[Text, Field(max_length=30)]], Field(max_length=20)
    ] = Field(default_factory=dict, description="key of a look and its answer")


class LookOut(Answer):
    """A look: what is asked, how, guard, minutes and its answers."""

    key: str
    words: str
    how: str
    guard: Literal["on", "off"]
    minutes: float
    answers: list[str]


class SaidOut(Answer):
    """A look that was answered."""

    key: str
    words: str
    answer: str


class PartOut(Answer):
    """A part in the way of the power: unknown, well, or held."""

    part: str
    state: Literal["unknown", "well", "held"]


class DeadEndOut(Answer):
    """Where the search ended."""

    key: str
    words: str
    does: str
    part: str
    job: str


class DeadDriveOut(Answer):
    """The way so far, the next look or the end, and what is known of each part."""

    says: str
    said: list[SaidOut]
    next: LookOut | None
    end: DeadEndOut | None
    parts: list[PartOut]
    minutes: float


@calculation(
    "dead-drive",
    "Dead drive",
    summary="A drive that does not turn: supply and loop from outside, then the loop off and each side by hand, in the order of "
    "least work; what turns freely is not the jam.",
    source="common practice",
    example={
        "units": "us",
        "input": {
            "answers": {
                "supply": "there",
                "loop": "yes",
                "make-safe": "safe",
                "strands": "one tight",
                "loop-off": "off",
                "driven": "free",
            }
        },
    },
    first=("says", "next"),
)
def dead_drive(given: DeadDriveIn, _frame: Frame) -> DeadDriveOut:
    """Follow the answers. Raises InputError for answers that were not asked."""
    found = walk(given.answers)
    if found.then is not None and found.then.guard == "off":
        notice(
            "danger",
            "isolate-first",
            "Isolated, proved and tried before the guard comes off; a trapped force can turn it when it is freed.",
            "input.answers",
        )
    then, end = found.then, found.end
    return DeadDriveOut(
        says=f"{end.words}. {end.does}" if end else then.words if then else "",
        said=[SaidOut(key=look.key, words=look.words, answer=answer) for look, answer in found.path],
        next=None
        if then is None
        else LookOut(
            key=then.key,
            words=then.words,
            how=then.how,
            guard="on" if then.guard == "on" else "off",
            minutes=then.minutes,
            answers=list(then.leads),
        ),
        end=None
        if end is None
        else DeadEndOut(key=end.key, words=end.words, does=end.does, part=end.part, job=end.job),
        parts=[PartOut.model_validate({"part": p, "state": found.parts[p]}) for p in PARTS],
        minutes=found.minutes,
    )
