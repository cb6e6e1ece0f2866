"""A bench without a program: what its parts do by themselves when the stimulus moves."""

import math

from verifex.core.circuit.view import BenchView
from verifex.core.parts import catalogue
from verifex.core.program.runtime.machine import Machine
from verifex.core.twin.program_run import TwinTrace, as_observable
from verifex.core.twin.stimulus import Stimulus
from verifex.core.twin.surroundings import BenchSurroundings

GRAIN_US = 50_000.0  # at which a moving stimulus is looked at
USUAL_BOARD = "mcu-5v"  # gives the level of a supply where the bench has no board; no pin of it is used


def run_alone(view: BenchView, stimulus: Stimulus, seconds: float) -> TwinTrace:
    """The bench of `view` under `stimulus` for `seconds`, with no pin driven. Raises NoSensibleAnswer when the circuit has
    no operating point."""
    surroundings = BenchSurroundings(view, stimulus, None)
    board = view.bench.board or catalogue().boards[USUAL_BOARD]
    machine = Machine(board, surroundings, seconds)

    def whole() -> None:
        while True:
            surroundings.pins_changed(machine)
            ahead = surroundings.next_change_us(machine.now_us)
            machine.spend_us(max(GRAIN_US, ahead - machine.now_us) if math.isfinite(ahead) else machine.end_us)

    result = machine.finish(whole)
    return TwinTrace(result, as_observable(surroundings.looks.events), operating_points=len(surroundings.cache))
