"""A drive's speeds: its plate, and what may be asked about them."""
