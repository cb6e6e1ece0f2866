"""Runs a case through the real chain: what its bench prints at each step."""

from collections.abc import Sequence
from dataclasses import replace
from math import isnan

import numpy as np

from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.model import Noise, Prediction, PrintedReading, Spot
from verifex.core.diagnosis.observe import TAG
from verifex.core.diagnosis.printing import Change, Printing
from verifex.core.diagnosis.raw import FaultBench, Raw
from verifex.core.expected.sheet import Key
from verifex.core.expected.signal.chain import AdcChain, BusChain, Chain, DigitalChain
from verifex.core.readings.log.ids import same_id

SAMPLES, BENT = 17, 0.6  # around a reading, and how far from a straight line they may lie
LEVEL_GRAIN = 0.3  # a level is 0 or 1 and nothing between
MOST_GAIN = 3.0  # of a raw reading's own tolerance, when a fault makes the chain steeper
COLD_SHARES = (0.75, 0.45, 0.25, 0.1)  # of the way to a high reading, of a gas module that warms up through the steps
CORRODED_A_STEP = 0.25  # of the reading that a strip fed all the time loses from step to step (our estimate)
STILL_LEFT = 0.35  # how much of a step's fall or rise shows within the step itself


def predict(case: BenchCase, fault_bench: FaultBench) -> Prediction:
    """What is printed at each step of each reading."""
    found: dict[Spot, PrintedReading] = {}
    for position in range(len(case.keys)):
        source = _exchanged(case, position)
        chain = case.sheet.chains.get(source)
        if chain is not None:
            said = _reading(case, fault_bench, source, chain)
        elif source[1] == TAG:
            said = _ids(case, fault_bench, source)
        else:
            continue
        order = case.order or tuple(range(len(said)))
        for index, at in enumerate(order):
            found[(index, position)] = said[at]
    return found


def _ids(case: BenchCase, fault_bench: FaultBench, key: Key) -> list[PrintedReading]:
    """The id of each step's tag; none from a reader that does not answer."""
    given = [step.value_of(*key) for step in case.exercise.steps]
    ids = [same_id(value.text) if value else "" for value in given]
    if "mute" in case.states or not fault_bench.answers(case, key):
        ids = [""] * len(ids)
    return [PrintedReading(None, text=one) for one in (case.ids(ids) if case.ids else ids)]


def _exchanged(case: BenchCase, position: int) -> Key:
    keys = case.keys
    return keys[(position + 1) % len(keys)] if case.exchanged and len(keys) == 2 else keys[position]


def _reading(case: BenchCase, fault_bench: FaultBench, key: Key, chain: Chain) -> list[PrintedReading]:
    raws = fault_bench.raw(case, key)
    sound = fault_bench.raw(fault_bench.sound, key)
    printing = case.printing[key]
    whole = _whole_range(chain, printing.value)
    gain = _gain(raws, sound)
    said = []
    for index, (raw, stimulus) in enumerate(zip(raws, fault_bench.stimuli(key), strict=True)):
        if (
            isnan(stimulus)
            or raw.mute
            or index in case.silent_steps
            or ("mute" in case.states and isinstance(chain, BusChain))
        ):
            said.append(PrintedReading(None))
        elif (raw.floats or "wandering" in case.states) and whole[0] < whole[1]:
            said.append(_anything(chain, index, whole, _grain(chain, printing, whole)))
        elif "bytes" in case.states and isinstance(chain, BusChain):
            ends = sorted(printing.value(np.array([chain.output.low, chain.output.high])))
            said.append(
                PrintedReading(
                    float(ends[1]), grain=10.0**-chain.formula.decimals, outside=(float(ends[0]), float(ends[1]))
                )
            )
        else:
            said.append(_printed_value(case, fault_bench, key, chain, index, raw, sound[index], gain))
    return _in_time(case, chain, said, whole)


def _printed_value(
    case: BenchCase, fault_bench: FaultBench, key: Key, chain: Chain, index: int, raw: Raw, sound: Raw, gain: float
) -> PrintedReading:
    printing = case.printing[key]
    value = float(printing.value(np.asarray(raw.value)))
    if isnan(value):
        return PrintedReading(None)
    if isinstance(chain, DigitalChain):
        there = _is_there(chain, raw.value)
        wrong = case.printing[key].after is not fault_bench.sound.printing[key].after
        return PrintedReading(value, grain=LEVEL_GRAIN, there=1 - there if wrong else there, is_level=True)
    step = chain.raw_step or 1.0
    ends = printing.value(np.array([max(0.0, raw.value - step / 2), raw.value + step / 2]))
    slope = float(ends[1] - ends[0]) / step
    if abs(slope) < 1e-9:  # whole degrees, whole volts: the slope over more than one step
        ends = printing.value(np.array([raw.value * 0.9 - 5 * step, raw.value * 1.1 + 5 * step]))
        slope = float(ends[1] - ends[0]) / (raw.value * 0.2 + 10 * step)
    ended = isinstance(chain, AdcChain) and not 0 < raw.value < chain.board.full_count
    moved = {} if ended else _raw_effects(case, key, chain, index, raw.value, sound.value, gain)
    effects = {name: half * slope for name, half in moved.items()}
    if chain.raw_error:
        effects["converter"] = chain.raw_error * slope
    reach = sum(abs(half) for half in moved.values()) + (chain.raw_error or 0.0)
    around = printing.value(raw.value + reach * np.linspace(-1, 1, SAMPLES))
    straight = value + slope * reach * np.linspace(-1, 1, SAMPLES)
    if reach and float(np.max(np.abs(around - straight))) > BENT * max(abs(slope) * reach, 4 * abs(slope) * step):
        # Steps, a product that wraps around, or an end: what is printed is anything of what lies around, the same at one count.
        middle, half = float(np.mean(around)), float(np.ptp(around)) / 2
        return PrintedReading(
            middle, {f"bent at {raw.value:.6g}": half}, max(abs(slope) * step, 10.0**-chain.formula.decimals)
        )
    return PrintedReading(value, effects, max(abs(slope) * step, 10.0**-chain.formula.decimals))


