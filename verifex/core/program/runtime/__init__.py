"""What a program runs on: virtual time, pins, serial line, and what a run gives."""
