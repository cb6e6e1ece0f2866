"""A mapping by what a key *is*, not by what it equals."""

from typing import Generic, TypeVar

K = TypeVar("K")
V = TypeVar("V")


class IdentityMap(Generic[K, V]):
    """Values by the very object they belong to.

    The objects are kept for as long as the map lives, so that no later object at the same address can take the place of
    one that is gone: an address alone is no key.
    """

    __slots__ = ("_entries",)

    def __init__(self) -> None:
        self._entries: dict[int, tuple[K, V]] = {}

    def __setitem__(self, key: K, value: V) -> None:
        self._entries[id(key)] = (key, value)

    def __contains__(self, key: object) -> bool:
        return id(key) in self._entries

    def get(self, key: K) -> V | None:
        found = self._entries.get(id(key))
        return None if found is None else found[1]
