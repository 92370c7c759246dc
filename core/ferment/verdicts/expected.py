"""What a look will likely show, so that it can be noted with the fewest presses (common practice)."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from ..record.log import Bubbles, Smell, Top
from .stage import Stage


@dataclass(frozen=True)
class ExpectedLook:
    """The two likeliest of each kind, the likelier first."""

    bubbles: tuple[Bubbles, ...]
    top: tuple[Top, ...]
    smell: tuple[Smell, ...]


RISING = ExpectedLook((Bubbles.THROUGHOUT, Bubbles.FEW), (Top.DOMED, Top.FLAT), (Smell.FRUITY, Smell.YOGHURT))
FALLEN = ExpectedLook((Bubbles.THROUGHOUT, Bubbles.FEW), (Top.SUNKEN, Top.FLAT), (Smell.FRUITY, Smell.SHARP))

BY_STAGE: Mapping[Stage, ExpectedLook] = {
    Stage.SOWN: ExpectedLook((Bubbles.NONE, Bubbles.FEW), (Top.FLAT, Top.LIQUID), (Smell.FLOURY, Smell.CHEESY)),
    Stage.FALSE_DAWN: ExpectedLook((Bubbles.FROTH, Bubbles.FEW), (Top.DOMED, Top.FLAT), (Smell.CHEESY, Smell.FLOURY)),
    Stage.HUSH: ExpectedLook((Bubbles.NONE, Bubbles.FEW), (Top.FLAT, Top.LIQUID), (Smell.YOGHURT, Smell.SHARP)),
    Stage.STIRRING: ExpectedLook(
        (Bubbles.FEW, Bubbles.THROUGHOUT), (Top.FLAT, Top.DOMED), (Smell.YOGHURT, Smell.FRUITY)
    ),
    Stage.AWAKE: RISING,
    Stage.STEADY: RISING,
    Stage.RESTING: ExpectedLook((Bubbles.FEW, Bubbles.NONE), (Top.FLAT, Top.SUNKEN), (Smell.SHARP, Smell.FRUITY)),
    Stage.BINNED: ExpectedLook((), (), ()),
}
FALLS = frozenset({Stage.AWAKE, Stage.STEADY})


def expected_look(stage: Stage | None, *, past_peak: bool) -> ExpectedLook:
    """By the stage, and for a jar that rises and falls by whether its peak is past. None is a jar not mixed yet."""
    if stage is None:
        return BY_STAGE[Stage.SOWN]
    return FALLEN if past_peak and stage in FALLS else BY_STAGE[stage]
