"""It reached the rim: a jar too small, or a lively one (common practice). Never seal it in."""

from __future__ import annotations

from .clues import NearRim
from .contract import Case, Caution, Remedy, Sign, SignCode, Urgency

SIGN = Sign(
    code=SignCode.OVERFLOW,
    urgency=Urgency.CARE,
    cases=(Case((NearRim(),), sure=0.95),),
    do=(Remedy.BIGGER_JAR,),
    dont=(Caution.DO_NOT_SEAL,),
)
