"""What follows from an exercise besides its sheet: parts list, resistor windows, hazards, bench time, what each way of
feeding costs. The editor shows it as an exercise is written.
"""

from collections import Counter
from dataclasses import dataclass
from typing import Any

from verifex.core.circuit import check_wiring
from verifex.core.circuit.evidence.windows import ResistorJob, resistor_jobs
from verifex.core.exercise import Exercise
from verifex.core.expected.making import expected_sheet
from verifex.core.expected.measured import Measured
from verifex.core.expected.plan import cautions_of
from verifex.core.expected.release import as_measured
from verifex.core.parts import catalogue

# Minutes a class of beginners needs, on average: for a lead, for a program, for the talk at clearance.
MINUTES_A_LEAD, MINUTES_PROGRAM, MINUTES_CLEARANCE = 0.7, 15.0, 5.0


@dataclass(frozen=True, slots=True)
class VariantCost:
    """What a way of feeding the sensor gives: printed units a count, the top of the range, the likely half width.

    `top` is the stimulus at which the converter is full. Values in the printed unit.
    """

    variant: str
    title: str
    unit: str
    per_count: float
    top: float
    likely_half: float


@dataclass(frozen=True, slots=True)
class BenchTime:
    """Minutes by what takes them."""

    wiring: float
    clearance: float
    warm_up: float
    program: float
    readings: float

    @property
    def total(self) -> float:
        return self.wiring + self.clearance + self.warm_up + self.program + self.readings


def parts_list(exercise: Exercise) -> list[tuple[str, int]]:
    """What a kit needs: catalogue ids (with a resistor's value) and how many of each, in the recipe's order."""
    return list(Counter(_named(part.part, part.settings.get("value")) for part in exercise.recipe).items())


def _named(part: str, value: str | None) -> str:
    return f"{part} {value}" if value else part


def windows(exercise: Exercise, board: str | None = None) -> dict[str, ResistorJob]:
    """Each resistor of the reference bench with the window its job gives it; empty without a reference bench."""
    text = exercise.reference_wiring(board)
    return {job.ref: job for job in resistor_jobs(check_wiring(text, exercise=exercise).view)} if text else {}


def hazards(exercise: Exercise) -> list[str]:
    """Every caution that applies: the exercise's own, its parts', those of its ways of making the stimulus."""
    parts = catalogue().parts
    said = [
        *exercise.cautions,
        *(caution for part in exercise.recipe if part.part in parts for caution in parts[part.part].cautions),
        *(caution for step in exercise.steps for caution in cautions_of(step)),
    ]
    return list(dict.fromkeys(said))


def bench_time(exercise: Exercise) -> BenchTime:
    """How long a pair needs, from the leads of the reference bench, warm-ups, steps with their settling, and the program."""
    text = exercise.reference_wiring()
    leads = (
        len(check_wiring(text, exercise=exercise).bench.wires) + len(exercise.recipe)
        if text
        else 3 * len(exercise.recipe)
    )
    parts = catalogue().parts
    warm = max((parts[p.part].timing.warm_up_seconds[1] for p in exercise.recipe if p.part in parts), default=0.0)
    sheet = expected_sheet(exercise, measured=as_measured(catalogue().boards[exercise.board]))
    steps = sum(max(step.dwell_seconds, step.waits_seconds) for step in sheet.steps) or sum(
        step.dwell_seconds for step in exercise.steps
    )
    return BenchTime(
        wiring=MINUTES_A_LEAD * leads,
        clearance=MINUTES_CLEARANCE,
        warm_up=warm / 60,
        program=MINUTES_PROGRAM,
        readings=(steps + 60 * len(exercise.steps)) / 60,  # a minute a step to set it up and mark it
    )


def variant_costs(exercise: Exercise) -> list[VariantCost]:
    """What each way of feeding costs in resolution and range, at the plan's last step, with the reference measured."""
    board = catalogue().boards[exercise.board]
    usual = as_measured(board)
    found = []
    for variant in exercise.variants:
        measured = Measured(usual.rail_volts, usual.internal_volts)
        sheet = expected_sheet(exercise, variant=variant, measured=measured)
        if sheet.reason or not sheet.steps or sheet.output is None:
            continue
        step = sheet.steps[-1]
        found.append(
            VariantCost(
                variant.id,
                variant.title,
                sheet.unit,
                sheet.per_count,
                min(sheet.top_value, sheet.output.high),
                step.budget.combined,
            )
        )
    return found


def derived_json(exercise: Exercise) -> dict[str, Any]:
    """All of it, for the command line and the screens."""
    time = bench_time(exercise)
    return {
        "parts": [{"part": part, "count": count} for part, count in parts_list(exercise)],
        "windows": [job.as_json() for job in windows(exercise).values() if job.window],
        "hazards": hazards(exercise),
        "minutes": {
            "wiring": round(time.wiring),
            "clearance": round(time.clearance),
            "warm_up": round(time.warm_up),
            "program": round(time.program),
            "readings": round(time.readings),
            "total": round(time.total),
        },
        "variants": [
            {
                "id": c.variant,
                "title": c.title,
                "unit": c.unit,
                "per_count": round(c.per_count, 3),
                "top": round(c.top, 1),
                "likely_half": round(c.likely_half, 2),
            }
            for c in variant_costs(exercise)
        ],
    }
