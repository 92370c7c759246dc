"""The forms in which a baker reads and types, and what is told in them on paper and in calendars."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import asdict, dataclass
from datetime import datetime, tzinfo
from enum import StrEnum
from typing import TYPE_CHECKING, Any

from ferment.kitchen.quantities import Unit, from_grams

if TYPE_CHECKING:
    from .models import Account


class Mass(StrEnum):
    GRAMS = "g"
    OUNCES = "oz"


class Degree(StrEnum):
    CELSIUS = "c"
    FAHRENHEIT = "f"


class Length(StrEnum):
    MILLIMETRES = "mm"
    INCHES = "in"


class Clock(StrEnum):
    H24 = "h24"
    H12 = "h12"


class Decimal(StrEnum):
    POINT = "point"
    COMMA = "comma"


class Paper(StrEnum):
    A4 = "a4"
    LETTER = "letter"


@dataclass(frozen=True)
class Forms:
    mass: Mass = Mass.GRAMS
    warmth: Degree = Degree.CELSIUS
    length: Length = Length.MILLIMETRES
    clock: Clock = Clock.H24
    decimal: Decimal = Decimal.POINT
    paper: Paper = Paper.A4

    def grams(self, g: float) -> str:
        """`40 g`, `1.41 oz`"""
        if self.mass is Mass.OUNCES:
            return self._written(f"{round(from_grams(g, Unit.OUNCE, 1.0), 2):g} oz")
        return self._written(f"{round(g, 1):g} g")

    def time(self, at: datetime, zone: tzinfo) -> str:
        """`14:55`, `2:55 pm`"""
        local = at.astimezone(zone)
        if self.clock is Clock.H24:
            return local.strftime("%H:%M")
        return f"{local.hour % 12 or 12}:{local:%M} {'am' if local.hour < 12 else 'pm'}"

    def _written(self, text: str) -> str:
        return text.replace(".", ",") if self.decimal is Decimal.COMMA else text


KINDS: Mapping[str, type[StrEnum]] = {
    "mass": Mass,
    "warmth": Degree,
    "length": Length,
    "clock": Clock,
    "decimal": Decimal,
    "paper": Paper,
}


def forms_of(account: Account) -> Forms:
    """What was stored; what is not known any more is as it was before it was asked."""
    stored: Any = account.forms if isinstance(account.forms, dict) else {}
    known = {name: kind(stored[name]) for name, kind in KINDS.items() if stored.get(name) in set(kind)}
    return Forms(**known)  # type: ignore[arg-type]


def set_forms(account: Account, forms: Forms) -> None:
    account.forms = {name: str(value) for name, value in asdict(forms).items()}
    account.save(update_fields=["forms"])
