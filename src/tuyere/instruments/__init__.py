"""What readings are taken with: one interface for every instrument, and simulated stand-ins in front of a simulated drive."""
