"""Sallow Fen Flax Works: an invented co-operative, invented people, invented machines."""
