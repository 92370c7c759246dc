"""A jar as a camera sees it: wall, glass, paste, what sticks to the glass, marks, light, and the camera's own faults.

Heights are × the line, from the inner bottom of the jar; pictures are H×W×3 arrays of uint8, red, green, blue.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from enum import StrEnum
from typing import Any

import cv2
import numpy as np
from numpy.typing import NDArray

Picture = NDArray[np.uint8]
# Of float32; what numpy makes of it in between may be wider.
Field = NDArray[Any]

WIDTH, HEIGHT = 360, 480


class Mark(StrEnum):
    """What is on the glass to tell the line by."""

    NONE = "none"
    BAND = "band"
    PEN = "pen"
    STRIP = "strip"


class Light(StrEnum):
    DAY = "day"
    DUSK = "dusk"
    LAMP = "lamp"
    FLASH = "flash"
    NIGHT = "night"


class Before(StrEnum):
    """What stands between camera and jar."""

    NOTHING = "nothing"
    HAND = "hand"
    CAT = "cat"


@dataclass(frozen=True)
class Kitchen:
    """What stays from picture to picture: drawn by a seed."""

    seed: int
    mark: Mark
    paste: tuple[float, float, float]
    wall: tuple[float, float, float]
    band: tuple[float, float, float]
    # Rows and columns of the picture.
    bottom: float
    line: float
    rim: float
    left: float
    right: float
    # Half the height of the paste's upper rim, as the camera looks down on it at the line; rows.
    looks_down: float
    label: bool
    tiles: int


@dataclass(frozen=True)
class Moment:
    """What changes. `level` at the glass, `high` the highest it has been since the feed."""

    level: float
    high: float
    light: Light = Light.DAY
    brightness: float = 1.0
    dome: float = 0.0
    gas: float = 0.3
    before: Before = Before.NOTHING
    steam: float = 0.0
    hooch: float = 0.0
    shift: tuple[float, float] = (0.0, 0.0)
    tilt_deg: float = 0.0
    noise: float = 2.0
    blur: float = 0.0
    jpeg: int = 88
    number: int = field(default=0)


WARM: dict[Light, tuple[float, float, float, float]] = {
    Light.DAY: (1.0, 1.0, 1.0, 1.0),
    Light.DUSK: (0.85, 0.9, 1.1, 0.45),
    Light.LAMP: (1.15, 0.95, 0.68, 0.65),
    Light.FLASH: (1.0, 1.02, 1.05, 1.15),
    Light.NIGHT: (0.8, 0.9, 1.2, 0.012),
}
PASTES = ((226, 214, 190), (206, 188, 158), (164, 134, 104), (188, 162, 126))
WALLS = ((196, 200, 204), (120, 140, 150), (222, 212, 194), (86, 92, 84), (206, 184, 160), (160, 120, 96))
BANDS = ((190, 40, 44), (40, 70, 170), (30, 120, 70), (40, 40, 44), (214, 190, 150))


def kitchen(seed: int, mark: Mark) -> Kitchen:
    chance = np.random.default_rng(seed)
    bottom, rim = chance.uniform(430, 455), chance.uniform(25, 60)
    half = chance.uniform(85, 125)
    middle = WIDTH / 2 + chance.uniform(-15, 15)
    line = bottom - (bottom - rim) * chance.uniform(0.27, 0.36)

    def pick(some: tuple[tuple[int, int, int], ...], spread: float) -> tuple[float, float, float]:
        red, green, blue = np.array(some[chance.integers(len(some))]) + chance.normal(0, spread, 3)
        return float(red), float(green), float(blue)

    return Kitchen(
        seed=seed,
        mark=mark,
        paste=pick(PASTES, 6),
        wall=pick(WALLS, 10),
        band=pick(BANDS, 8),
        bottom=bottom,
        line=line,
        rim=rim,
        left=middle - half,
        right=middle + half,
        looks_down=float(chance.choice((0.0, 0.0, 4.0, 9.0, 14.0))),
        label=bool(chance.random() < 0.25),
        tiles=int(chance.choice((0, 0, 40, 64))),
    )


def draw(of: Kitchen, at: Moment) -> Picture:
    """The picture of a moment; the same moment again is the same picture."""
    chance = np.random.default_rng((of.seed, at.number))
    own = np.random.default_rng(of.seed)
    rows, columns = np.mgrid[0:HEIGHT, 0:WIDTH].astype(np.float32)
    wall = _wall(of, own, rows, columns)
    seen = wall.copy()
    across = (columns - (of.left + of.right) / 2) / ((of.right - of.left) / 2)
    inside = _edge(np.abs(across), 1.0, 0.01) * _edge(-rows, -of.rim, 1.0) * _edge(rows, of.bottom + 6, 1.0)
    # Through the glass the wall is darker to the sides, and a little turned about.
    through = cv2.GaussianBlur(wall[:, ::-1], (0, 0), 3) * (0.93 - 0.28 * np.abs(across) ** 6)[..., None]
    seen = _over(seen, through, inside)
    seen = _over(seen, _paste(of, at, own, rows, across), inside * _filled(of, at, rows, across))
    film = inside * _smear(of, at, own, rows, columns)
    seen = _over(seen, np.broadcast_to(np.array(of.paste, np.float32) * 1.02, seen.shape), film)
    if at.hooch > 0:
        top = _row(of, at.level)
        layer = inside * _edge(-rows, -(top - at.hooch * 40), 1.5) * _edge(rows, top, 1.5)
        seen = _over(seen, np.broadcast_to(np.array((92, 72, 50), np.float32), seen.shape), 0.75 * layer)
    seen = _marks(of, seen, rows, columns, across, inside)
    for place, width, strength in ((-0.72, 0.05, 70.0), (0.55, 0.02, 45.0)):
        shine = np.exp(-(((across - place) / width) ** 2)) * inside * strength
        seen = seen + shine[..., None]
    if at.steam > 0:
        mist = cv2.GaussianBlur(own.random((HEIGHT, WIDTH)).astype(np.float32), (0, 0), 9)
        mist = np.clip((mist - 0.5) * 14 + 0.9, 0, 1) * inside * at.steam * _edge(rows, of.line, 60.0)
        seen = _over(cv2.GaussianBlur(seen, (0, 0), 0.1 + 5 * at.steam), np.full_like(seen, 214.0), 0.75 * mist)
    seen = _in_the_way(at, seen, rows, columns, chance)
    seen = _lit(of, at, seen, rows, columns)
    return _taken(at, seen, chance)


def _row(of: Kitchen, level: float) -> float:
    return of.bottom - level * (of.bottom - of.line)


def _edge(value: Field, below: float, soft: float) -> Field:
    """1 below a value, 0 above it, over a soft step."""
    return np.clip((below - value) / (2 * soft) + 0.5, 0, 1).astype(np.float32)


def _over(seen: Field, new: Field, share: Field) -> Field:
    mixed: Field = seen * (1 - share[..., None]) + new * share[..., None]
    return mixed


def _wall(of: Kitchen, own: np.random.Generator, rows: Field, columns: Field) -> Field:
    colour = np.array(of.wall, np.float32)
    slope = own.normal(0, 0.12, 2)
    shade = 1 + slope[0] * (rows / HEIGHT - 0.5) + slope[1] * (columns / WIDTH - 0.5)
    grain = cv2.GaussianBlur(own.normal(0, 1, (HEIGHT, WIDTH)).astype(np.float32), (0, 0), 6) * 40
    wall = colour * shade[..., None] + grain[..., None]
    if of.tiles:
        joint = np.minimum(rows % of.tiles, columns % of.tiles) < 2
        wall[joint] *= 0.82
    for _ in range(int(own.integers(0, 4))):
        x, y = own.uniform(0, WIDTH), own.uniform(0, HEIGHT * 0.8)
        size = own.uniform(25, 70)
        thing = np.exp(-((((columns - x) / size) ** 2 + ((rows - y) / (size * 1.6)) ** 2) ** 3))
        wall = _over(wall, np.broadcast_to(own.uniform(30, 220, 3).astype(np.float32), wall.shape), 0.8 * thing)
    counter = _edge(-rows, -(of.bottom + 2), 2.0)
    return _over(wall, np.broadcast_to(colour * 0.62, wall.shape), counter)


def _surface(of: Kitchen, at: Moment, across: Field) -> tuple[Field, Field]:
    """Rows of the paste's rim at the glass before and behind, over the columns."""
    looks_down = of.looks_down * max(0.15, 1 - 0.3 * (at.level - 1))
    bow = np.sqrt(np.clip(1 - across**2, 0, 1)) * looks_down
    middle = _row(of, at.level) - of.looks_down
    return (middle + bow).astype(np.float32), (middle - bow).astype(np.float32)


