"""The catalogue: boards, modules, outputs and passives as data files, with typed access to them."""

from verifex.core.parts.catalogue import Catalogue, catalogue
from verifex.core.parts.schema import Board, LinearOutput, PartType, PinKind

__all__ = ["Board", "Catalogue", "LinearOutput", "PartType", "PinKind", "catalogue"]
