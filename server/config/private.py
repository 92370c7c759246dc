"""What the API answers is one baker's own: nothing between the server and her keeps it."""

from __future__ import annotations

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse


def private_answers(get_response: Callable[[HttpRequest], HttpResponse]) -> Callable[[HttpRequest], HttpResponse]:
    """Middleware: every answer of the API that says nothing else of it is not to be stored."""

    def answer(request: HttpRequest) -> HttpResponse:
        response = get_response(request)
        if request.path.startswith("/api/"):
            response.headers.setdefault("Cache-Control", "private, no-store")
        return response

    return answer
