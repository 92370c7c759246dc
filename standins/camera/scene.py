"""What stands before the stand-in camera, moment by moment: a jar on its course, and what a hand does in between."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import datetime, timedelta
from io import BytesIO
from zoneinfo import ZoneInfo

import numpy as np
from PIL import Image

from .draw import Before, Kitchen, Light, Mark, Moment, draw, kitchen

# The kitchen of the demo, and the jar that is put in its jar's place.
OURS, OTHER = kitchen(10, Mark.BAND), kitchen(53, Mark.PEN)
# How far a jar is set down from its place, in pixels: about 8 mm.
ELSEWHERE = 16.0
QUALITY = 88


@dataclass(frozen=True)
class Course:
    """Levels (× the line) at hours since a feed."""

    fed_at: datetime
    hours: tuple[float, ...]
    levels: tuple[float, ...]

    def level(self, at: datetime) -> float:
        return float(np.interp(self._hours(at), self.hours, self.levels))

    def high(self, at: datetime) -> float:
        """The highest so far."""
        until = self._hours(at)
        so_far = [level for hour, level in zip(self.hours, self.levels, strict=True) if hour <= until]
        return max((*so_far, self.level(at), 1.0))

    def _hours(self, at: datetime) -> float:
        return max(0.0, (at - self.fed_at) / timedelta(hours=1))


def course_of(told: Sequence[Sequence[float]], fed_at: datetime) -> Course:
    return Course(fed_at, tuple(hour for hour, _ in told), tuple(level for _, level in told))


# What the hours bring where nobody has said otherwise, by the clock: until which hour, which light, how bright.
BY_THE_CLOCK = (
    (2.0, Light.LAMP, 0.9),
    # Somebody put the lamp out, and lit it again.
    (2.6, Light.NIGHT, 1.0),
    (7.0, Light.LAMP, 0.8),
    (8.0, Light.DUSK, 1.0),
    (17.0, Light.DAY, 1.0),
    (18.0, Light.DUSK, 1.0),
    (24.0, Light.LAMP, 1.0),
)


@dataclass
class Scene:
    """The jar on its course, in the light of the hour or in the one that was chosen, with what stands before it."""

    course: Course
    zone: ZoneInfo
    light: Light | None = None
    before: Before = Before.NOTHING
    steam: bool = False
    elsewhere: bool = False
    other: bool = False
    number: int = field(default=0)

    def act(self, said: Mapping[str, object]) -> None:
        """What hands do. Raises ValueError for what no hand does."""
        match said:
            case {"light": "clock"}:
                self.light = None
            case {"light": str(light)}:
                self.light = Light(light)
            case {"before": str(before)}:
                self.before = Before(before)
            case {"steam": bool(steam)}:
                self.steam = steam
            case {"elsewhere": bool(elsewhere)}:
                self.elsewhere = elsewhere
            case {"other": bool(other)}:
                self.other = other
            case _:
                raise ValueError("light, before, steam, elsewhere or other")

    def told(self) -> dict[str, object]:
        return {
            "light": self.light or "clock",
            "before": self.before,
            "steam": self.steam,
            "elsewhere": self.elsewhere,
            "other": self.other,
        }

    def moment(self, at: datetime) -> Moment:
        hour = at.astimezone(self.zone).hour + at.astimezone(self.zone).minute / 60
        light, bright = next((light, bright) for until, light, bright in BY_THE_CLOCK if hour < until)
        level = self.course.level(at)
        return Moment(
            level,
            self.course.high(at),
            light=self.light or light,
            brightness=1.0 if self.light else bright,
            gas=min(0.8, 0.1 + 0.4 * max(0.0, level - 1)),
            dome=min(0.03, max(0.0, 0.03 * (level - 1))),
            before=self.before,
            steam=0.8 if self.steam else 0.0,
            number=round(at.timestamp()) % 100_000,
        )

    def picture(self, at: datetime) -> bytes:
        """A JPEG."""
        out = BytesIO()
        Image.fromarray(draw(self._kitchen(), self.moment(at))).save(out, "JPEG", quality=QUALITY)
        return out.getvalue()

    def _kitchen(self) -> Kitchen:
        if self.other:
            return OTHER
        further = ELSEWHERE if self.elsewhere else 0.0
        return replace(OURS, left=OURS.left + further, right=OURS.right + further)
