"""Instruments over HTTP."""
