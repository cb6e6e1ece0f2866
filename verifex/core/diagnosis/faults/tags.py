"""Faults of a program that prints the ids of tags."""

from collections.abc import Iterator
from operator import methodcaller

from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.faults.priors import PRIORS
from verifex.core.diagnosis.faults.state import NOT_ANSWERING
from verifex.core.diagnosis.model import Fault, Where
from verifex.core.diagnosis.observe import TAG
from verifex.core.readings.log.ids import same_id


def tag_faults(case: BenchCase) -> Iterator[Fault]:
    for ref, _ in (key for key in case.keys if key[1] == TAG):
        yield Fault(
            "not-answering", f"{ref} does not answer", NOT_ANSWERING.format(ref=ref),
            Where.STATE, PRIORS["not-answering"], methodcaller("in_state", "mute"), (ref,),
        )  # fmt: skip
        for slug, title, look_at, change in (
            ("stale-id", "The first id is kept: every later tag prints it again",
             "Is the id read anew for each tag, and are its bytes cleared before?", _kept),
            ("bytes-turned", "The bytes of the id are printed from the last to the first",
             "Does the loop over the bytes count up from 0?", _turned),
            ("zeros-left-out", "Bytes below 16 are printed with one digit, so a 0 is missing",
             "Is a 0 printed before a byte below 16?", _without_zeros),
        ):  # fmt: skip
            yield Fault(slug, title, look_at, Where.PROGRAM, PRIORS[slug], methodcaller("with_ids", change), (ref,))


def _kept(ids: list[str]) -> list[str]:
    """Also where no tag is there: what the last one left is printed."""
    kept, found = "", []
    for one in ids:
        kept = kept or one
        found.append(kept)
    return found


def _turned(ids: list[str]) -> list[str]:
    return [" ".join(reversed(one.split())) for one in ids]


def _without_zeros(ids: list[str]) -> list[str]:
    """The digits as they stand one after the other, without spaces between."""
    return [same_id("".join(f"{int(byte, 16):X}" for byte in one.split())) for one in ids]
