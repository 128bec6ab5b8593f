"""The note of a plucked span out of a sound: the fundamental with its confidence, its harmonics, or why there is none.

A plucked strand rings down: its partials die away together, and stand near whole multiples of one frequency. Hum holds on,
speech glides, a knock has no note, and two belts that ring together have two.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from tuyere.core.errors import InputError

Samples = NDArray[np.float64]
RATE = 2000  # Hz that the search works at: a belt's note and its partials lie well below half of it
LOWEST, HIGHEST = 6.0, 250.0
SHORTEST_S, LONGEST_S = 0.25, 20.0
CLIPPED_SHARE = 0.01
MAINS = (50.0, 60.0)
FINE_HZ = 0.05
# How loud another note may be beside the one that is told, and how many times it has to swing before it is a third as loud.
OTHER_NOTE = 0.3
FEWEST_TURNS = 1.5


@dataclass(frozen=True, slots=True, kw_only=True)
class Partial:
    """A partial of the note: how many times the fundamental, Hz, share of the strongest."""

    number: int
    hertz: float
    strength: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Spectrum:
    """The spectrum as it is drawn: Hz, and strength from 0 to 1."""

    hertz: tuple[float, ...]
    strength: tuple[float, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Note:
    """What was heard. ``hertz`` is None where it is refused, and ``refused`` says why; ``confidence`` from 0 to 1.

    ``dies_s`` is how long it takes to fall to a third.
    """

    hertz: float | None
    confidence: float
    refused: str
    partials: tuple[Partial, ...]
    spectrum: Spectrum
    dies_s: float | None
    seconds: float


def check_sound(samples: Samples, rate: float) -> None:
    """Refuse what is no sound of a pluck. Raises InputError: empty, too short, too long, clipped, silent."""
    if samples.size == 0:
        raise InputError("sound", 0, "there is nothing in this sound", "a second or two of it")
    seconds = samples.size / rate
    if seconds < SHORTEST_S:
        raise InputError("sound", seconds, "too short to hear a note", f"{SHORTEST_S:g} s or more")
    if seconds > LONGEST_S:
        raise InputError("sound", seconds, "too long for a pluck", f"up to {LONGEST_S:g} s")
    if not np.all(np.isfinite(samples)):
        raise InputError("sound", None, "this is no sound", "samples of a recording")
    top = float(np.max(np.abs(samples)))
    if top < 1e-4:
        raise InputError("sound", top, "silence", "hold the microphone nearer to the span")
    if float(np.mean(np.abs(samples) >= 0.999 * max(top, 0.98))) > CLIPPED_SHARE and top > 0.97:
        raise InputError("sound", top, "too loud: the sound is cut off at the top", "hold it a little further away")


def _slow(samples: Samples, rate: float) -> Samples:
    """The sound at the rate of the search, its mean taken off."""
    from scipy.signal import resample_poly  # takes seconds to load: only who listens pays for it

    up, down = RATE, round(rate)
    common = int(np.gcd(up, down))
    slow: Samples = resample_poly(samples - np.mean(samples), up // common, down // common)
    return slow


def _onset(x: Samples) -> int:
    """Where the loudest pluck begins."""
    step = RATE // 50
    power = np.array([np.mean(x[k : k + step] ** 2) for k in range(0, max(1, x.size - step), step)])
    loud = int(np.argmax(power))
    # Back to where it came up from: a pluck starts at once.
    first = loud
    while first > 0 and power[first - 1] > 0.1 * power[loud]:
        first -= 1
    return first * step


def _spectrum(x: Samples) -> tuple[Samples, Samples]:
    """Amplitude spectrum of a windowed piece, zero-padded so that a bin is finer than the note is told."""
    size = int(2 ** np.ceil(np.log2(max(x.size * 8, RATE / FINE_HZ))))
    amplitude = np.abs(np.fft.rfft(x * np.hanning(x.size), size))
    return np.asarray(np.fft.rfftfreq(size, 1 / RATE), dtype=float), np.asarray(amplitude, dtype=float)


def _peaks(hertz: Samples, amplitude: Samples, resolution: float) -> tuple[Samples, Samples]:
    """Peaks above the floor: their frequency by a parabola through three bins, and their amplitude."""
    from scipy.signal import find_peaks

    band = hertz <= 800
    a = amplitude[band]
    floor = np.median(a)
    apart = max(1, int(1.2 * resolution / (hertz[1] - hertz[0])))
    at, _ = find_peaks(a, height=max(6 * floor, 0.012 * a.max()), distance=apart, prominence=0.01 * a.max())
    at = at[(at > 0) & (at < a.size - 1)]
    y0, y1, y2 = a[at - 1], a[at], a[at + 1]
    bend = y0 - 2 * y1 + y2
    shift = np.where(bend != 0, 0.5 * (y0 - y2) / np.where(bend != 0, bend, 1.0), 0.0)
    return hertz[at] + shift * (hertz[1] - hertz[0]), y1


def _stiff(f0: float, number: float, stretch: float) -> float:
    """A stiff string's partials stand a little sharp: n f0 sqrt((1 + B n2)/(1 + B)), the first being f0."""
    return float(number * f0 * np.sqrt((1 + stretch * number**2) / (1 + stretch)))


