"""The catalogue: boards, modules, outputs and passives as data files, with typed access to them.

`data/boards/` and `data/parts/` hold one entry a board or part; `figures.py`, `part.py` and `board.py` say what
an entry may state, `catalogue.py` reads them.
"""

from verifex.core.parts.board import Board, PinKind
from verifex.core.parts.catalogue import Catalogue, catalogue, with_entries
from verifex.core.parts.figures import LinearOutput, ShareOutput, SwitchOutput
from verifex.core.parts.part import OUTPUT_ROLES, SIGNAL_ROLES, Leg, LegRole, PartType

__all__ = [
    "OUTPUT_ROLES",
    "SIGNAL_ROLES",
    "Board",
    "Catalogue",
    "Leg",
    "LegRole",
    "LinearOutput",
    "PartType",
    "PinKind",
    "ShareOutput",
    "SwitchOutput",
    "catalogue",
    "with_entries",
]
