"""Roller chain."""
