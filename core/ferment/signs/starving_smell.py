"""Nail varnish: starving, and often too warm (common practice)."""

from __future__ import annotations

from ..record.log import Smell
from .clues import SmellIs
from .contract import Case, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.STARVING_SMELL,
    urgency=Urgency.WARNING,
    cases=(Case((SmellIs(frozenset({Smell.NAIL_VARNISH})),), sure=0.9),),
    do=(Remedy.FEED_NOW, Remedy.FEED_SOONER, Remedy.FEED_LARGER),
)
