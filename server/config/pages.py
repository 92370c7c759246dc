"""The page that carries the application, and the answers that middleware gives in the API's shape."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from functools import cache

from django.conf import settings
from django.http import HttpRequest, HttpResponse, HttpResponseNotFound, JsonResponse
from django.views.decorators.cache import never_cache
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.decorators.http import require_safe

from problems import ServerProblem, answer, body

NONCE_PLACEHOLDER = "__CSP_NONCE__"


@cache
def _index() -> str:
    return (settings.WEB_DIST / "index.html").read_text(encoding="utf-8")


@require_safe
@never_cache
@ensure_csrf_cookie
def application(request: HttpRequest) -> HttpResponse:
    """Any address that is neither the API's nor a file's: the front end finds its own way from the path."""
    try:
        page = _index()
    except FileNotFoundError:
        return HttpResponseNotFound(
            "The front end is not built. ./despertar demo builds it.", content_type="text/plain"
        )
    nonce = str(request.csp_nonce)  # type: ignore[attr-defined]  # set by the CSP middleware
    return HttpResponse(page.replace(NONCE_PLACEHOLDER, nonce))


def csrf_failure(_request: HttpRequest, reason: str = "") -> JsonResponse:
    return answer(403, body(ServerProblem.FORGED, "", message=reason))


def locked_out(_request: HttpRequest, _credentials: Mapping[str, str] | None = None, **_: object) -> JsonResponse:
    minutes = settings.AXES_COOLOFF_TIME.total_seconds() / 60
    return answer(429, body(ServerProblem.TOO_MANY_TRIES, "password", {"minutes": minutes}))


def _not_so(status: int, code: ServerProblem) -> Callable[..., HttpResponse]:
    """What is answered where no view did: in the one shape by the API, in a plain line elsewhere."""

    def view(request: HttpRequest, *_: object, **__: object) -> HttpResponse:
        if request.path.startswith("/api/"):
            return answer(status, body(code, ""))
        return HttpResponse(code.value.replace("_", " "), status=status, content_type="text/plain")

    return view


bad_request = _not_so(400, ServerProblem.NOT_ACCEPTED)
forbidden = _not_so(403, ServerProblem.FORGED)
missing = _not_so(404, ServerProblem.NOT_FOUND)
fault_of_ours = _not_so(500, ServerProblem.WENT_WRONG)
