"""Sound of a plucked belt: its note, and when there is none to be told."""
