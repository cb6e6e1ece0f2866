"""Values: what the bands say, what the meter says, what the exercise allows, what was handed out."""

from collections.abc import Iterator
from math import sqrt

from verifex.core.circuit.bench import Part
from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.evidence.windows import job_of
from verifex.core.circuit.operating import ohms_in_circuit
from verifex.core.circuit.remedies import Replace
from verifex.core.circuit.rules.book import WIRING
from verifex.core.circuit.values import nominal_ohms, resistor_ohms, tolerance_percent
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Remedy, Severity
from verifex.core.quantity import in_words, parse_quantity, read_volts
from verifex.core.resistors.bands import misread_by, misreadings, order_doubt, read_bands
from verifex.core.resistors.formulas import fits_nominal
from verifex.core.rulebook import FindingFactory

UNITS = {
    "value": "ohm", "measured": "ohm", "tolerance": "percent", "watts": "watt", "amps": "amp", "lead": "metre",
    "r10": "ohm", "gamma": "none", "trip": "percent", "load": "ohm", "r0": "ohm",
    "resistor": "ohm",
}  # fmt: skip
MOST_OHMS = 1e9
IN_CIRCUIT_SLACK = 0.03


@WIRING.rule(
    "value-unreadable",
    Severity.FIX,
    title="A value that cannot be read",
    why="Without the value nothing that depends on it can be worked out.",
    hint="Write the value as 330, 4k7 or 10k, and the bands as red-red-brown-gold.",
    criterion="resistors",
    source="IEC 60062",
    explains=("value-missing", "light-never-lit", "light-too-dim", "transistor-never-on", "data-without-pull-up",
              "divider-partner-missing", "source-too-weak", "level-too-low", "transistor-not-saturated", "floating-input",
              "sounder-never-sounds", "load-never-works", "function-not-built", "bands-order"),
)  # fmt: skip
def value_unreadable(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part in view.bench.parts.values():
        for key, text in part.settings.items():
            try:
                _read(part, key, text)
            except ValueError as wrong:
                yield finding(
                    f"{part.ref}: {wrong}.",
                    "Write it anew.",
                    parts=[part.ref],
                    line=part.line,
                    affects=_hangs_on(view, part),
                )


def _read(part: Part, key: str, text: str) -> None:
    """Raises ValueError for a setting that cannot be read, in words."""
    if key == "bands":
        read_bands(text.split("-"))
    elif key == "volts":
        if read_volts(text) is None:
            raise ValueError(f"'{text}' is no voltage; 9 or 9V was expected")
    elif key in UNITS:
        unit = "farad" if key == "value" and part.type.model == "capacitor" else UNITS[key]
        value = parse_quantity(text, unit)
        if value <= 0:
            raise ValueError(f"{key} of {value:g} is not above 0")
        if unit == "ohm" and value > MOST_OHMS:
            raise ValueError(f"{in_words(value, 'Ω')} is more than any resistor of a kit; 1 GΩ is the most")


def _hangs_on(view: BenchView, part: Part) -> list[str]:
    return [ref for leg in part.type.leg_names() if (net := view.net(part, leg)) for ref in view.parts_behind(net)]


@WIRING.rule(
    "value-missing",
    Severity.FIX,
    title="A resistor without a value",
    why="The current through it cannot be worked out.",
    hint="Read the bands of this resistor, and measure it before it is put in.",
    criterion="resistors",
    source="solved circuit",
    explains=("light-never-lit", "function-not-built", "light-too-dim", "transistor-never-on", "data-without-pull-up",
              "divider-partner-missing", "source-too-weak", "level-too-low", "transistor-not-saturated", "sounder-never-sounds",
              "load-never-works", "floating-input", "part-missing"),
)  # fmt: skip
def value_missing(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part in view.bench.parts_of("resistor"):
        if resistor_ohms(part, "measured") is None:
            yield finding(
                f"{part.ref} has neither a value nor bands.",
                "Add value=… or bands=…, and what the meter shows as measured=….",
                parts=[part.ref],
                line=part.line,
                affects=_hangs_on(view, part),
            )


@WIRING.rule(
    "bands-against-measured",
    Severity.CHECK,
    title="Bands and meter disagree",
    why="Either the bands were misread, or another resistor was measured, or it was measured in the circuit.",
    hint="Read the bands once more in good light, and measure with one leg out of the board.",
    criterion="resistors",
    source="IEC 60062; a meter of 0.8 % + 2 digits",
    explains=("bands-order",),
)
def bands_against_measured(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part in view.bench.parts_of("resistor"):
        nominal, measured = nominal_ohms(part), part.quantity("measured", "ohm")
        if nominal is None or measured is None or measured <= 0 or nominal <= 0:
            continue
        percent = tolerance_percent(part, "nominal")
        if fits_nominal(nominal, percent, measured):
            continue
        said = "its bands say" if "bands" in part.settings else "its value is given as"
        yield finding(
            f"{part.ref} measures {in_words(measured, 'Ω')}, {said} {in_words(nominal, 'Ω')} ± {percent:g} %.",
            _likeliest_reason(view, part, measured),
            parts=[part.ref],
            line=part.line,
            value=measured,
            limit=nominal,
            unit="ohm",
        )


def _likeliest_reason(view: BenchView, part: Part, measured: float) -> str:
    """What probably happened: measured in the circuit, a look-alike band, or neither."""
    in_circuit = ohms_in_circuit(
        view.nets, part.ref, nominal_ohms(part)
    )  # as its bands say: what is measured is in doubt
    if in_circuit and abs(in_circuit - measured) <= IN_CIRCUIT_SLACK * measured:
        return f"In the circuit a meter would read {in_words(in_circuit, 'Ω')} there, for what lies beside it: measure with one leg free."
    if "bands" in part.settings:
        try:
            others = misreadings(part.settings["bands"].split("-"), measured)
        except ValueError:
            others = []
        if others:
            return f"Read the bands again: {'-'.join(others[0].colours)} would be {in_words(others[0].ohms, 'Ω')}."
    return "Read the bands again and measure with one leg free; then mend the one that is wrong."


@WIRING.rule(
    "bands-order",
    Severity.CHECK,
    title="Bands read from the wrong end",
    why="Read from the other end they give another value; gold and silver come last.",
    hint="At which end is the tolerance band of this resistor?",
    criterion="resistors",
    source="IEC 60062, IEC 60063",
    explains=(
        "divider-partner-missing",
        "value-outside-window",
        "source-too-weak",
        "light-never-lit",
        "light-too-dim",
        "light-over-current",
        "data-without-pull-up",
        "pull-up-outside-window",
        "transistor-not-saturated",
        "level-too-low",
    ),
)
def bands_order(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part in view.bench.parts_of("resistor"):
        bands = part.settings.get("bands")
        if bands is None:
            continue
        try:
            doubt = order_doubt(bands.split("-"))
        except ValueError:
            continue
        if doubt:
            yield finding(
                f"The bands of {part.ref} ({bands.replace('-', ', ')}): {doubt}.",
                "Turn the resistor round and read again, or measure it.",
                parts=[part.ref],
                line=part.line,
            )


@WIRING.rule(
    "value-outside-window",
    Severity.CHECK,
    title="Resistor outside its window",
    why="Outside the window its job is done badly at some supply or tolerance, if at all.",
    hint="Work out what this resistor is for. Does its value suit that?",
    criterion="resistors",
    source="the exercise's resistor jobs; windows by job",
)
def value_outside_window(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    judged: set[str] = set()
    for asked in view.exercise.resistor_jobs if view.exercise else []:
        play = view.matching(asked.ref)
        ohms = resistor_ohms(play, "measured") if play else None
        if play is None or asked.low_ohms is None or asked.high_ohms is None:
            continue
        judged.add(play.ref)
        if ohms and not asked.low_ohms * 0.95 <= ohms <= asked.high_ohms * 1.05:
            yield finding(
                f"{play.ref} is {in_words(ohms, 'Ω')}; the exercise takes {in_words(asked.low_ohms, 'Ω')} to {in_words(asked.high_ohms, 'Ω')}."
                + (misread_by(ohms, asked.nominal_ohms) if asked.nominal_ohms else ""),
                [
                    Remedy(
                        f"Take a value inside the window, such as {in_words(asked.nominal_ohms, 'Ω')}.",
                        (Replace(play.ref, "value", f"{asked.nominal_ohms:g}"),) if asked.nominal_ohms else (),
                    ),
                    Remedy("Take a value inside the window."),
                ],
                parts=[play.ref],
                line=play.line,
                value=ohms,
                limit=asked.low_ohms if ohms < asked.low_ohms else asked.high_ohms,
                unit="ohm",
            )
    beside_a_cell = {
        edge.ref for cell in view.bench.parts_of("light-cell") for leg in cell.ends if (net := view.net(cell, leg))
        and not view.nets.is_rail(net) for edge in view.paths.edges_at(net, Link.OHMS)
    }  # fmt: skip
    for ref in sorted(beside_a_cell - judged):
        # Other jobs have rules of their own that say what would go wrong.
        part = view.bench.parts[ref]
        job, about, window = job_of(view, part)
        ohms = resistor_ohms(part, "measured")
        if job == "divider" and window and ohms and not window.holds(ohms, 0.02):
            best = sqrt(window.low_ohms * window.high_ohms)
            yield finding(
                f"{ref} beside {about} is {in_words(ohms, 'Ω')}; "
                f"{in_words(window.low_ohms, 'Ω', 2)} to {in_words(window.high_ohms, 'Ω', 2)} tells dark from bright.",
                [
                    Remedy("Take about 10 kΩ.", (Replace(ref, "value", "10k"),)),
                    Remedy(f"Take {in_words(best, 'Ω', 2)} or near it.", (Replace(ref, "value", f"{best:.0f}"),)),
                ],
                parts=[ref, about],
                line=part.line,
                value=ohms,
                limit=window.low_ohms if ohms < window.low_ohms else window.high_ohms,
                unit="ohm",
            )


@WIRING.rule(
    "not-as-handed-out",
    Severity.CHECK,
    title="Another value than the hatch handed out",
    why="The sheet follows what was handed out; one of the two records is wrong, or parts were exchanged.",
    hint="Compare this resistor with the note on your kit.",
    criterion="resistors",
    source="the hatch's record of substitutions and of what it measured",
)
def not_as_handed_out(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    given = view.handed_out
    known = {ref: (ohms, "measured") for ref, ohms in given.measured_ohms.items()}
    known |= {ref: (ohms, "handed out") for ref, ohms in given.given_ohms.items()}
    for ref, (issued, how) in known.items():
        part = view.matching(ref)
        ohms = nominal_ohms(part) if part else None
        if part and ohms and abs(ohms - issued) > 0.2 * issued:
            yield finding(
                f"{part.ref} is given as {in_words(ohms, 'Ω')}; the hatch {how} {in_words(issued, 'Ω')}.",
                "Read its bands again; then mend the hand-in, or have the hatch correct its record.",
                parts=[part.ref],
                line=part.line,
                value=ohms,
                limit=issued,
                unit="ohm",
            )
