"""Pictures to measure the eye on, made by other means than the stand-in camera that it was tuned on.

Here a line of sight is followed into a round jar: which height of the near wall it meets, or which point of the paste's
top; light is added up linearly, its colour a temperature, from a side of its own; the camera chooses exposure and white
balance by itself for each picture, and puts it through gamma, grain and JPEG. Lengths are × the line's height.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from io import BytesIO

import numpy as np
from numpy.typing import NDArray
from PIL import Image, ImageFilter

from eye.terms import Jar

Picture = NDArray[np.uint8]
Field = NDArray[np.float64]
MARKS = ("none", "band", "pen", "strip")
QUALITIES = ("good", "fair", "poor", "bad")
WIDTH, HEIGHT = 400, 520
# The grain of the sensor, the softness, and the JPEG of each quality.
TAKEN = {"good": (0.004, 0.0, 92), "fair": (0.010, 0.8, 80), "poor": (0.022, 1.6, 60), "bad": (0.045, 2.6, 40)}
# Linear red, green and blue of a light of so many kelvin, about (from memory).
LIGHTS = {"day": (1.0, 1.0, 1.0), "dusk": (0.8, 0.95, 1.35), "lamp": (1.5, 0.95, 0.45)}


@dataclass(frozen=True)
class Shot:
    """One picture of a round with the truth of it. `free` is false where something stands before the jar."""

    picture: Picture
    at_h: float
    level: float
    light: str
    free: bool


class Round:
    """A jar from a feed on, before one camera; `quality` is the camera's."""

    def __init__(self, seed: int, mark: str, quality: str) -> None:
        self.seed, self.mark, self.quality = seed, mark, quality
        chance = np.random.default_rng(10_000 + seed)
        self.radius, self.rim = chance.uniform(0.75, 1.25), chance.uniform(2.6, 3.5)
        # Of the camera: from the jar's axis, above the counter, and its focal length in pixels.
        self.far, self.eye = chance.uniform(9.0, 16.0), chance.uniform(0.9, self.rim * 1.15)
        self.focus = 0.84 * HEIGHT * (self.far - self.radius) / self.rim
        self.peak = min(chance.uniform(1.6, 2.6), self.rim - 0.2)
        self.doubles, self.sinks = chance.uniform(2.5, 5.0), chance.uniform(0.04, 0.3)
        self.dough, self.wall = self._dough(chance), self._wall(chance)
        self.rubber, self.dusk = chance.uniform(0.02, 0.6, 3), chance.uniform(3.0, 5.0)

    # --- the truth ---

    def level_at(self, hours: float) -> float:
        """Two straight-ish arms about a rounded top, and a bend at the start: no formula of the jar model's."""
        lag = np.log1p(np.exp((hours - 0.4 * self.doubles) * 2.0)) / 2.0
        up = 1 + (self.peak - 1) * np.tanh(lag / (1.1 * self.doubles))
        over = max(0.0, hours - 1.9 * self.doubles)
        return float(1 + (up - 1) / (1 + self.sinks * over * 1.4))

    def jar(self) -> Jar:
        """As the baker shows it on the first picture: on the near wall, in the middle."""
        near = self.focus / (self.far - self.radius)
        middle, edge = HEIGHT * 0.5, self.focus * self.radius / self.far
        rows = [middle - near * (height - self.rim / 2) for height in (0.0, 1.0, self.rim)]
        return Jar(rows[0], rows[1], rows[2], WIDTH / 2 - edge, WIDTH / 2 + edge)

    def shots(self, every_min: float = 10.0, hours: float = 13.0) -> Iterator[Shot]:
        chance = np.random.default_rng(20_000 + self.seed)
        high = 1.0
        blocked_until = -1.0
        for at in np.arange(0.0, hours, every_min / 60):
            level = self.level_at(float(at))
            high = max(high, level)
            light = "day" if at < self.dusk else "dusk" if at < self.dusk + 1.2 else "lamp" if at < 9 else "night"
            if at > 10.5:
                light = "day"
            if at > 0.3 and chance.random() < 0.03:
                blocked_until = float(at) + 0.2 * chance.random()
            free = at > blocked_until
            yield Shot(
                self._picture(level, high, light, free=bool(free), chance=chance), float(at), level, light, bool(free)
            )

    # --- what it is made of ---

    def _dough(self, chance: np.random.Generator) -> tuple[float, float, float]:
        light = chance.uniform(0.18, 0.75)
        return light, light * chance.uniform(0.78, 0.95), light * chance.uniform(0.45, 0.85)

    def _wall(self, chance: np.random.Generator) -> Field:
        """Cloud over cloud, of a colour of its own, with straight-edged things before it."""
        field = np.zeros((HEIGHT, WIDTH))
        for scale in (6, 14, 40):
            small = Image.fromarray(chance.random((scale, scale)).astype(np.float32))
            field += np.asarray(small.resize((WIDTH, HEIGHT), Image.Resampling.BICUBIC)) / scale**0.3
        field = (field - field.min()) / (field.max() - field.min())
        colour = chance.uniform(0.05, 0.8) * chance.uniform(0.7, 1.0, 3)
        wall: Field = colour * (0.75 + 0.5 * field[..., None])
        for _ in range(int(chance.integers(0, 5))):
            x, y = int(chance.integers(0, WIDTH)), int(chance.integers(0, HEIGHT))
            wide, tall = int(chance.integers(20, 120)), int(chance.integers(20, 160))
            wall[y : y + tall, x : x + wide] = chance.uniform(0.02, 0.7, 3)
        wall[int(HEIGHT * 0.93) :] *= 0.6
        soft = [Image.fromarray(wall[..., of].astype(np.float32)) for of in range(3)]
        quarter, whole = (WIDTH // 4, HEIGHT // 4), (WIDTH, HEIGHT)
        blurred = [one.resize(quarter, Image.Resampling.BOX).resize(whole, Image.Resampling.BICUBIC) for one in soft]
        return np.clip(np.stack([np.asarray(one) for one in blurred], axis=2).astype(np.float64), 0.005, None)

    # --- a picture ---

    def _picture(self, level: float, high: float, light: str, *, free: bool, chance: np.random.Generator) -> Picture:
        own = np.random.default_rng(30_000 + self.seed)
        rows, columns = np.mgrid[0:HEIGHT, 0:WIDTH].astype(np.float64)
        horizon = HEIGHT * 0.5 - self.focus / (self.far - self.radius) * (self.eye - self.rim / 2)
        sight = (columns - WIDTH / 2) / self.focus
        # Where the line of sight meets the round wall first: |(x, z)| = radius, x = sight · (far - z).
        a, b, c = 1 + sight**2, -2 * sight**2 * self.far, sight**2 * self.far**2 - self.radius**2
        root = b * b - 4 * a * c
        hits = root > 0
        near = np.where(hits, (-b + np.sqrt(np.maximum(root, 0))) / (2 * a), 0.0)
        height = self.eye + (horizon - rows) * (self.far - near) / self.focus
        facing = np.clip(near / self.radius, 0, 1)
        image = self.wall.copy()
        inside = hits & (height > 0) & (height < self.rim)
        bent = self.wall[:, np.clip((WIDTH - 1 - np.arange(WIDTH)) // 2 + WIDTH // 4, 0, WIDTH - 1)]
        image[inside] = (bent * (0.35 + 0.6 * facing[..., None]))[inside]
        grain = self._grain(own, height, columns, level)
        body = inside & (height < level)
        dough = np.array(self.dough) * (0.45 + 0.55 * facing[..., None]) * (1 + 0.35 * grain[..., None])
        image[body] = dough[body]
        if self.eye > level:
            reach = (self.eye - level) * self.focus / np.maximum(rows - horizon, 1e-6)
            z, x = self.far - reach, sight * reach
            top = hits & (rows > horizon) & (x**2 + z**2 < self.radius**2) & (height >= level)
            image[top] = (np.array(self.dough) * 1.25 * (1 + 0.25 * grain[..., None]))[top]
        image = self._stuck(own, image, height, columns, level, high, inside)
        image = self._marked(image, height, sight, inside, facing)
        rims = np.abs(height - self.rim) < 0.02
        image[hits & (rims | ((facing < 0.22) & (height > 0) & (height < self.rim)))] *= 0.55
        for at in (-0.55, 0.3):
            glint = np.exp(-(((sight * self.far / self.radius - at) / 0.035) ** 2)) * inside
            image += 0.35 * glint[..., None]
        if not free:
            image = self._hand(image, rows, columns, chance)
        return self._taken(image, rows, columns, light, chance)

    def _grain(self, own: np.random.Generator, height: Field, columns: Field, level: float) -> Field:
        """Holes that are stretched upward as it rises."""
        tile = own.random((64, 64))
        pores = np.asarray(Image.fromarray(tile.astype(np.float32)).resize((256, 256), Image.Resampling.BICUBIC))
        share = np.clip(height / max(level, 0.1), 0, 1)
        scale = 60 + 25 * min(level - 1, 1.5)
        picked = pores[(share * 4 * scale).astype(int) % 256, columns.astype(int) % 256]
        return np.asarray((picked - 0.5) * (0.5 + 0.6 * (level - 1)))

    def _stuck(
        self,
        own: np.random.Generator,
        image: Field,
        height: Field,
        columns: Field,
        level: float,
        high: float,
        inside: NDArray[np.bool_],
    ) -> Field:
        """Runs and drops on the wall where the paste has stood."""
        if high <= level + 0.01:
            return image
        runs = own.random(WIDTH) ** 1.5
        runs = np.convolve(runs, np.ones(7) / 7, mode="same")
        ends = level + (high - level) * (0.35 + 0.65 * runs)
        there = inside & (height > level) & (height < ends[columns.astype(int)])
        thick = 0.15 + 0.5 * runs[columns.astype(int)]
        covered = image * (1 - thick[..., None]) + np.array(self.dough) * 0.9 * thick[..., None]
        image = image.copy()
        image[there] = covered[there]
        return image

    def _marked(self, image: Field, height: Field, sight: Field, inside: NDArray[np.bool_], facing: Field) -> Field:
        image = image.copy()
        if self.mark == "band":
            image[inside & (np.abs(height - 1) < 0.045)] = self.rubber
        elif self.mark == "pen":
            drawn = inside & (np.abs(height - 1 - 0.015 * np.sin(sight * 90)) < 0.012) & (sight > -0.03)
            image[drawn] = (0.02, 0.02, 0.05)
        elif self.mark == "strip":
            place = np.abs(sight * self.far / self.radius + 0.5) < 0.1
            image[inside & place] = 0.8
            image[inside & place & (np.mod(height + 0.01, 0.125) < 0.02)] = 0.05
        return image * (0.9 + 0.1 * facing[..., None])

    def _hand(self, image: Field, rows: Field, columns: Field, chance: np.random.Generator) -> Field:
        """Fingers from one side, across the jar."""
        image = image.copy()
        skin = np.array((0.55, 0.3, 0.2)) * chance.uniform(0.5, 1.2)
        side = chance.random() < 0.5
        for finger in range(4):
            middle = HEIGHT * (0.28 + 0.13 * finger) + chance.uniform(-12, 12)
            reach = WIDTH * chance.uniform(0.68, 0.85)
            along = columns if side else WIDTH - columns
            image[(np.abs(rows - middle - 0.1 * along) < 30) & (along < reach)] = skin * (0.85 + 0.1 * finger)
        return image

    def _taken(self, image: Field, rows: Field, columns: Field, light: str, chance: np.random.Generator) -> Picture:
        grain, soft, quality = TAKEN[self.quality]
        if light == "night":
            image = image * 0.0008
        else:
            lean = 0.4 * np.cos(self.seed) * (columns / WIDTH - 0.5) + 0.3 * np.sin(self.seed) * (rows / HEIGHT - 0.5)
            image = image * np.array(LIGHTS[light]) * (1 + lean[..., None]) * chance.uniform(0.8, 1.2)
            # The camera's own exposure and half of its white balance.
            image = image * (0.28 / image.mean()) ** 0.85
            grey = image.mean(axis=(0, 1))
            image = image * (grey.mean() / grey) ** 0.5
        image = image + chance.normal(0, 1, image.shape) * grain * (0.4 + np.sqrt(np.clip(image, 0, 1)))
        bytes_ = (np.clip(image, 0, 1) ** (1 / 2.2) * 255).astype(np.uint8)
        shown = Image.fromarray(bytes_)
        if soft:
            shown = shown.filter(ImageFilter.GaussianBlur(soft))
        packed = BytesIO()
        shown.save(packed, "JPEG", quality=quality)
        return np.asarray(Image.open(packed).convert("RGB"))
