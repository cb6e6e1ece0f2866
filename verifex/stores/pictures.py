"""A picture made small. It is done in a worker, which has the application not loaded: nothing of it is imported here."""

import io

from PIL import Image, ImageOps, UnidentifiedImageError

from verifex.stores.refusals.faults import NotAPicture, PictureTooManyPixels

LONGEST_PX = 1400
LONGEST_SIDE_PX = 12_000
LARGEST_PX = 60_000_000  # in all: a picture that would fill the memory is no picture of a fault
KINDS = ("JPEG", "PNG", "WEBP")


def shrunk(raw: bytes) -> bytes:
    """The small JPEG of a picture in a file. Raises Refused by its size before a pixel of it is read."""
    try:
        picture = Image.open(io.BytesIO(raw), formats=KINDS)
        if max(picture.size) > LONGEST_SIDE_PX or picture.width * picture.height > LARGEST_PX:
            raise PictureTooManyPixels(picture.width, picture.height, LONGEST_SIDE_PX)
        picture.draft("RGB", (LONGEST_PX, LONGEST_PX))
        upright = ImageOps.exif_transpose(picture).convert("RGB")
    except (ValueError, UnidentifiedImageError, OSError, Image.DecompressionBombError):
        raise NotAPicture() from None
    upright.thumbnail((LONGEST_PX, LONGEST_PX))
    out = io.BytesIO()
    upright.save(out, "JPEG", quality=78, optimize=True)
    return out.getvalue()
