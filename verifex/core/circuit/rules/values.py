"""Values: what the bands say, what the meter says, and what the exercise allows."""

from collections.abc import Iterator

from verifex.core.circuit.operating import resistor_ohms
from verifex.core.circuit.rules.book import WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Severity
from verifex.core.quantity import in_words, parse_quantity
from verifex.core.resistors.bands import read_bands
from verifex.core.resistors.sums import fits_nominal
from verifex.core.rulebook import Found


@WIRING.rule(
    "value-unreadable",
    Severity.FIX,
    title="A value that cannot be read",
    why="Without the value nothing that depends on it can be worked out.",
    hint="Write the value as 330, 4k7 or 10k, and the bands as red-red-brown-gold.",
    criterion="resistors",
    source="IEC 60062",
    explains=("value-missing",),
)
def value_unreadable(view: BenchView, found: Found) -> Iterator[Finding]:
    for part in view.bench.parts_of("resistor"):
        for key in ("value", "measured", "tolerance", "bands"):
            text = part.settings.get(key)
            if text is None:
                continue
            try:
                if key == "bands":
                    read_bands(text.split("-"))
                elif (value := parse_quantity(text, "percent" if key == "tolerance" else "ohm")) <= 0:
                    raise ValueError(f"{key} of {value:g} is not above 0")
                elif key != "tolerance" and value > 1e9:
                    raise ValueError(f"{in_words(value, 'Ω')} is more than any resistor of a kit; 1 GΩ is the most")
            except ValueError as wrong:
                yield found(f"{part.ref}: {wrong}.", "Write it anew.", parts=[part.ref], line=part.line)


@WIRING.rule(
    "value-missing",
    Severity.FIX,
    title="A resistor without a value",
    why="The current through it cannot be worked out.",
    hint="Read the bands of this resistor, and measure it before it is put in.",
    criterion="resistors",
    source="solved circuit",
    explains=("light-never-lit", "function-not-built", "light-too-dim"),
)
def value_missing(view: BenchView, found: Found) -> Iterator[Finding]:
    for part in view.bench.parts_of("resistor"):
        if resistor_ohms(part, "measured") is None:
            near = [leg.ref for end in part.legs if (net := view.net(part, end)) for leg in view.nets.part_legs(net)]
            yield found(
                f"{part.ref} has neither a value nor bands.",
                "Add value=… or bands=…, and what the meter shows as measured=….",
                parts=list(dict.fromkeys([part.ref, *near])),
                line=part.line,
            )


@WIRING.rule(
    "bands-against-measured",
    Severity.CHECK,
    title="Bands and meter disagree",
    why="Either the bands were misread, or another resistor was measured, or it was measured in the circuit.",
    hint="Read the bands once more in good light, and measure with one leg out of the board.",
    criterion="resistors",
    source="IEC 60062; a meter of 0.8 % + 2 digits",
)
def bands_against_measured(view: BenchView, found: Found) -> Iterator[Finding]:
    for part in view.bench.parts_of("resistor"):
        settings = part.settings
        try:
            measured = parse_quantity(settings["measured"], "ohm")
            if "bands" in settings:
                reading = read_bands(settings["bands"].split("-"))
                nominal, percent, said = reading.ohms, reading.tolerance_percent, "its bands say"
            else:
                nominal, said = parse_quantity(settings["value"], "ohm"), "its value is given as"
                percent = parse_quantity(settings.get("tolerance", "5"), "percent")
        except (KeyError, ValueError):
            continue
        if nominal > 0 and measured > 0 and not fits_nominal(nominal, percent, measured):
            yield found(
                f"{part.ref} measures {in_words(measured, 'Ω')}, {said} {in_words(nominal, 'Ω')} ± {percent:g} %.",
                "Read the bands again and measure with one leg free; then mend the one that is wrong.",
                parts=[part.ref],
                line=part.line,
                value=measured,
                limit=nominal,
                unit="ohm",
            )


@WIRING.rule(
    "value-outside-window",
    Severity.CHECK,
    title="Resistor outside the exercise's window",
    why="Outside the window the light is too dim or too much is drawn at some supply or tolerance.",
    hint="Work out the current with this resistor. Is it what the exercise wants?",
    criterion="resistors",
    source="the exercise's resistor jobs",
)
def value_outside_window(view: BenchView, found: Found) -> Iterator[Finding]:
    if view.exercise is None:
        return
    for job in view.exercise.resistor_jobs:
        part = view.matching(job.ref)
        ohms = resistor_ohms(part, "measured") if part else None
        if part and ohms and not job.low_ohms * 0.95 <= ohms <= job.high_ohms * 1.05:
            yield found(
                f"{part.ref} is {in_words(ohms, 'Ω')}; the exercise takes {in_words(job.low_ohms, 'Ω')} to {in_words(job.high_ohms, 'Ω')}.",
                f"Take a value inside the window, such as {in_words(job.nominal_ohms, 'Ω')}.",
                parts=[part.ref],
                line=part.line,
                value=ohms,
                limit=job.low_ohms if ohms < job.low_ohms else job.high_ohms,
                unit="ohm",
            )


@WIRING.rule(
    "not-as-handed-out",
    Severity.CHECK,
    title="Another value than the hatch handed out",
    why="The sheet follows what was handed out; one of the two records is wrong, or parts were exchanged.",
    hint="Compare this resistor with the note on your kit.",
    criterion="resistors",
    source="the hatch's record of substitutions",
)
def not_as_handed_out(view: BenchView, found: Found) -> Iterator[Finding]:
    for ref, issued in view.issued_ohms.items():
        part = view.matching(ref)
        ohms = resistor_ohms(part, "nominal") if part else None
        if part and ohms and abs(ohms - issued) > 0.2 * issued:
            yield found(
                f"{part.ref} is given as {in_words(ohms, 'Ω')}; the hatch handed out {in_words(issued, 'Ω')}.",
                "Read its bands again; then mend the hand-in, or have the hatch correct its record.",
                parts=[part.ref],
                line=part.line,
                value=ohms,
                limit=issued,
                unit="ohm",
            )
