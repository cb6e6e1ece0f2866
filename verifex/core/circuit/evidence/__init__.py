"""What is asked of a solved bench by function: lights, the windows of resistors, what reads and drives what."""
