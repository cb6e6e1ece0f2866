"""How often somebody may try: counted in the cache that all processes share, by the address the server itself saw."""

import json
from hashlib import sha256

from django.core.cache import caches
from django.http import HttpRequest
from ninja.errors import Throttled
from ninja.throttling import SimpleRateThrottle

MOST_MISSES, MISS_SECONDS = 30, 60  # of codes from one address: a class behind one address mistypes now and then


def address_of(request: HttpRequest) -> str:
    """Who asks. Behind a trusted proxy the server has put the client's address here; a header is never believed."""
    return str(request.META.get("REMOTE_ADDR", ""))


class _Tries(SimpleRateThrottle):
    """Counts tries; who is asked for is read from the body, as nobody is logged in yet."""

    cache = caches["shared"]


class TriesForOneName(_Tries):
    """For one name from one address: a class behind one address is not locked out by one who guesses."""

    scope = "log-in"

    def get_cache_key(self, request: HttpRequest) -> str:
        try:
            name = str(json.loads(request.body).get("username", ""))
        except (ValueError, AttributeError):
            name = ""
        named = sha256(name.strip().lower().encode("utf-8", "replace")).hexdigest()[:32]
        return f"log-in-{named}-{address_of(request)}"


class TriesFromOneAddress(_Tries):
    scope = "log-in-address"

    def get_cache_key(self, request: HttpRequest) -> str:
        return f"log-in-{address_of(request)}"


def refuse_guessing(request: HttpRequest, what: str) -> None:
    """Raises Throttled where so many wrong codes of a kind came from this address."""
    if caches["shared"].get(_key(request, what), 0) >= MOST_MISSES:
        raise Throttled(wait=MISS_SECONDS)


def note_miss(request: HttpRequest, what: str) -> None:
    """A code of a kind that is none."""
    key = _key(request, what)
    caches["shared"].set(key, caches["shared"].get(key, 0) + 1, MISS_SECONDS)


def _key(request: HttpRequest, what: str) -> str:
    return f"missed-{what}-{address_of(request)}"
