"""Pictures of faults: made small, without what a camera writes beside them."""

import base64
import binascii

from django.db import transaction

from verifex.acts.events import STORES, record
from verifex.people.models import User
from verifex.stores.access import require_fault_staff
from verifex.stores.models import Fault, FaultPhoto
from verifex.stores.pictures import shrunk
from verifex.stores.refusals.faults import NotAPicture, TooManyPhotos
from verifex.work.files import read_file

MOST_A_FAULT = 6


def small_jpeg(data: str) -> bytes:
    """A picture as base64 made a JPEG of at most 1400 pixels; where and when it was taken is left out. Raises Refused."""
    try:
        raw = base64.b64decode(data.partition(",")[2] if data.startswith("data:") else data, validate=True)
    except (binascii.Error, ValueError):
        raise NotAPicture() from None
    made: bytes = read_file(shrunk, raw)
    return made


def add(actor: User, fault_id: int, data: str) -> FaultPhoto:
    """Raises Refused for what is no picture."""
    fault = _fault(actor, fault_id)
    jpeg = small_jpeg(data)
    with transaction.atomic():
        if fault.photos.count() >= MOST_A_FAULT:
            raise TooManyPhotos(MOST_A_FAULT)
        record(actor, f"added a picture of {fault.title}"[:120], f"fault:{fault.pk}", scope=STORES)
        return FaultPhoto.objects.create(fault=fault, jpeg=jpeg, by=actor)


def remove(actor: User, photo_id: int) -> None:
    photo = FaultPhoto.objects.select_related("fault").get(pk=photo_id)
    fault = _fault(actor, photo.fault_id)
    with transaction.atomic():
        photo.delete()
        record(actor, f"removed a picture of {fault.title}"[:120], f"fault:{fault.pk}", scope=STORES)


def _fault(actor: User, fault_id: int) -> Fault:
    fault = Fault.objects.select_related("kit__exercise__course", "module").get(pk=fault_id)
    require_fault_staff(actor, fault)
    return fault


def jpeg_of(actor: User, photo_id: int) -> bytes:
    """The picture itself; for those only who may see its fault."""
    photo = FaultPhoto.objects.select_related("fault").get(pk=photo_id)
    _fault(actor, photo.fault_id)
    return bytes(photo.jpeg)
