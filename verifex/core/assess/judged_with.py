"""What a judgement was judged with: enough to say whether it still holds, and to judge the same again."""

import hashlib
import json
from functools import cache

from verifex.core.assess.case import Case
from verifex.core.assess.records import FORMAT, Record
from verifex.core.exercise import Exercise
from verifex.core.expected.measured import RAIL
from verifex.core.hand_ins import HAND_INS
from verifex.core.parts import catalogue
from verifex.core.parts.calibration import Calibration
from verifex.core.rulebook import RULES_VERSION

#: Which hand-ins each station's judgement depends on.
TEXTS_OF: dict[str, tuple[str, ...]] = {
    **{hand_in.value: tuple(read.facts.name for read in facts.check_reads) for hand_in, facts in HAND_INS.items()},
    "sheets": ("wiring",),
    "wiring": ("wiring", "earlier_wiring"),
}


class JudgedWith(Record):
    """Digests of the texts, the catalogue and the exercise; the values themselves; the rules.

    Other pairs' logs are looked at but not listed: a later one does not make this judgement another.
    """

    format: int = FORMAT
    rules: str
    catalogue: str
    exercise: str
    stage: int
    board: str | None
    texts: dict[str, str]
    measured: dict[str, float]
    leg_orders: dict[str, str]
    given_ohms: dict[str, float]
    measured_ohms: dict[str, float] = {}
    settings: dict[str, dict[str, str]] = {}
    figures: dict[str, dict[str, float]] = {}
    calibrations: dict[str, list[str]] = {}  # by reference, each in words with its figures

    @property
    def digest(self) -> str:
        return digest_of(json.dumps(self.model_dump(), sort_keys=True))


def digest_of(text: str) -> str:
    """SHA-256 of a text, in hex."""
    return hashlib.sha256(text.encode("utf-8", "surrogatepass")).hexdigest()


@cache
def catalogue_digest() -> str:
    """Changes whenever a figure of the shipped catalogue does."""
    part_types = catalogue()
    entries = [*part_types.boards.values(), *part_types.parts.values(), *part_types.ways.values()]
    return digest_of("\n".join(entry.model_dump_json() for entry in entries))


def judged_with(case: Case, station: str) -> JudgedWith:
    """What the judgement of `station` (a key of `TEXTS_OF`) depends on in this case."""
    texts = {name: text for name in TEXTS_OF[station] if (text := getattr(case, name)) is not None}
    return judged_with_digests(case, station, {name: digest_of(text) for name, text in texts.items()})


def judged_with_digests(case: Case, station: str, digests: dict[str, str]) -> JudgedWith:
    """The same from digests of the texts that are known already: a log need not be read to tell whether it changed."""
    return JudgedWith(
        rules=RULES_VERSION,
        catalogue=catalogue_digest(),
        exercise=digest_of_exercise(case.exercise),
        stage=case.stage,
        board=case.board,
        texts={name: digests[name] for name in TEXTS_OF[station] if name in digests},
        measured=_measured(case, station),
        leg_orders=dict(case.handed_out.leg_orders),
        given_ohms=dict(case.handed_out.given_ohms),
        measured_ohms=dict(case.handed_out.measured_ohms),
        settings={ref: dict(given) for ref, given in case.handed_out.settings.items()},
        figures={ref: dict(given) for ref, given in case.handed_out.figures.items() if given},
        calibrations={
            ref: [_calibration_text(one) for one in given]
            for ref, given in case.handed_out.calibrations.items()
            if given
        },
    )


def _calibration_text(one: Calibration) -> str:
    figures = ", ".join(f"{name} {value:g}" for name, value in sorted(one.figures.items()))
    return f"{one.said}: {one.quantity} {figures}{'; too old' if one.aged else ''}"


def _measured(case: Case, station: str) -> dict[str, float]:
    """The rules on wiring look at the supply only, so measuring a step does not judge a wiring again."""
    values = case.measured.as_named()
    return values if station != "wiring" else {name: value for name, value in values.items() if name == RAIL}


def digest_of_exercise(exercise: Exercise) -> str:
    return digest_of(exercise.model_dump_json())
