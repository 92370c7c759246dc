"""From the schema library's complaints to our problems: a table of its types, one loop."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from typing import Any

from ferment.refusal import Fact, RefusalCode

from . import ServerProblem, body

CODES: Mapping[str, str] = {
    "missing": ServerProblem.MISSING,
    "extra_forbidden": ServerProblem.UNKNOWN_FIELD,
    "float_parsing": RefusalCode.NOT_A_NUMBER,
    "float_type": RefusalCode.NOT_A_NUMBER,
    "finite_number": RefusalCode.NOT_A_NUMBER,
    "int_parsing": RefusalCode.NOT_A_NUMBER,
    "int_type": RefusalCode.NOT_A_NUMBER,
    "int_from_float": RefusalCode.NOT_A_NUMBER,
    "string_type": ServerProblem.NOT_TEXT,
    "string_unicode": ServerProblem.NOT_TEXT,
    "not_text": ServerProblem.NOT_TEXT,
    "string_too_long": ServerProblem.TOO_LONG,
    "too_long": ServerProblem.TOO_LONG,
    "string_too_short": ServerProblem.MISSING,
    "too_short": ServerProblem.MISSING,
    "enum": RefusalCode.NOT_A_CHOICE,
    "literal_error": RefusalCode.NOT_A_CHOICE,
    "union_tag_invalid": RefusalCode.NOT_A_CHOICE,
    "union_tag_not_found": ServerProblem.MISSING,
    "datetime_parsing": ServerProblem.NOT_A_TIME,
    "datetime_from_date_parsing": ServerProblem.NOT_A_TIME,
    "datetime_type": ServerProblem.NOT_A_TIME,
    "datetime_object_invalid": ServerProblem.NOT_A_TIME,
    "timezone_aware": ServerProblem.NOT_A_TIME,
    "time_out_of_range": RefusalCode.TIME_OUT_OF_RANGE,
    "uuid_parsing": ServerProblem.NOT_ACCEPTED,
    "uuid_type": ServerProblem.NOT_ACCEPTED,
}
# Parts of a place that are ours and the library's, not the baker's: where the value came from, and union tags.
NOT_FIELDS = frozenset({"body", "path", "query", "payload", "entry", "feed", "look", "deed", "leave", "bin"})


def problems(errors: Iterable[Mapping[str, Any]]) -> list[dict[str, object]]:
    """One problem for each error, the field as the client named it (`level.value`)."""
    made = []
    for error in errors:
        field = ".".join(str(part) for part in error["loc"] if str(part) not in NOT_FIELDS)
        context = error.get("ctx", {})
        facts: dict[str, Fact] = {}
        if "max_length" in context:
            facts["most"] = float(context["max_length"])
        if "expected" in context:
            facts["known"] = str(context["expected"]).replace("'", "")
        made.append(body(CODES.get(error["type"], ServerProblem.NOT_ACCEPTED), field, facts, error["msg"]))
    return made
