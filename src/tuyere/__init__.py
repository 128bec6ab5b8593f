"""Tuyere: a mechanic's bench for belt and chain drives."""

VERSION = "0.13.0"
