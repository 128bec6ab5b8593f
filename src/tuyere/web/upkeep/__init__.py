"""Upkeep over HTTP."""
