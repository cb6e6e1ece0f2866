"""Modules a Python program may import, simulated on the machine."""
