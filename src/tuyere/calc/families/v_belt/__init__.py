"""V-belts."""
