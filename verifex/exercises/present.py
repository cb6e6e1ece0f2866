"""An exercise version as the API shows it."""

from verifex.api.exercise import BoardChoiceOut, ExerciseOut, PairReadingOut, RecipeOut, StepOut, WayOut
from verifex.api.sheet import VariantOut
from verifex.core.exercise import Exercise, Step, printable
from verifex.core.exercise.output_states import OutputState
from verifex.core.exercise.statements import When
from verifex.core.exercise.units import PRINTED, UNITS_OF_QUANTITY
from verifex.core.expected.plan import how_to, ways_for
from verifex.core.parts import catalogue
from verifex.exercises.models import ExerciseVersion


def exercise_json(version: ExerciseVersion) -> ExerciseOut:
    file = version.file
    return ExerciseOut(
        id=version.pk,
        slug=file.id,
        title=file.title,
        summary=file.summary,
        version=version.number,
        released=version.released_at is not None,
        board=file.board,
        boards=[BoardChoiceOut(id=board, title=catalogue().boards[board].short_title) for board in file.boards],
        minutes=file.minutes,
        baud=file.baud(None),
        total=str(file.total),
        recipe=[RecipeOut.model_validate(part) for part in file.recipe],
        variants=[VariantOut.model_validate(variant) for variant in file.variants],
        steps=[_step(file, step) for step in file.steps],
        behaviour=[
            f"When {_condition(file, statement.when)}: {_says(file, statement.then)}"
            + (f"; otherwise {_says(file, statement.otherwise)}." if statement.otherwise else ".")
            for statement in file.behaviour
        ],
        thresholds=[statement.when.threshold for statement in file.behaviour],
        criteria=[c.model_dump(mode="json") for c in file.criteria],
        cautions=file.cautions,
        plot_low=file.plot_range[0],
        plot_high=file.plot_range[1],
    )


def readings_json(file: Exercise) -> list[PairReadingOut]:
    """The columns a program prints, without a word of what they should be."""
    found = []
    for reading, key in zip(file.readings, file.reading_keys, strict=True):
        recipe = file.part_of(reading.ref)
        output = file.sensed(reading.ref, reading.quantity)
        if recipe is None or output is None:
            continue
        unit = PRINTED[reading.print or printable(output)[0]]
        found.append(
            PairReadingOut(
                key=".".join(key),
                name=reading.name or recipe.title or reading.ref,
                unit=unit.symbol,
                says=unit.title,
                decimals=unit.decimals if reading.decimals is None else reading.decimals,
            )
        )
    return found


def _step(file: Exercise, step: Step) -> StepOut:
    recipe = file.part_of(step.ref)
    ways = ways_for(recipe.part if recipe else "", step.quantity, step.value)
    return StepOut(
        name=step.name,
        ref=step.ref,
        quantity=step.quantity,
        value=step.value,
        unit=UNITS_OF_QUANTITY.get(step.quantity, ""),
        text=step.text,
        also=[f"{v.value:g} {UNITS_OF_QUANTITY.get(v.quantity, v.quantity)}" for v in step.also],
        dwell_seconds=step.dwell_seconds,
        how=how_to(step),
        way=step.way,
        ways=[WayOut.model_validate(way) for way in ways],
    )


def _title(file: Exercise, ref: str) -> str:
    """A part by what it is for, with its reference: `warning light D1`."""
    return next((f"{part.title} {ref}" for part in file.recipe if part.ref == ref and part.title), ref)


def _condition(file: Exercise, when: When) -> str:
    held = f" for {when.for_ms / 1000:g} s" if when.for_ms else ""
    named = _title(file, when.ref)
    if when.side == "is":
        return f"the {named} reads the tag {when.text}"
    if when.quantity not in UNITS_OF_QUANTITY:
        return (
            f"the {named} tells of {when.quantity}{held}" if when.side == "over" else f"the {named} tells of none{held}"
        )
    return f"the {named} is {when.side} {round(when.as_stated(when.threshold), 4):g} {when.unit}{held}"


def _says(file: Exercise, outputs: dict[str, OutputState]) -> str:
    """`warning light D1 and sounder BZ1 on`: outputs of one state together, those that are on first."""
    by_state: dict[str, list[str]] = {}
    for ref, state in sorted(outputs.items(), key=lambda entry: not entry[1].is_on):
        said = f"shows “{state}”" if state.kind == "text" else str(state)
        by_state.setdefault(said, []).append(_title(file, ref))
    return ", ".join(f"{' and '.join(names)} {said}" for said, names in by_state.items()) or "nothing"
