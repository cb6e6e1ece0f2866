"""Sheets of labels as they are sold, by their size: how many a page, and where each stands."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class LabelSheet:
    """All in millimetres: the page, each label, the place of the first, and from one label to the next."""

    id: str
    title: str
    page: str
    columns: int
    rows: int
    width_mm: float
    height_mm: float
    left_mm: float
    top_mm: float
    across_mm: float
    down_mm: float

    @property
    def count(self) -> int:
        return self.columns * self.rows

    def place(self, number: int) -> tuple[int, float, float]:
        """The page (from 0) of a label and where its corner stands on it, for the number from 0."""
        page, on_page = divmod(number, self.count)
        row, column = divmod(on_page, self.columns)
        return page, self.left_mm + column * self.across_mm, self.top_mm + row * self.down_mm


#: A4 is 210 × 297 mm, Letter 215.9 × 279.4 mm.
SHEETS = {
    sheet.id: sheet
    for sheet in (
        LabelSheet("a4-24", "A4, 24 labels of 70 × 37 mm", "A4", 3, 8, 70, 37, 0, 0.5, 70, 37),
        LabelSheet("a4-40", "A4, 40 labels of 52.5 × 29.7 mm", "A4", 4, 10, 52.5, 29.7, 0, 0, 52.5, 29.7),
        LabelSheet("a4-65", "A4, 65 labels of 38.1 × 21.2 mm", "A4", 5, 13, 38.1, 21.2, 4.75, 10.7, 40.6, 21.2),
        LabelSheet(
            "letter-30", "Letter, 30 labels of 66.7 × 25.4 mm", "Letter", 3, 10, 66.7, 25.4, 4.8, 12.7, 69.8, 25.4
        ),
    )
}