def _filled(of: Kitchen, at: Moment, rows: Field, across: Field) -> Field:
    front, back = _surface(of, at, across)
    reach = of.bottom - of.line
    dome = at.dome * reach * (1 - across**2)
    top = np.minimum(front, back - np.maximum(dome, 0))
    filled: Field = np.clip(rows - top + 0.5, 0, 1)
    return filled


def _paste(of: Kitchen, at: Moment, own: np.random.Generator, rows: Field, across: Field) -> Field:
    front, _ = _surface(of, at, across)
    colour = np.array(of.paste, np.float32)
    paste = np.broadcast_to(colour, (HEIGHT, WIDTH, 3)).copy()
    cells: Field = np.zeros((HEIGHT, WIDTH), np.float32)
    count = int(60 + 900 * at.gas)
    # Bubbles rise with the paste: drawn by their share of its height.
    for _ in range(count):
        x, share = own.uniform(of.left, of.right), own.uniform(0, 1)
        y = _row(of, share * at.level)
        size = own.gamma(2.0, 0.7 + 2.2 * at.gas)
        tone = float(own.choice((-1, 1))) * own.uniform(0.3, 1)
        if size > 0.8:
            cv2.circle(cells, (int(x), int(y)), int(size), tone, -1, cv2.LINE_AA)
    cells = cv2.GaussianBlur(cells, (0, 0), 0.8)
    paste *= (1 - 0.22 * np.abs(across) ** 4 + 0.09 * cells)[..., None]
    top = np.clip(front - rows, 0, 1)
    return _over(paste, np.broadcast_to(colour * 1.05, paste.shape), 0.8 * top)


