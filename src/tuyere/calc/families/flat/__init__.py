"""Flat, round and link belts."""
