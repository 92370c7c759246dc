"""The rule of ready: every number of it, and the few functions that read them.

Despertar's rule (common practice, the stricter of several schools): after each of three feeds in a row the jar at least
doubles within 8 hours at 24 °C (12 where the feed was five times the seed), peaks at a steady time, smells pleasant and
shows no warning sign; and none of that counts in the early days, when early bacteria lift a new jar as high as yeast
ever will. What it has shown it has shown: it takes two failed feeds, or a sign, to take the word back.

The tracker forecasts it, the judge holds a jar against it, methods and signs know its early days, and the drawing shows
its doubling; all of them read it here, below them all, so that "doubled", "in time" and "early" mean one thing.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from enum import StrEnum

import numpy as np

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
# Where a paste holds so little that less than this counts as doubled, its rise tells nothing: a thicker one would.
TELLS_FROM = 1.35
# A level this near what counts as doubled was read as doubled: a third of a measuring error.
READS_AS = 0.98
# The stage calls it doubled from so little less on: half a finger's breadth on a jar (common practice).
STAGE_SLACK = 0.05


# In a warm room a paste holds less: its gas leaks sooner. Nine tenths of what the model lets a settled jar do by
# warmth, as a share of what it does at 24 °C (whole wheat and white alike, 1:1:1 to 1:5:5, once or twice a day).
WARM_HOLDS = ((24.0, 1.0), (26.0, 0.965), (28.0, 0.91), (30.0, 0.85), (32.0, 0.77), (36.0, 0.6))
# A jar that holds less gas than others of its flour is held against itself, down to here: less is no settled jar.
OWN_HEIGHT = (0.8, 1.0)


def doubles_at(paste: Paste, celsius: float = 24.0, height: float = 1.0) -> float:
    """What counts as doubled, as a multiple of the line: 2, or nearly what flour, thickness and warmth let a settled
    jar do if that is less; of a soak, which holds next to nothing, never what no eye tells from the line.

    `height` is how much more or less gas this jar holds than others do.
    """
    own = min(OWN_HEIGHT[1], max(OWN_HEIGHT[0], height))
    return max(RISEN, min(DOUBLED, 1.0 + holds_share(celsius) * own * paste.most_gas))


def holds_share(celsius: float) -> float:
    """The share of the gas that a paste could hold which counts as doubled, by warmth."""
    warmths, shares = zip(*WARM_HOLDS, strict=True)
    return HOLDS_SHARE * float(np.interp(celsius, warmths, shares))


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

# --- failed ---

# A look around the hour at which the peak was expected, and so much less than what counts as doubled: it failed. A
# little before that hour less is asked of it. Nothing may hide a rise: no smear, no high mark, no sunken top.
AROUND_PEAK, BEFORE_PEAK = (0.9, 1.5), (0.7, 0.9)
FAILED_SHARE, FAILED_BEFORE = 0.75, 0.45
# Two looks at a flat jar are as good, from this share of the way to the peak on.
FLAT_FROM, FLAT_LOOKS = 0.35, 2
# So many failed feeds in a row take back what it had shown; one that all but doubled breaks a row and fails nothing.
TAKES_BACK, ALL_BUT = 2, 0.8
# What it has shown is held against what was seen alone, once one more feed came after it: so much of a doubling, and
# nobody saw it late. No verdict turns on an estimate that a later day moves.
HELD_SHARE = 0.92
# Somebody saw it not doubled yet when so much of the time was over, or nobody knows that it was late.
LATE_FROM = 0.75


# Up to twice as much flour as seed the 8 hours hold; five times as much takes 12, more likewise (common practice).
USUAL_PARTS, MORE_PARTS, WITHIN_OF_MORE_H, MOST_PARTS = 2.0, 5.0, 12.0, 20.0
# However warm it is, nobody is asked to look sooner.
LEAST_LIMIT_H = 6.0


def flour_parts(flour_g: float, keep_g: float) -> float:
    """Flour to one of seed; of a first mix, which has none, as many as there can be."""
    return flour_g / keep_g if keep_g > 0.0 else MOST_PARTS


def within_h(parts: float) -> float:
    """The hours of the rule at 24 °C for so many parts of flour to one of seed."""
    more = math.log(min(max(parts, USUAL_PARTS), MOST_PARTS) / USUAL_PARTS) / math.log(MORE_PARTS / USUAL_PARTS)
    return WITHIN_H + (WITHIN_OF_MORE_H - WITHIN_H) * more


def limit_h(celsius: float, parts: float = 1.0) -> float:
    """The hours of the rule in the warmth of a feed, by the law of growth of yeast; `parts` of flour to one of seed."""
    pace = growth_pace(celsius, YEAST_UPPER_C) / growth_pace(AT_C, YEAST_UPPER_C)
    return max(LEAST_LIMIT_H, within_h(parts) / max(pace, SLOWEST))


# --- steady, pleasant ---

# Times to peak are steady when none is so much longer than the shortest before it. A waking jar gets quicker, and that
# far it may.
STEADY, QUICKER = 1.4, 1.8
FOUL = frozenset({Smell.PUTRID, Smell.NAIL_VARNISH, Smell.CHEESY})

# --- early days, and whose rise it is ---

# A jar begun with flour and water alone belongs to its early bacteria until late on the third day (common practice): a
# rise is normal, is called a false dawn, and counts as the yeast's only beyond doubt. In a cool room, where acid is
# slower to come, that lasts longer; in a warm one the yeast is no sooner there.
EARLY_DAYS_H, LONGEST_EARLY_H = 66.0, 144.0
EARLY_BY_WARMTH = 0.7
# The stage still tells of such a rise a little longer, while it is what was seen last.
LINGERS_H = 6.0
# From here on a rise is taken to be the yeast's even by signs that know no log.
YEASTS_OWN_H = 84.0
# From this share of the gas on, a rise is the yeast's; in the early days only beyond doubt.
YEASTS, YEASTS_EARLY = 2.0 / 3.0, 0.9
# What smells of acid or of fruit has turned sour; strips say so from here down.
SOUR_SMELLS = frozenset({Smell.YOGHURT, Smell.FRUITY, Smell.SHARP})
SOUR_PH = 4.6
# What smells so is not the yeast's work.
EARLY_SMELLS = frozenset({Smell.CHEESY, Smell.PUTRID})
# From this level on somebody saw a rise.
RISEN = 1.15
# So much of a rise by yeast, and the quiet days are over.
WOKE = 1.3
# For so long after the early days a small rise is the yeast's only where a quiet feed lies between it and the first.
DOUBT_LASTS, BEYOND_DOUBT = 1.8, 1.5
# A jar that holds less is awake from here on, seen after two feeds.
AWAKE_LEVEL, AWAKE_FEEDS = 1.5, 2


def early_days_h(celsius: float) -> float:
    """How long a jar of flour and water belongs to its early bacteria, by the warmth of those days."""
    pace = growth_pace(celsius, YEAST_UPPER_C) / growth_pace(AT_C, YEAST_UPPER_C)
    longer = float((1.0 / max(pace, SLOWEST)) ** EARLY_BY_WARMTH)
    return min(LONGEST_EARLY_H, EARLY_DAYS_H * max(1.0, longer))
