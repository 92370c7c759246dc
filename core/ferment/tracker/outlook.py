"""Which of a forecast's moments is the one to tell."""

from __future__ import annotations

from datetime import datetime
from enum import StrEnum

from .forecasts import Forecast

# A rise that stays under the first even at its best is hardly one; one expected under the second may be none.
HARDLY, MAYBE = 1.25, 1.2
DOUBLES_LIKELY = 0.5
# A jar that is expected to rise so far has shown its yeast.
SHOWN = 1.6


class Outlook(StrEnum):
    """What the running feed will do: hardly rise, perhaps stay quiet, double, peak; or its peak is past."""

    HARDLY_RISES = "hardly_rises"
    MAY_STAY_QUIET = "may_stay_quiet"
    DOUBLES = "doubles"
    PEAKS = "peaks"
    PEAKED = "peaked"


def outlook(forecast: Forecast, now: datetime) -> Outlook:
    if forecast.peak_times.high < HARDLY:
        return Outlook.HARDLY_RISES
    if forecast.peak_times.middle < MAYBE:
        return Outlook.MAY_STAY_QUIET
    doubles = forecast.doubles
    if doubles and forecast.doubles_chance >= DOUBLES_LIKELY and doubles.latest >= now:
        return Outlook.DOUBLES
    return Outlook.PEAKS if forecast.peaks.latest >= now else Outlook.PEAKED


def yeast_unshown(forecast: Forecast) -> bool:
    """A new jar of which no look has narrowed the day of ready yet."""
    return forecast.basis.young and forecast.peak_times.middle < SHOWN
