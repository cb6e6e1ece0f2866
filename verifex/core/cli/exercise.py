"""`verifex exercise check` and `schema`."""

from argparse import Namespace
from dataclasses import asdict

from verifex.core.cli.files import the_exercise
from verifex.core.cli.output import print_json
from verifex.core.exercise import exercise_json_schema
from verifex.core.expected.derived import derived_json
from verifex.core.expected.release import release_obstacles


def check_exercise(arguments: Namespace) -> int:
    exercise = the_exercise(arguments.file)
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
