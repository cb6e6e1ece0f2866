"""The stores as tables: each written as CSV or a spreadsheet, and read back with a preview."""

from verifex.stores.exchange.batches import BATCHES
from verifex.stores.exchange.calibrations import CALIBRATIONS
from verifex.stores.exchange.drawers import DRAWERS
from verifex.stores.exchange.faults import FAULTS
from verifex.stores.exchange.kits import KITS
from verifex.stores.exchange.modules import MODULES
from verifex.stores.exchange.table import Change, Table, import_rows, preview

TABLES: dict[str, Table] = {table.name: table for table in (KITS, MODULES, BATCHES, DRAWERS, CALIBRATIONS, FAULTS)}

__all__ = ["TABLES", "Change", "Table", "import_rows", "preview"]
