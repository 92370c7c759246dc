"""Fuzzy or hairy spots of any colour, or pink, orange or red streaks: spoiled. Bin all of it (common practice)."""

from __future__ import annotations

from ..log import Top
from .contract import Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.MOULD,
    urgency=Urgency.DANGER,
    tops=frozenset({Top.FUZZY_SPOTS, Top.COLOURED_STREAKS}),
    smells=frozenset(),
    do=Remedy.BIN_ALL,
    dont=Caution.DO_NOT_SCRAPE,
)
