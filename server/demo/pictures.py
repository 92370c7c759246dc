"""Pictures of a demo jar as a phone would take them: drawn here and marked as drawn, so that nothing real is shown."""

from __future__ import annotations

from io import BytesIO

import numpy as np
from PIL import Image, ImageDraw

from photos.services import Points

WIDTH, HEIGHT = 600, 800
LEFT, RIGHT, FOOT, RIM = 170, 430, 700, 130
PAPER, BENCH, GLASS, MIX, DARK, BAND = "#e9e0cf", "#b99a6f", "#7b8c92", "#cbaa78", "#5b452c", "#96461a"


def jar_picture(times: float, line_share: float, seed: int) -> tuple[bytes, Points]:
    """A jar with its level at so many times its line, which stands at a share of its height; and the three points."""
    dice = np.random.default_rng(seed)
    picture = Image.new("RGB", (WIDTH, HEIGHT), PAPER)
    draw = ImageDraw.Draw(picture)
    draw.rectangle((0, FOOT + 8, WIDTH, HEIGHT), fill=BENCH)
    tall = FOOT - RIM
    line = FOOT - line_share * tall
    level = max(RIM + 8.0, FOOT - min(1.0, line_share * times) * tall)
    draw.rectangle((LEFT, level, RIGHT, FOOT), fill=MIX)
    for _ in range(int(90 * max(0.0, times - 0.9))):
        x, y, r = dice.uniform(LEFT + 8, RIGHT - 8), dice.uniform(level + 6, FOOT - 6), dice.uniform(2, 8)
        draw.ellipse((x - r, y - r, x + r, y + r), fill="#e6d3b1", outline=DARK)
    draw.line((LEFT, RIM, LEFT, FOOT, RIGHT, FOOT, RIGHT, RIM), fill=GLASS, width=8)
    draw.line((LEFT - 8, line, RIGHT + 8, line), fill=BAND, width=7)
    draw.text((16, HEIGHT - 28), "drawn for the demo kitchen", fill=DARK)
    out = BytesIO()
    picture.save(out, "JPEG", quality=85)
    middle = (LEFT + RIGHT) / 2 / WIDTH
    return out.getvalue(), Points((middle, FOOT / HEIGHT), (middle, line / HEIGHT), (middle, level / HEIGHT))
