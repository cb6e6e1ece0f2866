"""Which docket somebody may reach."""

from typing import Any, TypeVar

from django.db.models import Q, QuerySet
from django.http import Http404, HttpRequest

from verifex.dockets.act import find, found
from verifex.dockets.inputs import DocketKey
from verifex.dockets.models import Docket
from verifex.people.access import memberships, reader, require_staff


def docket_for_staff(request: HttpRequest, docket_id: int) -> Docket:
    """A docket of a section whose staff the reader is. Raises NotAllowed for anyone else."""
    docket = find(docket_id)
    require_staff(reader(request), docket.session.section)
    return docket


def own_docket(request: HttpRequest, docket_id: int) -> Docket:
    """The docket, if it is the reader's own; another pair's does not exist for them."""
    return _first(found().filter(_mine(request), pk=docket_id))


def own_docket_with_sheets(request: HttpRequest, docket_id: int) -> Docket:
    """The same with what is expected of its bench, for showing the whole of it."""
    return _first(found().select_related("sheets").filter(_mine(request), pk=docket_id))


def own_revision(request: HttpRequest, docket_id: int) -> int:
    """The revision of one's own docket, which is Http404 for anybody else: as cheaply as can be, since everyone asks it
    every few seconds, and each act asks it first."""
    return _first(Docket.objects.filter(_mine(request), pk=docket_id).order_by().values_list("revision", flat=True))


def done(docket_id: int) -> dict[str, int]:
    """What every act on a docket answers with."""
    return {"revision": Docket.objects.order_by().values_list("revision", flat=True).get(pk=docket_id)}


def own_key(request: HttpRequest, docket_id: int) -> DocketKey:
    """One's own docket as it is now, without reading it."""
    rows = Docket.objects.filter(_mine(request), pk=docket_id).order_by()
    return DocketKey(*_first(rows.values_list("pk", "revision", "opened_at")))


T = TypeVar("T")


def _first(rows: "QuerySet[Any, T]") -> T:
    row = rows.first()
    if row is None:
        raise Http404
    return row


def _mine(request: HttpRequest) -> Q:
    return memberships(reader(request), "pair__members__")
