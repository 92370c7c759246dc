"""A jar's rise as a table: feeds, levels and high marks, in CSV (RFC 4180)."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable
from datetime import UTC, datetime, timedelta

from ferment.doors.told import RoundSeen

COLUMNS = ("at", "what", "hours_since_feed", "level_times_line", "ratio", "hydration_percent")


def rise(rounds: Iterable[RoundSeen]) -> str:
    """A row for each feed, each level that was read, and the highest mark until the next feed. Moments in UTC."""
    text = io.StringIO(newline="")
    writer = csv.writer(text, lineterminator="\r\n")
    writer.writerow(COLUMNS)
    for one in rounds:
        wet = "" if one.hydration_percent is None else f"{one.hydration_percent:.1f}"
        writer.writerow([_at(one.at), "feed", "0", "1", one.ratio, wet])
        for seen in one.levels:
            hours = (seen.at - one.at) / timedelta(hours=1)
            writer.writerow([_at(seen.at), "look", f"{hours:.2f}", f"{seen.times:.3f}", "", ""])
        if one.high_mark is not None:
            writer.writerow(["", "high_mark", "", f"{one.high_mark:.3f}", "", ""])
    return text.getvalue()


def _at(at: datetime) -> str:
    return at.astimezone(UTC).strftime("%Y-%m-%dT%H:%M:%SZ")
