"""Speeds of two shafts joined by a belt."""
