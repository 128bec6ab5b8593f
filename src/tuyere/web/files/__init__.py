"""The record as a file, out and in."""
