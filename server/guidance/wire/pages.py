"""What goes over the wire of whole pages: a kitchen, an opened jar, a plan, and what would be."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import datetime
from uuid import UUID

from accounts.services import Account
from accounts.wire import Told
from ferment import signs
from ferment.doors import assessment
from ferment.doors.lookup import DAYS, HOURS, LEVELS, HowHigh, HowOld, SinceFed
from ferment.protocol.method import Normal
from ferment.tracker.outlook import Outlook
from ferment.verdicts.cautions import Notice
from kitchen.wire import AncestorOut, JarOut, ancestors_out, card_out
from logbook.bodies import EntryBody
from logbook.wire import EntryOut, recorded_out
from photos.wire import PhotoOut, photo_out
from problems import ProblemCode
from watching.wire import WatchedOut, watched_out

from ..services import Assessed, OpenJar, Planned, WhatIf, Wondered
from ..unread import UnreadJar
from .answers import RatioOffer, Sheet
from .forecast import Forecast, Ready, Spread, When
from .jar import Assessment, InJar, NextMove, SinceFeed
from .life import Bake, Chapter, Stands, Vessel
from .plan import WholePlan
from .verdicts import Counsel, Finding, Readiness, StageFound


class RiseOut(Told):
    """The running feed's forecast in short."""

    doubles: When | None
    peaks: When
    peak_times: Spread
    outlook: Outlook
    ready_ahead: Ready | None


class GlanceOut(Told):
    """A jar as the kitchen shows it: `glass` is the one that it stands in, `rests_since` since when in the fridge."""

    jar: JarOut
    day: int
    normal: Normal | None
    in_jar: InJar | None
    since_feed: SinceFeed | None
    next_move: NextMove
    findings: list[Finding]
    stage: StageFound | None
    readiness: Readiness | None
    counsel: list[Counsel]
    notices: list[Notice]
    rise: RiseOut | None
    binned_at: datetime | None
    glass: Vessel
    rests_since: datetime | None
    asks_how_to_keep: bool
    chapter: Chapter | None
    next_bake: Bake | None


class JarLabelOut(Told):
    """What stands on a jar, whether or not the rest of it can be read."""

    id: UUID
    name: str
    owner: str
    on_shelf: bool


class KitchenOut(Told):
    """The jars on the shelf at one moment; `now` is the server's clock, by which `next_move` was judged. Those in
    `unread` cannot be told at present, those in `away` are put away."""

    now: datetime
    time_zone: str
    is_demo: bool
    jars: list[GlanceOut]
    unread: list[JarLabelOut]
    away: list[JarLabelOut]


class CauseOut(Told):
    """Why a jar cannot be told, in the codes of every refusal."""

    code: ProblemCode
    about: str
    facts: dict[str, float | str]


class WrittenOut(Told):
    """An entry of a log; `entry` is null where what it says cannot be read."""

    id: UUID
    kind: str
    at: datetime
    recorded_by: str | None
    withdrawn: bool
    entry: EntryBody | None


class UnreadJarOut(Told):
    """A jar that cannot be told, the entry with which that began where it is known, and all that is written in it.

    `cause` is null where it can be told after all.
    """

    now: datetime
    time_zone: str
    jar: JarLabelOut
    cause: CauseOut | None
    stands_on: UUID | None
    log: list[WrittenOut]


class OpenJarOut(Told):
    """A jar with everything about it; `sheet` is a feed at this moment, null where none can be weighed out. Of a long
    log the latest entries: others up to `older_until` are asked for by themselves."""

    now: datetime
    time_zone: str
    jar: JarOut
    assessment: Assessment
    sheet: Sheet | None
    log: list[EntryOut]
    older_until: datetime | None
    photos: list[PhotoOut]
    watched: WatchedOut | None
    daughters: list[AncestorOut]


class WhatIfOut(Told):
    """What would be told if the jar stood there: the running feed, the day of ready, and a feed now by each ratio."""

    forecast: Forecast | None
    outlook: Outlook | None
    ready_ahead: Ready | None
    offers: list[RatioOffer]


class OtherwiseOut(Told):
    """The plan as it would be, and when it would be ready."""

    ready_on: Ready | None
    plan: WholePlan


class WholePlanOut(Told):
    """A jar's plan from its first mix to ready and on, with the jar it is of, what holds of it now, and its bakes."""

    now: datetime
    time_zone: str
    jar: JarOut
    stands: Stands
    bakes: list[Bake]
    asks_how_to_keep: bool
    plan: WholePlan
    ready_on: Ready | None


class AgeOut(Told):
    age: HowOld
    days: float


