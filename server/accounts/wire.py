"""What goes over the wire about accounts, and the base that every request's schema shares."""

from __future__ import annotations

import unicodedata
from datetime import datetime
from typing import Annotated
from uuid import UUID

from ninja import Schema
from pydantic import AfterValidator, AwareDatetime, BaseModel, BeforeValidator, ConfigDict, StringConstraints
from pydantic_core import PydanticCustomError

from ferment.reading import EARLIEST_YEAR, LATEST_YEAR, is_of_this_age
from ferment.verdicts.cautions import Notice

from .access import Access
from .forms import Clock, Decimal, Degree, Forms, Length, Mass, Paper, forms_of
from .languages import Language, language_of
from .models import Account
from .passkeys import Key


class Request(BaseModel):
    """Nothing unknown, no NaN; field by field errors."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)


class Told(BaseModel):
    """What is told of the core's own facts: every field said here, read off the core's object by its name.

    The contract is this side's own: a field that the core renames is read by a `validation_alias` here, and the client
    never hears of it.
    """

    model_config = ConfigDict(from_attributes=True, frozen=True)


def _composed(text: object) -> object:
    """Letters put together before anything is counted: some grow by it."""
    return unicodedata.normalize("NFC", text) if isinstance(text, str) else text


def _plain(text: str) -> str:
    """Text as a keyboard makes it, any script and emoji; no control characters but new lines and tabs."""
    if any(unicodedata.category(sign) in {"Cc", "Cs"} and sign not in "\n\r\t" for sign in text):
        raise PydanticCustomError("not_text", "control characters are not text")
    return text


def _one_line(text: str) -> str:
    if len(text.splitlines()) > 1 or "\t" in text:
        raise PydanticCustomError("not_text", "a name stands in one line")
    return text


def _of_this_age(at: datetime) -> datetime:
    if not is_of_this_age(at):
        facts = {"from_year": EARLIEST_YEAR, "to_year": LATEST_YEAR}
        raise PydanticCustomError("time_out_of_range", "a time of this age", facts)
    # What goes out is cut there, so that what comes back is the same moment.
    return at.replace(microsecond=at.microsecond // 1000 * 1000)


Moment = Annotated[AwareDatetime, AfterValidator(_of_this_age)]
Composed, PlainText, OneLine = BeforeValidator(_composed), AfterValidator(_plain), AfterValidator(_one_line)
# What stands last runs first: letters are composed before they are counted.
Name = Annotated[
    str, StringConstraints(min_length=1, max_length=60, strip_whitespace=True), PlainText, OneLine, Composed
]
Password = Annotated[str, StringConstraints(min_length=1, max_length=256)]


class FormsBody(Request):
    """In which forms a baker reads and types: weights, warmth, lengths, the clock, the decimal sign, and paper."""

    mass: Mass = Mass.GRAMS
    warmth: Degree = Degree.CELSIUS
    length: Length = Length.MILLIMETRES
    clock: Clock = Clock.H24
    decimal: Decimal = Decimal.POINT
    paper: Paper = Paper.A4


class SignUpIn(Request):
    """`forms` are those that the device is used to."""

    name: Name
    password: Password
    time_zone: str
    forms: FormsBody | None = None


class InvitedIn(SignUpIn):
    """`code` is of an invitation into somebody's kitchen here."""

    code: Annotated[str, StringConstraints(max_length=60)]


class SignInIn(Request):
    name: Name
    password: Password


class TimeZoneIn(Request):
    time_zone: str


class AccountOut(Schema):
    """Who is signed in; `id` is what a device keeps things under and names with each write."""

    id: int
    name: str
    time_zone: str
    is_demo: bool
    forms: FormsBody
    language: Language | None


class SessionOut(Schema):
    """Who is signed in, if anybody, whether the demo kitchen may be entered here, whether a new account takes an
    invitation, where a kitchen scale's bridge is looked for, and which version of the application answers."""

    account: AccountOut | None
    demo_offered: bool
    by_invitation: bool
    scale: str
    version: str


class LanguageIn(Request):
    language: Language


class HeardIn(Request):
    """A caution that the baker has read."""

    notice: Notice


class NameIn(Request):
    name: Name


class NewPasswordIn(Request):
    """The password of now, and the one to come."""

    before: Password
    password: Password


class PasswordIn(Request):
    password: Password


class RecoverIn(Request):
    """A code from paper, or from whoever keeps the house, and the password to come."""

    name: Name
    code: Annotated[str, StringConstraints(min_length=1, max_length=60)]
    password: Password


class VisitOut(Told):
    """One place where the account is signed in; `here` is the one that asks."""

    id: UUID
    on_phone: bool
    since: datetime
    seen_at: datetime
    here: bool


class KeyOut(Told):
    """A passkey by its name, and when it was last used."""

    id: UUID
    name: str
    made_at: datetime
    used_at: datetime | None


class AccessOut(Told):
    """Where the account is signed in, since when there is a code on paper, and its passkeys."""

    visits: tuple[VisitOut, ...]
    recovery_since: datetime | None
    keys: tuple[KeyOut, ...]


class OptionsOut(Schema):
    """What the browser makes or uses a passkey by: JSON of the standard's own form."""

    options: str


class NewKeyIn(Request):
    """A passkey that was made: JSON of the standard's own form."""

    name: Name
    credential: Annotated[str, StringConstraints(min_length=2, max_length=20_000)]


class UseKeyIn(Request):
    """A passkey that answers; `id` is the credential's."""

    id: Annotated[str, StringConstraints(min_length=1, max_length=1_400)]
    credential: Annotated[str, StringConstraints(min_length=2, max_length=20_000)]


class RecoveryOut(Schema):
    """The code, told this once."""

    code: str


def forms_in(body: FormsBody) -> Forms:
    return Forms(body.mass, body.warmth, body.length, body.clock, body.decimal, body.paper)


def account_out(account: Account) -> AccountOut:
    return AccountOut(
        id=account.pk,
        name=account.name,
        time_zone=account.time_zone,
        is_demo=account.is_demo,
        forms=FormsBody(**vars(forms_of(account))),
        language=language_of(account),
    )


def access_out(found: Access, keys: list[Key]) -> AccessOut:
    return AccessOut(
        visits=tuple(VisitOut.model_validate(one) for one in found.visits),
        recovery_since=found.recovery_since,
        keys=tuple(KeyOut.model_validate(one) for one in keys),
    )
