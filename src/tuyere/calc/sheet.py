"""What a drive's page shows beside its elevation: call-outs, main answers, how it is set, what it is told apart by."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Band, Figure
from tuyere.calc.around.out import AroundOut

Stage = Literal["found", "duty", "choose", "tension"]


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
    how: str = Field(default="", description="the condition that makes it usable, or what it is held against")
    stage: Stage = Field(
        default="tension", description="the stage of the work that it answers; its first is the headline"
    )


class Setting(Answer):
    """How the drive is set by hand: steps in order, figures between * marks, and what stays doubtful."""

    by: Literal["press", "press-width", "dip", "slack"] = Field(
        description="how it is read by hand: one belt pressed, the whole width pressed, its dip under a straightedge, its slack by hand"
    )
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
    around: AroundOut | None = Field(
        default=None, description="wheel by wheel and strand by strand, where the loop goes round more than two wheels"
    )
    set_line: str = Field(description="the setting in one line")
    setting: Setting
