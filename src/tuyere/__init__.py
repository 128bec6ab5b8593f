"""Tuyere: a mechanic's bench for belt and chain drives."""

VERSION = "0.15.1"
