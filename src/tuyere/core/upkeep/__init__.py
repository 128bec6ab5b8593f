"""What readings and failures over time say: where a reading goes, and how long loops last. No clock here: times are given."""
