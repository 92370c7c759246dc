"""Passkeys beside passwords (W3C Web Authentication, level 2): made on a device, and used to come in without a name.

A challenge is kept in the session and used once. They belong to the host under which they were made, and an address of
digits is none that browsers take.
"""

from __future__ import annotations

import hashlib
from dataclasses import dataclass
from datetime import datetime
from uuid import UUID

from django.db import IntegrityError, transaction
from django.http import HttpRequest
from webauthn import (
    generate_authentication_options,
    generate_registration_options,
    options_to_json,
    verify_authentication_response,
    verify_registration_response,
)
from webauthn.helpers import base64url_to_bytes, bytes_to_base64url
from webauthn.helpers.exceptions import WebAuthnException
from webauthn.helpers.structs import (
    AuthenticatorSelectionCriteria,
    PublicKeyCredentialDescriptor,
    ResidentKeyRequirement,
    UserVerificationRequirement,
)

from problems import Problem, ServerProblem, not_found

from .models import Account, Passkey
from .services import enter

NAME = "Despertar"
MAKING, USING = "passkey.making", "passkey.using"
MOST_PASSKEYS = 20


@dataclass(frozen=True)
class Key:
    """A passkey as its baker knows it: by its name, and when it was last used."""

    id: UUID
    name: str
    made_at: datetime
    used_at: datetime | None


def keys_of(account: Account) -> list[Key]:
    rows = Passkey.objects.filter(account=account).order_by("made_at", "id")
    return [Key(row.id, row.name, row.made_at, row.used_at) for row in rows]


def options_to_make(account: Account, request: HttpRequest) -> str:
    """What the browser makes a key from, as JSON. Raises Problem in the demo, and where there are too many."""
    if account.is_demo:
        raise Problem(ServerProblem.NOT_IN_THE_DEMO, "")
    there = list(Passkey.objects.filter(account=account).values_list("credential", flat=True))
    if len(there) >= MOST_PASSKEYS:
        raise Problem(ServerProblem.TOO_MANY_PASSKEYS, "", facts={"most": float(MOST_PASSKEYS)})
    options = generate_registration_options(
        rp_id=_host(request),
        rp_name=NAME,
        user_name=account.name,
        user_id=str(account.pk).encode(),
        exclude_credentials=[PublicKeyCredentialDescriptor(base64url_to_bytes(one)) for one in there],
        authenticator_selection=AuthenticatorSelectionCriteria(
            resident_key=ResidentKeyRequirement.REQUIRED, user_verification=UserVerificationRequirement.PREFERRED
        ),
    )
    request.session[MAKING] = bytes_to_base64url(options.challenge)
    return options_to_json(options)


def keep_key(account: Account, request: HttpRequest, name: str, credential: str, now: datetime) -> None:
    """Raises Problem for a key that was not made from the latest options."""
    challenge = request.session.pop(MAKING, None)
    if challenge is None:
        raise Problem(ServerProblem.PASSKEY_REFUSED, "credential")
    try:
        made = verify_registration_response(
            credential=credential,
            expected_challenge=base64url_to_bytes(challenge),
            expected_rp_id=_host(request),
            expected_origin=_origin(request),
        )
        with transaction.atomic():
            Passkey.objects.create(
                account=account,
                name=name,
                credential=bytes_to_base64url(made.credential_id),
                credential_hash=_hash(bytes_to_base64url(made.credential_id)),
                public_key=made.credential_public_key,
                sign_count=made.sign_count,
                made_at=now,
            )
    except (WebAuthnException, IntegrityError, ValueError) as error:
        raise Problem(ServerProblem.PASSKEY_REFUSED, "credential") from error


def drop_key(account: Account, key_id: UUID) -> None:
    """Raises Problem (not found)."""
    gone, _ = Passkey.objects.filter(account=account, id=key_id).delete()
    if not gone:
        raise not_found()


def options_to_use(request: HttpRequest) -> str:
    """What any key of this host answers to, as JSON."""
    options = generate_authentication_options(rp_id=_host(request))
    request.session[USING] = bytes_to_base64url(options.challenge)
    return options_to_json(options)


def come_in(request: HttpRequest, credential_id: str, credential: str, now: datetime) -> Account:
    """Sign in by a key. Raises Problem, the same for one that is not known and one that does not answer rightly."""
    challenge = request.session.pop(USING, None)
    row = (
        Passkey.objects.select_related("account")
        .filter(credential_hash=_hash(credential_id), account__is_active=True)
        .first()
    )
    if challenge is None or row is None:
        raise Problem(ServerProblem.PASSKEY_REFUSED, "credential", status=401)
    try:
        used = verify_authentication_response(
            credential=credential,
            expected_challenge=base64url_to_bytes(challenge),
            expected_rp_id=_host(request),
            expected_origin=_origin(request),
            credential_public_key=bytes(row.public_key),
            credential_current_sign_count=row.sign_count,
        )
    except (WebAuthnException, ValueError) as error:
        raise Problem(ServerProblem.PASSKEY_REFUSED, "credential", status=401) from error
    row.sign_count, row.used_at = used.new_sign_count, now
    row.save(update_fields=["sign_count", "used_at"])
    enter(request, row.account)
    return row.account


def _hash(credential: str) -> str:
    return hashlib.sha256(credential.encode()).hexdigest()


def _host(request: HttpRequest) -> str:
    return request.get_host().rsplit(":", 1)[0]


def _origin(request: HttpRequest) -> str:
    return request.build_absolute_uri("/").rstrip("/")
