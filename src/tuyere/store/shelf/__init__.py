"""What lies on the shelf, and the shop's own rating table."""
