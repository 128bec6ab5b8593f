"""What is sent to keep a speed plate."""

from __future__ import annotations

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field, JsonValue, StringConstraints

from tuyere.calc.entry import Speed
from tuyere.calc.parts import Whole
from tuyere.store.plumbing.forms import InUnits, Name, Short


class PlateRow(BaseModel):
    """One speed: how it is set, what the machine then turns at, a note."""

    model_config = ConfigDict(extra="forbid")

    setting: Name
    speed: Speed
    note: Short = ""


class PlateSave(InUnits):
    """A speed plate; ``rev`` is the version it was read at, 0 where there was none."""

    rev: Annotated[Whole, Field(ge=0, le=2**31 - 1)] = 0
    title: Short = ""
    rows: Annotated[list[PlateRow], Field(min_length=1, max_length=25)]
    calc: Annotated[str, StringConstraints(max_length=40, pattern=r"^[a-z-]*$")] = ""
    given: dict[str, JsonValue] = Field(default_factory=dict, description="what the speeds were worked from")
