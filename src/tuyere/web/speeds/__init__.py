"""Speeds over HTTP."""
