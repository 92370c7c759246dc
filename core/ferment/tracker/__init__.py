"""How this jar differs from the book, and what follows for its running feed and its day of ready.

Knows the model, the rule of ready and the log replayed; no plan (the feeds ahead are given), no verdict. Offers
`forecast`, `if_fed`, `if_woken`, `prior_ready` and `of_a_grown_jar`, and what a jar teaches of the next (`lesson`,
`taught_by`); the theory stands in `stretch`, `ensemble` and `prior`.
"""

from .following import forecast, if_fed, if_woken, lesson, of_a_grown_jar, prior_ready
from .forecasts import Basis, Forecast, IfFed, Ready, RoundFit, TimeSpread
from .prior import Lesson, Prior, taught_by
from .rounds import Background, Turn

__all__ = [
    "Background",
    "Basis",
    "Forecast",
    "IfFed",
    "Lesson",
    "Prior",
    "Ready",
    "RoundFit",
    "TimeSpread",
    "Turn",
    "forecast",
    "if_fed",
    "if_woken",
    "lesson",
    "of_a_grown_jar",
    "prior_ready",
    "taught_by",
]
