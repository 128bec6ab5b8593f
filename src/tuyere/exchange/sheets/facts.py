"""What a sheet says of a drive: the numbers a person holds a gauge against, its picture, its scale."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.drawing.drive import drive_scene
from tuyere.core.drawing.ruler import Zone, ruler_scene
from tuyere.core.drawing.scene import Scene
from tuyere.jobs.facts import DriveKnown

STATES = {"new": "new belt", "run in": "run-in belt"}


@dataclass(frozen=True, slots=True, kw_only=True)
class Big:
    """A number to find at arm's length: what it is, the number, its unit."""

    label: str
    number: str
    unit: str


@dataclass(frozen=True, slots=True, kw_only=True)
class ToSet:
    """How the loop is set: the mark it is pressed to, what the gauge shows for each state, the note for each, the span.

    A loop that is set in another way has one line of words and no bands. ``mark_mm`` is the mark's true length.
    """

    what: str
    span: str
    mark: str
    mark_mm: float
    bands: tuple[Big, ...]
    notes: tuple[Big, ...]
    words: str


def to_set(known: DriveKnown) -> ToSet:
    """How a drive is set, in the person's units."""
    scale, hold, f = known.scale, known.hold, known.frame.figure
    if scale is None or hold is None:
        return ToSet(what=known.what, span="", mark="", mark_mm=0.0, bands=(), notes=(), words=known.set_line)
    bands, notes = [], []
    for name, band in sorted(known.bands, key=lambda b: b[0] != "new"):
        low, high = (f(scale.force_n(float(n)), "force") for n in (band.low_n, band.high_n))
        word = STATES.get(name, name)
        bands.append(Big(label=word, number=f"{low.number}–{high.number}", unit=f"{high.unit_shown} each"))
        heard = [scale.hertz(float(n)) for n in (band.low_n, band.high_n)]
        if None not in heard:
            one, two = (f(float(h or 0), "frequency") for h in heard)
            notes.append(Big(label=f"by ear, {word}", number=f"{one.number}–{two.number}", unit=two.unit_shown))
    return ToSet(
        what=known.what,
        span=f(float(hold.span_mm), "length", "tape").shown,
        mark=f(scale.deflection_mm, "length", "tape").shown,
        mark_mm=scale.deflection_mm,
        bands=tuple(bands),
        notes=tuple(notes),
        words="",
    )


def big_figures(known: DriveKnown) -> tuple[Big, ...]:
    """The four numbers of a card: what it is pressed to, each band, the note; or what its page says first."""
    at = to_set(known)
    if at.bands:
        press = Big(
            label="press one belt to",
            number=at.mark.rsplit(" ", 1)[0],
            unit=f"{at.mark.rsplit(' ', 1)[1]}, on {at.span} span",
        )
        return (press, *reversed(at.bands), *at.notes[:1])
    sheet = known.sheet
    if sheet is None:
        return ()
    # What it is set by first, then what it is and what it carries.
    first = sorted(sheet.answers, key=lambda a: ("tension", "choose", "found", "duty").index(a.stage))
    return tuple(Big(label=a.label, number=a.main, unit=", ".join(filter(None, (a.unit, a.how)))) for a in first[:4])


def picture(known: DriveKnown, width: float, height: float) -> tuple[Scene, float]:
    """(its elevation on a sheet, the scale 1 : n)."""
    f = known.frame.figure
    drawn = known.worked.elevation
    dims = {d.id: f(float(d.length), "length", "tape").shown for d in drawn.dimensions}
    names = {w.id: f"{w.role} {f(2 * float(w.outside_radius), 'length', 'size').shown}" for w in drawn.wheels}
    return drive_scene(drawn, width=width, height=height, dimensions=dims, names=names, title=known.what)


def tension_ruler(known: DriveKnown, width: float, readings_n: tuple[float, ...] = ()) -> Scene | None:
    """The tension scale as the gauge shows it: where it slips, what is right, what is too much. None where none is known."""
    scale, hold, f = known.scale, known.hold, known.frame.figure
    if scale is None or hold is None:
        return None

    def shown(n: float) -> float:
        figure = f(scale.force_n(n), "force")
        return float(figure.number.replace(",", "").replace("\u202f", ""))

    ends = known.cliffs
    if ends is None:
        return None
    slips = [shown(float(c.tension_n)) for c in ends.every if c.side == "below" and c.tension_n is not None]
    bands = [(shown(float(b.low_n)), shown(float(b.high_n)), n.replace("run in", "run-in")) for n, b in known.bands]
    least = min([b[0] for b in bands] + slips)
    most = max([b[1] for b in bands])
    low, high = max(0.0, least - 0.25 * (most - least) - 0.1 * most), most + 0.35 * (most - least) + 0.1 * most
    zones = [Zone(low=a, high=b, name=n) for a, b, n in bands]
    worst = max(slips, default=low)
    if worst > low:
        zones.insert(0, Zone(low=low, high=min(worst, bands[0][0]), name="slips", bad=True))
    first = high if ends.most_n is None else shown(float(ends.most_n))
    if first < high:
        zones.append(Zone(low=max(first, most), high=high, name="too tight", bad=True))
    unit = f"{f(1.0, 'force').unit_shown} on the gauge at {f(scale.deflection_mm, 'length', 'tape').shown}"
    marks = tuple(shown(n) for n in readings_n)
    return ruler_scene(tuple(zones), low=low, high=high, unit=unit, width=width, marks=marks)
