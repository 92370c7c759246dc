"""The page that carries the application, and the answers that middleware gives in the API's shape."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from functools import cache

from django.conf import settings
from django.db import DatabaseError
from django.http import HttpRequest, HttpResponse, HttpResponseNotFound, JsonResponse
from django.views.decorators.cache import never_cache
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.decorators.http import require_safe

from accounts.languages import language_asked, language_of
from accounts.services import account_of
from problems import ServerProblem, answer, body

NONCE_PLACEHOLDER = "__CSP_NONCE__"


# The made-up language of the tests, read from the left and from the right.
PSEUDO, PSEUDO_MIRRORED = "en-XA", "ar-XB"


@cache
def _page(language: str) -> str:
    """The page as it was built for a language; the mirrored one is the made-up one with its direction turned."""
    if language in (PSEUDO, PSEUDO_MIRRORED):
        page = (settings.WEB_DIST / "pseudo.html").read_text(encoding="utf-8")
        return page.replace(f'lang="{PSEUDO}"', f'lang="{language}" dir="{"rtl" if language != PSEUDO else "ltr"}"')
    return (settings.WEB_DIST / f"{language}.html").read_text(encoding="utf-8")


def _language(request: HttpRequest) -> str:
    asked = request.COOKIES.get(settings.LANGUAGE_COOKIE_NAME)
    if settings.DESPERTAR_PSEUDO and asked in (PSEUDO, PSEUDO_MIRRORED):
        return asked
    try:
        account = account_of(request)
    except DatabaseError:
        # Without its database the page stands, and says so itself.
        account = None
    return language_of(account) or language_asked(request)


@require_safe
@never_cache
@ensure_csrf_cookie
def application(request: HttpRequest) -> HttpResponse:
    """Any address that is neither the API's nor a file's: the front end finds its own way from the path."""
    try:
        page = _page(_language(request))
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
