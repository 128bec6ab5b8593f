"""The shapes of an answer: figures, bands, working, notices, the elevation."""

from __future__ import annotations

from typing import Any, Literal

from pydantic import BaseModel, ConfigDict, Field

Level = Literal["info", "caution", "danger"]


class Answer(BaseModel):
    """Base of everything that goes out; nothing extra slips in."""

    model_config = ConfigDict(extra="forbid", defer_build=True)


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


class CallOut(Answer):
    """A figure hung on the elevation; ``path`` is the input field that touching it changes."""

    key: str
    at: str = Field(description="wheel:ID, strand:ID-ID or centres:ID-ID of the elevation")
    label: str
    number: str
    unit: str
    path: str | None
    clears: list[str] = Field(default=[], description="input fields that a change of ``path`` takes the place of")
    step: str | None


class MainAnswer(Answer):
    """One of the few answers a mechanic came for."""

    key: str
    label: str
    main: str
    unit: str
    step: str | None


class Setting(Answer):
    """How the drive is set by hand: steps in order, figures between * marks, and what stays doubtful."""

    title: str
    steps: list[str]
    room: str
    remark: str


class SpeedHeld(Answer):
    """The driven speed against the one that is wanted; ``power_then`` is what a fan or pump takes at the speed it gets."""

    speed: Figure
    error: Figure
    tolerance: Figure
    within: bool
    says: str = Field(description="on speed, or by how much too fast or too slow")
    power_then: Figure | None


class Beside(Answer):
    """What a drive is told apart by when it stands beside others; weight and loss are bands of two estimates."""

    width: Figure
    weight: Band
    parts: Figure
    centre_distance: Figure
    efficiency: Band
    yearly_loss: Band


class SheetOut(Answer):
    """What a drive's page shows beside its elevation, the same for every family."""

    family: str
    designation: str
    call_outs: list[CallOut]
    answers: list[MainAnswer]
    spare: Figure | None = Field(description="power to spare; none where no book rates what stands there")
    driven_speed: Figure
    driven_band: Band | None = Field(
        default=None,
        description="what the speed may be by slip and by where the belt's pitch line lies; none for positive drives",
    )
    wanted: SpeedHeld | None = Field(default=None, description="the speed that is wanted, where the input says one")
    shaft_load: Figure = Field(description="shaft load: standing as set new, or running, the greater")
    shaft_load_case: str = Field(description="which of the two it is")
    beside: Beside = Field(description="what it is told apart by when it stands beside others")
    emergency: str = Field(
        default="", description="why this may stand for a while only; it is kept as temporary or not at all"
    )
    set_line: str = Field(description="the setting in one line")
    setting: Setting


def plain(value: Any) -> Any:
    """NumPy floats out of the way before JSON."""
    return value.item() if hasattr(value, "item") else value
