"""What is told of the application to who keeps it: whether it lives, how much it does, and one line a request.

Nobody's name, no token and no address of what opens something is in any of it: requests are counted and told by the
pattern of their route, never by their path.
"""

from __future__ import annotations

import json
import logging
import time
from collections.abc import Callable
from contextvars import ContextVar
from datetime import UTC, datetime
from uuid import uuid4

from django.conf import settings
from django.db import DatabaseError, connection
from django.db.migrations.executor import MigrationExecutor
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.views.decorators.cache import never_cache
from django.views.decorators.http import require_safe
from prometheus_client import Counter, Histogram

from problems import ServerProblem, answer, body

REQUESTS = Counter("despertar_requests", "Requests answered", ("method", "route", "status"))
SECONDS = Histogram(
    "despertar_request_seconds",
    "Seconds until a request was answered",
    ("method", "route"),
    buckets=(0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1.0, 2.5, 5.0, 10.0),
)
log = logging.getLogger("despertar.requests")
# The request that is being answered, for every line that is written meanwhile.
_request_id: ContextVar[str] = ContextVar("request_id", default="")


def observed(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """Middleware, the outermost: gives the request a name that its answer and its log lines carry, and counts it."""

    def answered(request: HttpRequest) -> HttpResponse:
        # What a client calls its request is not believed: it would stand in the log.
        request_id = uuid4().hex
        token = _request_id.set(request_id)
        began = time.perf_counter()
        try:
            response = get_response(request)
            took = time.perf_counter() - began
            method, route = request.method or "", route_of(request)
            REQUESTS.labels(method, route, str(response.status_code)).inc()
            SECONDS.labels(method, route).observe(took)
            if settings.LOGS_REQUESTS:
                log.info("%s %s %d %.0f ms", method, route, response.status_code, took * 1e3)
        finally:
            _request_id.reset(token)
        response["X-Request-Id"] = request_id
        return response

    return answered


def route_of(request: HttpRequest) -> str:
    """The pattern of its route; one word for all files and pages, and one for what leads nowhere."""
    match = request.resolver_match
    if match is None:
        return "file" if request.path.startswith(("/assets/", "/static/")) or "." in request.path else "nowhere"
    return f"/{match.route}" if match.route.startswith(("api/", "health/")) else "page"


class LineOfJson(logging.Formatter):
    """One JSON object a line: when, how grave, who says it, what, and of which request."""

    def format(self, record: logging.LogRecord) -> str:
        told: dict[str, str] = {
            "at": datetime.fromtimestamp(record.created, UTC).isoformat(timespec="milliseconds"),
            "level": record.levelname.lower(),
            "logger": record.name,
            "said": record.getMessage(),
        }
        if request_id := _request_id.get():
            told["request"] = request_id
        if record.exc_info:
            told["trace"] = self.formatException(record.exc_info)
        return json.dumps(told, ensure_ascii=False)


@require_safe
@never_cache
def live(_request: HttpRequest) -> HttpResponse:
    """The process answers; whoever starts processes asks this one."""
    return JsonResponse({"live": True, "version": settings.VERSION})


@require_safe
@never_cache
def ready(_request: HttpRequest) -> HttpResponse:
    """It can serve: its database answers and is as its code wants it; whoever shares out requests asks this one."""
    try:
        with connection.cursor() as cursor:
            cursor.execute("SELECT 1")
        is_so = is_migrated()
    except DatabaseError:
        is_so = False
    if not is_so:
        return answer(503, body(ServerProblem.OUT_OF_REACH, ""))
    return JsonResponse({"ready": True, "version": settings.VERSION})


_is_migrated = False


def is_migrated() -> bool:
    """Asked until it is so: a schema never falls back under a process that runs."""
    global _is_migrated
    if not _is_migrated:
        executor = MigrationExecutor(connection)
        _is_migrated = not executor.migration_plan(executor.loader.graph.leaf_nodes())
    return _is_migrated
