"""The stores in the API, one file a subject."""

from ninja import Router

from verifex.stores.api.exchange import router as exchange
from verifex.stores.api.faults import router as faults
from verifex.stores.api.kits import router as kits
from verifex.stores.api.modules import router as modules
from verifex.stores.api.stock import router as stock

ROUTERS: tuple[Router, ...] = (kits, modules, stock, faults, exchange)
