"""Calculations, choices and families."""
