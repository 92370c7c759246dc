"""What is kept in a server that others may reach: read only where this kitchen's key has signed it.

A pickle runs what it says (Python's manual, "pickle"): who can write into the cache must not thereby write into the
kitchen. What is not signed is as good as not kept.
"""

from __future__ import annotations

import hashlib
import hmac
import pickle

from django.conf import settings

_LENGTH = hashlib.sha256().digest_size


class UnsignedError(ValueError):
    """It was put there by somebody without the key."""


class SignedPickles:
    """A serializer for Django's Redis cache: HMAC-SHA256 (RFC 2104), then the pickle."""

    def __init__(self, protocol: int | None = None) -> None:
        self.protocol = pickle.HIGHEST_PROTOCOL if protocol is None else protocol

    def dumps(self, obj: object) -> bytes:
        pickled = pickle.dumps(obj, self.protocol)
        return _signature(pickled) + pickled

    def loads(self, data: bytes) -> object:
        """Raises UnsignedError."""
        signature, pickled = data[:_LENGTH], data[_LENGTH:]
        if not hmac.compare_digest(signature, _signature(pickled)):
            raise UnsignedError("an answer that this kitchen has not signed")
        return pickle.loads(pickled)  # noqa: S301  (its own, as the signature says)


def _signature(pickled: bytes) -> bytes:
    key = hashlib.sha256(b"despertar.kept." + settings.SECRET_KEY.encode()).digest()
    return hmac.digest(key, pickled, "sha256")
