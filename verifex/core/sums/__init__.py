"""The sums an instructor does beside a bench: one room for the command line and the screens.

They use the same models as the expected sheets and the windows of resistors.
"""

from verifex.core.sums.of_readings import OF_READINGS
from verifex.core.sums.of_resistors import OF_RESISTORS
from verifex.core.sums.sum import Answer, Field, Row, Sum

ALL_SUMS: dict[str, Sum] = {**OF_RESISTORS, **OF_READINGS}

__all__ = ["ALL_SUMS", "OF_READINGS", "OF_RESISTORS", "Answer", "Field", "Row", "Sum"]
