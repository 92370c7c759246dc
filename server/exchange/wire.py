"""What goes over the wire about the calendar address, and a page to show a friend."""

from __future__ import annotations

from datetime import datetime

from ninja import Schema

from accounts.wire import Told
from guidance.services import Planned
from guidance.wire.jar import InJar, RoundSeen, SinceFeed
from guidance.wire.life import Vessel
from guidance.wire.verdicts import StageFound


class CalendarKeyOut(Schema):
    """Whether there is a private address."""

    is_set: bool


class CalendarAddressOut(Schema):
    """The private address, told this once."""

    address: str


class SharingOut(Schema):
    """Whether a jar has a page that others may read."""

    is_shared: bool


class SharedAddressOut(Schema):
    """Its address, told this once."""

    address: str


class SharedJarOut(Told):
    """One jar as a friend sees it: how it stands and how it rose, nothing of its baker, its kitchen, or its plan."""

    now: datetime
    time_zone: str
    name: str
    day: int
    stage: StageFound | None
    is_ready: bool
    binned_at: datetime | None
    glass: Vessel
    in_jar: InJar | None
    since_feed: SinceFeed | None
    doubles_at: float
    rounds: list[RoundSeen]


def shared_out(found: Planned, time_zone: str, now: datetime) -> SharedJarOut:
    told = found.assessment
    return SharedJarOut(
        now=now,
        time_zone=time_zone,
        name=found.card.name,
        day=told.day,
        stage=StageFound.model_validate(told.stage) if told.stage else None,
        is_ready=told.readiness is not None and told.readiness.ready,
        binned_at=told.binned_at,
        glass=Vessel.model_validate(told.stands.vessel),
        in_jar=InJar.model_validate(told.in_jar) if told.in_jar else None,
        since_feed=SinceFeed.model_validate(told.since_feed) if told.since_feed else None,
        doubles_at=told.doubles_at,
        rounds=[RoundSeen.model_validate(one) for one in told.rounds],
    )