def _smear(of: Kitchen, at: Moment, own: np.random.Generator, rows: Field, columns: Field) -> Field:
    """The film that a fallen paste leaves, streaked, thinner to the top."""
    if at.high <= at.level + 0.005:
        return np.zeros((HEIGHT, WIDTH), np.float32)
    high, low = _row(of, at.high), _row(of, at.level)
    streaks = cv2.GaussianBlur(own.normal(0, 1, (1, WIDTH)).astype(np.float32), (0, 0), 4)[0] * 0.5
    spots = cv2.GaussianBlur(own.normal(0, 1, (HEIGHT, WIDTH)).astype(np.float32), (0, 0), 2) * 0.6
    share = np.clip((rows - high) / max(low - high, 1), 0, 1)
    film = (0.22 + 0.3 * share + streaks[columns.astype(int)] + spots).clip(0.05, 0.8)
    sticking: Field = (film * _edge(-rows, -high, 1.0) * _edge(rows, low + 2, 1.0)).astype(np.float32)
    return sticking


def _marks(of: Kitchen, seen: Field, rows: Field, columns: Field, across: Field, inside: Field) -> Field:
    colour = np.broadcast_to(np.array(of.band, np.float32), seen.shape) * (1 - 0.3 * np.abs(across) ** 3)[..., None]
    bow = np.sqrt(np.clip(1 - across**2, 0, 1)) * of.looks_down - of.looks_down
    line = of.line + bow
    if of.mark is Mark.BAND:
        seen = _over(seen, colour, inside * _edge(np.abs(rows - line), 6.0, 0.8))
    elif of.mark is Mark.PEN:
        drawn = inside * _edge(np.abs(rows - line - 2 * np.sin(columns / 17)), 1.6, 0.7) * _edge(across, 0.7, 0.02)
        seen = _over(seen, np.broadcast_to(np.array((28, 28, 60), np.float32), seen.shape), 0.9 * drawn)
    elif of.mark is Mark.STRIP:
        at = _edge(np.abs(across - 0.62), 0.09, 0.01) * inside
        paper = np.full_like(seen, 236.0)
        ticks = ((rows - of.line) % 22 < 1.6) & (across < 0.68)
        paper[ticks] = 60.0
        seen = _over(seen, paper, at)
    if of.label:
        at_label = _edge(np.abs(across + 0.3), 0.3, 0.01) * _edge(np.abs(rows - (of.bottom - 46)), 22.0, 0.8) * inside
        seen = _over(seen, np.full_like(seen, 228.0), at_label)
    return seen


