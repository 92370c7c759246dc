"""Equal parts by the clock: seed, flour and water alike, every 24 or every 12 hours (common practice)."""

from __future__ import annotations

from ..feeding import Ratio
from ..flours import Flour, FlourShare
from ..protocol import (
    BlendOption,
    Expect,
    Family,
    FromOption,
    GramsOption,
    HoursOption,
    Mix,
    Normal,
    OptionCode,
    Origin,
    Refresh,
    Wait,
)

FAMILY = Family(
    code="equal_parts",
    origin=Origin.FLOUR_AND_WATER,
    options=(
        HoursOption(OptionCode.EVERY_HOURS, choices=(24, 12), default=24),
        GramsOption(OptionCode.SEED_GRAMS, least=5.0, most=500.0, default=30.0),
        BlendOption(OptionCode.BLEND, default=(FlourShare(Flour.WHOLE_WHEAT, 1.0),)),
    ),
    first=Mix(flour_g=FromOption(OptionCode.SEED_GRAMS), hydration_percent=100.0),
    then=Refresh(
        keep_g=FromOption(OptionCode.SEED_GRAMS),
        ratio=Ratio(1, 1, 1),
        after=Wait(hours=FromOption(OptionCode.EVERY_HOURS), early_share=1 / 6, late_share=1 / 4),
    ),
    expect=(
        Expect(24, Normal.WETTING),
        Expect(66, Normal.EARLY_RISE),
        Expect(120, Normal.QUIET),
        Expect(180, Normal.WAKING),
        Expect(None, Normal.GROWING),
    ),
)
