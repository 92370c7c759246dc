"""Amounts measured by hand, as paper writes them in any language: `2 tbsp (16 g)`."""

from __future__ import annotations

from collections.abc import Mapping

from accounts.forms import Forms
from ferment.kitchen.quantities import Spoonful
from ferment.mixing.by_hand import ByHand

# Fractions that spoons and cups are made for.
FRACTIONS = {0.25: "¼", 0.33: "⅓", 0.5: "½", 0.67: "⅔", 0.75: "¾"}
NOTHING = ByHand((), None, (), (), (), (), ())


def count(value: float) -> str:
    whole, part = int(value), round(value - int(value), 2)
    if part not in FRACTIONS:
        return f"{value:g}"
    return f"{whole} {FRACTIONS[part]}" if whole else FRACTIONS[part]


def amount(forms: Forms, g: float, spoons: tuple[Spoonful, ...], signs: Mapping[str, str]) -> str:
    """`2 tbsp (16 g)`, or `16 g` where nothing is measured by hand; `signs` are those of spoons and cups."""
    said = " ".join(f"{count(one.count)} {signs.get(one.unit, one.unit)}" for one in spoons)
    return f"{said} ({forms.grams(round(g) if g >= 3 else g)})" if said else forms.grams(g)
