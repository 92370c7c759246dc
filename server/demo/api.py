"""The door to the demo kitchen."""

from __future__ import annotations

from django.http import HttpRequest
from django.views.decorators.csrf import csrf_protect
from ninja import Router
from ninja.decorators import decorate_view

from accounts.wire import Request
from problems import ProblemsOut

from . import services

router = Router(tags=["demo"])


class VisitIn(Request):
    time_zone: str


@router.post("/demo/visit", response={204: None, 404: ProblemsOut, 422: ProblemsOut})
@decorate_view(csrf_protect)
def visit(request: HttpRequest, payload: VisitIn) -> tuple[int, None]:
    services.visit(request, payload.time_zone)
    return 204, None
