"""A compiler for the model's inner loop, where there is one; without it the same functions run as Python.

Functions marked `compiled_too` stay plain Python, called by arrays and numbers alike, and are compiled when a compiled
one calls them: there is one copy of every equation. `compiled` is None without the compiler.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, TypeVar, cast

F = TypeVar("F", bound=Callable[..., Any])

try:
    import numba
    from numba.extending import register_jitable
except ImportError:
    compiled: Callable[[F], F] | None = None

    def compiled_too(function: F) -> F:
        return function

else:
    # The model knows no NaN and no infinity; a product may be added in one go, and a division be a multiplication.
    _QUICK = {"nnan", "ninf", "nsz", "arcp", "contract"}

    def _compiled(function: F) -> F:
        made: Any = numba.njit(cache=True, error_model="numpy", fastmath=_QUICK)(function)
        return cast(F, made)

    compiled = _compiled

    def compiled_too(function: F) -> F:
        made: F = register_jitable(function)
        return made
