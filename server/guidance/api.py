"""What to do now, how each jar is doing, and a feed while it is being weighed."""

from __future__ import annotations

from uuid import UUID

from django.utils import timezone
from ninja import Router

from accounts.security import Baker, signed_in
from problems import ProblemsOut

from . import services
from .wire import (
    AssessmentOut,
    BuildIn,
    BuildUpOut,
    CompareIn,
    KitchenOut,
    LookedAtIn,
    OfferedOut,
    OpenJarOut,
    OtherwiseIn,
    OtherwiseOut,
    PreviewIn,
    SheetOut,
    SignsIn,
    SignsOut,
    WeighIn,
    WhatIfIn,
    WhatIfOut,
    WholePlanOut,
    card_out,
    compared_setup,
    described,
    kitchen_out,
    looked_at,
    open_jar_out,
    otherwise_in,
    setup_in,
    went_in,
)

router = Router(tags=["guidance"], auth=signed_in)


@router.get("/kitchen", response=KitchenOut)
def read_kitchen(request: Baker) -> KitchenOut:
    now = timezone.now()
    return kitchen_out(request.auth, services.kitchen_now(request.auth, now), now)


@router.get("/jars/{jar_id}", response={200: OpenJarOut, 404: ProblemsOut})
def read_jar(request: Baker, jar_id: UUID) -> OpenJarOut:
    now = timezone.now()
    return open_jar_out(request.auth, services.jar_now(request.auth, jar_id, now), now)


@router.post("/preview", response={200: AssessmentOut, 422: ProblemsOut})
def preview(request: Baker, payload: PreviewIn) -> AssessmentOut:
    return services.preview(setup_in(payload, request.auth), timezone.now())


@router.post("/jars/{jar_id}/what-if", response={200: WhatIfOut, 404: ProblemsOut, 422: ProblemsOut})
def what_if(request: Baker, jar_id: UUID, payload: WhatIfIn) -> WhatIfOut:
    found = services.what_if(request.auth, jar_id, payload.warmth_c, timezone.now())
    told = found.assessment
    return WhatIfOut(forecast=told.forecast, ready_on=told.ready_on, offers=list(found.offers))


@router.post("/compare", response={200: list[OfferedOut], 422: ProblemsOut})
def compare(request: Baker, payload: CompareIn) -> list[OfferedOut]:
    return services.compare(payload.origin, compared_setup(payload, request.auth), has_scale=payload.has_scale)


@router.get("/jars/{jar_id}/plan", response={200: WholePlanOut, 404: ProblemsOut})
def read_plan(request: Baker, jar_id: UUID) -> WholePlanOut:
    now = timezone.now()
    found = services.planned_jar(request.auth, jar_id, now)
    return WholePlanOut(
        now=now,
        time_zone=request.auth.time_zone,
        jar=card_out(found.card),
        plan=found.plan,
        ready_on=found.assessment.ready_on,
    )


@router.post("/jars/{jar_id}/plan-otherwise", response={200: OtherwiseOut, 404: ProblemsOut, 422: ProblemsOut})
def plan_otherwise(request: Baker, jar_id: UUID, payload: OtherwiseIn) -> OtherwiseOut:
    found = services.plan_otherwise(request.auth, jar_id, otherwise_in(payload), timezone.now())
    return OtherwiseOut(ready_on=found.assessment.ready_on, plan=found.plan)


@router.post("/signs", response={200: SignsOut, 422: ProblemsOut})
def look_up_signs(request: Baker, payload: SignsIn) -> SignsOut:
    return SignsOut(findings=services.look_up_signs(described(payload), timezone.now()))


@router.post("/jars/{jar_id}/signs", response={200: SignsOut, 404: ProblemsOut, 422: ProblemsOut})
def signs_of(request: Baker, jar_id: UUID, payload: LookedAtIn) -> SignsOut:
    return SignsOut(findings=services.signs_of(request.auth, jar_id, looked_at(payload), timezone.now()))


@router.post("/jars/{jar_id}/build", response={200: BuildUpOut, 404: ProblemsOut, 422: ProblemsOut})
def build_up(request: Baker, jar_id: UUID, payload: BuildIn) -> BuildUpOut:
    return services.build_up(request.auth, jar_id, payload.target_g, payload.at)


@router.post("/jars/{jar_id}/weigh", response={200: SheetOut, 404: ProblemsOut, 422: ProblemsOut})
def weigh(request: Baker, jar_id: UUID, payload: WeighIn) -> SheetOut:
    return services.weigh(request.auth, jar_id, went_in(payload), timezone.now())
