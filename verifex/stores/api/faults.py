"""Faults: the list, what became of each, and pictures."""

from django.http import HttpRequest, HttpResponse
from ninja import Router

from verifex.api.http import Id
from verifex.people.access import courses_of, reader
from verifex.stores.access import require_store_staff
from verifex.stores.present.faults import faults_json
from verifex.stores.schemas.faults import FaultClosedIn, FaultOut, PhotoIn
from verifex.stores.schemas.modules import StoreSavedOut
from verifex.stores.services import faults, photos

router = Router(tags=["stores"])


@router.get("/faults", response=list[FaultOut])
def list_faults(request: HttpRequest) -> list[FaultOut]:
    """What is wrong now, and what was."""
    require_store_staff(reader(request))
    return faults_json(courses_of(reader(request)))


@router.post("/faults/{fault_id}/mend", response=StoreSavedOut)
def mend(request: HttpRequest, fault_id: Id) -> dict[str, str]:
    """It lies on the repair bench now."""
    return {"message": f"{faults.mend(reader(request), fault_id).title} is being mended."}


@router.post("/faults/{fault_id}/close", response=StoreSavedOut)
def close(request: HttpRequest, fault_id: Id, data: FaultClosedIn) -> dict[str, str]:
    """It is well again, or it is thrown away."""
    fault = faults.close_fault(reader(request), fault_id, is_well=data.is_well, note=data.note)
    return {"message": f"{fault.title} {'is well again' if data.is_well else 'is retired'}."}


@router.post("/faults/{fault_id}/photos", response=StoreSavedOut)
def add_photo(request: HttpRequest, fault_id: Id, data: PhotoIn) -> dict[str, str]:
    """A picture of it."""
    return {"message": f"The picture of {photos.add(reader(request), fault_id, data.data).fault.title} is kept."}


@router.delete("/faults/photos/{photo_id}", response=StoreSavedOut)
def remove_photo(request: HttpRequest, photo_id: Id) -> dict[str, str]:
    photos.remove(reader(request), photo_id)
    return {"message": "The picture is removed."}


@router.get("/faults/photos/{photo_id}/jpeg", include_in_schema=False)
def show_photo(request: HttpRequest, photo_id: Id) -> HttpResponse:
    """The picture itself; for staff only."""
    answer = HttpResponse(photos.jpeg_of(reader(request), photo_id), content_type="image/jpeg")
    answer["Cache-Control"] = "private, max-age=86400"
    return answer
