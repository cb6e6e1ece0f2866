"""Bytes of a serial port as lines, whatever they end with; what is no text stays visible as strange characters."""


class Lines:
    """Feed bytes, get whole lines. A rest without an end is given once nothing has come for a while (`rest`)."""

    def __init__(self) -> None:
        self._kept = b""

    def feed(self, data: bytes) -> list[str]:
        self._kept += data
        parts = self._kept.replace(b"\r\n", b"\n").replace(b"\r", b"\n").split(b"\n")
        if self._kept.endswith(b"\r"):  # its line feed may be still to come
            parts[-1:] = []
            found, self._kept = parts[:-1], (parts[-1] if parts else b"") + b"\r"
        else:
            found, self._kept = parts[:-1], parts[-1]
        return [part.decode("utf-8", "replace") for part in found]

    def rest(self) -> list[str]:
        left, self._kept = self._kept.rstrip(b"\r"), b""
        return [left.decode("utf-8", "replace")] if left else []
