"""Kits and what is in them, modules, drawers, faults."""

from verifex.stores.models.faults import Fault, FaultPhoto
from verifex.stores.models.kits import Kit, KitIssue, KitPart, PartTest, Replacement, Substitution
from verifex.stores.models.modules import Batch, Calibration, Module
from verifex.stores.models.stock import StockItem, StockMove

__all__ = [
    "Batch",
    "Calibration",
    "Fault",
    "FaultPhoto",
    "Kit",
    "KitIssue",
    "KitPart",
    "Module",
    "PartTest",
    "Replacement",
    "StockItem",
    "StockMove",
    "Substitution",
]
