"""Stiff, salted, warm: a dough of 60 % in a warm box, two and a half days (common practice)."""

from __future__ import annotations

from ..mixing.contents import Origin
from ..protocol.method import (
    Add,
    BlendFrom,
    Days,
    FromOption,
    Keep,
    Method,
    OfFlour,
    OfKept,
    Phase,
    Thing,
    Wait,
)
from ..protocol.options import BlendOption, NumberOption, OptionCode, Scale
from .shorthand import BLEND, FOR_EVER, NEW_JAR, NOW, SEED, parts

SALT = FromOption(OptionCode.SALT_PERCENT)
HYDRATION = FromOption(OptionCode.HYDRATION_PERCENT)

METHOD = Method(
    code="stiff_warm",
    origin=Origin.FLOUR_AND_WATER,
    options=(
        NumberOption(OptionCode.SEED_GRAMS, Scale.GRAMS, 20, 500, 60),
        NumberOption(OptionCode.HYDRATION_PERCENT, Scale.PERCENT, 50, 80, 60),
        NumberOption(OptionCode.SALT_PERCENT, Scale.PERCENT, 0, 1, 0.33),
        BlendOption(OptionCode.FIRST_BLEND, parts(rye=1, white=1)),
        BlendOption(OptionCode.BLEND, parts(white=1)),
    ),
    phases=(
        Phase("mix", NOW, (Add(SEED, OfFlour(HYDRATION), BlendFrom(OptionCode.FIRST_BLEND), salt_percent=SALT),)),
        Phase(
            "feed",
            Wait(10, 6, 14),
            (Keep(SEED), Add(OfKept(1), OfFlour(HYDRATION), BLEND, salt_percent=SALT)),
            FOR_EVER,
        ),
    ),
    expect=NEW_JAR,
    needs=(Thing.SCALE, Thing.WARM_PLACE, Thing.SALT),
    ready=Days(3, 4, 7),
    wants_c=27.0,
)
