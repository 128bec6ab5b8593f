"""V-belts: tables, ratings, one drive, and the search over all."""
