"""The one shape in which the server says no: a code, the field, a plain line, and the facts of what would do."""

from __future__ import annotations

from collections.abc import Mapping
from enum import StrEnum
from typing import TYPE_CHECKING, cast

from django.http import JsonResponse
from ninja import Schema

from ferment.refusal import Fact, Refusal, RefusalCode

if TYPE_CHECKING:
    from enum import Enum


class ServerProblem(StrEnum):
    """What the server itself refuses, beyond the core's refusals."""

    MISSING = "missing"
    NOT_A_TIME = "not_a_time"
    NOT_TEXT = "not_text"
    TOO_LONG = "too_long"
    UNKNOWN_FIELD = "unknown_field"
    NOT_ACCEPTED = "not_accepted"
    NOT_JSON = "not_json"
    NOT_FOUND = "not_found"
    SIGN_IN_FIRST = "sign_in_first"
    WRONG_NAME_OR_PASSWORD = "wrong_name_or_password"  # noqa: S105  (a code, no secret)
    WRONG_PASSWORD = "wrong_password"  # noqa: S105
    NO_SUCH_CODE = "no_such_code"
    PASSKEY_REFUSED = "passkey_refused"
    TOO_MANY_PASSKEYS = "too_many_passkeys"
    TOO_MANY_TRIES = "too_many_tries"
    NAME_TAKEN = "name_taken"
    PASSWORD_TOO_SHORT = "password_too_short"  # noqa: S105
    PASSWORD_TOO_COMMON = "password_too_common"  # noqa: S105
    PASSWORD_TOO_SIMILAR = "password_too_similar"  # noqa: S105
    PASSWORD_ENTIRELY_NUMERIC = "password_entirely_numeric"  # noqa: S105
    UNKNOWN_TIME_ZONE = "unknown_time_zone"
    FORGED = "forged"
    ID_TAKEN = "id_taken"
    OTHER_ACCOUNT = "other_account"
    FED_MEANWHILE = "fed_meanwhile"
    CHANGED_MEANWHILE = "changed_meanwhile"
    NO_DEMO_HERE = "no_demo_here"
    OUT_OF_REACH = "out_of_reach"
    NOT_IN_THE_DEMO = "not_in_the_demo"
    NO_SUCH_INVITATION = "no_such_invitation"
    INVITED_ONLY = "invited_only"
    OWN_KITCHEN = "own_kitchen"
    TOO_MANY_HANDS = "too_many_hands"
    NOT_A_PHOTO = "not_a_photo"
    PHOTO_BROKEN = "photo_broken"
    PHOTO_TOO_LARGE = "photo_too_large"
    PHOTO_TOO_SMALL = "photo_too_small"
    TOO_MANY_PHOTOS = "too_many_photos"
    TOO_MANY_CAMERAS = "too_many_cameras"
    LINES_CROSS = "lines_cross"
    JAR_TOO_FAR = "jar_too_far"
    NO_FEED_YET = "no_feed_yet"
    NO_ROOM = "no_room"
    BUSY = "busy"
    TOO_LARGE = "too_large"
    WENT_WRONG = "went_wrong"
    JAR_UNREADABLE = "jar_unreadable"
    STORED_TOO_NEW = "stored_too_new"
    STORED_BROKEN = "stored_broken"
    PARCEL_FOREIGN = "parcel_foreign"
    PARCEL_NEWER = "parcel_newer"
    PARCEL_FAULT = "parcel_fault"
    PARCEL_TOO_LARGE = "parcel_too_large"
    PARCEL_PART = "parcel_part"
    NOT_A_SHEET = "not_a_sheet"


# One enumeration for the contract, so that the client words every code or does not compile.
ProblemCode = StrEnum(  # type: ignore[misc]
    "ProblemCode",
    {code.name: code.value for code in cast("tuple[type[Enum], ...]", (RefusalCode, ServerProblem)) for code in code},
)


class ProblemOut(Schema):
    code: ProblemCode
    field: str
    message: str
    facts: dict[str, float | str]


class ProblemsOut(Schema):
    """Every answer of status 400 and above has this shape, with at least one problem."""

    errors: list[ProblemOut]


class Problem(Exception):
    """Raised by services; the API answers with `status` and the problem."""

    def __init__(
        self, code: ServerProblem, field: str = "", *, status: int = 422, facts: Mapping[str, Fact] | None = None
    ) -> None:
        self.code = code
        self.field = field
        self.status = status
        self.facts = dict(facts or {})
        super().__init__(code.value)


def not_found() -> Problem:
    """The answer for what is not there and for what is another account's alike."""
    return Problem(ServerProblem.NOT_FOUND, "id", status=404)


def body(code: str, field: str, facts: Mapping[str, Fact] | None = None, message: str = "") -> dict[str, object]:
    return {"code": code, "field": field, "message": message or code.replace("_", " "), "facts": dict(facts or {})}


def from_refusal(refusal: Refusal) -> dict[str, object]:
    return body(refusal.code, refusal.field, refusal.facts, refusal.message)


def answer(status: int, *problems: dict[str, object]) -> JsonResponse:
    return JsonResponse({"errors": list(problems)}, status=status)
