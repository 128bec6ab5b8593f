"""What wear does to a drive and how much of it is left: grooves, take-ups, and the notes that a worn part sounds."""
