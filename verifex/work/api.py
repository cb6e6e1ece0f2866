"""Long work over the API: how far it is, cancel it, fetch what it made. Everyone sees their own."""

from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja import Router

from verifex.api.http import Id
from verifex.people.access import reader
from verifex.work.long_work import cancel
from verifex.work.models import State, Work
from verifex.work.refusals import FirstPasswordsFetched, WorkNotFinished
from verifex.work.schemas import WorkOut, work_json

router = Router(tags=["work"])


def _own(request: HttpRequest, work_id: int) -> Work:
    return Work.objects.defer("file").get(pk=work_id, by=reader(request))


@router.get("/work/{work_id}", response=WorkOut)
def get_work(request: HttpRequest, work_id: Id) -> dict[str, Any]:
    return work_json(_own(request, work_id))


@router.post("/work/{work_id}/cancel", response=WorkOut)
def cancel_work(request: HttpRequest, work_id: Id) -> dict[str, Any]:
    work = _own(request, work_id)
    cancel(work)
    return work_json(work)


@router.get("/work/{work_id}/file")
def work_file(request: HttpRequest, work_id: Id) -> HttpResponse:
    """What the work made, to keep."""
    work = Work.objects.get(pk=work_id, by=reader(request))
    if work.state == State.DONE and work.file is None and work.detail.get("once"):
        raise FirstPasswordsFetched()
    if work.state != State.DONE or work.file is None:
        raise WorkNotFinished()
    answer = HttpResponse(bytes(work.file), content_type=work.file_type)
    answer["Content-Disposition"] = f'attachment; filename="{work.file_name}"'
    if work.detail.get("once"):
        Work.objects.filter(pk=work.pk).update(file=None)  # what is in it stands nowhere else in clear
    return answer
