"""Which docket somebody may reach."""

from django.http import Http404, HttpRequest

from verifex.dockets.act import find, found
from verifex.dockets.models import Docket
from verifex.people.access import memberships, reader, require_staff


def docket_for_staff(request: HttpRequest, docket_id: int) -> Docket:
    """A docket of a section whose staff the reader is. Raises NotAllowed for anyone else."""
    docket = find(docket_id)
    require_staff(reader(request), docket.session.section)
    return docket


def own_docket(request: HttpRequest, docket_id: int) -> Docket:
    """The docket, if it is the reader's own; another pair's does not exist for them."""
    mine = memberships(reader(request), "pair__members__")
    docket = found().select_related("sheets").filter(mine, pk=docket_id).first()
    if docket is None:
        raise Http404
    return docket
