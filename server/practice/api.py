"""The practice jar: lived, judged, and the results of a class."""

from __future__ import annotations

from typing import Any
from uuid import UUID

from django.http import HttpResponse
from django.utils import timezone
from ninja import Router

from accounts.security import REHEARSALS, Baker, signed_in
from problems import ProblemsOut

from . import services
from .wire import ClassIn, HadItBeenOut, HintIn, HintOut, LivedOut, PracticeIn, PracticeTold, SupposedIn, asked_of

router = Router(tags=["practice"], auth=signed_in)
CSV: dict[str, Any] = {"responses": {200: {"content": {"text/csv": {}}}}}
ERRORS = {422: ProblemsOut, 429: ProblemsOut}
OF_A_JAR = {404: ProblemsOut, **ERRORS}


@router.post("/practice/lived", response={200: LivedOut, **ERRORS}, throttle=REHEARSALS)
def practice_lived(request: Baker, payload: PracticeIn) -> LivedOut:
    """How a practice jar goes, if nothing more is done with it than that."""
    return LivedOut.model_validate(services.lived(asked_of(payload)))


@router.post("/practice/hint", response={200: HintOut, **ERRORS}, throttle=REHEARSALS)
def practice_hint(request: Baker, payload: HintIn) -> HintOut:
    """What the rules that watch real jars see of it at an hour."""
    return HintOut(because=list(services.seen_at(asked_of(payload), payload.at_h)))


@router.post("/practice/told", response={200: PracticeTold, **ERRORS}, throttle=REHEARSALS)
def practice_told(request: Baker, payload: PracticeIn) -> PracticeTold:
    """What came of it, and what the rules say of each act."""
    return PracticeTold.model_validate(services.judged(asked_of(payload)))


@router.post(
    "/jars/{jar_id}/had-it-been", response={200: HadItBeenOut, 404: ProblemsOut, **ERRORS}, throttle=REHEARSALS
)
def had_it_been_otherwise(request: Baker, jar_id: UUID, payload: SupposedIn) -> HadItBeenOut:
    """What would have happened, had one thing in a jar's log been done otherwise: a simulation, beside what was."""
    found = services.otherwise(request.auth, jar_id, payload.entry, payload.supposed, timezone.now())
    return HadItBeenOut.model_validate(found)


@router.post("/practice/class.csv", response=ERRORS, throttle=REHEARSALS, openapi_extra=CSV)
def practice_class(request: Baker, payload: ClassIn) -> HttpResponse:
    """The results of a class, judged anew, as a table."""
    text = services.class_table([asked_of(one) for one in payload.results])
    answer = HttpResponse(text, content_type="text/csv; charset=utf-8")
    answer["Content-Disposition"] = 'attachment; filename="class.csv"'
    return answer
