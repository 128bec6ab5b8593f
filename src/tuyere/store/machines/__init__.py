"""Machines, their energy sources and drives."""
