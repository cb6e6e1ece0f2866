"""What makes a short YAML text a huge or endless one, found before anything is built of it."""

import yaml

from verifex.core.problems import Problem

MOST_DEPTH = 30


def trap_in(text: str) -> Problem | None:
    """What makes a short text a huge or endless one: names for a value that is used again, and nesting without end."""
    depth = 0
    for event in yaml.parse(text, Loader=yaml.CSafeLoader):
        mark = event.start_mark
        line, column = (mark.line + 1, mark.column + 1) if mark else (1, 1)
        if isinstance(event, yaml.AliasEvent):
            return Problem(line, column, f"'*{event.anchor}' uses a value by name; write the value out here")
        if isinstance(event, yaml.CollectionStartEvent):
            depth += 1
        elif isinstance(event, yaml.CollectionEndEvent):
            depth -= 1
        if depth > MOST_DEPTH:
            return Problem(line, column, f"this is nested more than {MOST_DEPTH} deep; no file of ours is")
    return None
