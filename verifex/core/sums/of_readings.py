"""Sums about readings, as data: converter, echo, light cell, gas, tilt, budget, threshold."""

from collections.abc import Mapping

import numpy as np

from verifex.core.expected.budget import Budget, Contribution
from verifex.core.expected.thresholds import suggest_threshold
from verifex.core.parts.outputs import CellOutput, PowerLawOutput
from verifex.core.parts.outputs.axes import tilt_degrees
from verifex.core.parts.outputs.echo import us_per_cm
from verifex.core.sums.sum import Answer, Field, Row, Sum

MOST_BITS = 16
ABSOLUTE_ZERO_CELSIUS = -273.15


def _steps(bits: float) -> int:
    if bits != int(bits) or not 1 <= bits <= MOST_BITS:
        raise ValueError(f"a converter has 1 to {MOST_BITS} bits, not {bits:g}")
    return int(2**bits)


def _count(volts: float, reference: float, steps: int) -> int:
    return int(min(steps - 1, max(0.0, volts / reference * steps + 1e-9)))


def _converter(given: Mapping[str, float]) -> Answer:
    steps = _steps(given["bits"])
    count = _count(given["volts"], given["reference"], steps)
    rows = [
        Row("count", "count", count, "", f"{count}"),
        Row("step", "volts a count", given["reference"] / steps, "V"),
        Row("by_steps", f"back to volts with {steps} in the divisor", count * given["reference"] / steps, "V"),
        Row("by_top", f"back to volts with {steps - 1} in the divisor", count * given["reference"] / (steps - 1), "V"),
    ]
    notes = ["The converter is full: every voltage from the reference up reads the same."] if count == steps - 1 else []
    return Answer(rows, notes)


def _divided(given: Mapping[str, float]) -> Answer:
    steps = _steps(given["bits"])
    volts = given["supply"] * given["lower"] / (given["upper"] + given["lower"])
    count = _count(volts, given["reference"], steps)
    same = abs(given["supply"] - given["reference"]) < 1e-9
    rows = [Row("count", "count", count, "", f"{count}"), Row("volts", "at the pin", volts, "V")]
    note = "Supply and reference are one: when the supply moves, the count stays."
    return Answer(rows, [note] if same else ["The count moves with the supply, as the reference does not."])


def _echo(given: Mapping[str, float]) -> Answer:
    per_cm = float(us_per_cm(np.asarray(given["air"])))
    centimetres = given["distance"] * 100
    pulse = centimetres * per_cm
    at_20 = pulse / float(us_per_cm(np.asarray(20.0)))
    rows = [
        Row("pulse", "echo pulse", pulse * 1e-6, "s", f"{pulse:.0f} µs"),
        Row("per_cm", "round trip a centimetre", per_cm * 1e-6, "s", f"{per_cm:.2f} µs"),
        Row("per_inch", "round trip an inch", 2.54 * per_cm * 1e-6, "s", f"{2.54 * per_cm:.1f} µs"),
        Row("at_20", "what a formula for 20 °C prints", at_20 / 100, "m", f"{at_20:.1f} cm"),
    ]
    return Answer(rows, ["c = 331.3 + 0.606 · T metres a second; the pulse is the way there and back."])


def _light(given: Mapping[str, float]) -> Answer:
    cell = CellOutput(kind="cell", quantity="lux", r10_ohms=(8e3, 12e3, 20e3), gamma=(0.6, 0.7, 0.8), dark_ohms=1e6)
    settings = {"r10": given["r10"], "gamma": given["gamma"]}
    dark, bright = (float(cell.state(np.asarray(given[name]), {}, settings)) for name in ("dark", "bright"))
    best = (dark * bright) ** 0.5
    supply, fixed = given["supply"], given["fixed"]
    rows = [
        Row("best", "best fixed resistor: √(R dark · R bright)", best, "Ω"),
        Row("dark", "cell in the dark", dark, "Ω"),
        Row("bright", "cell in the light", bright, "Ω"),
        Row("low", "with yours below the cell, dark", supply * fixed / (fixed + dark), "V"),
        Row("high", "with yours below the cell, bright", supply * fixed / (fixed + bright), "V"),
    ]
    return Answer(rows, ["With the cell at the ground end the two swap: the reading falls with light."])


def _gas(given: Mapping[str, float]) -> Answer:
    if given["volts"] >= given["supply"]:
        raise ValueError(f"{given['volts']:g} V at the output cannot reach the supply of {given['supply']:g} V")
    law = PowerLawOutput(
        kind="power-law", quantity="ppm", a_ppm=given["a"], b=given["b"], r0_ohms=(1, 1, 1), load_ohms=1
    )
    share = np.asarray(given["volts"] / given["supply"])
    settings = {"load": given["load"], "r0": given["r0"]}
    ratio = float(law.ratio_of_share(share, settings))
    ohms = ratio * given["r0"]
    ppm = float(law.ppm(np.asarray(ratio)))
    rows = [
        Row("ratio", "Rs/R0", ratio, "", f"{ratio:.2f}"),
        Row("ohms", "sensor Rs", ohms, "Ω"),
        Row("ppm", "by the power law", ppm, "ppm", f"{ppm:.0f} ppm"),
        Row("r0", f"R0, were this clean air (Rs/R0 = {law.clean_ratio:g})", ohms / law.clean_ratio, "Ω"),
    ]
    return Answer(rows, ["A count is not a concentration: read it as a trend, never as a safety device."])


