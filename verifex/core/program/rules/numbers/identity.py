"""Tag ids: read in base 16, compared in another."""

import re
from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory


@PROGRAM.rule(
    "id-wrong-base",
    Severity.FIX,
    title="The id is compared in the wrong base",
    why="Ids are printed in base 16: 19 there is twenty-five, and a comparison with nineteen is never met.",
    hint="In which base is the id on your log, and in which one is the number in your program?",
    criterion="program",
    source="the ids of the exercise's tags",
    explains=RUN_CONSEQUENCES,
)
def id_wrong_base(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.exercise is None:
        return
    numbers = {node.value: node for node in view.nodes if isinstance(node, t.Number) and isinstance(node.value, int)}
    for tag in dict.fromkeys(s.when.text for s in view.exercise.behaviour if s.when.side == "is"):
        pairs = re.findall(r"[0-9A-Fa-f]{2}", tag.replace(" ", ""))
        telling = [pair for pair in pairs if pair.isdigit() and int(pair) != int(pair, 16)]
        slipped = [pair for pair in telling if int(pair) in numbers and int(pair, 16) not in numbers]
        # The bytes stand together, so one that is met by chance is no slip: the others are there as well.
        met = [pair for pair in pairs if int(pair, 16) in numbers or (pair.isdigit() and int(pair) in numbers)]
        if slipped and len(met) >= len(pairs) - 1:
            node = numbers[int(slipped[0])]
            yield finding(
                f"The id has the byte {slipped[0]} in base 16; the program compares with {int(slipped[0])} in base 10.",
                f"Write 0x{slipped[0]}, and all other bytes so.",
                at=node.at,
            )
