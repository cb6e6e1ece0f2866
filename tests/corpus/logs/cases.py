"""Every log of the corpus: an exercise, one seeded fault (or none) and the names a right answer may go by."""

import math
from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace
from random import Random
from zlib import crc32

from tests.corpus.logs import physics as own
from tests.corpus.logs.habits import Column, Habit, write_log

Make = Callable[[Random], list[own.Bench]]
HOTNESS = Column(("temp", "Temperature", "T", "temperature", "hive temp"), ("C", "°C", "deg C", "C"), 2)
COUNTS = ("value", "reading", "raw", "level", "sensor", "adc")


@dataclass(frozen=True)
class Plan:
    """An exercise as its pairs do it: the steps by name with what each reading gets, and how the readings are printed."""

    exercise: str
    steps: tuple[tuple[str, tuple[float, ...]], ...]
    columns: tuple[Column, ...]
    rest: tuple[float, ...]
    sound: Make


@dataclass(frozen=True)
class Case:
    """A log; `names` are the faults that explain it rightly, empty for a sound one."""

    name: str
    exercise: str
    text: str
    names: tuple[str, ...]
    rail: float | None
    marked: bool


PLANS = {
    plan.exercise: plan
    for plan in (
        Plan("brood-box-heat-watch", (("Room air", (21.5,)), ("Held in the hand", (28.0,)), ("Warm pack", (38.0,))), (HOTNESS,), (21.0,), lambda r: [own.Thermometer(r)]),
        Plan("hive-display", (("Room air", (21.5,)), ("Held in the hand", (30.0,)), ("Cooled again", (9.0,))), (HOTNESS,), (21.0,), lambda r: [own.Thermometer(r)]),
        Plan("lid-open-watch", (("Lid closed", (2.0,)), ("Lid open", (300.0,))), (Column(("light", "Light", *COUNTS), ("",), 0),), (300.0,), lambda r: [own.LightCell(r)]),
        Plan("feeder-level", (("Dry", (0.0,)), ("Dipped to the first mark", (20.0,)), ("Dipped to the upper mark", (60.0,))), (Column(("water", "level", *COUNTS), ("",), 0),), (0.0,), lambda r: [own.Strip(r)]),
        Plan("smoke-room-air", (("Clean air", (0.0,)), ("Sealed sample", (800.0,))), (Column(("gas", "air", *COUNTS), ("",), 0),), (0.0,), lambda r: [own.Gas(r)]),
        Plan("super-height-gauge", (("Near mark", (10.0,)), ("Middle mark", (40.0,)), ("Far mark", (120.0,))), (Column(("distance", "Distance", "height", "d"), ("cm", "cm", " cm"), 1),), (100.0,), lambda r: [own.Echo(r)]),
        Plan("syrup-tank-probe", (("Syrup from the cellar", (5.0,)), ("Room air", (21.5,)), ("Warm syrup", (36.0,))), (HOTNESS,), (21.0,), lambda r: [own.Numbers(r)]),
        Plan("hive-climate", (("Room air", (21.5, 45.0)), ("Breathed on", (23.0, 88.0))), (
            Column(("temp", "Temperature", "T", "temperature"), ("C", "°C"), 1), Column(("hum", "Humidity", "H", "humidity"), ("%", "%", "% RH"), 1)), (21.0, 45.0), lambda r: [own.Warm(r), own.Damp(r)]),
        Plan("toppled-hive-alarm", (("Hive level", (0.0,)), ("On the small wedge", (0.26,)), ("Hive toppled", (0.87,))), (Column(("tilt", "angle", "Tilt"), ("deg", "degrees", "°"), 0),), (0.0,), lambda r: [own.Tilt(r)]),
        Plan("entrance-gap-watch", (("Hole free", (60.0,)), ("Hole blocked", (4.0,))), (Column(("gap", "hole", "state", "sensor"), ("",), 0),), (60.0,), lambda r: [own.Obstacle(r)]),
        Plan("night-visitor-watch", (("Yard empty", (0.0,)), ("Visitor", (1.0,))), (Column(("motion", "pir", "state"), ("",), 0),), (0.0,), lambda r: [own.Switch(r)]),
    )
}  # fmt: skip


def _with(**changes: object) -> Callable[[own.Bench], None]:
    def change(bench: own.Bench) -> None:
        for name, value in changes.items():
            setattr(bench, name, value)

    return change


def _formula(make: Callable[[own.Bench], Callable[[float], float]]) -> Callable[[own.Bench], None]:
    return lambda bench: setattr(bench, "formula", make(bench))


def _after(change: Callable[[float], float]) -> Callable[[own.Bench], None]:
    def apply(bench: own.Bench) -> None:
        plain = bench.formula
        bench.formula = lambda value: change(plain(value))

    return apply


def _instead(make: Callable[[own.Bench], Callable[[float, float], own.Sample]]) -> Callable[[own.Bench], None]:
    return lambda bench: setattr(bench, "at", make(bench))


def _always(value: float | None) -> Callable[[own.Bench], None]:
    return _instead(lambda bench: lambda before, now: lambda n: value)


