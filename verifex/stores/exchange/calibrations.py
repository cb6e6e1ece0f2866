"""Calibrations as a table. What was typed stands as `reference1=21.4; reads1=21.9; half=0.2`."""

from collections.abc import Iterable

from verifex.people.models import User
from verifex.stores.exchange.batches import figures_of
from verifex.stores.exchange.table import Done, Row, Table, day
from verifex.stores.models import Calibration, Module
from verifex.stores.present.modules import until_of
from verifex.stores.refusals.exchange import UnknownModuleTag
from verifex.stores.services import modules
from verifex.tables.write import Cells

HEAD = ("Module", "Kind", "Quantity", "Values", "With", "On", "Came to", "Counts until")


def _rows(actor: User) -> Iterable[Cells]:
    rows = Calibration.objects.filter(withdrawn_at=None).select_related("module").order_by("module__tag", "on", "id")
    for one in rows:
        yield (
            one.module.tag, one.kind, one.quantity, "; ".join(f"{n}={v:g}" for n, v in one.values.items()), one.with_what,
            one.on, one.words, until_of(one),
        )  # fmt: skip


def _put(actor: User, row: Row) -> Done:
    """One that is there already, with the same values on the same day, is left alone."""
    module = Module.objects.filter(tag__iexact=row["Module"]).first()
    if module is None:
        raise UnknownModuleTag(row["Module"])
    values, on = figures_of(row["Values"]), day(row, "On")
    same = module.calibrations.filter(kind=row["Kind"], quantity=row.get("Quantity", ""), withdrawn_at=None)
    if any(one.values == values and (on is None or one.on == on) for one in same):
        return "same", ""
    made = modules.calibrate(actor, module, row["Kind"], row.get("Quantity", ""), values, row.get("With", ""), on)
    return "added", made.words


CALIBRATIONS = Table("calibrations", "Calibrations", HEAD, _rows, _put, asked=4)
