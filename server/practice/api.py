"""The practice jar: lived, judged, and the results of a class."""

from __future__ import annotations

from typing import Any

from django.http import HttpResponse
from ninja import Router

from accounts.security import REHEARSALS, Baker, signed_in
from problems import ProblemsOut

from . import services
from .wire import ClassIn, LivedOut, PracticeIn, PracticeTold, acts_in, lived_out, result_in, told_out

router = Router(tags=["practice"], auth=signed_in)
CSV: dict[str, Any] = {"responses": {200: {"content": {"text/csv": {}}}}}
ERRORS = {422: ProblemsOut, 429: ProblemsOut}


@router.post("/practice/lived", response={200: LivedOut, **ERRORS}, throttle=REHEARSALS)
def practice_lived(request: Baker, payload: PracticeIn) -> LivedOut:
    """How a practice jar goes, if nothing more is done with it than that."""
    return lived_out(services.lived(payload.situation, payload.seed, acts_in(payload.acts)))


@router.post("/practice/told", response={200: PracticeTold, **ERRORS}, throttle=REHEARSALS)
def practice_told(request: Baker, payload: PracticeIn) -> PracticeTold:
    """What came of it, and what the rules say of each act."""
    return told_out(services.judged(payload.situation, payload.seed, acts_in(payload.acts)))


@router.post("/practice/class.csv", response=ERRORS, throttle=REHEARSALS, openapi_extra=CSV)
def practice_class(request: Baker, payload: ClassIn) -> HttpResponse:
    """The results of a class, judged anew, as a table."""
    text = services.class_csv([result_in(one) for one in payload.results])
    answer = HttpResponse(text, content_type="text/csv; charset=utf-8")
    answer["Content-Disposition"] = 'attachment; filename="class.csv"'
    return answer
