"""The reckoner: answers without a jar."""

from __future__ import annotations

from ninja import Router

from accounts.security import Baker, signed_in
from problems import ProblemsOut

from . import services
from .wire import (
    AfterStep,
    BuildIn,
    BuiltOut,
    ConvertIn,
    ConvertOut,
    FedOut,
    FeedIn,
    HydrationIn,
    MendIn,
    MendOut,
    SwapIn,
    SwapOut,
)

router = Router(tags=["reckoner"], auth=signed_in)


@router.post("/reckon/feed", response={200: FedOut, 422: ProblemsOut})
def reckon_feed(request: Baker, payload: FeedIn) -> FedOut:
    made = services.feed(payload.end, payload.amount, payload.ratio, payload.blend, payload.warmth_c)
    return FedOut.model_validate(made)


@router.post("/reckon/hydration", response={200: list[AfterStep], 422: ProblemsOut})
def reckon_hydration(request: Baker, payload: HydrationIn) -> list[AfterStep]:
    steps = [services.Step(one.keep_g, one.flours, one.water_g) for one in payload.steps]
    return [AfterStep.model_validate(one) for one in services.hydration(steps)]


@router.post("/reckon/build", response={200: BuiltOut, 422: ProblemsOut})
def reckon_build(request: Baker, payload: BuildIn) -> BuiltOut:
    asked = (payload.target_g, payload.reserve_g, payload.feeds, payload.hydration_percent)
    return BuiltOut.model_validate(services.built(*asked, payload.blend, payload.ready_at, payload.warmth_c))


@router.post("/reckon/mend", response={200: MendOut, 422: ProblemsOut})
def reckon_mend(request: Baker, payload: MendIn) -> MendOut:
    found = services.mended(payload.ratio, payload.keep_g, payload.flour_g, payload.water_g)
    return MendOut.model_validate({"mend": found})


@router.post("/reckon/convert", response={200: ConvertOut, 422: ProblemsOut})
def reckon_convert(request: Baker, payload: ConvertIn) -> ConvertOut:
    return ConvertOut.model_validate(services.converted(payload.value, payload.unit, payload.flour))


@router.post("/reckon/recipe", response={200: SwapOut, 422: ProblemsOut})
def reckon_recipe(request: Baker, payload: SwapIn) -> SwapOut:
    return SwapOut.model_validate(services.swapped(payload.recipe_g, payload.recipe_percent, payload.own_percent))
