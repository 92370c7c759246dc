"""What goes over the wire about the calendar address."""

from __future__ import annotations

from ninja import Schema


class CalendarKeyOut(Schema):
    """Whether there is a private address."""

    is_set: bool


class CalendarAddressOut(Schema):
    """The private address, told this once."""

    address: str
