"""Cells of tables that are opened in a spreadsheet."""


def safe(cell: str) -> str:
    """A cell that a spreadsheet cannot take for a formula."""
    return f"'{cell}" if cell[:1] in ("=", "+", "-", "@", "\t", "\r") and not _is_number(cell) else cell


def _is_number(cell: str) -> bool:
    try:
        float(cell)
    except ValueError:
        return False
    return True
