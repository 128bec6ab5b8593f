"""Shapes of belts round wheels, exact, for every family."""
