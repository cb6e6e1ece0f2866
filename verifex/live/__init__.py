"""Readings as the board prints them: lines from a serial port on somebody's computer to the docket, and on to whoever looks."""
