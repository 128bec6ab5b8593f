"""Calculations that belong to no one family."""
