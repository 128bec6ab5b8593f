"""Sounds made by rule: stiff, damped, noisy, detuned plucks; hum, voices, knocks, two belts at once. Nothing of the product is used."""

from __future__ import annotations

import io
import wave

import numpy as np

RATE = 16000
Luck = np.random.Generator


def pluck(
    f0: float,
    luck: Luck,
    *,
    stiff: float | None = None,
    dies: float | None = None,
    noise: float | None = None,
    at: float | None = None,
    hum: float = 0.0,
    rate: int = RATE,
    seconds: float = 1.6,
) -> np.ndarray:
    """A strand plucked ``at`` a share of its length: partials of a stiff string, the high ones dying first."""
    t = np.arange(int(rate * seconds)) / rate
    b = luck.uniform(0, 0.004) if stiff is None else stiff
    fall = luck.uniform(0.15, 0.6) if dies is None else dies
    place = luck.uniform(0.35, 0.5) if at is None else at
    began = luck.uniform(0.05, 0.25)
    on, since = t >= began, np.clip(t - began, 0, None)
    x = np.zeros_like(t)
    for n in range(1, 13):
        f = n * f0 * np.sqrt((1 + b * n * n) / (1 + b))
        if f > rate / 2.2:
            break
        strength = abs(np.sin(n * np.pi * place)) / n ** luck.uniform(1.0, 1.8)
        x += (
            on
            * strength
            * np.exp(-since / (fall / n**0.6))
            * np.sin(2 * np.pi * f * since + luck.uniform(0, 2 * np.pi))
        )
    x = x / np.abs(x).max() * luck.uniform(0.2, 0.8)
    x += luck.normal(0, 0.5 * (10 ** luck.uniform(-2.4, -1.0) if noise is None else noise), t.size)
    if hum:
        x += hum * np.sin(2 * np.pi * 50 * t + 1) + hum / 2 * np.sin(2 * np.pi * 100 * t)
    return np.clip(x / max(1.0, np.abs(x).max() * 1.05), -1, 1)


def some_note(luck: Luck) -> float:
    """8 to 200 Hz, as many low as high."""
    return float(np.exp(luck.uniform(np.log(8), np.log(200))))


def _time() -> np.ndarray:
    return np.arange(int(RATE * 1.6)) / RATE


def hum(luck: Luck) -> np.ndarray:
    t, mains = _time(), luck.choice([50, 60])
    x = sum(luck.uniform(0.2, 1) * np.sin(2 * np.pi * mains * k * t + luck.uniform(0, 6)) for k in (1, 2, 3, 4))
    return np.clip(0.3 * x / np.abs(x).max() + luck.normal(0, 0.01, t.size), -1, 1)


def voice(luck: Luck) -> np.ndarray:
    t = _time()
    f = luck.uniform(90, 220) * (
        1 + luck.uniform(0.1, 0.35) * np.sin(2 * np.pi * luck.uniform(1.2, 3) * t + luck.uniform(0, 6))
    )
    turned = 2 * np.pi * np.cumsum(f) / RATE
    x = sum(np.sin(k * turned) / k for k in range(1, 15)) * np.clip(
        np.sin(2 * np.pi * luck.uniform(2, 4) * t + luck.uniform(0, 6)) + 0.6, 0, None
    )
    return 0.4 * x / np.abs(x).max() + luck.normal(0, 0.005, t.size)


def knock(luck: Luck) -> np.ndarray:
    t, began = _time(), luck.uniform(0.1, 0.4)
    fall = np.exp(-np.clip(t - began, 0, None) / luck.uniform(0.004, 0.02))
    return np.clip(0.8 * (t >= began) * fall * luck.normal(0, 1, t.size) / 3 + luck.normal(0, 0.004, t.size), -1, 1)


def two_belts(luck: Luck) -> np.ndarray:
    f = luck.uniform(15, 90)
    one = pluck(f, luck, noise=0.005, dies=0.4)
    other = pluck(f * luck.uniform(1.12, 1.45), luck, noise=0.005, dies=0.4)
    return np.clip(0.6 * one + 0.6 * luck.uniform(0.7, 1.2) * other, -1, 1)


def hiss(luck: Luck) -> np.ndarray:
    return np.clip(luck.normal(0, 0.2, _time().size), -1, 1)


def wav(samples: np.ndarray, rate: int = RATE, width: int = 2) -> bytes:
    """A mono WAV file of 16 or 8 bits."""
    out = io.BytesIO()
    with wave.open(out, "wb") as f:
        f.setnchannels(1)
        f.setsampwidth(width)
        f.setframerate(rate)
        f.writeframes(
            (samples * 32000).astype("<i2").tobytes()
            if width == 2
            else (128 + samples * 120).astype(np.uint8).tobytes()
        )
    return out.getvalue()
