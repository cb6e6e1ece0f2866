"""Names of people and the log-ins made from them."""

import re
import unicodedata
from collections.abc import Iterable

from verifex.people.models import User
from verifex.people.refusals import LogInSpelling, LogInTaken, PersonNameMissing

_LOG_IN = re.compile(r"[a-z0-9][a-z0-9._-]{1,59}")
_SPELLED = str.maketrans({"ß": "ss", "ø": "o", "æ": "ae", "œ": "oe", "ł": "l", "đ": "d", "ð": "d", "þ": "th", "ı": "i"})


def split_name(name: str) -> tuple[str, str]:
    """(first names, last name); `Last, First` is understood. Raises Refused for an empty one."""
    words = " ".join(name.split())
    if "," in words:
        last, first = (part.strip() for part in words.split(",", 1))
    else:
        first, _, last = words.rpartition(" ")
    if not (first or last):
        raise PersonNameMissing()
    return (first, last) if first else (last, "")


def plain(name: str) -> str:
    """A name in plain small letters, for log-ins and for comparing: `Zoë O\u2019Hara` becomes `zoeohara`."""
    folded = unicodedata.normalize("NFKD", name.casefold().translate(_SPELLED))
    return "".join(c for c in folded if c.isascii() and c.isalnum())


def log_in_for(first: str, last: str, taken: Iterable[str]) -> str:
    """A free log-in: first letter and last name, `m.kessler`, then `m.kessler2`; written in letters no log-in has, `student7`."""
    initial, family = plain(first)[:1], plain(last)[:40]
    wanted = f"{initial}.{family}" if initial and family else plain(first)[:40] or family
    wanted = wanted if len(wanted) > 1 else "student"
    held = taken if isinstance(taken, set) else set(taken)
    number = 1
    while (found := wanted if number == 1 else f"{wanted}{number}") in held:
        number += 1
    return found


def usable_log_in(typed: str) -> str:
    """A log-in as typed by a person. Raises Refused where it cannot be one, or is taken."""
    log_in = typed.strip().lower()
    if not _LOG_IN.fullmatch(log_in):
        raise LogInSpelling()
    if User.objects.filter(username__iexact=log_in).exists():
        raise LogInTaken(log_in)
    return log_in
