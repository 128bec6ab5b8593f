"""What is kept: machines, drives, duties, builds and the calculations they were decided by."""
