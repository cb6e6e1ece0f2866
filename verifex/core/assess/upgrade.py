"""Reading kept records back: today's format as it is, an older one upgraded on the way."""

from typing import Any

from pydantic import TypeAdapter

from verifex.core.assess.records import FORMAT, AnyRecord

_ANY: TypeAdapter[AnyRecord] = TypeAdapter(AnyRecord)


def read_record(data: dict[str, Any]) -> AnyRecord:
    """The record in `data`. Raises ValueError for a format newer than this program knows, or for what is none."""
    found = data
    if found.get("format", 1) > FORMAT:
        raise ValueError(f"this record has format {found['format']}; this program reads up to {FORMAT}")
    if found.get("format", 1) == 1:
        found = _from_first(found)
    return _ANY.validate_python(found)


def _from_first(data: dict[str, Any]) -> dict[str, Any]:
    """Format 1 kept findings and a free result side by side: {kind, findings, result}."""
    result = dict(data.get("result") or {})
    kind = data["kind"]
    board = (result.get("bench") or {}).get("board")
    more = {"board": board} if kind == "wiring" else {}
    return {**result, **more, "format": FORMAT, "kind": kind, "findings": data.get("findings") or []}
