"""Refusals of drawers and what is counted in them."""

from verifex.acts.refusals import Refused


class StockCountRange(Refused):
    most: int
    sentence = "A count is a whole number from 0 to {most}."


class StockBookingRange(Refused):
    most: int
    sentence = "Book in 1 to {most}."


class DrawerChangedSince(Refused):
    item: str
    sentence = "Something happened in the drawer of {item} since then; count it again instead."


class ItemAlreadyCounted(Refused):
    item: str
    drawer: str
    sentence = "{item} is counted already, in drawer {drawer}."


class StockItemUnnamed(Refused):
    sentence = "Say what it is: a part of the catalogue, or a title such as “wires, 20 cm”."
