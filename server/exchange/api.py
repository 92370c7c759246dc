"""Out of the application: calendar, sheet, labels, a rise as a table, a page to show a friend."""

from __future__ import annotations

from typing import Any
from urllib.parse import urlsplit
from uuid import UUID

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from ninja import Router

from accounts.languages import language_asked
from accounts.security import TOKENS, Baker, signed_in
from guidance.services import planned_jar
from problems import ProblemsOut

from . import services
from .formats import ical, paper, rise
from .wire import (
    CalendarAddressOut,
    CalendarKeyOut,
    SharedAddressOut,
    SharedJarOut,
    SharingOut,
    shared_out,
)
from .words import Card

router = Router(tags=["exchange"])
CALENDAR: dict[str, Any] = {"responses": {200: {"content": {"text/calendar": {}}}}}
CSV: dict[str, Any] = {"responses": {200: {"content": {"text/csv": {}}}}}
PDF: dict[str, Any] = {"responses": {200: {"content": {"application/pdf": {}}}}}


def _file(content: bytes, kind: str, name: str) -> HttpResponse:
    answer = HttpResponse(content, content_type=kind)
    answer["Content-Disposition"] = f'inline; filename="{name}"'
    answer["Cache-Control"] = "private, no-store"
    return answer


def _base(request: HttpRequest) -> str:
    return request.build_absolute_uri("/").rstrip("/")


LOOPBACK = ("127.0.0.1", "localhost", "[::1]")


def _reachable(request: HttpRequest) -> str:
    """The address under which a phone finds this kitchen: the one in use, or a name that it is served by as well; empty
    where it answers this machine alone."""
    used = urlsplit(_base(request))
    if not used.netloc.startswith(LOOPBACK):
        return used.geturl()
    names = [host for host in settings.ALLOWED_HOSTS if host not in LOOPBACK and not host.startswith((".", "*"))]
    scheme = "https" if settings.HTTPS else used.scheme
    return f"{scheme}://{names[0]}" if names else ""


@router.get("/jars/{jar_id}/calendar.ics", response={404: ProblemsOut}, auth=signed_in, openapi_extra=CALENDAR)
def jar_calendar(request: Baker, jar_id: UUID) -> HttpResponse:
    now = timezone.now()
    plan = services.plan_of_jar(request.auth, jar_id, _base(request), now, language_asked(request))
    return _file(ical.calendar([plan], plan.name, now), "text/calendar; charset=utf-8", "plan.ics")


@router.get("/jars/{jar_id}/sheet.pdf", response={404: ProblemsOut}, auth=signed_in, openapi_extra=PDF)
def jar_sheet(request: Baker, jar_id: UUID) -> HttpResponse:
    plan = services.plan_of_jar(request.auth, jar_id, _reachable(request), timezone.now(), language_asked(request))
    return _file(paper.sheet(plan), "application/pdf", "sheet.pdf")


@router.get("/jars/{jar_id}/labels.pdf", response={404: ProblemsOut}, auth=signed_in, openapi_extra=PDF)
def jar_labels(request: Baker, jar_id: UUID) -> HttpResponse:
    plan = services.plan_of_jar(request.auth, jar_id, _reachable(request), timezone.now(), language_asked(request))
    return _file(paper.labels(plan), "application/pdf", "labels.pdf")


@router.get("/jars/{jar_id}/card.pdf", response={404: ProblemsOut}, auth=signed_in, openapi_extra=PDF)
def jar_card(request: Baker, jar_id: UUID, kind: Card = Card.GIFT) -> HttpResponse:
    """A card to give away with some of the jar, or a label for what was dried of it."""
    plan = services.plan_of_jar(request.auth, jar_id, _reachable(request), timezone.now(), language_asked(request))
    return _file(paper.card(plan, kind, timezone.now()), "application/pdf", "card.pdf")


