"""Dated configurations of a drive, their parts and the calculation they rest on."""
