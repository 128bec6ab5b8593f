"""The web: a thin layer that parses, calls one function and returns one model."""
