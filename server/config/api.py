"""The API: the apps' routers, one error shape, JSON without NaN."""

from __future__ import annotations

import logging
from math import ceil

from django.conf import settings
from django.core.exceptions import RequestDataTooBig
from django.db import OperationalError, connection
from django.http import Http404, HttpRequest, HttpResponse
from ninja import Schema
from ninja.errors import AuthenticationError, HttpError, Throttled, ValidationError
from ninja.renderers import JSONRenderer
from pydantic_core import to_json

from accounts.api import router as accounts
from demo.api import router as demo
from exchange.api import router as exchange
from ferment.refusal import Refusal
from files import AwayError
from guidance.api import router as guidance
from kitchen.api import router as kitchen
from logbook.api import router as logbook
from pantry.api import router as pantry
from parcel.api import router as parcel
from photos.api import router as photos
from places.api import router as places
from practice.api import router as practice
from problems import Problem, ProblemsOut, ServerProblem, answer, body, from_refusal
from problems.stored import UnreadableError
from problems.taken_back import TAKEN_BACK, code_of
from problems.validation import problems
from reckoner.api import router as reckoner
from reminders.api import router as reminders
from trials.api import router as trials
from watching.api import router as watching

from .again import mark
from .contract import DocumentedAPI
from .private import without_secrets

log = logging.getLogger("despertar.api")


class StrictJson(JSONRenderer):
    """As pydantic writes it, so that a moment has one form wherever it is told; no NaN, which is no JSON."""

    def render(self, request: HttpRequest, data: object, *, response_status: int) -> bytes:  # noqa: ARG002  (the base's)
        return to_json(data, inf_nan_mode="null")


api = DocumentedAPI(title="Despertar", version=settings.VERSION, docs_url=None, openapi_url=None, renderer=StrictJson())
APPS = (
    accounts,
    places,
    kitchen,
    logbook,
    photos,
    watching,
    guidance,
    pantry,
    trials,
    reckoner,
    practice,
    parcel,
    exchange,
    reminders,
    demo,
)
for router in APPS:
    api.add_router("", router)


class HealthOut(Schema):
    """The kitchen answers, and its database too."""

    version: str


@api.get("/health", response={200: HealthOut, 503: ProblemsOut}, tags=["health"])
def read_health(request: HttpRequest) -> HealthOut:
    with connection.cursor() as cursor:
        cursor.execute("SELECT 1")
    return HealthOut(version=settings.VERSION)


@api.exception_handler(Problem)
def on_problem(_request: HttpRequest, problem: Problem) -> HttpResponse:
    return answer(problem.status, body(problem.code, problem.field, problem.facts))


@api.exception_handler(Refusal)
def on_refusal(_request: HttpRequest, refusal: Refusal) -> HttpResponse:
    return answer(422, from_refusal(refusal))


@api.exception_handler(ValidationError)
def on_validation(_request: HttpRequest, error: ValidationError) -> HttpResponse:
    return answer(422, *problems(error.errors))


@api.exception_handler(AuthenticationError)
def on_stranger(_request: HttpRequest, _error: AuthenticationError) -> HttpResponse:
    return answer(401, body(ServerProblem.SIGN_IN_FIRST, ""))


@api.exception_handler(OperationalError)
def on_no_database(request: HttpRequest, error: OperationalError) -> HttpResponse:
    mark(request, error)
    # Two writes that met are no news: the later one is tried again (`again`).
    grave = logging.INFO if code_of(error) in TAKEN_BACK else logging.ERROR
    log.log(grave, "the database did not take it: %s", error)
    return answer(503, body(ServerProblem.OUT_OF_REACH, ""))


@api.exception_handler(AwayError)
def on_no_files(_request: HttpRequest, error: AwayError) -> HttpResponse:
    log.error("the store of files cannot be reached: %s", error)
    return answer(503, body(ServerProblem.OUT_OF_REACH, ""))


@api.exception_handler(Http404)
def on_missing(_request: HttpRequest, _error: Http404) -> HttpResponse:
    return answer(404, body(ServerProblem.NOT_FOUND, "id"))


@api.exception_handler(UnreadableError)
def on_unreadable(_request: HttpRequest, error: UnreadableError) -> HttpResponse:
    return answer(409, body(ServerProblem.JAR_UNREADABLE, "id", {"cause": error.code}))


@api.exception_handler(Throttled)
def on_too_many(_request: HttpRequest, error: Throttled) -> HttpResponse:
    minutes = float(ceil((error.wait or 60) / 60))
    return answer(429, body(ServerProblem.TOO_MANY_TRIES, "", {"minutes": minutes}))


@api.exception_handler(HttpError)
def on_http_error(_request: HttpRequest, error: HttpError) -> HttpResponse:
    code = ServerProblem.FORGED if error.status_code == 403 else ServerProblem.NOT_JSON
    return answer(error.status_code, body(code, "", message=str(error)))


@api.exception_handler(RequestDataTooBig)
def on_too_much(_request: HttpRequest, _error: RequestDataTooBig) -> HttpResponse:
    most = settings.DATA_UPLOAD_MAX_MEMORY_SIZE / 1e6
    return answer(413, body(ServerProblem.TOO_LARGE, "", {"most_mb": most}))


@api.exception_handler(Exception)
def on_fault_of_ours(request: HttpRequest, _error: Exception) -> HttpResponse:
    log.exception("%s %s went wrong", request.method, without_secrets(request.path))
    return answer(500, body(ServerProblem.WENT_WRONG, ""))
