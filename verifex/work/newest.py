"""Which live check of an editor is the newest, for all processes that answer: kept in the cache that they share."""

import secrets
from hashlib import sha256

from django.core.cache import caches

KEPT_SECONDS = 120  # longer than any live check lasts


def claim(editor: object) -> str:
    """Mark a check that begins now as the newest of its editor; returns its token."""
    token = secrets.token_hex(8)
    caches["shared"].set(_key(editor), token, KEPT_SECONDS)
    return token


def is_newest(editor: object, token: str) -> bool:
    return bool(caches["shared"].get(_key(editor), token) == token)


def _key(editor: object) -> str:
    return f"live-check-{sha256(repr(editor).encode()).hexdigest()[:32]}"
