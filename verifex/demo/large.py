"""The demo course for a large class: the same pairs at the same work, several times over, under other names."""

from copy import deepcopy
from typing import Any


#: The copies hand in the same logs, which is worth a second look; an instructor has decided about it.
COPIED = "The pairs showed their runs at the bench, one after the other."


def several_times(course: dict[str, Any], times: int) -> dict[str, Any]:
    """The course with its pairs and kits so many times over. First names meet other last names each time."""
    pairs, kits = course["pairs"], course["kits"]
    last_names = [student.rsplit(" ", 1)[1] for pair in pairs for student in pair["students"]]
    found = deepcopy(course)
    for turn in range(1, times):
        shift, offset = turn * len(pairs), turn * len(kits)
        found["kits"] += [{**kit, "tag": _tag(kit["tag"], offset)} for kit in kits]
        for place, pair in enumerate(pairs):
            other = deepcopy(pair)
            other["bench"], other["badge"] = pair["bench"] + shift, f"P-{pair['bench'] + shift:02}"
            other.pop("shown", None)
            other["students"] = [
                f"{name.rsplit(' ', 1)[0]} {last_names[(2 * place + seat + 2 * (seat + 1) * turn) % len(last_names)]}"
                for seat, name in enumerate(pair["students"])
            ]
            for act in other.get("acts", []):
                if "hand-out" in act:
                    act["hand-out"] = _tag(act["hand-out"], offset)
            found["pairs"].append(other)
    for act in [act for pair in found["pairs"] for act in pair.get("acts", []) if times > 1 and "close" in act]:
        act["second-look"] = COPIED
    found["room"] = {**course["room"], "columns": 8 if times > 2 else course["room"]["columns"]}
    return found


def _tag(tag: str, offset: int) -> str:
    name, number = tag.rsplit("-", 1)
    return f"{name}-{int(number) + offset:02}"


#: Exercises that run beside the demo's own in the large demo, with the letters of their kits.
BESIDE = {"lid-open-watch": "LW", "feeder-level": "FL", "super-height-gauge": "SH"}
OTHER_SECTION = ("Instrumentation, group C", "Room 4")


def spread(course: dict[str, Any]) -> dict[str, Any]:
    """A large course in two sections with sessions of their own, and half of each section at other exercises, four at once.

    Who is at another exercise hands in the instructor's own wiring and program.
    """
    found = deepcopy(course)
    half = len(found["pairs"]) // 2
    found["more-sections"] = [{"name": OTHER_SECTION[0], "room": {**found["room"], "name": OTHER_SECTION[1]}}]
    found["beside"] = list(BESIDE)
    for place, pair in enumerate(found["pairs"]):
        pair["section"], pair["bench"] = divmod(place, half)
        pair["bench"] += 1
        if pair["bench"] <= half // 2:
            continue
        slug = list(BESIDE)[place % len(BESIDE)]
        tag = f"{BESIDE[slug]}-{place:02}"
        found["kits"].append({"tag": tag, "exercise": slug})
        pair["exercise"] = slug
        pair["acts"] = [
            {"ago": 55, "hand-out": tag},
            {"ago": 40 - place % 9, "wiring": "reference"},
            *([{"ago": 30 - place % 7, "clear": True}] if place % 4 else []),
            *([{"ago": 20 - place % 11, "program": "reference"}] if place % 4 > 1 else []),
        ]
    found["room"]["columns"] = 6
    return found
