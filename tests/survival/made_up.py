"""Calls of the API made up from its contract."""

from __future__ import annotations

import json
from contextlib import suppress
from typing import Any

import schemathesis
from hypothesis import HealthCheck, Phase, given, settings
from hypothesis.errors import Unsatisfiable
from schemathesis import GenerationMode

from launcher.place import CONTRACT


def operations() -> list[Any]:
    """Every operation of the contract."""
    schema: Any = schemathesis.openapi.from_dict(json.loads(CONTRACT.read_text()))
    return [result.ok() for result in schema.get_all_operations()]


def takes_files(operation: Any) -> bool:
    """Whether it is sent a form with files, not JSON."""
    body = operation.definition.raw.get("requestBody", {})
    return "multipart/form-data" in body.get("content", {})


def made_up(
    operation: Any, calls: int, mode: GenerationMode = GenerationMode.POSITIVE, *, always_the_same: bool = True
) -> list[Any]:
    """So many calls by the schema or against it; none where nothing can be wrong about a call."""
    cases: list[Any] = []
    collect: Any = settings(
        max_examples=calls,
        deadline=None,
        database=None,
        derandomize=always_the_same,
        phases=[Phase.generate],
        suppress_health_check=list(HealthCheck),
    )

    def keep(case: Any) -> None:
        cases.append(case)

    tried: Any = given(operation.as_strategy(generation_mode=mode))
    with suppress(Unsatisfiable):
        collect(tried(keep))()
    return cases
