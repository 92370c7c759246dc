"""What most kitchens have, to begin from: jars, places and how warm they are (common practice)."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum

from .vessel import Vessel


class Glass(StrEnum):
    """Straight jars of usual sizes."""

    SMALL = "small"
    USUAL = "usual"
    LARGE = "large"
    TALL = "tall"


# Weighed empty by nobody yet: the scale is zeroed with them.
GLASSES: Mapping[Glass, Vessel] = {
    Glass.SMALL: Vessel(0.0, 250.0, 85.0),
    Glass.USUAL: Vessel(0.0, 370.0, 100.0),
    Glass.LARGE: Vessel(0.0, 500.0, 120.0),
    Glass.TALL: Vessel(0.0, 750.0, 150.0),
}


class UsualPlace(StrEnum):
    """Places of a usual home."""

    COOL_ROOM = "cool_room"
    KITCHEN = "kitchen"
    FRIDGE_TOP = "fridge_top"
    WARM_BOX = "warm_box"


PLACES_C: Mapping[UsualPlace, float] = {
    UsualPlace.COOL_ROOM: 17.0,
    UsualPlace.KITCHEN: 22.0,
    UsualPlace.FRIDGE_TOP: 25.0,
    UsualPlace.WARM_BOX: 27.0,
}


@dataclass(frozen=True)
class Beginning:
    """What a baker who has chosen nothing is offered. `family` is the way that forgives most."""

    family: str = "equal_parts"
    glass: Glass = Glass.USUAL
    place: UsualPlace = UsualPlace.KITCHEN
    scale_step: float = 1.0
    # Of the way's own amounts.
    sizes: tuple[float, ...] = (0.25, 0.5, 1.0, 2.0)


BEGINNING = Beginning()
