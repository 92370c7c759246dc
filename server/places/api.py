"""Thermometers: set up and withdrawn by the baker; posted to by the device, with its token and nothing else."""

from __future__ import annotations

from uuid import UUID

from django.utils import timezone
from ninja import Router

from accounts.security import TOKENS, Baker, ByToken, Device, Post, signed_in
from problems import ProblemsOut

from . import services
from .wire import DegreesIn, NewStationOut, StationIn, StationOut, TakenOut, new_station_out, station_out

router = Router(tags=["places"])


@router.get("/thermometers", response=list[StationOut], auth=signed_in)
def read_thermometers(request: Baker) -> list[StationOut]:
    return [station_out(one) for one in services.stations_of(request.auth)]


@router.post(
    "/thermometers",
    response={200: NewStationOut, 422: ProblemsOut, 429: ProblemsOut},
    auth=signed_in,
    throttle=TOKENS,
)
def set_up_thermometer(request: Baker, payload: StationIn) -> NewStationOut:
    return new_station_out(services.set_up(request.auth, payload.place))


@router.delete("/thermometers/{station_id}", response={204: None, 404: ProblemsOut}, auth=signed_in)
def withdraw_thermometer(request: Baker, station_id: UUID) -> tuple[int, None]:
    services.withdraw(request.auth, station_id, timezone.now())
    return 204, None


# A thermometer that posts each second is a fault of its own; those that do each ten seconds are welcome.
POSTS = ByToken("20/m", "posts")


@router.post(
    "/degrees",
    response={200: TakenOut, 401: ProblemsOut, 422: ProblemsOut, 429: ProblemsOut},
    auth=Device(),
    throttle=POSTS,
)
def take_degrees(request: Post, payload: DegreesIn) -> TakenOut:
    readings = [(one.at, one.celsius) for one in payload.readings]
    return TakenOut(taken=services.take(request.auth, readings, timezone.now()))