@router.get("/trials/{trial_id}/sheet.pdf", response={404: ProblemsOut}, auth=signed_in, openapi_extra=PDF)
def trial_sheet(request: Baker, trial_id: UUID) -> HttpResponse:
    """One sheet for all jars of a trial, round by round."""
    found = services.plans_of_trial(
        request.auth, trial_id, _reachable(request), timezone.now(), language_asked(request)
    )
    return _file(paper.sheet_of_all(*found), "application/pdf", "sheet.pdf")


@router.get("/trials/{trial_id}/labels.pdf", response={404: ProblemsOut}, auth=signed_in, openapi_extra=PDF)
def trial_labels(request: Baker, trial_id: UUID) -> HttpResponse:
    found = services.plans_of_trial(
        request.auth, trial_id, _reachable(request), timezone.now(), language_asked(request)
    )
    return _file(paper.labels_of_all(*found), "application/pdf", "labels.pdf")


@router.get("/calendar", response=CalendarKeyOut, auth=signed_in)
def read_calendar_key(request: Baker) -> CalendarKeyOut:
    return CalendarKeyOut(is_set=services.has_calendar_key(request.auth))


@router.post("/calendar", response={200: CalendarAddressOut, 429: ProblemsOut}, auth=signed_in, throttle=TOKENS)
def new_calendar_key(request: Baker) -> CalendarAddressOut:
    token = services.new_calendar_key(request.auth)
    return CalendarAddressOut(address=f"{_base(request)}/api/calendar/{token}.ics")


@router.delete("/calendar", response={204: None}, auth=signed_in)
def drop_calendar_key(request: Baker) -> tuple[int, None]:
    services.drop_calendar_key(request.auth)
    return 204, None


@router.get("/calendar/{token}.ics", response={404: ProblemsOut}, openapi_extra=CALENDAR)
def kitchen_calendar(request: HttpRequest, token: str) -> HttpResponse:
    """What a calendar program subscribes to: the token opens this and nothing else."""
    now = timezone.now()
    plans = services.plans_of_kitchen(services.account_of_key(token), _base(request), now)
    return _file(ical.calendar(plans, "Despertar", now), "text/calendar; charset=utf-8", "kitchen.ics")


@router.get("/jars/{jar_id}/rise.csv", response={404: ProblemsOut}, auth=signed_in, openapi_extra=CSV)
def jar_rise(request: Baker, jar_id: UUID) -> HttpResponse:
    found = planned_jar(request.auth, jar_id, timezone.now())
    return _file(rise.rise(found.assessment.rounds).encode(), "text/csv; charset=utf-8", "rise.csv")


@router.get("/jars/{jar_id}/sharing", response={200: SharingOut, 404: ProblemsOut}, auth=signed_in)
def read_sharing(request: Baker, jar_id: UUID) -> SharingOut:
    return SharingOut(is_shared=services.is_shared(request.auth, jar_id))


@router.post(
    "/jars/{jar_id}/sharing",
    response={200: SharedAddressOut, 404: ProblemsOut, 429: ProblemsOut},
    auth=signed_in,
    throttle=TOKENS,
)
def share_jar(request: Baker, jar_id: UUID) -> SharedAddressOut:
    """An address under which this one jar can be seen; the one before opens nothing any more."""
    return SharedAddressOut(
        address=f"{_reachable(request) or _base(request)}/shared/{services.share_jar(request.auth, jar_id)}"
    )


@router.delete("/jars/{jar_id}/sharing", response={204: None, 404: ProblemsOut}, auth=signed_in)
def end_sharing(request: Baker, jar_id: UUID) -> tuple[int, None]:
    services.end_sharing(request.auth, jar_id)
    return 204, None


@router.get("/shared/{token}", response={200: SharedJarOut, 404: ProblemsOut, 409: ProblemsOut})
def read_shared(request: HttpRequest, token: str) -> SharedJarOut:
    """What a friend sees: the token opens this and nothing else."""
    now = timezone.now()
    found, zone = services.shared_jar(token, now)
    return shared_out(found, zone, now)