def _in_the_way(at: Moment, seen: Field, rows: Field, columns: Field, chance: np.random.Generator) -> Field:
    if at.before is Before.NOTHING:
        return seen
    x, y = WIDTH * chance.uniform(0.35, 0.65), HEIGHT * chance.uniform(0.35, 0.65)
    size = HEIGHT * chance.uniform(0.3, 0.42)
    colour = (196.0, 146.0, 120.0) if at.before is Before.HAND else (64.0, 58.0, 56.0)
    thing = _edge(((columns - x) / (size * 0.8)) ** 2 + ((rows - y) / size) ** 2, 1.0, 0.05)
    fur = cv2.GaussianBlur(chance.normal(0, 1, (HEIGHT, WIDTH)).astype(np.float32), (0, 0), 2) * 24
    return _over(seen, np.array(colour, np.float32) + fur[..., None], thing)


def _lit(of: Kitchen, at: Moment, seen: Field, rows: Field, columns: Field) -> Field:
    red, green, blue, gain = WARM[at.light]
    side = {Light.LAMP: 0.35, Light.DUSK: 0.12}.get(at.light, 0.05)
    shade = 1 + side * (columns / WIDTH - 0.5) + 0.5 * side * (0.5 - rows / HEIGHT)
    if at.light is Light.FLASH:
        x, y = (of.left + of.right) / 2, HEIGHT * 0.45
        shade = shade + 0.9 * np.exp(-(((columns - x) / 22) ** 2 + ((rows - y) / 30) ** 2))
    colour = np.array((red, green, blue), np.float32) * gain * at.brightness
    return seen * shade[..., None] * colour


def _taken(at: Moment, seen: Field, chance: np.random.Generator) -> Picture:
    if at.shift != (0.0, 0.0) or at.tilt_deg:
        turn = cv2.getRotationMatrix2D((WIDTH / 2, HEIGHT / 2), at.tilt_deg, 1.0)
        turn[:, 2] += np.array(at.shift)
        seen = cv2.warpAffine(seen, turn, (WIDTH, HEIGHT), borderMode=cv2.BORDER_REPLICATE)
    if at.blur > 0:
        seen = cv2.GaussianBlur(seen, (0, 0), at.blur)
    grain = chance.normal(0, 1, seen.shape) * (at.noise + 0.035 * np.sqrt(np.maximum(seen, 0)) * at.noise)
    done = np.clip(seen + grain, 0, 255).astype(np.uint8)
    _, packed = cv2.imencode(".jpg", done[..., ::-1], [cv2.IMWRITE_JPEG_QUALITY, at.jpeg])
    opened = cv2.imdecode(packed, cv2.IMREAD_COLOR)
    assert opened is not None
    return np.ascontiguousarray(opened[..., ::-1])
