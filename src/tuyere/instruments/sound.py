"""The sound of a plucked strand, made by rule: partials of a stiff string that die away, over a little noise.

Source: partials of a stiff string f_n = n f_1 sqrt((1 + B n²)/(1 + B)), Fletcher and Rossing, recalled; plucking at a place x
leaves out the partials that have a node there.
"""

from __future__ import annotations

import io
import wave

import numpy as np
from numpy.typing import NDArray

RATE, SECONDS, PARTIALS = 16_000, 1.6, 12


def pluck(hertz: float, luck: np.random.Generator, rate: int = RATE, seconds: float = SECONDS) -> NDArray[np.float64]:
    """Samples between -1 and 1 of one pluck near mid-span."""
    t = np.arange(int(rate * seconds)) / rate
    began, stiff, dies = 0.12, luck.uniform(0, 0.002), luck.uniform(0.25, 0.5)
    place = luck.uniform(0.38, 0.48)
    since = np.clip(t - began, 0, None)
    heard = np.zeros_like(t)
    for n in range(1, PARTIALS + 1):
        f = n * hertz * np.sqrt((1 + stiff * n * n) / (1 + stiff))
        if f > rate / 2.2:
            break
        strength = abs(np.sin(n * np.pi * place)) / n**1.4
        heard += strength * np.exp(-since * n**0.6 / dies) * np.sin(2 * np.pi * f * since)
    heard *= t >= began
    return np.asarray(0.6 * heard / np.abs(heard).max() + luck.normal(0, 0.003, t.size))


def wav(samples: NDArray[np.float64], rate: int = RATE) -> bytes:
    """A mono WAV file of 16 bits."""
    out = io.BytesIO()
    with wave.open(out, "wb") as f:
        f.setnchannels(1)
        f.setsampwidth(2)
        f.setframerate(rate)
        f.writeframes((np.clip(samples, -1, 1) * 32000).astype("<i2").tobytes())
    return out.getvalue()
