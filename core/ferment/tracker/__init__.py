"""How this jar differs from the book, and what follows for its running feed and its day of ready.

Knows the model, the rule of ready and the log replayed; no plan (the feeds ahead are given), no verdict. Offers
`forecast`, `if_fed`, `if_woken`, `prior_ready` and `of_a_grown_jar`; the theory stands in `stretch` and `ensemble`.
"""

from .following import forecast, if_fed, if_woken, of_a_grown_jar, prior_ready
from .forecasts import Basis, Forecast, IfFed, Ready, RoundFit, TimeSpread
from .rounds import Background, Turn

__all__ = [
    "Background",
    "Basis",
    "Forecast",
    "IfFed",
    "Ready",
    "RoundFit",
    "TimeSpread",
    "Turn",
    "forecast",
    "if_fed",
    "if_woken",
    "of_a_grown_jar",
    "prior_ready",
]
