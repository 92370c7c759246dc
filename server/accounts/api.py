"""The session: who is here."""

from __future__ import annotations

from uuid import UUID

from django.conf import settings
from django.http import HttpRequest
from django.utils import timezone
from django.views.decorators.csrf import csrf_protect, ensure_csrf_cookie
from ninja import Router
from ninja.decorators import decorate_view

from problems import Problem, ProblemsOut, ServerProblem

from . import access, passkeys, services
from .forms import set_forms
from .languages import language_asked, set_language
from .security import SIGN_UPS, Baker, before_guessing, check_own_password, guessed_wrong, signed_in
from .services import Account
from .wire import (
    AccessOut,
    FormsBody,
    HeardIn,
    LanguageIn,
    NameIn,
    NewKeyIn,
    NewPasswordIn,
    OptionsOut,
    RecoverIn,
    RecoveryOut,
    SessionOut,
    SignInIn,
    SignUpIn,
    TimeZoneIn,
    UseKeyIn,
    access_out,
    account_out,
    forms_in,
)

router = Router(tags=["accounts"])


def session_out(request: HttpRequest) -> SessionOut:
    """Who is here."""
    account = services.account_of(request)
    return SessionOut(
        by_invitation=account is None and services.by_invitation(),
        account=account_out(account) if account else None,
        demo_offered=settings.DESPERTAR_DEMO,
        scale=settings.DESPERTAR_SCALE,
        version=settings.VERSION,
    )


def _access(request: Baker) -> AccessOut:
    return access_out(access.access_of(request.auth, request), passkeys.keys_of(request.auth))


@router.get("/session", response=SessionOut)
@decorate_view(ensure_csrf_cookie)
def read_session(request: HttpRequest) -> SessionOut:
    services.seen(request, timezone.now())
    return session_out(request)


def made_account(request: HttpRequest, payload: SignUpIn) -> Account:
    """A new account, signed in, in the language and the forms that its device is used to. Raises Problem."""
    account = services.sign_up(request, payload.name, payload.password, payload.time_zone)
    set_language(account, language_asked(request))
    if payload.forms is not None:
        set_forms(account, forms_in(payload.forms))
    return account


@router.post(
    "/accounts", response={200: SessionOut, 403: ProblemsOut, 422: ProblemsOut, 429: ProblemsOut}, throttle=SIGN_UPS
)
@decorate_view(csrf_protect)
def sign_up(request: HttpRequest, payload: SignUpIn) -> SessionOut:
    if services.by_invitation():
        raise Problem(ServerProblem.INVITED_ONLY, "code", status=403)
    made_account(request, payload)
    return session_out(request)


@router.post("/session", response={200: SessionOut, 401: ProblemsOut, 422: ProblemsOut, 429: ProblemsOut})
@decorate_view(csrf_protect)
def sign_in(request: HttpRequest, payload: SignInIn) -> SessionOut:
    before_guessing(request)
    try:
        services.sign_in(request, payload.name, payload.password)
    except Problem as problem:
        if problem.code is ServerProblem.WRONG_NAME_OR_PASSWORD:
            guessed_wrong(request)
        raise
    return session_out(request)


@router.delete("/session", response={200: SessionOut, 503: ProblemsOut})
@decorate_view(csrf_protect)
def sign_out(request: HttpRequest) -> SessionOut:
    services.sign_out(request)
    return session_out(request)


@router.put("/time-zone", response={200: SessionOut, 422: ProblemsOut}, auth=signed_in)
def set_time_zone(request: Baker, payload: TimeZoneIn) -> SessionOut:
    services.set_time_zone(request.auth, payload.time_zone, timezone.now())
    return session_out(request)


@router.put("/account/language", response={200: SessionOut, 422: ProblemsOut}, auth=signed_in)
def set_account_language(request: Baker, payload: LanguageIn) -> SessionOut:
    """In which language from now on, on paper and in calendars too. A visitor to the demo goes over to that language's
    demo kitchen."""
    if request.auth.is_demo:
        services.sign_in_as_demo(request, services.demo_account(payload.language), request.auth.time_zone)
    else:
        set_language(request.auth, payload.language)
    return session_out(request)


