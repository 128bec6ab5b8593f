"""Flat, round and link belts: friction drives without grooves of their own."""
