"""Rules about pins, levels, the serial line, displays and libraries of modules."""
