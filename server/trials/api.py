"""Trials: begun, looked at, ended, and taken up again."""

from __future__ import annotations

from uuid import UUID

from django.utils import timezone
from ninja import Router

from accounts.security import Baker, signed_in
from problems import ProblemsOut

from . import services
from .wire import EndIn, TrialIn, TrialLabelOut, TrialNameIn, TrialOut, entrants_in, label_out, trial_out

router = Router(tags=["trials"], auth=signed_in)
WRITES = {200: TrialLabelOut, 404: ProblemsOut, 409: ProblemsOut, 422: ProblemsOut}


@router.get("/trials", response=list[TrialLabelOut])
def read_trials(request: Baker) -> list[TrialLabelOut]:
    return [label_out(one) for one in services.trials_of(request.auth)]


@router.post("/trials", response=WRITES)
def begin_trial(request: Baker, payload: TrialIn) -> TrialLabelOut:
    """Over jars that run, with new ones, or both; all or nothing."""
    now = timezone.now()
    entrants = entrants_in(payload, request.auth, now)
    return label_out(services.begin(request.auth, payload.id, payload.name, entrants, now))


@router.get("/trials/{trial_id}", response={200: TrialOut, 404: ProblemsOut, 409: ProblemsOut})
def read_trial(request: Baker, trial_id: UUID) -> TrialOut:
    now = timezone.now()
    return trial_out(request.auth, services.trial_now(request.auth, trial_id, now), now)


@router.put("/trials/{trial_id}/name", response=WRITES)
def rename_trial(request: Baker, trial_id: UUID, payload: TrialNameIn) -> TrialLabelOut:
    return label_out(services.rename(request.auth, trial_id, payload.name))


@router.post("/trials/{trial_id}/end", response=WRITES)
def end_trial(request: Baker, trial_id: UUID, payload: EndIn) -> TrialLabelOut:
    """What becomes of each jar, written down in its log too; its page stays."""
    return label_out(services.end(request.auth, trial_id, payload.ends, timezone.now()))


@router.post("/trials/{trial_id}/resume", response=WRITES)
def resume_trial(request: Baker, trial_id: UUID) -> TrialLabelOut:
    return label_out(services.resume(request.auth, trial_id, timezone.now()))
