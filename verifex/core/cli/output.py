"""Printing results, for people or as JSON."""

import json
import sys
from collections.abc import Sequence
from typing import Any

from verifex.core.findings import Finding, has_errors


def print_json(result: Any) -> None:
    json.dump(result, sys.stdout, ensure_ascii=False, indent=1)
    print()


def print_findings(findings: Sequence[Finding]) -> None:
    """Findings for people, most urgent first."""
    if not findings:
        print("No findings.")
    for found in findings:
        where = ", ".join(found.where.parts) or (f"line {found.where.line}" if found.where.line else "")
        print(f"{found.severity.value.upper():5}  {found.rule}  [{where}]")
        print(f"       {found.seen}\n       Why: {found.why}\n       Do:  {found.remedy}")


def exit_code(findings: Sequence[Finding]) -> int:
    return 1 if has_errors(list(findings)) else 0
