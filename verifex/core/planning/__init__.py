"""What the stores plan by: what to look at when a kit comes back, and what the coming sessions need.

Pure: it knows no database and no clock; what happened and what is there is given to it.
"""

from verifex.core.planning.inspection import Happened, Look, inspection_list
from verifex.core.planning.readiness import Demand, Kits, Lacking, Stock, Swap, readiness_of, swaps, to_order

__all__ = [
    "Demand",
    "Happened",
    "Kits",
    "Lacking",
    "Look",
    "Stock",
    "Swap",
    "inspection_list",
    "readiness_of",
    "swaps",
    "to_order",
]
