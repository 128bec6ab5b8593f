"""The families: a folder each, with its calculations and its adapter."""
