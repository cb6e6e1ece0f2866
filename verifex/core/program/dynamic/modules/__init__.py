"""Modules a Python program may import, played on the machine."""
