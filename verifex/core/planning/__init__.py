"""What the stores plan by: what to look at when a kit comes back, and what the coming sessions need.

Pure: it knows no database and no clock; what happened and what is there is given to it.

    >>> from datetime import date
    >>> demand = Demand("Monday", date(2026, 12, 7), "brood-box-heat-watch", pairs=3)
    >>> kits = Kits(ready=1, lacking={"HB-07": ("led",), "HB-08": ("thermo-offset", "led")})
    >>> lacking = readiness_of(demand, kits, spares={"led": 1})
    >>> lacking.fill, lacking.missing, lacking.short
    ({'HB-07': ('led',)}, {'thermo-offset': 1, 'led': 1}, 1)
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
