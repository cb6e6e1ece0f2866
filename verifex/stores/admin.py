from verifex.acts.read_only_admin import show_only
from verifex.stores.models import (
    Batch,
    Calibration,
    Fault,
    Kit,
    KitIssue,
    KitPart,
    Module,
    Replacement,
    StockItem,
    StockMove,
    Substitution,
)

show_only(Kit, KitIssue, KitPart, Substitution, Replacement, Batch, Module, Calibration, StockItem, StockMove, Fault)
