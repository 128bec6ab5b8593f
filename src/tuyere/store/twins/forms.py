"""Forms of instruments and simulated drives."""

from __future__ import annotations

import uuid
from typing import Annotated

from pydantic import AwareDatetime, Field

from tuyere.calc.parts import Whole
from tuyere.store.plumbing.forms import InUnits, Operation, Short, Tag

Held = Annotated[str, Field(max_length=40)]


class TakeReading(InUnits):
    """A reading to take with a simulated instrument: at a step of a job, which says what is read there and whether the machine
    runs; or by itself.
    """

    instrument: Tag
    target: Short = Field(description="what is read: belt 2, near, it")
    job_id: uuid.UUID | None = Field(default=None, description="the job it is taken at")
    step: Annotated[str, Field(max_length=120)] = Field(default="", description="the step of that job")
    reads: Tag = Field(default="", description="what the step of the job reads: tension, gaps")
    held: Annotated[list[Held], Field(max_length=6)] = Field(default=[], description="how it is held wrongly, if it is")
    running: bool = Field(default=False, description="whether the machine runs")
    beside: dict[Short, float] = Field(default={}, max_length=12, description="read at the step already, core units")


class TwinSave(Operation):
    """A simulated drive for a drive: by its seed, with some of its faults chosen."""

    seed: Annotated[Whole, Field(ge=0, le=2**31 - 1)]
    twist: Annotated[float, Field(ge=-5, le=5)] | None = Field(default=None, description="degrees, nose up")
    toe: Annotated[float, Field(ge=-5, le=5)] | None = Field(default=None, description="degrees, nose away")
    offset: Annotated[float, Field(ge=-50, le=50)] | None = Field(default=None, description="mm, behind")
    odd_belt: Annotated[Whole, Field(ge=1, le=30)] | None = Field(
        default=None, description="a slack belt of the next set"
    )
    tension: Annotated[float, Field(ge=0, le=3)] | None = Field(
        default=None, description="mean tension over the middle of the run-in band"
    )
    load: Annotated[float, Field(ge=0, le=1.5)] | None = Field(default=None, description="share of the duty's power")


class ToldShown(Operation):
    """What a real instrument showed, told by its bridge."""

    instrument: Tag
    serial: Short
    quantity: Tag = Field(description="kind of quantity: force, frequency, gap, speed, current, length, angle")
    value: Annotated[float, Field(ge=-1e9, le=1e9)]
    unit: Annotated[str, Field(max_length=20)] = Field(description="as on the instrument: lbf, N, Hz, in, mm, rpm, A")
    resolution: Annotated[float, Field(ge=0, le=1e6)]
    at: AwareDatetime
    warnings: Annotated[list[Short], Field(max_length=8)] = []
