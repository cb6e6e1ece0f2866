"""Rules about the order in which a program does things, and whether it ever gets there."""
