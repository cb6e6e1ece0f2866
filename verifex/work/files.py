"""Files that people send are read in a worker process: whatever is in them, it costs one worker, and no request of others."""

import base64
import binascii
from collections.abc import Callable
from typing import Any

from verifex.tables.read import Rows, read_rows, refuse_large
from verifex.work.pool import MB, Limit, OverLimit, compute
from verifex.work.refusals import FileIncomplete, FileNotReadableWithinLimits

FILE = Limit(8, 700 * MB, pool="files")


def read_file(function: Callable[..., Any], *args: Any) -> Any:
    """What `function(*args)` returns or raises, within the limits of a file. Refused where it takes more than those."""
    try:
        return compute(function, *args, limit=FILE)
    except OverLimit:
        # Also where its worker died of it again and again: a sheet of a million million cells ends the reader itself.
        raise FileNotReadableWithinLimits() from None


def rows_of(data: str) -> Rows:
    """The rows of a table that was sent as base64, read in a worker. Raises Refused."""
    try:
        raw = base64.b64decode(data, validate=True)
    except (binascii.Error, ValueError):
        raise FileIncomplete() from None
    refuse_large(raw)
    rows: Rows = read_file(read_rows, raw)
    return rows
