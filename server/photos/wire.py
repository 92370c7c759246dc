"""What goes over the wire about photos."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated
from uuid import UUID

from pydantic import Base64Bytes, Field

from accounts.wire import Moment, Request, Told

from .services import Points, Taken

Share = Annotated[float, Field(ge=0.0, le=1.0)]


class PointBody(Request):
    x: Share
    y: Share


class PointsBody(Request):
    """The jar's bottom, the mark and the level on the picture, as shares of its width and height."""

    bottom: PointBody
    mark: PointBody
    level: PointBody


class PhotoIn(Request):
    """A photo: JPEG, PNG or WebP, base64; its id made by the client, `look` the entry it was taken with."""

    id: UUID
    at: Moment
    look: UUID | None
    points: PointsBody | None
    photo: Base64Bytes


class MoveIn(Request):
    """The jar that an entry was of."""

    jar_id: UUID


class PhotoOut(Told):
    id: UUID
    look: UUID | None
    at: datetime
    width: int
    height: int
    points: PointsBody | None


def points_in(body: PointsBody | None) -> Points | None:
    if body is None:
        return None
    return Points(*((one.x, one.y) for one in (body.bottom, body.mark, body.level)))


def photo_out(taken: Taken) -> PhotoOut:
    points = taken.points
    body = None
    if points is not None:
        bottom, mark, level = (PointBody(x=x, y=y) for x, y in (points.bottom, points.mark, points.level))
        body = PointsBody(bottom=bottom, mark=mark, level=level)
    return PhotoOut(id=taken.id, look=taken.look, at=taken.at, width=taken.width, height=taken.height, points=body)
