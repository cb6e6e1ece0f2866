"""Files that people send are read in a worker process: whatever is in them, it costs one worker, and no request of others."""

import base64
import binascii
from collections.abc import Callable
from typing import Any

from verifex.acts.refusals import Refused
from verifex.tables.read import Rows, read_rows, refuse_large
from verifex.work.pool import MB, Limit, OverLimit, compute

FILE = Limit(8, 700 * MB, pool="files")


def read_file(function: Callable[..., Any], *args: Any) -> Any:
    """What `function(*args)` returns or raises, within the limits of a file. Refused where it takes more than those."""
    try:
        return compute(function, *args, limit=FILE)
    except OverLimit:
        # Also where its worker died of it again and again: a sheet of a million million cells ends the reader itself.
        raise Refused(
            "This file cannot be read within the limits of a file: it is damaged, or much larger inside than it looks. Save"
            " only what is needed as a new file, and choose that."
        ) from None


def rows_of(data: str) -> Rows:
    """The rows of a table that was sent as base64, read in a worker. Raises Refused."""
    try:
        raw = base64.b64decode(data, validate=True)
    except (binascii.Error, ValueError):
        raise Refused("This file did not arrive whole; choose it again.") from None
    refuse_large(raw)
    rows: Rows = read_file(read_rows, raw)
    return rows
