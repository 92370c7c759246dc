"""The latest answers, kept in the process for all of its threads."""

from __future__ import annotations

import threading
from collections.abc import Callable, Hashable
from typing import Generic, TypeVar

from cachetools import LRUCache

K = TypeVar("K", bound=Hashable)
V = TypeVar("V")


class Latest(Generic[K, V]):
    """What was asked for last, up to so much in all; the rest is forgotten. Each counts 1, or as it is weighed."""

    def __init__(self, most: float, weighed: Callable[[V], float] | None = None) -> None:
        self._kept: LRUCache[K, V] = LRUCache(most, weighed)
        self._most, self._weighed = most, weighed
        self._lock = threading.Lock()

    def get(self, key: K) -> V | None:
        with self._lock:
            return self._kept.get(key)

    def set(self, key: K, value: V) -> None:
        if self._weighed is not None and self._weighed(value) > self._most:
            return
        with self._lock:
            self._kept[key] = value

    def clear(self) -> None:
        with self._lock:
            self._kept.clear()
