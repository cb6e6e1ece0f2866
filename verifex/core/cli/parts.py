"""`verifex parts`, `verifex rules`, `verifex exercise …`."""

from argparse import ArgumentParser, Namespace
from dataclasses import asdict
from typing import Any

from verifex.core.cli.files import exercise_of
from verifex.core.cli.output import print_json
from verifex.core.cli.unusable import CannotUse
from verifex.core.exercise import exercise_json_schema
from verifex.core.expected.derived import derived_json
from verifex.core.expected.release import release_obstacles
from verifex.core.parts import PartType, catalogue
from verifex.core.parts.figures import Frozen


def add_commands(commands: Any) -> None:
    parts = commands.add_parser("parts", help="the catalogue: legs, limits, models, sources")
    parts.add_argument("id", nargs="?")
    _finish(parts, show_parts)

    rules = commands.add_parser("rules", help="every rule, as the page docs/rules.md shows them")
    _finish(rules, show_rules)

    exercise = commands.add_parser("exercise", help="check an exercise file, or print its schema").add_subparsers(
        dest="what", required=True
    )
    check = exercise.add_parser("check")
    check.add_argument("file")
    _finish(check, check_exercise)
    _finish(exercise.add_parser("schema"), show_schema)


def _finish(parser: ArgumentParser, act: Any) -> None:
    parser.add_argument("--json", action="store_true")
    parser.set_defaults(act=act)


def show_parts(arguments: Namespace) -> int:
    part_types = catalogue()
    everything = {**part_types.boards, **part_types.parts}
    if arguments.id and arguments.id not in everything:
        near = part_types.near(arguments.id)
        raise CannotUse(
            f"parts:1:1: no part is called '{arguments.id}'" + (f"; did you mean {' or '.join(near)}?" if near else "")
        )
    chosen = {arguments.id: everything[arguments.id]} if arguments.id else everything
    if arguments.json:
        print_json({key: _as_json(part) for key, part in chosen.items()})
        return 0
    for key, part in chosen.items():
        legs = " ".join(getattr(part, "legs", ()))
        print(f"{key:20} {getattr(part, 'title', '')}" + (f"   legs: {legs}" if legs else ""))
        for caution in getattr(part, "cautions", ()):
            print(f"{'':20} Caution: {caution}")
    return 0


def _as_json(entry: Frozen) -> dict[str, Any]:
    """A catalogue entry; a part's legs are a list in its own order, their figures beside it."""
    out: dict[str, Any] = entry.model_dump(mode="json", exclude_none=True, exclude_defaults=True)
    if isinstance(entry, PartType):
        out |= {"legs": list(entry.legs), "leg_figures": out["legs"], "source": entry.source}
    return out


def show_rules(arguments: Namespace) -> int:
    from verifex.core.assess.rule_books import all_books
    from verifex.core.cli.rule_pages import rules_page

    if arguments.json:
        print_json(
            [
                {
                    "book": b.title,
                    "rule": r.slug,
                    "severity": r.severity.value,
                    "title": r.title,
                    "source": r.source,
                }
                for b in all_books()
                for r in b.rules.values()
            ]
        )
    else:
        print(rules_page(), end="")
    return 0


def check_exercise(arguments: Namespace) -> int:
    exercise = exercise_of(arguments.file)
    assert exercise is not None
    obstacles = release_obstacles(exercise)
    stops = [obstacle for obstacle in obstacles if not obstacle.warns]
    if arguments.json:
        print_json(
            {
                "id": exercise.id,
                "title": exercise.title,
                "total": str(exercise.total),
                "boards": exercise.boards,
                "releasable": not stops,
                "obstacles": [asdict(obstacle) for obstacle in obstacles],
                **derived_json(exercise),
            }
        )
    else:
        print(f"{exercise.title}: {len(exercise.steps)} steps, {exercise.total} marks, {exercise.minutes} min.")
        print(f"Boards: {', '.join(exercise.boards)}.")
        for obstacle in obstacles:
            kind = "In the way" if not obstacle.warns else "To weigh"
            print(f"{kind}{f' ({obstacle.about})' if obstacle.about else ''}: {obstacle.message}")
        if not obstacles:
            print("It can be released.")
        follows = derived_json(exercise)
        print("Kit: " + ", ".join(f"{p['count']} × {p['part']}" for p in follows["parts"]) + ".")
        print(f"Bench time: about {follows['minutes']['total']} min; the exercise allows {exercise.minutes}.")
        for cost in follows["variants"] if len(follows["variants"]) > 1 else []:
            print(
                f"{cost['title']}: {cost['per_count']} {cost['unit']} a count, to {cost['top']} {cost['unit']}, "
                f"likely within ± {cost['likely_half']} {cost['unit']}."
            )
        for hazard in follows["hazards"]:
            print(f"Take care: {hazard}")
    return 1 if stops else 0


def show_schema(arguments: Namespace) -> int:
    print_json(exercise_json_schema())
    return 0
