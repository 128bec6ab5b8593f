"""Roller chain: sizes, sprockets, ratings, one drive, wear and slack."""
