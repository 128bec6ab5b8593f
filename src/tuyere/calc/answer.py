"""The shapes of an answer: figures, bands, working, notices, the elevation."""

from __future__ import annotations

from typing import Any, Literal

from pydantic import BaseModel, ConfigDict, Field

from tuyere.calc.titles import TITLED

Level = Literal["info", "caution", "danger"]


class Answer(BaseModel):
    """Base of everything that goes out; nothing extra slips in."""

    model_config = ConfigDict(extra="forbid", defer_build=True, **TITLED)


class Figure(Answer):
    """One figure: value in the core's unit, how it is shown, the step that gives it."""

    value: float
    unit: str
    shown: str = Field(description="number and unit as a mechanic reads them")
    number: str
    unit_shown: str
    step: str | None = Field(description="id of the working step that gives it")
    per: str | None = Field(description="belt or hub, for forces and tensions")


class Band(Answer):
    """A range to set something in."""

    low: Figure
    high: Figure
    per: str | None
    shown: str


class SourceOut(Answer):
    """Where a step comes from."""

    title: str
    edition: str
    clause: str
    origin: str
    confidence: str


class WorkingStep(Answer):
    """One line of working; ``uses`` are the steps whose values it takes."""

    id: str
    symbol: str
    name: str
    says: str
    expression: str
    numbers: str
    inputs: dict[str, float | str]
    value: float
    unit: str
    shown: str = Field(description="the value in the person's units, with no more digits than a working on paper")
    table: str
    about: str = Field(description="what the step is about: a wheel or a shaft; empty for the drive")
    uses: list[str]
    source: SourceOut


class NoticeOut(Answer):
    """A remark on the result."""

    level: Level
    code: str
    path: str
    text: str
    action: str


class WheelOut(Answer):
    """A wheel of the elevation, mm."""

    id: str
    role: str
    x: float
    y: float
    outside_radius: float
    path_radius: float
    turn: int
    profile: str
    count: int


class StrandOut(Answer):
    """A free strand of the elevation, mm; ``after`` and ``before`` are the wheels it runs between."""

    id: str
    after: str
    before: str
    x1: float
    y1: float
    x2: float
    y2: float
    side: Literal["tight", "slack", "between"]
    length: float
    share: float = Field(default=0.0, description="of its pull between the slackest strand, 0, and the tightest, 1")


class ArcOut(Answer):
    """Belt in contact with a wheel."""

    wheel: str
    x: float
    y: float
    r: float
    start_deg: float
    sweep_deg: float
    turn: int


class DimensionOut(Answer):
    """A distance between two shafts, mm."""

    id: str
    x1: float
    y1: float
    x2: float
    y2: float
    length: float


class GhostOut(Answer):
    """An end of the take-up's travel, mm."""

    wheel: str
    x: float
    y: float
    r: float


class ArmOut(Answer):
    """The arm that a wheel swings on, mm."""

    wheel: str
    x1: float
    y1: float
    x2: float
    y2: float
    pulled: bool


class PinOut(Answer):
    """A guide or keeper, mm."""

    id: str
    x: float
    y: float
    r: float


class ElevationOut(Answer):
    """To-scale side view; mm, driver at the origin, y up."""

    family: str
    wheels: list[WheelOut]
    arcs: list[ArcOut]
    strands: list[StrandOut]
    dimensions: list[DimensionOut]
    thickness: float
    pitch: float
    left: float
    bottom: float
    width: float
    height: float
    character: str = "plain"
    ghosts: list[GhostOut] = []
    arms: list[ArmOut] = []
    guides: list[PinOut] = []
    words: str = ""


def plain(value: Any) -> Any:
    """NumPy floats out of the way before JSON."""
    return value.item() if hasattr(value, "item") else value
