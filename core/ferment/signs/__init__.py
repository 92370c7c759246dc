"""The signs, listed explicitly, and the one loop that holds them against the looks."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime

from ..log import Look, Smell, Top
from . import mould
from .contract import Caution, Remedy, Sign, SignCode, Urgency

SIGNS: tuple[Sign, ...] = (mould.SIGN,)


@dataclass(frozen=True)
class Finding:
    """A sign that was seen, the look that showed it last, and what of it was seen."""

    sign: SignCode
    urgency: Urgency
    do: Remedy
    dont: Caution
    look_id: str
    seen_at: datetime
    tops: tuple[Top, ...]
    smells: tuple[Smell, ...]


def findings(looks: Iterable[Look]) -> tuple[Finding, ...]:
    """What the looks show, the most urgent first. A danger stays found: a later clean look does not unmake it."""
    latest = sorted(looks, key=lambda look: (look.at, look.id), reverse=True)
    found = []
    for sign in SIGNS:
        for look in latest:
            tops, smells = look.top & sign.tops, look.smell & sign.smells
            if tops or smells:
                found.append(
                    Finding(
                        sign.code,
                        sign.urgency,
                        sign.do,
                        sign.dont,
                        look.id,
                        look.at,
                        tuple(sorted(tops)),
                        tuple(sorted(smells)),
                    )
                )
                break
    return tuple(sorted(found, key=lambda finding: (finding.urgency, finding.sign)))
