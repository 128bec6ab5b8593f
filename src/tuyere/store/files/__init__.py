"""The record taken out as a file and brought in again."""
