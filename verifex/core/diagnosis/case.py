"""One bench with its program as it may really be: what a fault changes, and what is then run."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, replace

from verifex.core.circuit.bench import Bench
from verifex.core.circuit.view import BenchView
from verifex.core.diagnosis.printing import Printing
from verifex.core.exercise import Exercise
from verifex.core.expected import Measured, Sheet
from verifex.core.expected.sheet import Key
from verifex.core.parts import Board, Output


@dataclass(frozen=True, slots=True)
class BenchCase:
    """`sheet` is the expected sheet of the sound bench, `view` that bench (None: the exercise without one).

    What faults change: the `bench`, `outputs` (what a sensor answers instead), `printing`, `reference_volts` (what the
    converter really compares with), `rail_volts` while an output is on or always, resistors (`ohms`), the `order` in which
    the plan's steps were really done, readings that are `exchanged`, `states` of the bench in time (`cold`, …), points of
    switching modules.
    """

    exercise: Exercise
    board: Board
    sheet: Sheet
    view: BenchView | None
    measured: Measured
    printing: Mapping[Key, Printing]
    bench: Bench | None = None
    outputs: Mapping[str, Output] = field(default_factory=dict)
    points: Mapping[str, float] = field(default_factory=dict)
    reference_volts: float | None = None
    rail_volts: float | None = None
    rail_on_volts: float | None = None
    rail_on_steps: frozenset[int] = frozenset()
    ohms: Mapping[str, float] = field(default_factory=dict)
    order: tuple[int, ...] = ()
    exchanged: bool = False
    states: frozenset[str] = frozenset()
    ids: Callable[[list[str]], list[str]] | None = None  # what the program makes of the ids of the plan's tags
    silent_steps: frozenset[int] = frozenset()  # places of the plan's steps in which no answer comes
    shaky: str = ""  # the leg whose contact comes and goes

    @property
    def keys(self) -> list[Key]:
        return list(self.exercise.reading_keys)

    def printed(self, change: "dict[Key, Printing]") -> "BenchCase":
        return replace(self, printing={**self.printing, **change})

    def with_output(self, ref: str, output: Output) -> "BenchCase":
        """A sensor that answers as another kind does."""
        return replace(self, outputs={**self.outputs, ref: output})

    def with_point(self, ref: str, point: float) -> "BenchCase":
        """A switching module whose trimmer stands at `point`, in its own unit."""
        return replace(self, points={**self.points, ref: point})

    def with_ohms(self, ref: str, ohms: float) -> "BenchCase":
        return replace(self, ohms={**self.ohms, ref: ohms})

    def on_bench(self, bench: Bench) -> "BenchCase":
        return replace(self, bench=bench)

    def in_order(self, order: tuple[int, ...]) -> "BenchCase":
        """The plan's steps as they were really done: at each place of the log the step's own place in the plan."""
        return replace(self, order=order)

    def compared_with(self, volts: float) -> "BenchCase":
        """A converter that compares with another voltage."""
        return replace(self, reference_volts=volts)

    def on_rail(self, volts: float, steps: frozenset[int] | None = None) -> "BenchCase":
        """A supply of `volts`, in some of the plan's steps or in all of them."""
        if steps is None:
            return replace(self, rail_volts=volts)
        return replace(self, rail_on_volts=volts, rail_on_steps=steps)

    def silent_on(self, steps: frozenset[int]) -> "BenchCase":
        """A module that gives no answer in some of the plan's steps."""
        return replace(self, silent_steps=steps)

    def with_shaky(self, ref: str) -> "BenchCase":
        return replace(self, shaky=ref)

    def with_readings_exchanged(self) -> "BenchCase":
        return replace(self, exchanged=True)

    def with_ids(self, change: Callable[[list[str]], list[str]]) -> "BenchCase":
        """A program that prints other ids than those of the tags, step by step."""
        return replace(self, ids=change)

    def in_state(self, state: str) -> "BenchCase":
        return replace(self, states=self.states | {state})
