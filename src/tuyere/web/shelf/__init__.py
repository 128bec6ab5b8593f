"""The shelf and the shop's own rating table."""