def _tilt(given: Mapping[str, float]) -> Answer:
    gx, gy, gz = (given[name] for name in ("gx", "gy", "gz"))
    size = (gx**2 + gy**2 + gz**2) ** 0.5
    if size == 0:
        raise ValueError("three zeros are no direction; at rest the three together make 1 g")
    roll, pitch = tilt_degrees(gx, gy, gz)
    rows = [
        Row("roll", "roll", roll, "°", f"{roll:.1f}°"),
        Row("pitch", "pitch", pitch, "°", f"{pitch:.1f}°"),
        Row("size", "together", size, "g", f"{size:.2f} g"),
    ]
    moved = abs(size - 1) > 0.15
    return Answer(rows, ["At rest the three together make 1 g: this was moved, or a scale is off."] if moved else [])


def _budget(given: Mapping[str, float]) -> Answer:
    named = [name for name in ("one", "two", "three", "four", "five") if name in given]
    budget = Budget("", tuple(Contribution(name, given[name], "") for name in named))
    rows = [
        Row("combined", "combined, k = 2", budget.combined, "", f"± {budget.combined:.3g}"),
        Row("worst", "worst case: all added", budget.worst_case, "", f"± {budget.worst_case:.3g}"),
        *(
            Row(c.name, f"share of {c.name}", budget.share(c), "", f"{100 * budget.share(c):.0f} %")
            for c in budget.contributions
        ),
    ]
    return Answer(rows, ["Each half width as a rectangle: its standard uncertainty is the half width over √3."])


def _threshold(given: Mapping[str, float]) -> Answer:
    wander = given.get("wander", 0.0)
    found = suggest_threshold(
        [given["off"] - wander, given["off"], given["off"] + wander],
        [given["on"] - wander, given["on"], given["on"] + wander],
    )
    if found.threshold is None or found.on_at is None or found.off_at is None:
        raise ValueError(found.reason.rstrip("."))
    rows = [
        Row("threshold", "threshold", found.threshold, "", f"{found.threshold:g}"),
        Row("on_at", "switch on at", found.on_at, "", f"{found.on_at:g}"),
        Row("off_at", "and off again at", found.off_at, "", f"{found.off_at:g}"),
        Row("margin", "noise widths to either reading", found.margin, "", f"{found.margin:.1f}"),
    ]
    return Answer(rows, ["Between the two switching points nothing changes: that is what keeps it from flickering."])


OF_READINGS: dict[str, Sum] = {
    sum_.name: sum_
    for sum_ in (
        Sum("converter", "Count of a converter", "count = ⌊V / V_ref · 2ⁿ⌋", (
            Field("volts", "voltage at the pin", "volt", "0.75"), Field("reference", "reference", "volt", "5"), Field("bits", "bits", "none", "10"),
        ), _converter),
        Sum("divider-count", "Divider to count", "count = ⌊V · lower / (upper + lower) / V_ref · 2ⁿ⌋", (
            Field("supply", "supply", "volt", "5"), Field("upper", "upper", "ohm", "10k"), Field("lower", "lower", "ohm", "4k7"),
            Field("reference", "reference", "volt", "5"), Field("bits", "bits", "none", "10"),
        ), _divided),
        Sum("echo", "Echo time", "t = 2 · d / (331.3 + 0.606 · T)", (
            Field("distance", "distance", "metre", "0.4"), Field("air", "air, °C", "none", "20", signed=True, least=ABSOLUTE_ZERO_CELSIUS),
        ), _echo),
        Sum("light-cell", "Light cell", "R = R_10 · (10 lux / E)^γ", (
            Field("dark", "dark, lux", "none", "2"), Field("bright", "bright, lux", "none", "300"), Field("r10", "cell at 10 lux", "ohm", "12k"),
            Field("gamma", "slope γ", "none", "0.7"), Field("fixed", "your fixed resistor", "ohm", "4k7"), Field("supply", "supply", "volt", "5"),
        ), _light),
        Sum("gas", "Gas ratio", "Rs = R_L · (V_c / V − 1), ppm = a · (Rs/R_0)^(−b)", (
            Field("volts", "output", "volt", "2.3"), Field("supply", "supply", "volt", "5"), Field("load", "load", "ohm", "10k"),
            Field("r0", "R0 of the sample", "ohm", "9k2"), Field("a", "a, ppm", "none", "1150"), Field("b", "b", "none", "1.66"),
        ), _gas),
        Sum("tilt", "Tilt", "roll = atan2(gy, gz), pitch = atan2(−gx, √(gy² + gz²))", (
            Field("gx", "gx, g", "none", "-0.26", signed=True), Field("gy", "gy, g", "none", "0", signed=True),
            Field("gz", "gz, g", "none", "0.97", signed=True),
        ), _tilt),
        Sum("budget", "Tolerance budget", "U = 2 · √(Σ (half width / √3)²)", (
            Field("one", "half width one", "none", "1"), Field("two", "two", "none", "0.5", optional=True),
            Field("three", "three", "none", "", optional=True), Field("four", "four", "none", "", optional=True),
            Field("five", "five", "none", "", optional=True),
        ), _budget),
        Sum("threshold", "Threshold of two readings", "threshold = (off + on) / 2, ± half the hysteresis", (
            Field("off", "reading when off", "none", "115", signed=True), Field("on", "reading when on", "none", "828", signed=True),
            Field("wander", "they wander by ±", "none", "", optional=True),
        ), _threshold),
    )
}  # fmt: skip
