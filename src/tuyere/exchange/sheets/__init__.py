"""Sheets of paper and tags on the machine."""
