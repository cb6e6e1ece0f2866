"""Shapes of the stores in the API."""

from verifex.stores.schemas.kits import OfferOut

__all__ = ["OfferOut"]
