"""Stand-ins for what is plugged in at a lab: a board at a serial port, a multimeter, a badge reader.

Each is small, has a command (`verifex standin board | meter | badges`) and serves tests and rehearsals without hardware.
"""
