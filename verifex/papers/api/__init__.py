"""Papers in the API: those of pairs and sessions, and those of the stores."""

from verifex.papers.api.sheets import router as sheets
from verifex.papers.api.stores import router as stores

ROUTERS = (sheets, stores)
