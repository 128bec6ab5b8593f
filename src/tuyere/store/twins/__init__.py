"""Simulated drives behind the machines, and what real instruments showed."""
