"""The chain of one bench: which sensor feeds which pin, behind which resistance, against which reference."""

from dataclasses import dataclass

from verifex.core.circuit.conditions import Conditions
from verifex.core.circuit.operating import operating_point
from verifex.core.circuit.solver import NoSensibleAnswer
from verifex.core.circuit.variant import variant_of
from verifex.core.circuit.view import BenchView
from verifex.core.exercise import Exercise, Variant
from verifex.core.expected.measured import Measured
from verifex.core.parts import Board, LegRole, LinearOutput
from verifex.core.quantity import Spread


@dataclass(frozen=True, slots=True)
class Chain:
    """From a sensor's output to the count and back to a value.

    `loading` is pin volts over output volts as the circuit gives it (1 when nothing loads the output);
    `assumed_volts` is the reference the exercise's formula puts in; `most_volts` where the output ends.
    """

    board: Board
    output: LinearOutput
    variant: Variant
    reference: Spread
    assumed_volts: float
    divisor: int
    loading: float
    most_volts: float

    def pin_volts(self, value: float) -> float:
        """Volts at the pin for a stimulus `value`, held where the sensor's supply ends."""
        return min(self.output.volts(value), self.most_volts) * self.loading

    def count(self, volts: float, reference_volts: float | None = None) -> int:
        """floor(V/Vref·N), held to the converter's range."""
        reference = reference_volts if reference_volts is not None else self.reference.nominal
        # A hair is added so that a voltage exactly on a step is not lost to binary fractions.
        return max(0, min(self.board.counts - 1, int(volts / reference * self.board.counts + 1e-9)))

    def value(self, count: float) -> float:
        """The printed value by the exercise's formula, in the output's unit."""
        return self.output.value(count * self.assumed_volts / self.divisor)

    @property
    def per_count(self) -> float:
        """Resolution: printed units a count."""
        return self.assumed_volts / self.divisor / self.output.volts_per_unit

    @property
    def top_value(self) -> float:
        """The stimulus at which the converter saturates, in the output's unit."""
        return self.output.value(self.reference.nominal / self.loading)


def chain_of(
    view: BenchView | None,
    exercise: Exercise,
    ref: str,
    board: Board,
    output: LinearOutput,
    measured: Measured,
    variant: Variant | None,
) -> Chain | str:
    """The chain of the exercise's sensor `ref` on a bench, or why there is none, in words.

    Without a view the chain is the ideal one of `variant`: the exercise as intended.
    """
    loading = 1.0
    if view is not None:
        sensor = view.matching(ref)
        if sensor is None:
            return f"No {ref} is on the bench."
        variant = variant or variant_of(view, exercise, sensor)
        output = sensor.type.linear or output
        out_leg = sensor.type.legs_with(LegRole.ANALOGUE_OUT)[0]
        net = view.net(sensor, out_leg)
        if view.shorted:
            return "Supply and ground are joined; nothing can be read."
        if net is None or not any(pin.analogue_in for pin in view.nets.signal_pins(net)):
            return f"The {out_leg} leg of {sensor.ref} reaches no pin that can measure."
        probe = output.centre
        try:
            conditions = Conditions(stimulus={(sensor.ref, output.quantity): probe}, rail_volts=measured.rail_volts)
            volts = operating_point(view.nets, conditions).volts[net.id]
        except NoSensibleAnswer:
            return "No operating point was found for this circuit."
        if volts < 0.05:
            return f"{sensor.ref} gives nothing: it is not fed as it should be."
        loading = volts / output.volts(probe)
    variant = variant or exercise.variants[0]
    internal = variant.reference == "internal"
    reference = measured.internal(board) if internal else measured.rail(board)
    nominal = (board.internal_reference_volts or (0, 1.1, 0))[1] if internal else board.rail_volts
    assumed = reference.nominal if exercise.conventions.formula_reference == "measured" else nominal
    return Chain(
        board,
        output,
        variant,
        reference,
        assumed,
        exercise.conventions.divisor,
        loading,
        variant.supply_volts,
    )
