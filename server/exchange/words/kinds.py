"""What every language has to say: a module of words that lacks a part of it does not pass the type check."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import datetime, tzinfo
from enum import StrEnum
from typing import Protocol

from accounts.forms import Forms
from ferment.doors.told import InJar
from ferment.kitchen.flours import Flour
from ferment.planner import Step


class Card(StrEnum):
    """What a card is for."""

    GIFT = "gift"
    FLAKES = "flakes"


class Words(Protocol):
    """Paper and calendars in one language. Tables are by the core's codes, sentences functions of their parts."""

    @property
    def FLOURS(self) -> Mapping[Flour, str]: ...  # noqa: N802  (a module's table)
    @property
    def TO_WRITE(self) -> tuple[str, ...]: ...  # noqa: N802
    @property
    def NOTHING_PLANNED(self) -> str: ...  # noqa: N802
    @property
    def NO_FEED_PLANNED(self) -> str: ...  # noqa: N802
    @property
    def LAY_EDGE(self) -> str: ...  # noqa: N802

    def day(self, at: datetime, zone: tzinfo) -> str: ...
    def sheet_title(self, name: str) -> str: ...
    def labels_title(self, name: str) -> str: ...
    def card_title(self, name: str) -> str: ...
    def card_lines(
        self, kind: Card, held: InJar | None, fed_at: datetime | None, now: datetime, zone: tzinfo, forms: Forms
    ) -> list[str]: ...
    def trial_facts(self, names: Sequence[str], page: int) -> str: ...
    def sheet_facts(self, tare_g: float, page: int, forms: Forms) -> str: ...
    def likely_ready(self, day_words: str) -> str: ...
    def row_words(self, step: Step, forms: Forms) -> str: ...
    def normal_words(self, step: Step) -> str: ...
    def summary(self, step: Step, name: str, *, done: bool) -> str: ...
    def description(self, step: Step, zone: tzinfo, forms: Forms) -> str: ...
