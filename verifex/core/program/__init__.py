"""Reads a pair's program, checks it, and runs it in virtual time. Nothing of it ever reaches the host.

    >>> from verifex.core.parts import catalogue
    >>> text = "void setup() { Serial.begin(9600); }  void loop() { Serial.println(analogRead(A0)); delay(1000); }"
    >>> report = check_program(text, catalogue().boards["mcu-5v"])
    >>> report.run(ScriptedPins(values={"A0": ([0], [2.5])}), seconds=2).serial.split()
    ['512', '512']

docs/program-machine.md follows one program through all rooms.
"""

from verifex.core.program.check import ProgramReport, check_program, read_program
from verifex.core.program.rules.view import PinUse
from verifex.core.program.runtime.machine import Machine, RunResult
from verifex.core.program.runtime.pin_script import ScriptedPins, read_script
from verifex.core.program.runtime.run_result import Running

__all__ = [
    "Machine",
    "PinUse",
    "ProgramReport",
    "RunResult",
    "Running",
    "ScriptedPins",
    "check_program",
    "read_program",
    "read_script",
]
