"""Practice as a page asks for it: a story, its judgement, the table of a class.

The server answers with what stands here in its own way; where no server is within reach, a page's own Python answers
with the same as JSON (`answer_json`). Both answer in the shapes of the one contract.
"""

from __future__ import annotations

import json
from collections.abc import Callable, Mapping
from dataclasses import dataclass, fields, is_dataclass
from enum import StrEnum
from typing import Any, TypeVar

from ..refusal import Refusal, RefusalCode, within
from ..signs.contract import SignCode
from .class_table import MOST_RESULTS, Result, class_csv, told_of
from .judging import signs_at
from .living import Frame, check_acts, live, situation_named
from .places import housed, offered
from .terms import Handling, Made, Meaning, SituationCode

Code = TypeVar("Code", bound=StrEnum)


@dataclass(frozen=True)
class Story:
    """How a jar goes if nothing more is done with it, from where the baker has it: every half hour until it ends.

    Hours since the first mix; `flours` are what is in it, each with its share; `offered` is what can be done with it.
    """

    begins_h: float
    ends_h: float
    ended_h: float
    ran_over_h: float | None
    flours: Mapping[str, float]
    fed_h: tuple[float, ...]
    offered: tuple[Handling, ...]
    frames: tuple[Frame, ...]


def story(asked: Result) -> Story:
    """Raises Refusal for acts or a seed that cannot be."""
    situation = situation_named(asked.situation)
    acts = check_acts(situation, asked.acts)
    lived = live(situation, asked.seed, acts)
    return Story(
        begins_h=situation.begins_h,
        ends_h=situation.ends_h,
        ended_h=lived.ended_h,
        ran_over_h=lived.ran_over_h,
        flours={part.flour: part.share for part in situation.blend},
        fed_h=lived.fed_h,
        offered=offered(housed(situation, acts)),
        frames=tuple(one for one in lived.frames if one.at_h >= situation.begins_h - 1e-6),
    )


def hint(asked: Result, at_h: float) -> tuple[SignCode, ...]:
    """What the rules see of it at that hour. Raises Refusal for acts, a seed or an hour that cannot be."""
    situation = situation_named(asked.situation)
    within(at_h, situation.begins_h, situation.ends_h, "at_h")
    return signs_at(situation, asked.seed, asked.acts, at_h)


def answer_json(what: str, asked: str) -> str:
    """What a page asks, answered: `what` is one of `ANSWERS`, `asked` the body that the server would get.

    The answer is {"status", "body"}: as the server would give it, 200 or 422 with what was refused.
    """
    try:
        status, body = 200, ANSWERS[what](json.loads(asked))
    except Refusal as refusal:
        facts = {"code": refusal.code, "field": refusal.field, "message": refusal.message, "facts": refusal.facts}
        status, body = 422, {"errors": [facts]}
    return json.dumps({"status": status, "body": _plain(body)}, allow_nan=False)


def _lived(asked: Mapping[str, Any]) -> object:
    return story(_asked(asked, ""))


def _hint(asked: Mapping[str, Any]) -> object:
    return {"because": hint(_asked(asked, ""), _number(asked.get("at_h"), "at_h"))}


def _told(asked: Mapping[str, Any]) -> object:
    found = told_of(_asked(asked, ""))
    return {"ending": found.ending, "is_good": found.is_good, "share": found.share, "decisions": found.decisions}


def _class(asked: Mapping[str, Any]) -> object:
    results = asked["results"]
    within(float(len(results)), 1.0, float(MOST_RESULTS), "results")
    return class_csv([_asked(one, f"results.{number}.") for number, one in enumerate(results)])


ANSWERS: Mapping[str, Callable[[Mapping[str, Any]], object]] = {
    "lived": _lived,
    "hint": _hint,
    "told": _told,
    "class.csv": _class,
}


def _asked(asked: Mapping[str, Any], place: str) -> Result:
    """As the page sends it; codes and numbers from a link or a file are held to what they may be."""
    acts = asked.get("acts")
    if not isinstance(acts, list):
        raise Refusal(RefusalCode.FILE_FORM, f"{place}acts", {"wanted": "a list"})
    return Result(
        str(asked.get("name", "")),
        _code(SituationCode, asked.get("situation"), f"{place}situation"),
        _whole(asked.get("seed"), f"{place}seed"),
        tuple(_act(one, f"{place}acts.{number}") for number, one in enumerate(acts)),
    )


def _act(one: object, place: str) -> Made:
    if not isinstance(one, Mapping):
        raise Refusal(RefusalCode.FILE_FORM, place, {"wanted": "an object"})
    level, meaning = one.get("level"), one.get("meaning")
    return Made(
        _number(one.get("at_h"), f"{place}.at_h"),
        _code(Handling, one.get("what"), f"{place}.what"),
        None if level is None else _number(level, f"{place}.level"),
        None if meaning is None else _code(Meaning, meaning, f"{place}.meaning"),
    )


def _code(kind: type[Code], value: object, field: str) -> Code:
    if not isinstance(value, str) or value not in list(kind):
        raise Refusal(RefusalCode.NOT_A_CHOICE, field, {"known": ", ".join(kind)})
    return kind(value)


def _number(value: object, field: str) -> float:
    if isinstance(value, bool) or not isinstance(value, int | float):
        raise Refusal(RefusalCode.NOT_A_NUMBER, field)
    return value


def _whole(value: object, field: str) -> int:
    number = _number(value, field)
    if number != round(number):
        raise Refusal(RefusalCode.NOT_A_NUMBER, field)
    return int(number)


def _plain(value: object) -> object:
    """Values as JSON has them; what has no order of its own in the order of its codes."""
    if is_dataclass(value):
        return {field.name: _plain(getattr(value, field.name)) for field in fields(value)}
    if isinstance(value, Mapping):
        return {key: _plain(one) for key, one in value.items()}
    if isinstance(value, frozenset):
        return sorted(value)
    if isinstance(value, tuple | list):
        return [_plain(one) for one in value]
    return value
