"""The demo course for a large class: the same pairs at the same work, several times over, under other names."""

from copy import deepcopy
from typing import Any


def several_times(course: dict[str, Any], times: int) -> dict[str, Any]:
    """The course with its pairs, kits and drawers so many times over. First names meet other last names each time."""
    pairs, kits = course["pairs"], course["kits"]
    last_names = [student.rsplit(" ", 1)[1] for pair in pairs for student in pair["students"]]
    found = deepcopy(course)
    found["drawers"] = [{**row, "count": row["count"] * times} for row in course["drawers"]]
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
    found["room"] = {**course["room"], "columns": 8 if times > 2 else course["room"]["columns"]}
    return found


def _tag(tag: str, offset: int) -> str:
    name, number = tag.rsplit("-", 1)
    return f"{name}-{int(number) + offset:02}"
