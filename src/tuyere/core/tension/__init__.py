"""Tension of belts: to set, to check, and on the shafts."""
