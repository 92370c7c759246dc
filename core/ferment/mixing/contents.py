"""What is in the jar: true hydration and true flour blend, tracked through every mix, discard and feed."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum

from ..kitchen.flours import Blend, FlourGrams, FlourLot, combine, flour_named, scaled, weight
from ..kitchen.quantities import grams
from ..refusal import Refusal, RefusalCode, within


class Origin(StrEnum):
    """What a jar is begun from."""

    FLOUR_AND_WATER = "flour_and_water"
    DRIED = "dried"
    FROZEN = "frozen"
    ASLEEP = "asleep"


# Water to flour in what each origin brings, in per cent; what sleeps was fed in equal parts, most likely.
CULTURE_HYDRATION: Mapping[Origin, float] = {
    Origin.FLOUR_AND_WATER: 100.0,
    Origin.DRIED: 0.0,
    Origin.FROZEN: 100.0,
    Origin.ASLEEP: 100.0,
}


@dataclass(frozen=True)
class Culture:
    """What a first mix with a seed of its own brings: flakes, a frozen pinch, a sleeping starter."""

    blend: Blend
    hydration_percent: float


@dataclass(frozen=True)
class Contents:
    """Flour, water and salt in a jar, in grams; a juice counts as water. What evaporates or is eaten is not counted."""

    flours: FlourLot
    water_g: float
    salt_g: float

    @property
    def flour_g(self) -> float:
        return weight(self.flours)

    @property
    def total_g(self) -> float:
        return self.flour_g + self.water_g + self.salt_g

    @property
    def hydration_percent(self) -> float | None:
        """Water as a percentage of flour in the whole jar; None where there is no flour."""
        return 100.0 * self.water_g / self.flour_g if self.flour_g else None

    def keep(self, keep_g: float) -> Contents:
        """What is left when all but `keep_g` is taken out of the stirred jar; all of it when there is less."""
        share = min(1.0, keep_g / self.total_g) if self.total_g else 0.0
        return Contents(scaled(self.flours, share), self.water_g * share, self.salt_g * share)

    def add(self, flours: FlourLot, water_g: float, salt_g: float = 0.0) -> Contents:
        return Contents(combine([self.flours, flours]), self.water_g + water_g, self.salt_g + salt_g)


EMPTY = Contents((), 0.0, 0.0)


def culture_of(g: float, culture: Culture) -> Contents:
    """So many grams of a culture from outside: dried flakes (0 %), or a starter of so much water to its flour."""
    flour = g / (1.0 + culture.hydration_percent / 100.0)
    lot = tuple(FlourGrams(part.flour, part.share * flour) for part in culture.blend)
    return Contents(combine([lot]), g - flour, 0.0)


def _numbers(step: Mapping[str, object], key: str, place: str) -> float:
    value = step.get(key, 0.0)
    if isinstance(value, bool) or not isinstance(value, int | float):
        raise Refusal(RefusalCode.NOT_A_NUMBER, f"{place}.{key}")
    # Held against the bounds as it is: a whole number may be longer than any float.
    return float(grams(value, f"{place}.{key}"))


def _flours(step: Mapping[str, object], place: str) -> FlourLot:
    given = step.get("flour", {})
    if not isinstance(given, Mapping):
        raise Refusal(RefusalCode.UNKNOWN_FLOUR, f"{place}.flour", {"given": str(given)[:40]})
    return tuple(
        FlourGrams(flour_named(str(name), f"{place}.flour"), _numbers(given, str(name), f"{place}.flour"))
        for name in given
    )


def follow_steps(steps: Sequence[Mapping[str, object]]) -> list[Contents]:
    """The contents after each step of a list such as this one, amounts in grams:

        {"do": "mix",  "flour": {"rye": 100}, "water": 150}
        {"do": "keep", "g": 75}    or    {"do": "keep", "share": 0.5}
        {"do": "feed", "keep": 75, "flour": {"rye": 35, "white": 35}, "water": 75, "salt": 1}

    Raises Refusal with the place of the first step that cannot be followed.
    """
    jar, after = EMPTY, []
    for number, step in enumerate(steps):
        place = f"steps[{number}]"
        match step.get("do"):
            case "mix":
                jar = EMPTY.add(_flours(step, place), _numbers(step, "water", place), _numbers(step, "salt", place))
            case "keep" if "share" in step:
                jar = jar.keep(jar.total_g * within(_numbers(step, "share", place), 0.0, 1.0, f"{place}.share"))
            case "keep":
                jar = jar.keep(_not_more(_numbers(step, "g", place), jar, f"{place}.g"))
            case "feed":
                kept = _not_more(_numbers(step, "keep", place), jar, f"{place}.keep") if "keep" in step else jar.total_g
                jar = jar.keep(kept).add(
                    _flours(step, place), _numbers(step, "water", place), _numbers(step, "salt", place)
                )
            case other:
                raise Refusal(
                    RefusalCode.UNKNOWN_STEP, f"{place}.do", {"given": str(other)[:40], "known": "mix, keep, feed"}
                )
        after.append(jar)
    return after


def _not_more(keep_g: float, jar: Contents, field: str) -> float:
    # A tenth of a gram of slack: the sums of a kitchen are not exact.
    if keep_g > jar.total_g + 0.1:
        raise Refusal(RefusalCode.KEEPS_MORE_THAN_THERE_IS, field, {"there_is_g": round(jar.total_g, 1)})
    return keep_g
