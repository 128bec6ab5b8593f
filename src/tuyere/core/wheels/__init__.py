"""Wheels of any family: what is common to sheaves, sprockets and pulleys."""
