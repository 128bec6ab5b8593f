"""Synchronous belts."""