@dataclass(frozen=True, slots=True, kw_only=True)
class _Fit:
    f0: float
    stretch: float
    explained: float
    numbers: dict[int, int]
    first: float


def _fit(f0: float, freqs: Samples, amps: Samples, resolution: float) -> _Fit:
    """How much of the peaks a note explains, with the stretch of its partials that does best."""
    best = _Fit(f0=f0, stretch=0.0, explained=0.0, numbers={}, first=0.0)
    total = float(np.sum(amps))
    for stretch in (0.0, 0.0005, 0.001, 0.002, 0.004, 0.008):
        numbers: dict[int, int] = {}
        for n in range(1, 13):
            want = _stiff(f0, n, stretch)
            if want > 800:
                break
            k = int(np.argmin(np.abs(freqs - want)))
            if abs(freqs[k] - want) <= max(0.6 * resolution, 0.012 * want) and k not in numbers.values():
                numbers[n] = k
        told = float(sum(amps[k] for k in numbers.values())) / total if total else 0.0
        first = float(amps[numbers[1]] / amps.max()) if 1 in numbers else 0.0
        if told > best.explained + 1e-9:
            best = _Fit(f0=f0, stretch=stretch, explained=told, numbers=numbers, first=first)
    return best


def _refined(fit: _Fit, freqs: Samples, amps: Samples) -> float:
    """The fundamental from all its partials, the louder and the lower the more they count."""
    if not fit.numbers:
        return fit.f0
    ns = np.array(list(fit.numbers))
    at = np.array([freqs[k] for k in fit.numbers.values()])
    loud = np.array([amps[k] for k in fit.numbers.values()])
    per = ns * np.sqrt((1 + fit.stretch * ns**2) / (1 + fit.stretch))
    weight = loud / ns
    return float(np.sum(weight * at / per) / np.sum(weight))


def _dies(x: Samples) -> float | None:
    """Seconds in which the ringing falls to a third, from the slope of its power; None where it does not fall."""
    step = RATE // 25
    power = np.array([np.mean(x[k : k + step] ** 2) for k in range(0, max(1, x.size - step), step)])
    if power.size < 4:
        return None
    use = power > 0.003 * power.max()
    use[int(np.argmin(use)) :] = False if not use.all() else use[int(np.argmin(use)) :]
    k = np.flatnonzero(use)
    if k.size < 4:
        return step / RATE * max(int(k.size), 1)
    slope = np.polyfit(k * step / RATE, np.log(power[k]), 1)[0]
    return None if slope >= -0.4 else float(2 * np.log(3) / -slope)


def _drawn(hertz: Samples, amplitude: Samples, up_to: float) -> Spectrum:
    """A hundred and sixty bars of the spectrum, each the strongest bin in it."""
    edges = np.linspace(0, up_to, 161)
    at = np.searchsorted(hertz, edges)
    bars = np.array([amplitude[a:b].max() if b > a else 0.0 for a, b in zip(at, at[1:], strict=False)])
    top = bars.max() or 1.0
    return Spectrum(
        hertz=tuple(float(round(e, 2)) for e in (edges[:-1] + edges[1:]) / 2),
        strength=tuple(float(round(b / top, 4)) for b in bars),
    )


def _steady(x: Samples, f: float) -> bool:
    """Whether a partial holds on as hum does, instead of dying away: its strength in the last third over the first."""
    third = x.size // 3
    t = np.arange(third) / RATE
    turn = np.exp(-2j * np.pi * f * t) * np.hanning(third)
    early, late = abs(np.sum(x[:third] * turn)), abs(np.sum(x[-third:] * turn))
    return bool(late > 0.6 * early)


