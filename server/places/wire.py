"""What goes over the wire about places and their thermometers."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated
from uuid import UUID

from ninja import Schema
from pydantic import Field

from accounts.wire import Moment, Name, Request

from .services import MOST_AT_ONCE, NewStation, Station


class StationIn(Request):
    place: Name


class StationOut(Schema):
    id: UUID
    place: str
    last_at: datetime | None
    last_c: float | None


class NewStationOut(Schema):
    """The token is told this once; it goes into the device."""

    station: StationOut
    token: str


class ReadingIn(Request):
    at: Moment
    celsius: float


class DegreesIn(Request):
    """What a thermometer posts: one reading, or those that it kept while the network was gone."""

    readings: Annotated[list[ReadingIn], Field(min_length=1, max_length=MOST_AT_ONCE)]


class TakenOut(Schema):
    """How many of them were new."""

    taken: int


def station_out(station: Station) -> StationOut:
    return StationOut(id=station.id, place=station.place, last_at=station.last_at, last_c=station.last_c)


def new_station_out(made: NewStation) -> NewStationOut:
    return NewStationOut(station=station_out(made.station), token=made.token)
