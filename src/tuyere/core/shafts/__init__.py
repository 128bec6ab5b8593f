"""Shafts: what a pull does to their bearings, how long those last, bushings and keys."""