class SinceFedOut(Told):
    since: SinceFed
    hours: float


class HowHighOut(Told):
    """A level and a high mark, as multiples of the line."""

    level: HowHigh
    times: float
    high: float | None


class SignChoicesOut(Told):
    """What a baker means who presses a word instead of giving a number."""

    ages: list[AgeOut]
    since: list[SinceFedOut]
    levels: list[HowHighOut]


class SignsOut(Told):
    findings: list[Finding]


def unread_jar_out(account: Account, unread: UnreadJar, now: datetime) -> UnreadJarOut:
    return UnreadJarOut(
        now=now,
        time_zone=account.time_zone,
        jar=JarLabelOut.model_validate(unread.label),
        cause=CauseOut.model_validate(unread.cause) if unread.cause else None,
        stands_on=unread.entry_id,
        log=[
            WrittenOut(
                id=one.id,
                kind=one.kind,
                at=one.at,
                recorded_by=one.recorded_by,
                withdrawn=one.withdrawn,
                entry=one.body,
            )
            for one in unread.entries
        ],
    )


def open_jar_out(account: Account, opened: OpenJar, now: datetime) -> OpenJarOut:
    return OpenJarOut(
        now=now,
        time_zone=account.time_zone,
        jar=card_out(opened.card),
        assessment=Assessment.model_validate(opened.assessment),
        sheet=Sheet.model_validate(opened.sheet) if opened.sheet else None,
        log=[recorded_out(entry) for entry in opened.entries],
        older_until=opened.older_until,
        photos=[photo_out(photo) for photo in opened.photos],
        watched=watched_out(opened.watched) if opened.watched else None,
        daughters=ancestors_out(opened.daughters),
    )


def whole_plan_out(account: Account, planned: Planned, now: datetime) -> WholePlanOut:
    return WholePlanOut(
        now=now,
        time_zone=account.time_zone,
        jar=card_out(planned.card),
        stands=Stands.model_validate(planned.assessment.stands),
        bakes=[Bake.model_validate(bake) for bake in planned.assessment.bakes],
        asks_how_to_keep=planned.assessment.asks_how_to_keep,
        plan=WholePlan.model_validate(planned.plan),
        ready_on=Ready.model_validate(planned.assessment.ready_on) if planned.assessment.ready_on else None,
    )


def what_if_out(found: WhatIf) -> WhatIfOut:
    there = Assessment.model_validate(found.assessment)
    offers = [RatioOffer.model_validate(offer) for offer in found.offers]
    return WhatIfOut(forecast=there.forecast, outlook=there.outlook, ready_ahead=there.ready_ahead, offers=offers)


def otherwise_out(wondered: Wondered) -> OtherwiseOut:
    there = Assessment.model_validate(wondered.assessment)
    return OtherwiseOut(ready_on=there.ready_on, plan=WholePlan.model_validate(wondered.plan))


def sign_choices_out() -> SignChoicesOut:
    return SignChoicesOut(
        ages=[AgeOut(age=age, days=days) for age, days in DAYS.items()],
        since=[SinceFedOut(since=since, hours=hours) for since, hours in HOURS.items()],
        levels=[HowHighOut(level=level, times=times, high=high) for level, (times, high) in LEVELS.items()],
    )


def signs_out(found: Iterable[signs.Finding]) -> SignsOut:
    return SignsOut(findings=[Finding.model_validate(finding) for finding in found])


def glance_out(one: Assessed) -> GlanceOut:
    """Only what a glance shows is read off; the rest of the assessment is not looked at."""
    found = one.assessment
    resting = found.chilled[-1] if found.chilled and found.chilled[-1].until is None else None
    shown = {name: getattr(found, name) for name in SHOWN_AT_A_GLANCE}
    return GlanceOut.model_validate(
        {
            **shown,
            "jar": card_out(one.card),
            "rise": _rise(found),
            "glass": found.stands.vessel,
            "rests_since": resting.since if resting else None,
            "chapter": found.chapters[-1] if found.chapters else None,
            "next_bake": found.bakes[0] if found.bakes else None,
        }
    )


SHOWN_AT_A_GLANCE = tuple(name for name in GlanceOut.model_fields if name in Assessment.model_fields)


def _rise(found: assessment.Assessment) -> RiseOut | None:
    if found.forecast is None or found.outlook is None:
        return None
    return RiseOut.model_validate(
        {
            "doubles": found.forecast.doubles,
            "peaks": found.forecast.peaks,
            "peak_times": found.forecast.peak_times,
            "outlook": found.outlook,
            "ready_ahead": found.ready_ahead,
        }
    )
