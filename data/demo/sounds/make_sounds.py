#!/usr/bin/env python3
"""Makes the demo's sounds anew, beside this file: short tones of our own, 16 bit, 22050 Hz."""
import math
import pathlib
import struct
import wave

RATE = 22050


def tone(name, ms, parts, noise=0.0):
    """`parts`: (frequency in Hz, loudness 0-1, how fast it fades, 1/s)."""
    seed, last = 1, 0.0
    frames = bytearray()
    for i in range(RATE * ms // 1000):
        t = i / RATE
        value = sum(a * math.sin(2 * math.pi * f * t) * math.exp(-d * t) for f, a, d in parts)
        seed = (seed * 1103515245 + 12345) & 0x7FFFFFFF
        last += 0.25 * ((seed / 0x40000000 - 1) - last)  # dull noise: water, not hiss
        value += noise * last * math.exp(-60 * t)
        value *= min(1, i / 40) * min(1, (RATE * ms / 1000 - i) / 200)
        frames += struct.pack("<h", int(max(-1, min(1, value)) * 32000))
    with wave.open(str(pathlib.Path(__file__).with_name(name)), "wb") as out:
        out.setnchannels(1)
        out.setsampwidth(2)
        out.setframerate(RATE)
        out.writeframes(bytes(frames))


tone("tick.wav", 60, [(1180, 0.35, 70), (2360, 0.1, 110)])
tone("press.wav", 90, [(210, 0.6, 45), (150, 0.4, 30)], noise=0.5)
tone("confirm.wav", 260, [(523, 0.3, 14), (784, 0.25, 11), (1046, 0.1, 18)], noise=0.2)


def loop(name, seconds, parts):
    """A hum without end: whole waves only, so that it goes on where it began."""
    frames = bytearray()
    rate = RATE // 2
    for i in range(rate * seconds):
        t = i / rate
        value = sum(a * math.sin(2 * math.pi * round(f * seconds) / seconds * t) for f, a in parts)
        value *= 0.8 + 0.2 * math.sin(2 * math.pi * t / seconds)
        frames += struct.pack("<h", int(max(-1, min(1, value)) * 32000))
    with wave.open(str(pathlib.Path(__file__).with_name(name)), "wb") as out:
        out.setnchannels(1)
        out.setsampwidth(2)
        out.setframerate(rate)
        out.writeframes(bytes(frames))


loop("deep.wav", 4, [(55, 0.3), (82.5, 0.15), (110, 0.08), (164, 0.04)])
loop("hum.wav", 4, [(49, 0.35), (98, 0.12), (147, 0.05)])
