"""The catalogue: boards, modules, outputs and passives as data files, with typed access to them.

`data/boards/` and `data/parts/` hold one entry a board or part; `figures.py`, `part.py` and `board.py` say what
an entry may state, `outputs/` how modules answer to a stimulus, `catalogue.py` reads them.
"""

from verifex.core.parts.board import Board, PinKind
from verifex.core.parts.catalogue import Catalogue, catalogue, with_entries
from verifex.core.parts.outputs import LinearOutput, Output, PowerLawOutput, ShareOutput, SwitchOutput
from verifex.core.parts.part import OUTPUT_ROLES, SIGNAL_ROLES, Leg, LegRole, PartType
from verifex.core.parts.way import Way

__all__ = [
    "OUTPUT_ROLES",
    "SIGNAL_ROLES",
    "Board",
    "Catalogue",
    "Leg",
    "LegRole",
    "LinearOutput",
    "Output",
    "PartType",
    "PinKind",
    "PowerLawOutput",
    "ShareOutput",
    "SwitchOutput",
    "Way",
    "catalogue",
    "with_entries",
]
