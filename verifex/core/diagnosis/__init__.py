"""Which single fault explains a log best: each fault is a change to a case that is run through the real chain.

`faults/` has the faults, `raw.py` reads the pins of a changed bench, `run.py` makes of it what is printed, `observe.py` takes the log's
figures, `likelihood.py` holds the two against each other, `rank.py` orders, `acts.py` and `guide.py` find what to do next, `explained.py` puts it
into words.

    >>> from pathlib import Path
    >>> from verifex.core.exercise import read_exercise
    >>> exercise = read_exercise(Path("demo/exercises/brood-box-heat-watch/exercise.yaml").read_text("utf-8"))
    >>> from verifex.core.expected import Measured, expected_sheet
    >>> from verifex.core.parts import catalogue
    >>> from verifex.core.readings import read_log
    >>> sheet = expected_sheet(exercise)
    >>> suspects = Suspects.of(bench_case(exercise, catalogue().boards["mcu-5v"], sheet, None, Measured()))
    >>> log = read_log("#1\\n71.3\\n71.3\\n#2\\n77.6\\n77.6\\n#3\\n87.9\\n87.9", exercise)
    >>> [one.title for one in explanations(diagnose(suspects, log))][:1]
    ['The offset of the thermometer, 0.5 V, is not taken off']
"""

from verifex.core.diagnosis.acts import Act
from verifex.core.diagnosis.explain import Diagnosis, Suspects, bench_case, diagnose
from verifex.core.diagnosis.explained import Explanation, explanations
from verifex.core.diagnosis.guide import Guided, with_results
from verifex.core.diagnosis.observe import TAG
from verifex.core.diagnosis.rank import Candidate
from verifex.core.diagnosis.unmarked import steps_with_a_fault

#: What the program check calls the same fault, where it can find it in the text or in the run.
PROGRAM_RULES = {
    "offset-forgotten": ("offset-not-taken-off",),
    "fahrenheit": ("printed-in-fahrenheit",),
    "reference-assumed": ("reference-not-set",),
    "reference-unset": ("reference-not-set",),
    "pull-up-unset": ("floating-input",),
}


def program_rules_of(fault: str) -> tuple[str, ...]:
    """The rules of the program check that find this very fault; empty for one that no program shows."""
    return PROGRAM_RULES.get(fault, ())


__all__ = [
    "TAG",
    "Act",
    "Candidate",
    "Diagnosis",
    "Explanation",
    "Guided",
    "Suspects",
    "bench_case",
    "diagnose",
    "explanations",
    "program_rules_of",
    "steps_with_a_fault",
    "with_results",
]
