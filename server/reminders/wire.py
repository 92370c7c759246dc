"""What goes over the wire about the postbox."""

from __future__ import annotations

from .services import Postbox

PostboxOut = Postbox
__all__ = ["PostboxOut"]
