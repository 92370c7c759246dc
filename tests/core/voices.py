"""What may not stand together on a page: a table of pairs, each of two things that a jar can be told."""

from __future__ import annotations

from collections.abc import Callable
from datetime import datetime, timedelta

from ferment.doors.assessment import Assessment, Move
from ferment.planner import StepState
from ferment.signs.contract import Caution, Remedy, SignCode, Urgency
from ferment.tracker.outlook import Outlook
from ferment.verdicts.stage import Stage

Says = Callable[[Assessment, datetime], bool]
NOTHING_SEEN_YET = timedelta(minutes=30)
# From so many looks on, a feed was watched.
WATCHED = 4


def _finds(*codes: SignCode) -> Says:
    return lambda found, _: any(one.sign in codes for one in found.findings)


def _advises(*remedies: Remedy) -> Says:
    return lambda found, _: any(set(remedies) & set(one.do) for one in found.findings)


def _warns(caution: Caution) -> Says:
    return lambda found, _: any(caution in one.dont for one in found.findings)


def _just_fed(found: Assessment, now: datetime) -> bool:
    since = found.since_feed
    return since is not None and now - since.fed_at < NOTHING_SEEN_YET


def _in_danger(found: Assessment, _: datetime) -> bool:
    return found.next_move.move in (Move.BIN, Move.BINNED)


def _is_ready(found: Assessment, _: datetime) -> bool:
    return found.readiness is not None and found.readiness.ready


def _seen_to_rise(found: Assessment) -> bool:
    return any((level.times or 0.0) >= 1.15 for one in found.rounds for level in one.levels) or any(
        (one.high_mark or 0.0) >= 1.15 for one in found.rounds
    )


def _flat_till_now(found: Assessment, now: datetime) -> bool:
    """Looked at again and again since the feed, lately too, and never seen above its line."""
    since = found.since_feed
    levels = found.rounds[-1].levels if found.rounds else ()
    if since is None or since.last is None or len(levels) < WATCHED:
        return False
    return max(level.times or 0.0 for level in levels) < 1.05 and now - since.last.at < timedelta(hours=1)


def _just_out_of_the_cold(found: Assessment, now: datetime) -> bool:
    last = found.chilled[-1].until if found.chilled else None
    return last is not None and now - last < timedelta(hours=2)


def _just_mixed(found: Assessment, now: datetime) -> bool:
    return len(found.rounds) == 1 and _just_fed(found, now)


def _late(found: Assessment, _: datetime) -> bool:
    return found.next_move.state is StepState.LATE


def _rests(found: Assessment, _: datetime) -> bool:
    return found.next_move.move is Move.REST


# Two things that would contradict each other, by the words a baker would read them in.
PAIRS: tuple[tuple[str, Says, str, Says], ...] = (
    ("bin it", _in_danger, "what is normal today", lambda it, _: it.normal is not None),
    ("bin it", _in_danger, "when it is ready", lambda it, _: bool(it.ready_on or it.ready_ahead)),
    ("bin it", _in_danger, "it peaks at", lambda it, _: it.forecast is not None or it.outlook is not None),
    ("bin it", _in_danger, "it is ready, or not yet", lambda it, _: it.readiness is not None),
    ("bin it", _in_danger, "more is planned", lambda it, _: any(step.to_come for step in it.timeline)),
    ("bin it", _in_danger, "keep its discard", lambda it, _: it.discard_is_food),
    ("it is ready", _is_ready, "it will be ready", lambda it, _: it.ready_ahead is not None),
    ("it is ready", _is_ready, "good feeds to go", lambda it, _: bool(it.readiness and it.readiness.feeds_to_go)),
    (
        "it stirs, or is awake",
        lambda it, _: it.stage is not None and it.stage.stage in (Stage.AWAKE, Stage.STIRRING),
        "no rise was ever seen",
        lambda it, _: not _seen_to_rise(it),
    ),
    ("it rests", _rests, "it is late", _late),
    ("it rests", _rests, "feed it now", lambda it, _: it.next_move.is_now),
    ("it rests", _rests, "it peaks at", lambda it, _: it.forecast is not None),
    ("it rests", _rests, "it stands cool", _finds(SignCode.COLD_KITCHEN)),
    ("just fed", _just_fed, "it is forgotten", _finds(SignCode.FORGOTTEN)),
    ("just fed", _just_fed, "it is hungry again", _finds(SignCode.HUNGRY_AGAIN)),
    ("just fed", _just_fed, "its peak is past", lambda it, _: it.outlook is Outlook.PEAKED),
    ("its peak is past", lambda it, _: it.outlook is Outlook.PEAKED, "it lies flat", _flat_till_now),
    ("just out of the fridge", _just_out_of_the_cold, "it stands cool", _finds(SignCode.COLD_KITCHEN)),
    ("just mixed", _just_mixed, "nobody has looked", lambda it, _: bool(it.stage and it.stage.asks)),
    ("keep it warmer", _advises(Remedy.MOVE_WARMER), "keep it cooler", _advises(Remedy.MOVE_COOLER)),
    ("feed it now", _advises(Remedy.FEED_NOW), "do not feed it more", _warns(Caution.DO_NOT_FEED_MORE)),
    (
        "its peak is past",
        lambda it, _: it.outlook is Outlook.PEAKED,
        "it hardly rises",
        lambda it, _: it.forecast is not None and it.forecast.peak_times.high < 1.1,
    ),
    (
        "it will be ready",
        lambda it, _: it.ready_ahead is not None,
        "that day is past",
        lambda it, now: it.ready_ahead is not None and it.ready_ahead.on.likely <= now,
    ),
)


def contradictions(found: Assessment, now: datetime) -> list[str]:
    """The pairs that stand together in what is told of a jar; and danger that is not what is to be done."""
    met = [f"“{one}” beside “{other}”" for one, says, other, too in PAIRS if says(found, now) and too(found, now)]
    danger = any(one.urgency is Urgency.DANGER for one in found.findings)
    if danger and not _in_danger(found, now):
        met.append("danger without “bin it”")
    return met
