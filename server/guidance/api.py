"""What to do now, how each jar is doing, and a feed while it is being weighed."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated
from uuid import UUID

from django.http import HttpResponse
from django.utils import timezone
from ninja import Query, Router

from accounts.security import Baker, signed_in
from kitchen.wire import setup_in
from logbook.lessons import taught_by_earlier
from problems import ProblemsOut

from . import pages, services
from .wire.answers import Offered, Sheet, Thrift
from .wire.asked import (
    BakeIn,
    CompareIn,
    LookedAtIn,
    OtherwiseIn,
    PreviewIn,
    SignsIn,
    WeighIn,
    WhatIfIn,
    compared_setup,
    described,
    looked_at,
    otherwise_in,
    wanted_in,
    went_in,
)
from .wire.beside import BesideOut, beside_out
from .wire.jar import Assessment
from .wire.life import BakeOffers, KeepingOffer, SparingOut, bakes_out, keeping_out, sparing_out
from .wire.pages import (
    KitchenOut,
    OpenJarOut,
    OtherwiseOut,
    SignChoicesOut,
    SignsOut,
    UnreadJarOut,
    WhatIfOut,
    WholePlanOut,
    otherwise_out,
    sign_choices_out,
    signs_out,
    unread_jar_out,
    what_if_out,
)

router = Router(tags=["guidance"], auth=signed_in)


def _sent(page: bytes) -> HttpResponse:
    return HttpResponse(page, content_type="application/json; charset=utf-8")


@router.get("/kitchen", response=KitchenOut)
def read_kitchen(request: Baker) -> HttpResponse:
    return _sent(pages.kitchen_page(request.auth, timezone.now()))


@router.get("/jars/{jar_id}", response={200: OpenJarOut, 404: ProblemsOut, 409: ProblemsOut})
def read_jar(request: Baker, jar_id: UUID) -> HttpResponse:
    return _sent(pages.jar_page(request.auth, jar_id, timezone.now()))


@router.get("/jars/{jar_id}/unread", response={200: UnreadJarOut, 404: ProblemsOut})
def read_unread_jar(request: Baker, jar_id: UUID) -> UnreadJarOut:
    """A jar that cannot be told, with all that is written in it."""
    now = timezone.now()
    return unread_jar_out(request.auth, services.unread_jar(request.auth, jar_id, now), now)


@router.get("/jars/{jar_id}/beside", response={200: BesideOut, 404: ProblemsOut, 409: ProblemsOut, 422: ProblemsOut})
def read_beside(request: Baker, jar_id: UUID, other: Annotated[list[UUID], Query()]) -> BesideOut:
    """A jar with one to three others beside it: what differs between them, and what that did."""
    return beside_out(services.beside(request.auth, [jar_id, *other], timezone.now()))


@router.post("/preview", response={200: Assessment, 422: ProblemsOut})
def preview(request: Baker, payload: PreviewIn) -> Assessment:
    now = timezone.now()
    setup = setup_in(payload, request.auth)
    if payload.by_earlier_jars:
        setup = taught_by_earlier(request.auth, setup, now)
    return Assessment.model_validate(services.preview(setup, now))


@router.post("/preview/starts", response={200: list[datetime], 422: ProblemsOut})
def preview_starts(request: Baker, payload: PreviewIn) -> list[datetime]:
    """The two nearest starts for which the baker's hours have room, where the chosen one has none."""
    return services.other_starts(setup_in(payload, request.auth), timezone.now())


@router.post("/preview/thrift", response={200: Thrift | None, 422: ProblemsOut})
def preview_thrift(request: Baker, payload: PreviewIn) -> Thrift | None:
    """A smaller size with the same days and less waste, where there is one."""
    found = services.less_waste(setup_in(payload, request.auth), timezone.now())
    return Thrift.model_validate(found) if found else None


@router.post("/jars/{jar_id}/what-if", response={200: WhatIfOut, 404: ProblemsOut, 422: ProblemsOut})
def what_if(request: Baker, jar_id: UUID, payload: WhatIfIn) -> WhatIfOut:
    return what_if_out(services.what_if(request.auth, jar_id, payload.warmth_c, timezone.now()))


@router.post("/compare", response={200: list[Offered], 422: ProblemsOut})
def compare(request: Baker, payload: CompareIn) -> list[Offered]:
    setup = compared_setup(payload, request.auth)
    if payload.by_earlier_jars:
        setup = taught_by_earlier(request.auth, setup, timezone.now(), payload.origin)
    found = services.compare(payload.origin, setup, has_scale=payload.has_scale)
    return [Offered.model_validate(offered) for offered in found]


@router.get("/jars/{jar_id}/plan", response={200: WholePlanOut, 404: ProblemsOut, 409: ProblemsOut})
def read_plan(request: Baker, jar_id: UUID) -> HttpResponse:
    return _sent(pages.plan_page(request.auth, jar_id, timezone.now()))


@router.post("/jars/{jar_id}/plan-otherwise", response={200: OtherwiseOut, 404: ProblemsOut, 422: ProblemsOut})
def plan_otherwise(request: Baker, jar_id: UUID, payload: OtherwiseIn) -> OtherwiseOut:
    return otherwise_out(services.plan_otherwise(request.auth, jar_id, otherwise_in(payload), timezone.now()))


@router.get("/jars/{jar_id}/sparing", response={200: list[SparingOut], 404: ProblemsOut})
def read_sparing(request: Baker, jar_id: UUID) -> list[SparingOut]:
    """What would waste less of a running jar from here on, and what it costs."""
    return [sparing_out(one) for one in services.less_waste_on(request.auth, jar_id, timezone.now())]


@router.get("/signs/choices", response=SignChoicesOut)
def read_sign_choices(request: Baker) -> SignChoicesOut:
    return sign_choices_out()


@router.post("/signs", response={200: SignsOut, 422: ProblemsOut})
def look_up_signs(request: Baker, payload: SignsIn) -> SignsOut:
    return signs_out(services.look_up_signs(described(payload), timezone.now()))


@router.post("/jars/{jar_id}/signs", response={200: SignsOut, 404: ProblemsOut, 422: ProblemsOut})
def signs_of(request: Baker, jar_id: UUID, payload: LookedAtIn) -> SignsOut:
    return signs_out(services.signs_of(request.auth, jar_id, looked_at(payload), timezone.now()))


@router.get("/jars/{jar_id}/keeping", response={200: list[KeepingOffer], 404: ProblemsOut})
def read_keeping(request: Baker, jar_id: UUID) -> list[KeepingOffer]:
    """How the jar could be kept from now on."""
    return [keeping_out(one) for one in services.ways_to_keep(request.auth, jar_id, timezone.now())]


@router.post("/jars/{jar_id}/bakes", response={200: BakeOffers, 404: ProblemsOut, 422: ProblemsOut})
def ask_for_bake(request: Baker, jar_id: UUID, payload: BakeIn) -> BakeOffers:
    """How so many grams can be had at an hour; nothing is planned by asking."""
    return bakes_out(services.ways_to_bake(request.auth, jar_id, wanted_in(payload), timezone.now()))


@router.post("/jars/{jar_id}/weigh", response={200: Sheet, 404: ProblemsOut, 422: ProblemsOut})
def weigh(request: Baker, jar_id: UUID, payload: WeighIn) -> Sheet:
    return Sheet.model_validate(services.weigh(request.auth, jar_id, went_in(payload), timezone.now()))
