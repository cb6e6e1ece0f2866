"""Rules about one kind of part each: lights, loads, transistors, their currents, values of resistors."""