def _stands_still(bench: own.Bench) -> None:
    volts = bench.rng.uniform(0.55, 0.75)
    bench.at = lambda before, now: lambda n: bench.formula(bench.noisy_count(volts))


def _wrapped(bench: own.Bench) -> Callable[[float], float]:
    def formula(count: float) -> float:
        product = (int(count) * 5000 + 32768) % 65536 - 32768
        return int(product / 1024 - 500) / 10

    return formula


def _sags(bench: own.Bench) -> None:
    """The rail falls by a tenth while the warning is on, above 33 °C."""
    assert isinstance(bench, own.Thermometer)

    def at(before: float, celsius: float) -> own.Sample:
        bench_rail = bench.rail * (0.9 if celsius > 33 else 1.0)
        return lambda n: bench.formula(int(bench.volts(celsius) / bench_rail * 1024 + bench.rng.gauss(0, 0.5)))

    bench.at = at  # type: ignore[method-assign]


OPEN_PIN = ("floating", "lead-missing", "row-off", "another-pin", "leads-exchanged")
NO_ANSWER = ("not-answering", "lead-missing", "row-off", "another-pin", "leads-exchanged", "supply-pin")
DEAD = ("lead-missing", "row-off", "supply-pin", "another-pin", "leads-exchanged")
THERMO = {
    ("offset-forgotten",): _formula(lambda b: lambda c: c * b.assumed / 1024 * 100),
    ("offset-added",): _formula(lambda b: lambda c: (c * b.assumed / 1024 + 0.5) * 100),
    ("fahrenheit",): _after(lambda v: v * 9 / 5 + 32),
    ("kelvin",): _after(lambda v: v + 273.15),
    ("count-printed",): _formula(lambda b: float),
    ("volts-printed",): _formula(lambda b: lambda c: c * b.assumed / 1024),
    ("millivolts-printed",): _formula(lambda b: lambda c: c * b.assumed * 1000 / 1024),
    ("percent-printed",): _formula(lambda b: lambda c: c * 100 / 1023),
    ("slope-tenfold",): _formula(lambda b: lambda c: (c * b.assumed / 1024 - 0.5) * 10),
    ("slope-tenth",): _formula(lambda b: lambda c: (c * b.assumed / 1024 - 0.5) * 1000),
    ("reference-assumed", "3.3"): _with(assumed=3.3),
    ("reference-assumed", "1.1"): _with(assumed=1.1),
    ("reference-unset",): _with(compared=1.1),
    ("volts-in-whole-numbers", "low-supply", "row-off", "lead-missing", "leads-exchanged"): _formula(lambda b: lambda c: (int(c * 5 // 1024) - 0.5) * 100),
    ("overflow",): _formula(_wrapped),
    ("another-kind", "another-kind"): _with(offset_volts=0.0),
    ("another-kind", "steep"): _with(offset_volts=0.0, slope_volts=0.020),
    ("look-alike-part", "steps-not-taken"): _stands_still,
    OPEN_PIN: _instead(own.floating),
    ("shaky-contact",): _instead(own.shaky),
    ("low-supply", "sagging-supply"): _with(rail=4.2),
    ("steps-exchanged",): "exchange",
}  # fmt: skip
FAULTS: dict[str, dict[tuple[str, ...], object]] = {
    "brood-box-heat-watch": {**THERMO, ("sagging-supply", "low-supply"): _sags},
    "hive-display": {k: v for k, v in THERMO.items() if k[0] in ("offset-forgotten", "fahrenheit", "count-printed", "reference-assumed", "another-kind")},
    "lid-open-watch": {
        ("divider-turned", "inverted-sense"): _with(turned=True),
        ("resistor-decade", "tenfold"): _with(below_ohms=47_000.0),
        ("resistor-decade", "tenth"): _with(below_ohms=470.0),
        ("volts-printed",): _formula(lambda b: lambda c: c * 5 / 1023),
        ("percent-printed",): _formula(lambda b: lambda c: c * 100 / 1023),
        OPEN_PIN: _instead(own.floating),
        ("steps-exchanged", "divider-turned", "inverted-sense"): "exchange",
        ("shaky-contact",): _instead(own.shaky),
    },
    "feeder-level": {
        ("corroding",): _with(lost_a_step=0.25),
        ("volts-printed",): _formula(lambda b: lambda c: c * 5 / 1023),
        ("percent-printed",): _formula(lambda b: lambda c: c * 100 / 1023),
        ("inverted-sense",): _formula(lambda b: lambda c: 1023 - c),
        OPEN_PIN: _instead(own.floating),
        (*DEAD, "steps-not-taken", "floating"): _always(0.0),
    },
    "smoke-room-air": {
        ("cold",): _with(cold=True),
        ("volts-printed",): _formula(lambda b: lambda c: c * 5 / 1023),
        ("percent-printed",): _formula(lambda b: lambda c: c * 100 / 1023),
        ("inverted-sense", "steps-exchanged"): _formula(lambda b: lambda c: 1023 - c),
        OPEN_PIN: _instead(own.floating),
        ("steps-exchanged",): "exchange",
    },
    "super-height-gauge": {
        ("echo-not-halved",): _after(lambda v: v * 2),
        ("echo-halved-twice",): _after(lambda v: v / 2),
        ("inches",): _after(lambda v: v / 2.54),
        ("microseconds-printed",): _formula(lambda b: float),
        ("tenfold",): _after(lambda v: v * 10),
        ("another-unit",): _after(lambda v: v / 100),
        NO_ANSWER: _always(0.0),
        ("steps-exchanged",): "exchange",
    },
    "syrup-tank-probe": {
        ("fahrenheit",): _after(lambda v: v * 1.8 + 32),
        ("kelvin",): _after(lambda v: v + 273.15),
        ("tenfold",): _after(lambda v: v * 10),
        NO_ANSWER: _always(-127.0),
        (*NO_ANSWER, "nan"): _always(None),
        ("steps-exchanged",): "exchange",
    },
    "hive-climate": {
        ("fahrenheit",): "first-fahrenheit",
        ("readings-exchanged",): "columns",
        NO_ANSWER: _always(None),
        ("tenfold",): "first-tenfold",
    },
    "toppled-hive-alarm": {
        ("another-unit", "g"): _formula(lambda b: lambda g: g),
        ("another-unit", "radian"): _after(math.radians),
        ("count-printed",): _formula(lambda b: lambda g: g * 16384),
        ("wrong-axis", "steps-not-taken"): _formula(lambda b: lambda g: b.rng.gauss(0.5, 0.6)),
        ("inverted-sense",): _after(lambda v: -v),
    },
    "entrance-gap-watch": {
        ("inverted-sense", "steps-exchanged"): _after(lambda v: 1 - v),
        ("trimmer", "lead-missing", "steps-not-taken", "row-off", "another-pin", "leads-exchanged", "supply-pin"): _with(point=1.0),
        ("trimmer", "far", "steps-not-taken", "lead-missing", "row-off", "another-pin", "leads-exchanged"): _with(point=200.0),
    },
    "night-visitor-watch": {
        ("inverted-sense", "steps-exchanged"): _after(lambda v: 1 - v),
        (*DEAD, "steps-not-taken", "floating"): _always(0.0),
    },
}  # fmt: skip


def sound_cases(each: int) -> Iterator[Case]:
    for plan in PLANS.values():
        for seed in range(each):
            rng = Random(crc32(f"sound {plan.exercise} {seed}".encode()))
            yield _case(f"sound {plan.exercise} {seed}", plan, None, (), rng, marked=seed % 5 != 4)


def faulty_cases(each: int) -> Iterator[Case]:
    for exercise, faults in FAULTS.items():
        for names, change in faults.items():
            for seed in range(each):
                name = f"{names[0]} {exercise} {seed}"
                yield _case(name, PLANS[exercise], change, names, Random(crc32(f"{names} {name}".encode())))


def _case(name: str, plan: Plan, change: object, names: tuple[str, ...], rng: Random, *, marked: bool = True) -> Case:
    benches = plan.sound(rng)
    rail = round(benches[0].rail, 2) if rng.random() < 0.5 else None
    if callable(change):
        for bench in benches:
            change(bench)
    if change == "first-fahrenheit":
        _after(lambda v: v * 1.8 + 32)(benches[0])
    if change == "first-tenfold":
        _after(lambda v: v * 10)(benches[0])
    columns = plan.columns
    if any(word in names for word in ("volts-printed", "another-unit", "percent-printed", "shaky-contact")):
        columns = tuple(Column(c.labels, ("",), 2) for c in columns)
    if names and names[0] in (
        "fahrenheit",
        "count-printed",
        "inches",
        "millivolts-printed",
        "kelvin",
        "microseconds-printed",
    ):
        columns = tuple(Column(c.labels, ("",), c.decimals) for c in columns)
    habit = Habit.of(rng, columns, marked=marked)
    if change == "columns":  # without labels nobody could tell
        habit = replace(habit, line=rng.choice(["labelled", "label-unit", "equals"]))
    given = list(plan.steps)
    if change == "exchange":
        (one, first), (other, second) = given[0], given[-1]
        given[0], given[-1] = (one, second), (other, first)
    samples = rng.randint(7, 30)
    if any(bench.settle for bench in benches):  # a pair that waits, as the exercise asks
        samples = max(samples, 18)
    before = plan.rest
    steps = []
    for step, stimuli in given:
        aimed = [at + rng.uniform(-0.2, 0.2) if at > 1 else at for at in stimuli]
        samplers = [bench.at(b, a) for bench, b, a in zip(benches, before, aimed, strict=True)]
        rows = [[sample(n) for sample in samplers] for n in range(samples)]
        if change == "columns":
            rows = [row[::-1] for row in rows]
        steps.append((step, rows))
        before = tuple(aimed)
    return Case(name, plan.exercise, write_log(rng, habit, columns, steps), names, rail, marked)
