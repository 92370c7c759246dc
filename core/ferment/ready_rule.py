"""The rule of ready: every number of it, and the few functions that read them.

Despertar's rule (common practice, the stricter of several schools): after each of three feeds in a row the jar at least
doubles within 8 hours at 24 °C, peaks at a steady time, smells pleasant and shows no warning sign; and none of that
counts in the early days, when early bacteria lift a new jar as high as yeast ever will.

The tracker forecasts it, the judge holds a jar against it, methods and signs know its early days, and the drawing shows
its doubling; all of them read it here, below them all, so that "doubled", "in time" and "early" mean one thing.
"""

from __future__ import annotations

from collections.abc import Mapping
from enum import StrEnum

from .model.kinetics import YEAST_UPPER_C, growth_pace
from .model.paste import Paste
from .record.log import Smell


class Strictness(StrEnum):
    """How many good feeds in a row the baker asks for."""

    LOOSE = "loose"
    USUAL = "usual"
    STRICT = "strict"


IN_A_ROW: Mapping[Strictness, int] = {Strictness.LOOSE: 1, Strictness.USUAL: 3, Strictness.STRICT: 5}

# --- doubled ---

DOUBLED = 2.0
# A jar fed once a day rises to about four fifths of what its paste can hold; nearly that is a doubling for it.
HOLDS_SHARE = 0.72
# A level this near what counts as doubled was read as doubled: a third of a measuring error.
READS_AS = 0.98
# The stage calls it doubled from so little less on: half a finger's breadth on a jar (common practice).
STAGE_SLACK = 0.05


def doubles_at(paste: Paste) -> float:
    """What counts as doubled, as a multiple of the line: 2, or nearly what flour and thickness hold if that is less;
    of a soak, which holds next to nothing, never what no eye tells from the line."""
    return max(RISEN, min(DOUBLED, nearly_all(paste)))


def nearly_all(paste: Paste) -> float:
    """Nearly the highest level that a paste can stand at, as a multiple of the line."""
    return 1.0 + HOLDS_SHARE * paste.most_gas


# --- in time ---

WITHIN_H, AT_C = 8.0, 24.0
# The warmth of a feed is taken so long after it, when the jar has come to the warmth of its place.
WARMTH_AFTER_H = 4.0
# However cold it is, the limit ends somewhere: at twenty times as long.
SLOWEST = 0.05
# The looks make it this likely that a feed doubled in time, or that it did not; between the two it is left open.
LIKELY, UNLIKELY = 0.6, 0.4
# What nobody saw doubled stays open, however likely.
NOT_SEEN = 0.5
# A round tells by its looks once one came so far on the way to its peak.
NEAR_PEAK = 0.7


def limit_h(celsius: float) -> float:
    """The 8 hours of the rule in the warmth of a feed: hours by the law of growth of yeast."""
    pace = growth_pace(celsius, YEAST_UPPER_C) / growth_pace(AT_C, YEAST_UPPER_C)
    return WITHIN_H / max(pace, SLOWEST)


# --- steady, pleasant ---

# Times to peak are steady when none is so much longer than the shortest before it. A waking jar gets quicker, and that
# far it may.
STEADY, QUICKER = 1.4, 1.8
FOUL = frozenset({Smell.PUTRID, Smell.NAIL_VARNISH, Smell.CHEESY})

# --- early days, and whose rise it is ---

# A jar begun with flour and water alone belongs to its early bacteria until late on the third day (common practice): a
# rise is normal, is called a false dawn, and counts as the yeast's only beyond doubt.
EARLY_DAYS_H = 66.0
# The stage still tells of such a rise a little longer, while it is what was seen last.
LINGERS_H = 6.0
# From here on a rise is taken to be the yeast's even by signs that know no log.
YEASTS_OWN_H = 84.0
# From this share of the gas on, a rise is the yeast's; in the early days only beyond doubt.
YEASTS, YEASTS_EARLY = 2.0 / 3.0, 0.9
# From this level on somebody saw a rise.
RISEN = 1.15
# So much of a rise by yeast, and the quiet days are over.
WOKE = 1.3
