"""Drives, duties and builds."""
