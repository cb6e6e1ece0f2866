"""Text files as they come: UTF-8, UTF-16 as some consoles save it, and the one-byte code of older systems."""

UTF_16_MARKS = (b"\xff\xfe", b"\xfe\xff")
LOOKED_AT, LEAST_ZEROS = 400, 0.4  # of every second byte of a UTF-16 text in a Latin alphabet


def decoded(data: bytes) -> str:
    """The text of a file. Raises UnicodeDecodeError for bytes that are no text in any of the codes."""
    if data.startswith(UTF_16_MARKS):
        return data.decode("utf-16")
    if code := _code_without_its_mark(data):
        return data.decode(code)
    try:
        return data.decode("utf-8-sig")
    except UnicodeDecodeError:
        if b"\0" in data:
            raise
        return data.decode("cp1252")


def _code_without_its_mark(data: bytes) -> str:
    """Which UTF-16 a text without a mark at its beginning is in, by its zero bytes; empty for none."""
    head = data[:LOOKED_AT]
    if len(head) < 4 or len(data) % 2:
        return ""
    even, odd = head[::2].count(0) / len(head[::2]), head[1::2].count(0) / len(head[1::2])
    if odd > LEAST_ZEROS and not even:
        return "utf-16-le"
    return "utf-16-be" if even > LEAST_ZEROS and not odd else ""