@router.put("/account/forms", response={200: SessionOut, 422: ProblemsOut}, auth=signed_in)
def set_account_forms(request: Baker, payload: FormsBody) -> SessionOut:
    """In which forms the baker reads and types from now on."""
    set_forms(request.auth, forms_in(payload))
    return session_out(request)


@router.post("/heard", response={204: None, 422: ProblemsOut}, auth=signed_in)
def acknowledge(request: Baker, payload: HeardIn) -> tuple[int, None]:
    services.acknowledge(request.auth, payload.notice)
    return 204, None


@router.get("/account", response=AccessOut, auth=signed_in)
def read_access(request: Baker) -> AccessOut:
    """Where the account is signed in, and whether there is a code on paper."""
    return _access(request)


@router.put("/account/name", response={200: SessionOut, 422: ProblemsOut}, auth=signed_in)
def rename(request: Baker, payload: NameIn) -> SessionOut:
    access.rename(request.auth, payload.name)
    return session_out(request)


@router.put("/account/password", response={200: AccessOut, 422: ProblemsOut, 429: ProblemsOut}, auth=signed_in)
def change_password(request: Baker, payload: NewPasswordIn) -> AccessOut:
    """Everybody else who is signed in with it is signed out."""
    check_own_password(request, payload.before, "before")
    access.change_password(request.auth, request, payload.password)
    return _access(request)


@router.delete("/account/visits/{visit_id}", response={200: AccessOut, 404: ProblemsOut}, auth=signed_in)
def end_visit(request: Baker, visit_id: UUID) -> AccessOut:
    access.end_visit(request.auth, visit_id)
    return _access(request)


@router.post("/account/recovery", response={200: RecoveryOut, 422: ProblemsOut}, auth=signed_in)
def new_recovery(request: Baker) -> RecoveryOut:
    """A code to write down, told this once; the one before opens nothing any more."""
    return RecoveryOut(code=access.new_recovery(request.auth, timezone.now()))


@router.post("/recover", response={200: SessionOut, 422: ProblemsOut, 429: ProblemsOut})
@decorate_view(csrf_protect)
def recover(request: HttpRequest, payload: RecoverIn) -> SessionOut:
    """Come in by a code, with a new password."""
    before_guessing(request, "code")
    try:
        access.recover(request, payload.name, payload.code, payload.password, timezone.now())
    except Problem as problem:
        if problem.code is ServerProblem.NO_SUCH_CODE:
            guessed_wrong(request)
        raise
    return session_out(request)


@router.post("/account/passkeys/options", response={200: OptionsOut, 422: ProblemsOut}, auth=signed_in)
def options_to_make(request: Baker) -> OptionsOut:
    return OptionsOut(options=passkeys.options_to_make(request.auth, request))


@router.post("/account/passkeys", response={200: AccessOut, 422: ProblemsOut}, auth=signed_in)
def keep_passkey(request: Baker, payload: NewKeyIn) -> AccessOut:
    """A passkey that was made from the latest options."""
    passkeys.keep_key(request.auth, request, payload.name, payload.credential, timezone.now())
    return _access(request)


@router.delete("/account/passkeys/{key_id}", response={200: AccessOut, 404: ProblemsOut}, auth=signed_in)
def drop_passkey(request: Baker, key_id: UUID) -> AccessOut:
    passkeys.drop_key(request.auth, key_id)
    return _access(request)


@router.post("/session/passkey/options", response=OptionsOut)
@decorate_view(csrf_protect)
def options_to_use(request: HttpRequest) -> OptionsOut:
    return OptionsOut(options=passkeys.options_to_use(request))


@router.post("/session/passkey", response={200: SessionOut, 401: ProblemsOut, 422: ProblemsOut, 429: ProblemsOut})
@decorate_view(csrf_protect)
def come_in_by_passkey(request: HttpRequest, payload: UseKeyIn) -> SessionOut:
    """Sign in by a passkey of this host."""
    before_guessing(request, "credential")
    try:
        passkeys.come_in(request, payload.id, payload.credential, timezone.now())
    except Problem as problem:
        if problem.code is ServerProblem.PASSKEY_REFUSED:
            guessed_wrong(request)
        raise
    return session_out(request)