def _raw_effects(
    case: BenchCase, key: Key, chain: Chain, index: int, raw: float, sound: float, gain: float
) -> dict[str, float]:
    """By cause how far it moves the raw reading, from the sound chain's own contributors."""
    step = case.sheet.steps[index]
    reading = next(r for r in step.readings if (r.ref, r.quantity) == key)
    at, half = reading.stimulus.nominal, (reading.stimulus.high - reading.stimulus.low) / 2
    nominal = {c.key: np.asarray(c.nominal) for c in chain.contributors}
    here = np.asarray(at)
    effects = {}
    for c in chain.contributors:
        moved = chain.exact(here, nominal | {c.key: np.asarray(c.high)}) - chain.exact(
            here, nominal | {c.key: np.asarray(c.low)}
        )
        scale = raw / sound if c.key in ("rail", "internal", "aref", "gain") and sound else gain
        effects[c.key] = float(moved) / 2 * min(abs(scale), MOST_GAIN)
    if half:
        moved = chain.exact(np.asarray(at + half), nominal) - chain.exact(np.asarray(at - half), nominal)
        effects[f"stimulus {index}"] = float(moved) / 2 * min(gain, MOST_GAIN)
    return effects


def _gain(raws: Sequence[Raw], sound: Sequence[Raw]) -> float:
    """How much steeper than the sound bench this one answers."""
    known = [(raw.value, own.value) for raw, own in zip(raws, sound, strict=True) if not (raw.floats or raw.mute)]
    if len(known) < 2:
        return 1.0
    here = max(v for v, _ in known) - min(v for v, _ in known)
    there = max(v for _, v in known) - min(v for _, v in known)
    return here / there if there > 0 else 1.0


def _grain(chain: Chain, printing: Printing, whole: tuple[float, float]) -> float:
    """One count in the printed unit, over the whole range."""
    if isinstance(chain, AdcChain):
        return max((whole[1] - whole[0]) / chain.board.full_count, 10.0**-chain.formula.decimals)
    return 10.0**-chain.formula.decimals


def _is_there(chain: DigitalChain, level: float) -> int:
    """Whether a level says that something is there, as a right program takes it."""
    high_when_active = chain.volts_of[1] >= chain.board.input_high_volts
    return int((level >= 0.5) == high_when_active)


def _whole_range(chain: Chain, value: Change) -> tuple[float, float]:
    """The lowest and highest value that can be printed at all."""
    if isinstance(chain, AdcChain):
        ends = value(np.linspace(0, chain.board.full_count, 9))
    elif isinstance(chain, DigitalChain):
        ends = np.array([0.0, 1.0])
    else:
        low, high = chain.output.low, chain.output.high
        ends = value(chain.exact(np.array([low, (low + high) / 2, high]), {}))
    ends = ends[np.isfinite(ends)]
    return (float(ends.min()), float(ends.max())) if len(ends) else (0.0, 1.0)


def _anything(chain: Chain, index: int, whole: tuple[float, float], grain: float) -> PrintedReading:
    """What a pin prints that nothing holds."""
    low, high = whole
    if isinstance(chain, DigitalChain):
        return PrintedReading(0.5, {f"anything {index}": 0.6}, LEVEL_GRAIN, Noise.WANDERING, is_level=True)
    return PrintedReading((low + high) / 2, {f"anything {index}": (high - low) / 1.7}, grain, Noise.WANDERING)


def _in_time(
    case: BenchCase, chain: Chain, said: list[PrintedReading], whole: tuple[float, float]
) -> list[PrintedReading]:
    """What a state of the bench does from step to step and within a step."""
    if not case.states and not case.shaky:
        return said
    if "stale-digits" in case.states:
        return _over_old_digits(chain, said)
    found = []
    for index, one in enumerate(said):
        if one.value is None:
            found.append(one)
            continue
        if "cold" in case.states:
            left = COLD_SHARES[min(index, len(COLD_SHARES) - 1)]
            high = one.value + left * (whole[1] - one.value)
            effects = {**one.effects, f"warming {index}": 0.6 * left * abs(whole[1] - one.value)}
            one = replace(one, value=high, effects=effects, rises=-STILL_LEFT * left)
        if "corroding" in case.states:
            left, value = (1 - CORRODED_A_STEP) ** (index + 1), one.value or 0.0
            effects = {**one.effects, f"corroding {index}": 0.5 * (1 - left) * abs(value)}
            one = replace(one, value=value * left, effects=effects, rises=-STILL_LEFT * CORRODED_A_STEP)
        if "blind" in case.states:
            middle, half = (whole[0] + whole[1]) / 2, (whole[1] - whole[0]) / 2
            one = PrintedReading(middle, {"an unknown level": half * 1.7}, one.grain)
        if case.shaky:
            one = replace(one, noise=Noise.CHATTER, effects={**one.effects, f"contact {index}": 3 * one.grain})
        found.append(one)
    return found


def _over_old_digits(chain: Chain, said: list[PrintedReading]) -> list[PrintedReading]:
    """A shorter number written over a longer one leaves the end of that one standing."""
    found, before = [], ""
    for one in said:
        if one.value is None:
            found.append(one)
            continue
        text = f"{one.value:.{chain.formula.decimals}f}"
        shown = text + before[len(text) :]
        before = shown
        found.append(replace(one, value=float(shown)))
    return found
