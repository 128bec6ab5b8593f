"""Turns a worked core result into figures, working and notices in the person's units."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import asdict
from typing import Any

from tuyere.calc.answer import Band, CallOut, ElevationOut, Figure, MainAnswer, NoticeOut, Place, SheetOut, WorkingStep
from tuyere.calc.kinds import KINDS
from tuyere.calc.shown import amount, shown
from tuyere.calc.step_shown import step_shown
from tuyere.core.geometry.elevation import Elevation
from tuyere.core.notices import Notice
from tuyere.core.show import show
from tuyere.core.steps import Step


class Frame:
    """The units of a request and the sheet its result was worked on."""

    def __init__(self, units: str, basis: str) -> None:
        self.units = units
        self.basis = basis
        self.steps: list[Step] = []
        self.notices: list[Notice] = []
        self.elevation: Elevation | None = None
        self.sheet: SheetOut | None = None

    @property
    def tape_mark_mm(self) -> float:
        """The division of the tape in use: 1/32 in or 1 mm."""
        return 25.4 / 32 if self.units == "us" else 1.0

    def step_of(self, name: str) -> str | None:
        """Id of the step marked with this result name."""
        for k, step in enumerate(self.steps):
            if name in step.field.split(","):
                return f"s{k + 1}"
        return None

    def figure(self, value: float, kind: str, style: str = "", step: str = "", per: str | None = None) -> Figure:
        """A figure of a kind; ``step`` is the result name it was marked with."""
        number, unit = amount(float(value), kind, self.units, style)
        return Figure(
            value=float(value),
            unit=KINDS[kind].core,
            shown=shown(float(value), kind, self.units, style),
            number=number,
            unit_shown=unit,
            step=self.step_of(step) if step else None,
            per=per,
        )

    def band(
        self, low: float, high: float, *, kind: str, steps: tuple[str, str], per: str | None = None, style: str = ""
    ) -> Band:
        """A band of two figures of one kind."""
        a, b = self.figure(low, kind, style, steps[0], per), self.figure(high, kind, style, steps[1], per)
        return Band(low=a, high=b, per=per, shown=f"{a.number} – {b.number} {b.unit_shown}".strip())

    def call_out(
        self, key: str, at: Place, *, label: str, figure: Figure, path: str | None = None, clears: Sequence[str] = ()
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
        out: list[WorkingStep] = []
        seen: dict[float, list[tuple[str, str]]] = {}
        for k, step in enumerate(self.steps):
            uses = []
            for name, given in zip(step.names, step.inputs, strict=True):
                earlier = [] if isinstance(given, str) else seen.get(float(given), [])
                own = [i for i, gives in earlier if gives == name]
                # A 0 or a 1 is found everywhere: only a step that gives this very symbol counts then.
                if own or (earlier and float(given) not in (0.0, 1.0)):
                    uses.append(own[-1] if own else earlier[-1][0])
            line = show(step, k + 1)
            out.append(WorkingStep(**line, shown=step_shown(line["value"], line["unit"], self.units), uses=uses))
            seen.setdefault(float(step.value), []).append((f"s{k + 1}", step.gives))
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
        return None if self.elevation is None else elevation_out(self.elevation)


def main_answer(key: str, label: str, main: Figure | Band, unit: str = "") -> MainAnswer:
    """A figure or a band as a main answer; ``unit`` replaces the plain unit where more is to be said."""
    low = main.low if isinstance(main, Band) else main
    text = f"{main.low.number} – {main.high.number}" if isinstance(main, Band) else main.number
    return MainAnswer(key=key, label=label, main=text, unit=unit or low.unit_shown, step=low.step)


def shaft_answer(load: Figure, case: str) -> MainAnswer:
    """The one shaft load of a drive, and in which state it is."""
    return main_answer("hub", "Shaft load, each", load, f"{load.unit_shown} {case}")


def elevation_out(drawing: Elevation) -> ElevationOut:
    """An elevation as it is sent."""
    data: dict[str, Any] = asdict(drawing)
    return ElevationOut.model_validate(data)
