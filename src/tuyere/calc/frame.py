"""Turns a worked core result into figures, working and notices in the person's units."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from tuyere.calc.answer import Band, ElevationOut, Figure, NoticeOut, WorkingStep
from tuyere.calc.elevation_words import words_of
from tuyere.calc.kinds import KINDS
from tuyere.calc.options import picked
from tuyere.calc.sheet import CallOut, MainAnswer, SheetOut, Stage
from tuyere.calc.shown import amount, shown, together
from tuyere.calc.step_shown import step_shown
from tuyere.core.drive.elevation import Elevation
from tuyere.core.notices import Notice
from tuyere.core.show import show
from tuyere.core.steps import Step, step_of


class Frame:
    """The units of a request and the sheet its result was worked on."""

    def __init__(self, units: str, options: Mapping[str, str] | None = None) -> None:
        """``options`` are what a person picked; a choice that is not named has its default."""
        self.units = units
        self.options = picked(dict(options or {}))
        self.steps: list[Step] = []
        self.notices: list[Notice] = []
        self.elevation: Elevation | None = None
        self.sheet: SheetOut | None = None

    @property
    def tape_mark_mm(self) -> float:
        """The division of the tape in use: 1/32 in or 1 mm."""
        return 25.4 / 32 if self.units == "us" else 1.0

    def id_of(self, step: Step | None) -> str | None:
        """Id of a step of this sheet; None for a value that no step of it made."""
        if step is None:
            return None
        return next((f"s{k + 1}" for k, own in enumerate(self.steps) if own is step), None)

    def figure(self, value: float, kind: str, style: str = "", *, per: str | None = None) -> Figure:
        """A figure of a kind. A worked value knows its own step, and the figure opens it."""
        number, unit = amount(float(value), kind, self.units, style)
        return Figure(
            value=float(value),
            unit=KINDS[kind].core,
            shown=together(number, unit),
            number=number,
            unit_shown=unit,
            step=self.id_of(step_of(value)),
            per=per,
        )

    def roughly(self, length: Figure) -> Figure:
        """The same length as no tape settles it closer than an eighth; it opens the same step."""
        return self.figure(length.value, "length", "rough").model_copy(update={"step": length.step})

    def band(self, low: float, high: float, kind: str, style: str = "", *, per: str | None = None) -> Band:
        """A band of two figures of one kind."""
        return banded(self.figure(low, kind, style, per=per), self.figure(high, kind, style, per=per))

    def call_out(
        self, key: str, at: str, *, label: str, figure: Figure, path: str | None = None, clears: Sequence[str] = ()
    ) -> CallOut:
        """A figure hung on the elevation; changing ``path`` takes the place of ``clears``."""
        return CallOut(
            key=key,
            at=at,
            label=label,
            number=figure.number,
            unit=figure.unit_shown,
            path=path,
            clears=list(clears),
            step=figure.step,
        )

    def working(self) -> list[WorkingStep]:
        """The sheet, each step with the earlier steps whose values it takes."""
        ids = {id(step): f"s{k + 1}" for k, step in enumerate(self.steps)}
        out: list[WorkingStep] = []
        for k, step in enumerate(self.steps):
            given = (step_of(x) for x in step.inputs)
            line = show(step, k + 1)
            out.append(
                WorkingStep(
                    **line,
                    shown=step_shown(line["value"], line["unit"], self.units),
                    uses=[ids[id(s)] for s in given if s is not None and id(s) in ids],
                )
            )
        return out

    def notices_out(self) -> list[NoticeOut]:
        """Notices with their quantities put in as shown figures."""
        return [
            NoticeOut(
                level=n.level,
                code=n.code,
                path=n.path,
                action=n.action,
                text=n.text.format(**{k: shown(v, kind, self.units) for k, (v, kind) in n.quantities.items()}),
            )
            for n in self.notices
        ]

    def elevation_out(self) -> ElevationOut | None:
        """The drawing, if the calculation made one."""
        return None if self.elevation is None else elevation_out(self.elevation, self.units)


def banded(low: Figure, high: Figure) -> Band:
    """Two figures of one kind as a band; one figure where both ends read the same."""
    both = low.number if low.number == high.number else f"{low.number} – {high.number}"
    return Band(low=low, high=high, per=low.per, shown=f"{both} {low.unit_shown}".strip())


def main_answer(key: str, label: str, main: Figure | Band, how: str = "", *, stage: Stage = "tension") -> MainAnswer:
    """A figure or a band as a main answer; ``how`` is what makes it usable, or what it is held against."""
    low = main.low if isinstance(main, Band) else main
    text = number_of(main) if isinstance(main, Band) else main.number
    return MainAnswer(key=key, label=label, main=text, unit=low.unit_shown, step=low.step, how=how, stage=stage)


def number_of(band: Band) -> str:
    """Both ends of a band as one number; one of them where they read the same."""
    low, high = band.low.number, band.high.number
    return low if low == high else f"{low} – {high}"


def shaft_answer(load: Figure, case: str) -> MainAnswer:
    """The one shaft load of a drive, and in which state it is."""
    return main_answer("hub", "Shaft load, each", load, case, stage="choose")


def elevation_out(drawing: Elevation, units: str | None = None) -> ElevationOut:
    """An elevation as it is sent, in words as well."""
    out = ElevationOut.model_validate(drawing, from_attributes=True)
    return out.model_copy(update={"words": words_of(drawing, units)})