def note_of(samples: Samples, rate: float) -> Note:
    """The note of a pluck. Raises InputError for what is no sound; what is a sound but no pluck comes back refused, with why.

    ``samples`` from -1 to 1, ``rate`` in Hz.
    """
    samples = np.asarray(samples, dtype=float)
    check_sound(samples, rate)
    x = _slow(samples, rate)
    seconds = x.size / RATE
    began = _onset(x)
    ring = x[began + RATE // 100 :]
    if ring.size < RATE * SHORTEST_S:
        ring = x[max(0, x.size - int(RATE * SHORTEST_S)) :]
    ring = ring[: int(2.5 * RATE)]
    hertz, amplitude = _spectrum(ring)
    resolution = 2.0 * RATE / ring.size
    freqs, amps = _peaks(hertz, amplitude, resolution)
    dies = _dies(ring)
    drawn = _drawn(hertz, amplitude, 400.0)

    def refused(why: str) -> Note:
        return Note(hertz=None, confidence=0.0, refused=why, partials=(), spectrum=drawn, dies_s=dies, seconds=seconds)

    if freqs.size == 0 or amps.max() < 12 * np.median(amplitude[hertz <= 800]):
        return refused("no note in it: a knock, or too far away")
    held = np.array([_steady(ring, float(f)) for f in freqs])
    hum = np.array([any(abs(f - n * m) < 0.6 * resolution + 0.4 for m in MAINS for n in range(1, 9)) for f in freqs])
    loudest = int(np.argmax(amps))
    if (held & hum)[loudest]:
        rest = ~(held & hum)
        if not rest.any() or amps[rest].max() < 0.35 * amps[loudest]:
            return refused("hum of a motor or the mains: stop what runs nearby, or hold it nearer")
    keep = ~(held & hum)
    freqs, amps, held = freqs[keep], amps[keep], held[keep]
    if float(np.sum(amps[held])) > 0.6 * float(np.sum(amps)) and dies is None:
        return refused("it does not die away as a pluck does: something holds the note")
    candidates = {round(float(f) / n, 3) for f in freqs[np.argsort(-amps)[:5]] for n in (1, 2, 3)}
    fits = [_fit(c, freqs, amps, resolution) for c in candidates if LOWEST <= c <= HIGHEST]
    fits = [f for f in fits if f.numbers]
    if not fits:
        return refused("no note that a belt's span rings at")
    top = max(f.explained for f in fits)
    # Of notes that explain as much, the highest: half of it would explain the same peaks with every second partial missing.
    good = sorted((f for f in fits if f.explained >= top - 0.04 and f.first > 0.02), key=lambda f: -f.f0)
    if not good:
        good = sorted((f for f in fits if f.explained >= top - 0.04), key=lambda f: -f.f0)
    best = good[0]
    f0 = _refined(best, freqs, amps)
    left = [k for k in range(freqs.size) if k not in best.numbers.values()]
    other = float(amps[left].max() / amps.max()) if left else 0.0
    if other > OTHER_NOTE:
        return refused("two notes at once: hold the other belts still with a hand, machine isolated, and pluck one")
    if _glides(ring, float(freqs[int(np.argmax(amps))])):
        return refused("the note glides, as a voice does: pluck again, nobody speaking")
    if dies is not None and dies * f0 < FEWEST_TURNS:
        return refused("it dies too soon to tell its note: press nothing against the span")
    missing_first = best.first < 0.05
    if missing_first and not {2, 3} <= set(best.numbers):
        return refused("its lowest partial is not to be heard: it could be an octave off; pluck mid-span")
    if best.explained < 0.55:
        return refused("too much besides the note: quieter, or nearer to the span")
    if f0 < 2.2 / max(ring.size / RATE, 1e-9):
        return refused("too short for so low a note: let it ring longer")
    snr = float(amps.max() / (np.median(amplitude[hertz <= 800]) or 1.0))
    confidence = float(np.clip(best.explained, 0, 1) * np.clip(snr / 40, 0.2, 1) * (1 - 0.6 * other))
    strongest = amps.max()
    partials = tuple(
        Partial(number=n, hertz=float(freqs[k]), strength=float(amps[k] / strongest))
        for n, k in sorted(best.numbers.items())
    )
    return Note(
        hertz=f0,
        confidence=confidence,
        refused="",
        partials=partials,
        spectrum=drawn,
        dies_s=dies,
        seconds=seconds,
    )


def _glides(x: Samples, f: float) -> bool:
    """Whether the loudest partial moves by more than a few per cent, as a voice does."""
    size = max(int(RATE * 0.12), int(RATE * 3 / f))
    found = []
    for k in range(0, min(x.size, int(RATE * 0.7)) - size, size // 2):
        piece = x[k : k + size]
        if np.mean(piece**2) < 0.02 * np.mean(x[:size] ** 2):
            break
        n = 8 * size
        a = np.abs(np.fft.rfft(piece * np.hanning(size), n))
        h = np.fft.rfftfreq(n, 1 / RATE)
        near = (h > 0.75 * f) & (h < 1.33 * f)
        if near.any():
            found.append(float(h[near][int(np.argmax(a[near]))]))
    if len(found) < 3:
        return False
    return bool(np.ptp(found) > 0.09 * f and abs(found[-1] - found[0]) > 0.06 * f)
