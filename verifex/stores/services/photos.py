"""Pictures of faults: made small, without what a camera writes beside them."""

import base64
import binascii
import io

from django.db import transaction
from PIL import Image, ImageOps, UnidentifiedImageError

from verifex.acts.events import STORES, record
from verifex.acts.refusals import Refused
from verifex.people.models import User
from verifex.stores.access import require_fault_staff
from verifex.stores.models import Fault, FaultPhoto
from verifex.work.files import read_file

LONGEST_PX = 1400
LONGEST_SIDE_PX = 12_000
LARGEST_PX = 60_000_000  # in all: a picture that would fill the memory is no picture of a fault
MOST_A_FAULT = 6
NO_PICTURE = "This file is no picture that can be read here: JPEG, PNG or WebP."
KINDS = ("JPEG", "PNG", "WEBP")


def small_jpeg(data: str) -> bytes:
    """A picture as base64 made a JPEG of at most 1400 pixels; where and when it was taken is left out. Raises Refused."""
    try:
        raw = base64.b64decode(data.partition(",")[2] if data.startswith("data:") else data, validate=True)
    except (binascii.Error, ValueError):
        raise Refused(NO_PICTURE) from None
    made: bytes = read_file(shrunk, raw)
    return made


def shrunk(raw: bytes) -> bytes:
    """The small JPEG of a picture in a file. Raises Refused by its size before a pixel of it is read."""
    try:
        picture = Image.open(io.BytesIO(raw), formats=KINDS)
        if max(picture.size) > LONGEST_SIDE_PX or picture.width * picture.height > LARGEST_PX:
            raise Refused(
                f"This picture has {picture.width} by {picture.height} pixels; up to {LONGEST_SIDE_PX} a side are taken."
            )
        picture.draft("RGB", (LONGEST_PX, LONGEST_PX))
        upright = ImageOps.exif_transpose(picture).convert("RGB")
    except (ValueError, UnidentifiedImageError, OSError, Image.DecompressionBombError):
        raise Refused(NO_PICTURE) from None
    upright.thumbnail((LONGEST_PX, LONGEST_PX))
    out = io.BytesIO()
    upright.save(out, "JPEG", quality=78, optimize=True)
    return out.getvalue()


def add(actor: User, fault_id: int, data: str) -> FaultPhoto:
    """Raises Refused for what is no picture."""
    fault = _fault(actor, fault_id)
    jpeg = small_jpeg(data)
    with transaction.atomic():
        if fault.photos.count() >= MOST_A_FAULT:
            raise Refused(f"{MOST_A_FAULT} pictures of one fault are enough; remove one first.")
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
